import { strFromU8, strToU8 } from 'fflate';
import { Refusal } from '../refusal';

/** A style sheet was refused; the message says which, what was expected and what was found. */
export class StylesheetError extends Refusal {}

export const stylesheetLimits = { bytes: 2e6 } as const;

/**
 * The text of a style sheet file, which must be UTF-8.
 * @throws StylesheetError
 */
export function decodeStylesheet(name: string, bytes: Uint8Array): string {
  const refuse = (expected: string, found: string) =>
    new StylesheetError(`${name}: expected ${expected}, found ${found}.`);
  if (bytes.length > stylesheetLimits.bytes) {
    throw refuse(
      `a style sheet of at most ${stylesheetLimits.bytes / 1e6} MB`,
      `${(bytes.length / 1e6).toFixed(1)} MB`,
    );
  }
  const mark = (bytes[0] << 8) | bytes[1];
  if (mark === 0xfffe || mark === 0xfeff) {
    throw refuse('text in UTF-8', 'UTF-16. Save it as UTF-8 and drop it again');
  }
  const zeros = bytes.subarray(0, 2000).reduce((n, b) => n + (b === 0 ? 1 : 0), 0);
  if (zeros > 0) {
    throw refuse(
      'text in UTF-8',
      zeros * 4 > Math.min(2000, bytes.length)
        ? 'UTF-16 or another wide encoding. Save it as UTF-8 and drop it again'
        : 'something that is no text',
    );
  }
  const text = strFromU8(bytes);
  // Older style sheets are often in a one-byte encoding; what matters in them is plain ASCII.
  return text.includes('\ufffd') ? strFromU8(bytes, true) : text.replace(/^\ufeff/, '');
}

/**
 * The bytes of a style sheet's text in the encoding it came in, with its byte order mark if it had
 * one: a text that was not changed gives the very bytes it was read from.
 * @param like the file the text was read from
 */
export function encodeStylesheet(text: string, like: Uint8Array): Uint8Array<ArrayBuffer> {
  const marked = like[0] === 0xef && like[1] === 0xbb && like[2] === 0xbf;
  const oneByte = strFromU8(like).includes('\ufffd');
  return strToU8(marked && !oneByte ? `\ufeff${text}` : text, oneByte) as Uint8Array<ArrayBuffer>;
}
