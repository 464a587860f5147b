import { Refusal } from '../refusal';

/** A file was refused; the message says which, what was expected and what was found. */
export class IntakeError extends Refusal {}
