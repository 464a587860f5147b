import { strFromU8 } from 'fflate';
import { isPacked, unzip, type PackedFile } from '../files/unzip';
import type { OwnPageOrigin } from '../site/model/ownPage';
import { builtPage } from './builtPage';
import { decodeCss, decodeHtml } from './encoding';
import { freezePage } from './freeze';
import type { FrozenFile, FrozenPage } from './frozen';
import { pictureSize, pictureType } from './frozenFiles';
import { pageLimits } from './limits';
import { isMimePage, openMimePage } from './mime';
import { PageError } from './pageError';
import { folderSource, mimeSource } from './source';

/** A page among what was dropped. */
export interface OpenedPage {
  readonly from: OwnPageOrigin;
  /** Path of its file. */
  readonly path: string;
  readonly page: FrozenPage;
  /** Pictures that came along and that the page does not name. */
  readonly others: readonly FrozenFile[];
}

const nameOf = (path: string): string => path.slice(path.lastIndexOf('/') + 1);
const isHtml = (path: string): boolean => /\.(?:x?html?|xht)$/i.test(path);
const megabytes = (bytes: number): string => `${(bytes / 2 ** 20).toFixed(1)} MB`;

/**
 * Pages that frames of another page showed are saved in its folder, which is called after it: “Home
 * page.html” has “Home page_files”, with another word in other languages.
 */
function isPartOf(path: string, pages: readonly string[]): boolean {
  return pages.some((page) => {
    const stem = page.replace(/\.[^./]*$/, '');
    return (
      page !== path && path.startsWith(stem) && /^[^a-z0-9./][^/]*\//i.test(path.slice(stem.length))
    );
  });
}

/** What a file is that is no page, in the owner's words. */
function seems(bytes: Uint8Array): string {
  const head = strFromU8(bytes.subarray(0, 512), true);
  if (head.startsWith('%PDF')) {
    return 'a PDF document';
  }
  if (/^\x89PNG|^\xff\xd8\xff|^GIF8|^RIFF....WEBP/s.test(head)) {
    return 'a picture';
  }
  return /\u0000/.test(head) ? 'something that is no text' : 'text without any tag';
}

function checkDocument(name: string, bytes: Uint8Array): void {
  if (bytes.length > pageLimits.document) {
    throw new PageError(
      `${name}: expected a document of at most ${megabytes(pageLimits.document)}, found ${megabytes(bytes.length)}.`,
    );
  }
  const head = strFromU8(bytes.subarray(0, 65536), true);
  const wide = head.charCodeAt(0) > 0xfd && head.charCodeAt(1) > 0xfd;
  if (!wide && !/<[a-z!]/i.test(head)) {
    throw new PageError(`${name}: expected a page, found ${seems(bytes)}.`);
  }
}

function checkSheets(files: readonly PackedFile[]): void {
  const large = files.find(
    ({ path, bytes }) => /\.css$/i.test(path) && bytes.length > pageLimits.sheet,
  );
  if (large) {
    throw new PageError(
      `${nameOf(large.path)}: expected a style sheet of at most ${megabytes(pageLimits.sheet)}, found ${megabytes(large.bytes.length)}.`,
    );
  }
}

function openMime(path: string, bytes: Uint8Array<ArrayBuffer>): FrozenPage {
  const saved = openMimePage(nameOf(path), bytes);
  const { main } = saved;
  checkDocument(nameOf(path), main.bytes);
  checkSheets(
    saved.parts
      .filter(({ type }) => type === 'text/css')
      .map((part) => ({ path: `${part.location}.css`, bytes: part.bytes })),
  );
  const text = decodeHtml(main.bytes, main.charset);
  const { location: base, charset } = main;
  const page = freezePage({ name: nameOf(path), text, base, charset }, mimeSource(saved));
  return { ...page, oneFile: true };
}

/**
 * The pages among what was dropped together: documents with their folders, pages saved as one file,
 * and zips of either.
 * @throws PageError, ArchiveError with a message for people
 */
export function openPages(dropped: readonly PackedFile[]): OpenedPage[] {
  const files = dropped.flatMap(({ path, bytes }) =>
    isPacked(bytes) ? unzip(nameOf(path), bytes) : [{ path, bytes }],
  );
  const mimes = files.filter(({ path, bytes }) => /\.mht(?:ml)?$/i.test(path) || isMimePage(bytes));
  const documents = files.filter((file) => isHtml(file.path) && !mimes.includes(file));
  const paths = documents.map(({ path }) => path);
  const pages = documents.filter(({ path }) => !isPartOf(path, paths));
  checkSheets(files);
  if (mimes.length + pages.length === 0) {
    return [built(files)];
  }
  if (mimes.length + pages.length > pageLimits.pages) {
    throw new PageError(
      `${nameOf(pages[0]?.path ?? mimes[0].path)}: expected at most ${pageLimits.pages} pages, found ${mimes.length + pages.length}.`,
    );
  }
  const source = folderSource(files);
  const opened = [
    ...mimes.map(({ path, bytes }) => ({ path, page: openMime(path, bytes) })),
    ...pages.map(({ path, bytes }) => {
      checkDocument(nameOf(path), bytes);
      const text = decodeHtml(bytes);
      const page = freezePage({ name: nameOf(path), text, base: path }, source);
      return { path, page: { ...page, original: bytes } };
    }),
  ];
  return opened.map(({ path, page }) => ({ from: 'page', path, page, others: [] }));
}

/** A picture of a page at its own size, which is all that is known of it. */
function pictured({ path, bytes }: PackedFile): OpenedPage {
  const name = nameOf(path);
  const text = `<!doctype html><title>${name.replace(/[<&]/g, '')}</title><style>body{margin:0}img{display:block}</style><img src="${encodeURI(path)}" alt="">`;
  const page = freezePage({ name, text, base: '' }, folderSource([{ path, bytes }]));
  return { from: 'picture', path, page, others: [] };
}

/** Style sheets without any page: one is built of what they select. */
function built(files: readonly PackedFile[]): OpenedPage {
  const sheets = files.filter(({ path }) => /\.css$/i.test(path));
  const first = sheets[0];
  const seen = files.find(({ path, bytes }) => pictureSize(nameOf(path), bytes) !== undefined);
  if (!first && seen && files.length === 1) {
    return pictured(seen);
  }
  if (!first) {
    throw new PageError(
      `${nameOf(files[0]?.path ?? 'The drop')}: expected a saved page (.html with its folder, or .mhtml), the style sheets of a theme or one picture of the page, found none of them.`,
    );
  }
  const texts = sheets.map(({ path, bytes }) => ({ path, text: decodeCss(bytes) }));
  // What another one imports comes with that one, in its place.
  const imported = (path: string): boolean =>
    texts.some(
      (other) =>
        other.path !== path && other.text.includes('@import') && other.text.includes(nameOf(path)),
    );
  const own = texts.filter(({ path }) => !imported(path));
  const linked = own.length > 0 ? own : texts;
  const title = nameOf(first.path);
  const html = builtPage(
    title,
    texts.map(({ path, text }) => ({ address: encodeURI(path), text })),
    linked.map(({ path }) => encodeURI(path)),
  );
  const page = freezePage({ name: title, text: html, base: '' }, folderSource(files));
  const named = new Set(page.files.map((file) => file.name));
  const others = files.flatMap(({ path, bytes }, i) => {
    const name = nameOf(path);
    const size = named.has(name) || i > pageLimits.others ? undefined : pictureSize(name, bytes);
    return size
      ? [{ key: `other:${i}`, name, path, type: pictureType(name, bytes), bytes, size }]
      : [];
  });
  return { from: 'style sheets', path: first.path, page, others };
}
