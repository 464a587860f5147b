import { strFromU8 } from 'fflate';

/** The encoding that a byte order mark tells (Encoding Standard, section 6). */
function marked(bytes: Uint8Array): string | undefined {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) {
    return 'utf-8';
  }
  if (bytes[0] === 0xfe && bytes[1] === 0xff) {
    return 'utf-16be';
  }
  return bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : undefined;
}

/** A text and the encoding that its bytes are in. */
export interface DecodedText {
  /** Without its byte order mark. */
  readonly text: string;
  /** As the Encoding Standard names it, such as `utf-8` or `windows-1252`. */
  readonly encoding: string;
}

/** Text in the first of the encodings whose name says something. */
function decodedAs(bytes: Uint8Array, labels: readonly (string | undefined)[]): DecodedText {
  for (const label of labels) {
    try {
      const decoder = new TextDecoder(label ?? '?');
      return { text: decoder.decode(bytes), encoding: decoder.encoding };
    } catch {
      // No name of an encoding: the next tells.
    }
  }
  return { text: new TextDecoder().decode(bytes), encoding: 'utf-8' };
}

const isUtf8 = (bytes: Uint8Array): boolean => {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
};

/** Where nothing is said: UTF-8 as far as it is that, else what old pages are in. */
const guessed = (bytes: Uint8Array): string => (isUtf8(bytes) ? 'utf-8' : 'windows-1252');

/** A document that says UTF-16 inside itself, in ASCII, is not in it (HTML, section 13.2.3.2). */
const said = (label: string | undefined): string | undefined =>
  label && /^utf-?16/i.test(label) ? 'utf-8' : label;

/**
 * The text of an HTML document: by its byte order mark, what it was served as, or what it says of
 * itself in its beginning (HTML, section 13.2.3).
 * @param charset what it was served as, where that is known
 */
export function decodedHtml(bytes: Uint8Array, charset?: string): DecodedText {
  const head = strFromU8(bytes.subarray(0, 2048), true).replace(/<!--[\s\S]*?-->/g, '');
  const own = /<meta\s[^>]*?charset\s*=\s*(?:["']\s*)?([\w:.-]+)/i.exec(head)?.[1];
  return decodedAs(bytes, [marked(bytes), charset, said(own), guessed(bytes)]);
}

/**
 * The text of a style sheet (CSS Syntax Level 3, section 3.2).
 * @param charset what it was served as, where that is known
 */
export function decodedCss(bytes: Uint8Array, charset?: string): DecodedText {
  const own = /^@charset "([^"]*)";/.exec(strFromU8(bytes.subarray(0, 1024), true))?.[1];
  return decodedAs(bytes, [marked(bytes), charset, said(own), guessed(bytes)]);
}

/** @see decodedHtml */
export const decodeHtml = (bytes: Uint8Array, charset?: string): string =>
  decodedHtml(bytes, charset).text;

/** @see decodedCss */
export const decodeCss = (bytes: Uint8Array, charset?: string): string =>
  decodedCss(bytes, charset).text;

/** Bytes for the signs of an encoding that has one for each; undefined for any other encoding. */
function byteOfSign(encoding: string): ReadonlyMap<string, number> | undefined {
  const all = new TextDecoder(encoding).decode(Uint8Array.from({ length: 256 }, (_, byte) => byte));
  return all.length === 256 ? new Map([...all].map((sign, byte) => [sign, byte])) : undefined;
}

function utf16(text: string, little: boolean): Uint8Array {
  const bytes = new Uint8Array(text.length * 2);
  const view = new DataView(bytes.buffer);
  for (let i = 0; i < text.length; i++) {
    view.setUint16(i * 2, text.charCodeAt(i), little);
  }
  return bytes;
}

/** A text in an encoding, without a mark; undefined where it cannot be written in that. */
function encodedAs(text: string, encoding: string): Uint8Array | undefined {
  if (encoding === 'utf-8') {
    return new TextEncoder().encode(text);
  }
  if (encoding.startsWith('utf-16')) {
    return utf16(text, encoding === 'utf-16le');
  }
  const signs = byteOfSign(encoding);
  const bytes = [...text].map((sign) => signs?.get(sign));
  return bytes.every((byte) => byte !== undefined) ? Uint8Array.from(bytes) : undefined;
}

/**
 * Another text in the bytes' own encoding, with their byte order mark.
 * @returns undefined where what stays as it was would not come out byte by byte
 */
export function reencoded(
  bytes: Uint8Array,
  { text, encoding }: DecodedText,
  fresh: string,
): Uint8Array<ArrayBuffer> | undefined {
  const before = encodedAs(text, encoding);
  const mark = bytes.length - (before?.length ?? 0);
  const same =
    before !== undefined && mark >= 0 && mark <= 3 && before.every((b, i) => b === bytes[mark + i]);
  const after = same ? encodedAs(fresh, encoding) : undefined;
  if (!after) {
    return undefined;
  }
  const out = new Uint8Array(mark + after.length);
  out.set(bytes.subarray(0, mark));
  out.set(after, mark);
  return out;
}
