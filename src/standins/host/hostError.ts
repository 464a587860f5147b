import { Refusal } from '@/core/refusal';

/** The host did not take it; the message says what was expected and what was found. */
export class HostError extends Refusal {
  constructor(
    message: string,
    readonly status: number,
  ) {
    super(message);
  }
}
