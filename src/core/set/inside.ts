import { fromByteArray, toByteArray } from 'base64-js';
import { string, tokenize, tokenTypes, url } from 'css-tree';
import { strFromU8, strToU8 } from 'fflate';
import type { PackedFile } from '../files/unzip';
import type { SheetText } from '../theme/readTheme';
import { decodeStylesheet } from '../theme/sheetText';

/** A picture that stands inside a style sheet as a data: URL (RFC 2397). */
interface InsidePicture extends PackedFile {
  /** Of the token that it is written as, in the sheet's text. */
  readonly start: number;
  readonly end: number;
  /** What stands around the URL in it. */
  readonly opens: string;
  readonly closes: string;
  /** Everything of the URL before its data; it says base64 where the data are that. */
  readonly head: string;
}

const dataUrl = /^data:image\/([a-z0-9.+-]+)((?:;[^,;]*)*),/i;
const endings: Readonly<Record<string, string>> = {
  jpeg: 'jpg',
  'svg+xml': 'svg',
  'x-icon': 'ico',
  'vnd.microsoft.icon': 'ico',
};
const isBase64 = (head: string): boolean => /;\s*base64\s*,$/i.test(head);

/**
 * The bytes of a URL's data; what is behind a # is a fragment, as it is to browsers. Undefined
 * where they cannot be read.
 */
function dataOf(head: string, data: string): Uint8Array<ArrayBuffer> | undefined {
  try {
    // A % that escapes nothing stands for itself.
    const text = decodeURIComponent(data.split('#')[0].replace(/%(?![0-9a-f]{2})/gi, '%25'));
    return new Uint8Array(isBase64(head) ? toByteArray(text.replace(/\s+/g, '')) : strToU8(text));
  } catch {
    return undefined;
  }
}

/**
 * In a style sheet of that path; they count as lying in a folder of its name, which no file can.
 */
function picturesInside(file: string, text: string): InsidePicture[] {
  const found: InsidePicture[] = [];
  // Most sheets have none, and all of a sheet is read for them.
  if (!/data:image\//i.test(text)) {
    return found;
  }
  tokenize(text, (type, start, end) => {
    if (type !== tokenTypes.Url && type !== tokenTypes.String) {
      return;
    }
    const token = text.slice(start, end);
    const plain = type === tokenTypes.Url;
    const value = plain ? url.decode(token) : string.decode(token);
    const match = dataUrl.exec(value);
    const bytes = match && dataOf(match[0], value.slice(match[0].length));
    if (!match || !bytes) {
      return;
    }
    const kind = match[1].toLowerCase();
    const path = `${file}/inside-${found.length + 1}.${endings[kind] ?? kind.replace(/[^a-z0-9]/g, '')}`;
    found.push({
      path,
      bytes,
      start,
      end,
      head: match[0],
      opens: plain ? 'url(' : token[0],
      closes: plain ? ')' : token[0],
    });
  });
  return found;
}

const leaf = (path: string): string => path.split('/').slice(-2).map(encodeURIComponent).join('/');

/**
 * How the picture is spoken of in the sheet that `readSheet` gives: by its path, which is far
 * shorter and leads to the piece.
 */
const named = ({ path, opens }: InsidePicture): string =>
  opens === 'url(' ? `url("${leaf(path)}")` : `${opens}${leaf(path)}${opens}`;

export const filesInside = ({ path, bytes }: PackedFile): PackedFile[] =>
  picturesInside(path, decodeStylesheet(path, bytes)).map((p) => ({
    path: p.path,
    bytes: p.bytes,
  }));

/**
 * The text of a set's style sheet, with the pictures inside it named as if they were files beside
 * it.
 * @throws StylesheetError
 */
export function readSheet(path: string, bytes: Uint8Array): SheetText {
  const text = decodeStylesheet(path, bytes);
  let out = '';
  let at = 0;
  for (const picture of picturesInside(path, text)) {
    out += text.slice(at, picture.start) + named(picture);
    at = picture.end;
  }
  return { path, text: out + text.slice(at) };
}

/**
 * Everything that is no letter, digit or -_.~ is escaped, so that it can stand in quotes and
 * without.
 */
const escaped = (text: string): string =>
  encodeURIComponent(text).replace(
    /[!'()*]/g,
    (c) => `%${c.charCodeAt(0).toString(16).toUpperCase()}`,
  );

/**
 * Puts the pictures back into a sheet that was read by `readSheet`: those that became others as
 * their new bytes, in base64 where they were that, and the rest to the letter as they were written.
 * @param original the file's bytes
 * @param becomes the new bytes of a picture, by its path; undefined for what stays
 */
export function withInside(
  { path, text }: SheetText,
  original: Uint8Array,
  becomes: (path: string) => Uint8Array | undefined,
): string {
  const before = decodeStylesheet(path, original);
  return picturesInside(path, before).reduce((out, picture) => {
    const bytes = becomes(picture.path);
    const { head, opens, closes } = picture;
    const token = bytes
      ? `${opens}${head}${isBase64(head) ? fromByteArray(bytes) : escaped(strFromU8(bytes))}${closes}`
      : before.slice(picture.start, picture.end);
    return out.replace(named(picture), () => token);
  }, text);
}
