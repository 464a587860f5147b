import { Refusal } from '../refusal';

/** A font file was refused; the message says which, what was expected and what was found. */
export class FontError extends Refusal {}

const signatures = new Set(['\0\x01\0\0', 'OTTO', 'wOFF', 'wOF2', 'true']);

/** First four bytes of a file, as letters. */
export const signatureOf = (bytes: Uint8Array): string =>
  String.fromCharCode(...bytes.subarray(0, 4));

/** A TTF, OTF, WOFF or WOFF2 file, by its first bytes. */
export const isFont = (bytes: Uint8Array): boolean => signatures.has(signatureOf(bytes));
