import { Refusal } from '../refusal';

/** A page was refused; the message says which, what was expected and what was found. */
export class PageError extends Refusal {}
