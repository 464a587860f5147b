import { toByteArray } from 'base64-js';
import { strFromU8 } from 'fflate';
import { PageError } from './pageError';

type Bytes = Uint8Array<ArrayBuffer>;

/** One file of a page that was saved as a single one. */
export interface MimePart {
  /** Where the browser had it from, absolute; empty where it is not said. */
  readonly location: string;
  /** What `cid:` addresses name it by, without its angle brackets. */
  readonly contentId: string;
  /** Lower case, without parameters. */
  readonly type: string;
  readonly charset: string | undefined;
  readonly bytes: Bytes;
}

/** A page saved as one file: its document, and the files it uses. */
export interface MimePage {
  readonly main: MimePart;
  readonly parts: readonly MimePart[];
}

/** How deep bodies of several parts may lie in each other. */
const deepest = 8;

interface Headers {
  get(name: string): string;
}

/** Header fields (RFC 5322, section 2.2): lines that begin with white space go on with the last. */
function readHeaders(text: string): Headers {
  const fields = new Map(
    text
      .replace(/\r?\n[ \t]+/g, ' ')
      .split(/\r?\n/)
      .map((line): [string, string] => {
        const colon = line.indexOf(':');
        return [line.slice(0, colon).trim().toLowerCase(), line.slice(colon + 1).trim()];
      }),
  );
  return { get: (name) => fields.get(name) ?? '' };
}

/** A parameter of a field such as `multipart/related; boundary="x"` (RFC 2045, section 5.1). */
function parameter(field: string, name: string): string | undefined {
  const found = new RegExp(`;\\s*${name}\\s*=\\s*(?:"((?:[^"\\\\]|\\\\.)*)"|([^\\s;]+))`, 'i').exec(
    field,
  );
  return found?.[1]?.replace(/\\(.)/g, '$1') ?? found?.[2];
}

/** A line without the blanks that a sender may have put behind it; other white space is of the text. */
function unpadded(line: string): string {
  let end = line.length;
  while (end > 0 && (line[end - 1] === ' ' || line[end - 1] === '\t')) {
    end--;
  }
  return line.slice(0, end);
}

/** RFC 2045, section 6.7. */
function quotedPrintable(text: string): Bytes {
  const whole = text
    .split('\n')
    .map((line) => (line.endsWith('\r') ? `${unpadded(line.slice(0, -1))}\r` : unpadded(line)))
    .join('\n')
    .replace(/=\r?\n/g, '');
  const out = new Uint8Array(whole.length);
  let length = 0;
  for (let i = 0; i < whole.length; i++) {
    const code = whole.charCodeAt(i);
    const escaped = code === 61 ? /^[0-9a-f]{2}/i.exec(whole.slice(i + 1, i + 3)) : null;
    out[length++] = escaped ? parseInt(escaped[0], 16) : code;
    i += escaped ? 2 : 0;
  }
  return out.slice(0, length);
}

function decoded(name: string, encoding: string, body: string): Bytes {
  switch (encoding.toLowerCase()) {
    case 'base64':
      try {
        const text = body.replace(/[^A-Za-z0-9+/]/g, '');
        return new Uint8Array(toByteArray(text.padEnd(Math.ceil(text.length / 4) * 4, '=')));
      } catch {
        throw new PageError(`${name}: expected base64, found something else.`);
      }
    case 'quoted-printable':
      return quotedPrintable(body);
    default:
      return Uint8Array.from({ length: body.length }, (_, i) => body.charCodeAt(i));
  }
}

/** The bodies between boundaries (RFC 2046, section 5.1.1). @throws PageError where it breaks off */
function bodiesOf(name: string, body: string, boundary: string): string[] {
  const escaped = boundary.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  const lines = new RegExp(`(?:^|\\r?\\n)--${escaped}(--)?[ \\t]*(?=\\r?\\n|$)`, 'g');
  const bodies: string[] = [];
  let begin: number | undefined;
  for (let found = lines.exec(body); found; found = lines.exec(body)) {
    if (begin !== undefined) {
      bodies.push(body.slice(begin, found.index));
    }
    if (found[1]) {
      return bodies;
    }
    begin = lines.lastIndex + (/^\r?\n/.exec(body.slice(lines.lastIndex))?.[0].length ?? 0);
  }
  throw new PageError(`${name}: expected a whole saved page, found one that breaks off.`);
}

function partsOf(name: string, text: string, depth: number): MimePart[] {
  const split = /\r?\n\r?\n/.exec(text);
  const headers = readHeaders(split ? text.slice(0, split.index) : text);
  const body = split ? text.slice(split.index + split[0].length) : '';
  const field = headers.get('content-type');
  const type = field.split(';')[0].trim().toLowerCase();
  const boundary = parameter(field, 'boundary');
  if (type.startsWith('multipart/') && boundary && depth < deepest) {
    return bodiesOf(name, body, boundary).flatMap((part) => partsOf(name, part, depth + 1));
  }
  return [
    {
      location: headers.get('content-location'),
      contentId: headers.get('content-id').replace(/^<|>$/g, ''),
      type: type || 'text/plain',
      charset: parameter(field, 'charset'),
      bytes: decoded(name, headers.get('content-transfer-encoding'), body),
    },
  ];
}

/** It looks like a page that was saved as one file: header fields, and several parts. */
export const isMimePage = (bytes: Uint8Array): boolean =>
  /^(?:[\w-]+:[^\n]*\n(?:[ \t][^\n]*\n)*)*?content-type:\s*multipart\/related/i.test(
    strFromU8(bytes.subarray(0, 4096), true),
  );

/**
 * Opens a page that a browser saved as one file (RFC 2557).
 * @throws PageError
 */
export function openMimePage(name: string, bytes: Uint8Array): MimePage {
  const parts = partsOf(name, strFromU8(bytes, true), 0);
  const main = parts.find(({ type }) => type === 'text/html' || type === 'application/xhtml+xml');
  if (!main) {
    throw new PageError(
      `${name}: expected a page, found ${parts.length} ${parts.length === 1 ? 'part' : 'parts'} and no document among them.`,
    );
  }
  return { main, parts };
}
