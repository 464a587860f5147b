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

/** Text in an encoding; undefined where its name says nothing. A byte order mark is left out. */
function decodedAs(bytes: Uint8Array, label: string): string | undefined {
  try {
    return new TextDecoder(label).decode(bytes);
  } catch {
    return undefined;
  }
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
export function decodeHtml(bytes: Uint8Array, charset?: string): string {
  const head = strFromU8(bytes.subarray(0, 2048), true).replace(/<!--[\s\S]*?-->/g, '');
  const own = /<meta\s[^>]*?charset\s*=\s*["']?\s*([\w:.-]+)/i.exec(head)?.[1];
  const labels = [marked(bytes), charset, said(own), guessed(bytes)];
  return labels.reduce<string | undefined>(
    (text, label) => text ?? (label ? decodedAs(bytes, label) : undefined),
    undefined,
  )!;
}

/**
 * The text of a style sheet (CSS Syntax Level 3, section 3.2).
 * @param charset what it was served as, where that is known
 */
export function decodeCss(bytes: Uint8Array, charset?: string): string {
  const own = /^@charset "([^"]*)";/.exec(strFromU8(bytes.subarray(0, 1024), true))?.[1];
  const labels = [marked(bytes), charset, said(own), guessed(bytes)];
  return labels.reduce<string | undefined>(
    (text, label) => text ?? (label ? decodedAs(bytes, label) : undefined),
    undefined,
  )!;
}
