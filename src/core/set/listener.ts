import { Refusal } from '../refusal';
import type { Role } from './roles';

export interface SetListener {
  onProgress(done: number, of: number, path: string): void;
  /** Asked before each piece. */
  wanted(): boolean;
}

/** It was given up. */
export class SetStopped extends Refusal {}

/**
 * The sides of a piece are read off where it is laid again and again, so that a colour may go on
 * where it ends.
 */
export const wantsEnds = (role: Role | undefined): boolean =>
  role?.laid?.repeat === 'repeat-x' || role?.laid?.repeat === 'repeat-y';
