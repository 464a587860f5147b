import { toByteArray } from 'base64-js';
import { strFromU8, strToU8 } from 'fflate';
import { tooMuchIn } from '../measure/drawing';
import { inspectPicture } from '../measure/inspect';
import { boundedSheet, SheetBudget } from '../theme/boundedSheet';
import { withoutFragment } from './address';
import { decodeCss } from './encoding';
import { exchangeAddresses } from './cssAddresses';
import type { FrozenFile, LeftKind, LeftOut } from './frozen';
import type { Source, UsedFile } from './source';

/** In place of an address that leads nowhere any more: it is asked for by nobody. */
export const nowhere = 'data:,';

/** How deep style sheets may import each other. */
const deepestImport = 64;

const drawingType = 'image/svg+xml';

const types: Readonly<Record<string, string>> = {
  css: 'text/css',
  svg: drawingType,
  png: 'image/png',
  gif: 'image/gif',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  webp: 'image/webp',
  avif: 'image/avif',
  bmp: 'image/bmp',
  ico: 'image/x-icon',
  woff: 'font/woff',
  woff2: 'font/woff2',
  ttf: 'font/ttf',
  otf: 'font/otf',
};

/** By the bytes where they tell, since saved files often carry a wrong ending or none. */
function typeOf({ bytes, name, type }: Pick<UsedFile, 'bytes' | 'name' | 'type'>): string {
  const head = strFromU8(bytes.subarray(0, 256), true);
  if (head.startsWith('\x89PNG')) {
    return 'image/png';
  }
  if (head.startsWith('\xff\xd8\xff')) {
    return 'image/jpeg';
  }
  if (head.startsWith('GIF8')) {
    return 'image/gif';
  }
  if (head.startsWith('RIFF') && head.slice(8, 12) === 'WEBP') {
    return 'image/webp';
  }
  if (/^....ftypavi[fs]/s.test(head)) {
    return 'image/avif';
  }
  if (
    /^\s*(?:<\?xml[^>]*>\s*)?(?:<!--[\s\S]*?-->\s*|<!DOCTYPE svg[^>]*>\s*)*<svg[\s>]/i.test(head)
  ) {
    return drawingType;
  }
  const ending = /\.([a-z0-9]+)(?:[?#].*)?$/i.exec(name)?.[1].toLowerCase() ?? '';
  return types[ending] ?? type ?? 'application/octet-stream';
}

/** What is written as a `data:` address of a type (RFC 2397). */
function inside(type: string, address: string): Uint8Array<ArrayBuffer> | undefined {
  const found = /^data:([^,;]*)((?:;[^,;]*)*),(.*)$/is.exec(withoutFragment(address));
  if (found?.[1].trim().toLowerCase() !== type) {
    return undefined;
  }
  // Signs that stand for no byte stay, as browsers have it.
  const data = strFromU8(strToU8(found[3]), true).replace(/%([0-9a-f]{2})/gi, (_, byte: string) =>
    String.fromCharCode(parseInt(byte, 16)),
  );
  try {
    return /;\s*base64\s*$/i.test(found[2])
      ? new Uint8Array(toByteArray(data.replace(/\s+/g, '')))
      : strToU8(data, true);
  } catch {
    return undefined;
  }
}

/** Media type of a picture, by its bytes. */
export const pictureType = (name: string, bytes: FrozenFile['bytes']): string =>
  typeOf({ name, bytes, type: undefined });

/** Px of a picture; undefined for what is none that can be read. */
export function pictureSize(name: string, bytes: Uint8Array): FrozenFile['size'] {
  try {
    const { width, height } = inspectPicture(name, bytes);
    return { width, height };
  } catch {
    // A picture that cannot be read has no size; the page shows it as it can.
    return undefined;
  }
}

/** Equal files have equal sums; different ones hardly ever. */
function sumOf(bytes: Uint8Array): string {
  let sum = 0x811c9dc5;
  for (let i = 0; i < bytes.length; i++) {
    sum = Math.imul(sum ^ bytes[i], 0x01000193);
  }
  return `${bytes.length} ${sum >>> 0}`;
}

const equal = (a: Uint8Array, b: Uint8Array): boolean =>
  a.length === b.length && a.every((v, i) => v === b[i]);

/** The files of one page, gathered as they are met, each once. */
export class FrozenFiles {
  readonly list: FrozenFile[] = [];
  readonly left: LeftOut[] = [];
  readonly missing = new Set<string>();
  /** Style sheets that are being read, each imported by the one before. */
  private readonly open = new Set<string>();
  private readonly byUse = new Map<string, string>();
  private readonly bySum = new Map<string, FrozenFile[]>();
  private readonly budget = new SheetBudget();

  constructor(private readonly source: Source) {}

  /**
   * What is to stand in place of an address of a picture, a font or another file.
   * @param base of what the address stands in
   */
  file(address: string, base: string): string {
    const found = this.resolve(address, base);
    if (found === undefined) {
      return nowhere;
    }
    if (typeof found === 'string') {
      return found;
    }
    const fragment = address.slice(withoutFragment(address).length);
    const type = typeOf(found);
    const put = () =>
      type.toLowerCase().startsWith(drawingType) && tooMuchIn(found.bytes)
        ? this.leave('drawing', address)
        : this.add(found, type, found.bytes);
    return this.once(`file ${found.key}`, put) + fragment;
  }

  /**
   * The same of a style sheet, whose own addresses are exchanged too.
   * @param environment encoding of what imports it, for sheets that say nothing of theirs
   */
  sheet(address: string, base: string, environment?: string, depth = 0): string {
    const found = depth < deepestImport ? this.resolve(address, base) : undefined;
    if (found === undefined) {
      return this.noStyles();
    }
    if (typeof found === 'string') {
      const sheet = inside('text/css', found);
      return sheet === undefined
        ? this.noStyles()
        : this.once(`inside ${found}`, () =>
            this.add(
              { name: 'inside.css', path: 'inside.css' },
              'text/css',
              strToU8(this.css(decodeCss(sheet), base, environment, depth + 1)),
            ),
          );
    }
    // A sheet that imports itself, by however many others, imports nothing there.
    if (this.open.has(found.key)) {
      return this.noStyles();
    }
    return this.once(`sheet ${found.key}`, () => {
      this.open.add(found.key);
      const text = decodeCss(found.bytes, found.charset ?? environment);
      const css = this.css(text, found.base, environment, depth + 1);
      this.open.delete(found.key);
      return this.add(found, 'text/css', strToU8(css), found.original ? found.bytes : undefined);
    });
  }

  /** Declarations or a style sheet with their addresses exchanged. */
  css(whole: string, base: string, environment?: string, depth = 0): string {
    const { text, cut } = boundedSheet(whole, this.budget);
    if (cut !== undefined) {
      this.leave('style', whole.slice(cut, cut + 60));
    }
    return exchangeAddresses(text, (address, use) => {
      // A place in the document itself, such as a filter.
      if (use === 'file' && address.trim().startsWith('#')) {
        return undefined;
      }
      return use === 'import'
        ? this.sheet(address, base, environment, depth)
        : this.file(address, base);
    });
  }

  /** In place of a style sheet that is not there. */
  private noStyles(): string {
    return this.once('no styles', () =>
      this.add({ name: 'nothing.css', path: 'nothing.css' }, 'text/css', new Uint8Array(0)),
    );
  }

  /** @returns a text that stays as it is, or undefined where nothing comes in its place */
  private resolve(address: string, base: string): UsedFile | string | undefined {
    if (/^\s*data:/i.test(address)) {
      const drawing = inside(drawingType, address.trim());
      return drawing && tooMuchIn(drawing) ? this.leave('drawing', 'inside') : address.trim();
    }
    const found = this.source.resolve(address, base);
    if (found === 'elsewhere') {
      this.left.push({ what: 'elsewhere', name: address.trim() });
      return undefined;
    }
    if (found === 'missing') {
      this.missing.add(address.trim());
      return undefined;
    }
    return found === 'inside' ? undefined : found;
  }

  /** @returns what stands in its place */
  private leave(what: LeftKind, name: string): string {
    this.left.push({ what, name: name.trim().slice(0, 200) });
    return nowhere;
  }

  private once(use: string, make: () => string): string {
    const before = this.byUse.get(use);
    if (before !== undefined) {
      return before;
    }
    const key = make();
    this.byUse.set(use, key);
    return key;
  }

  private add(
    { name, path }: Pick<FrozenFile, 'name' | 'path'>,
    type: string,
    bytes: Uint8Array<ArrayBuffer>,
    original?: Uint8Array<ArrayBuffer>,
  ): string {
    const sum = `${type} ${sumOf(bytes)}`;
    const like = this.bySum.get(sum) ?? [];
    const same = like.find((f) => equal(f.bytes, bytes));
    if (same) {
      return same.key;
    }
    const size = type.startsWith('image/') ? pictureSize(name, bytes) : undefined;
    const key = `frozen:${this.list.length}`;
    const file = { key, name, path, type, bytes, size, ...(original && { original }) };
    this.list.push(file);
    this.bySum.set(sum, [...like, file]);
    return file.key;
  }
}
