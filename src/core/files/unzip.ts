import { Inflate } from 'fflate';
import { Refusal } from '../refusal';
import { ZipListError, zipEntries, type ZipEntry } from './zipEntries';

/** An archive was refused; the message says which, what was expected and what was found. */
export class ArchiveError extends Refusal {}

/**
 * Bounds of an archive that comes in; `ratio` counts only for entries that unpack to more than
 * `ratioFrom` bytes.
 */
export interface ArchiveLimits {
  readonly bytes: number;
  readonly entries: number;
  readonly unpacked: number;
  readonly ratio: number;
  readonly ratioFrom: number;
}

export const archiveLimits: ArchiveLimits = {
  bytes: 64 * 2 ** 20,
  entries: 2000,
  unpacked: 256 * 2 ** 20,
  ratio: 200,
  ratioFrom: 2 ** 20,
};

export interface PackedFile {
  /** With `/` between folders, below the archive's root. */
  readonly path: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

const megabytes = (bytes: number): string => `${Math.round(bytes / 2 ** 20)} MB`;

const leadsOut = (path: string): boolean =>
  /^([/\\]|[a-z]:)/i.test(path) || path.split(/[/\\]/).includes('..');

/** It begins as zip archives do. */
export const isPacked = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** What systems put into archives of their own accord. */
const litter = (path: string): boolean =>
  path.endsWith('/') || /(^|\/)(__MACOSX\/|\.DS_Store$|Thumbs\.db$)/.test(path);

/** Packed bytes that are unpacked at a time: what comes of them is at most a thousand times as much. */
const portion = 16 * 2 ** 10;

/**
 * Unpacks one file, a portion at a time: what comes out is counted, not what the list says of it.
 * @throws ZipListError where it is more or less than the list says
 */
function inflated({ packed, size }: ZipEntry): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(size);
  let length = 0;
  const inflate = new Inflate((chunk) => {
    if (length + chunk.length > size) {
      throw new ZipListError('a file unpacks to more than its list says');
    }
    out.set(chunk, length);
    length += chunk.length;
  });
  for (let at = 0; at < packed.length; at += portion) {
    inflate.push(packed.subarray(at, at + portion), at + portion >= packed.length);
  }
  if (length < size) {
    throw new ZipListError('a file breaks off');
  }
  return out;
}

/** @throws ZipListError where it is packed in a way that is not read here */
function unpacked(entry: ZipEntry): Uint8Array<ArrayBuffer> {
  const { method, packed, size, encrypted } = entry;
  if (encrypted) {
    throw new ZipListError('it is locked by a password');
  }
  if (method === 'other') {
    throw new ZipListError('a file is packed in a way that only its own program knows');
  }
  if (method === 'deflated') {
    return inflated(entry);
  }
  if (packed.length !== size) {
    throw new ZipListError('a file has another length than its list says');
  }
  return packed.slice();
}

/**
 * The files of a zip archive. All are checked by the archive's own list before anything is unpacked,
 * and counted again while they are; one that is not as it should be refuses the whole archive.
 * @throws ArchiveError saying which archive, what was expected and what was found
 */
export function unzip(
  name: string,
  bytes: Uint8Array,
  limits: ArchiveLimits = archiveLimits,
): PackedFile[] {
  const refuse = (expected: string, found: string) =>
    new ArchiveError(`${name}: expected ${expected}, found ${found}.`);
  if (bytes.length > limits.bytes) {
    throw refuse(`at most ${megabytes(limits.bytes)}`, megabytes(bytes.length));
  }
  try {
    const entries: ZipEntry[] = [];
    let total = 0;
    for (const entry of zipEntries(bytes as Uint8Array<ArrayBuffer>)) {
      const { path, size, packed } = entry;
      if (leadsOut(path)) {
        throw refuse('paths inside the archive', `“${path.slice(0, 80)}”`);
      }
      if (entries.push(entry) > limits.entries) {
        throw refuse(`at most ${limits.entries} files`, 'more');
      }
      if (size > limits.ratioFrom && size > packed.length * limits.ratio) {
        throw refuse(
          `files packed at most ${limits.ratio} to 1`,
          `“${path.slice(0, 80)}” at ${Math.round(size / Math.max(1, packed.length))} to 1`,
        );
      }
      total += size;
      if (total > limits.unpacked) {
        throw refuse(`at most ${megabytes(limits.unpacked)} unpacked`, 'more');
      }
    }
    const files = new Map<string, Uint8Array<ArrayBuffer>>();
    for (const entry of entries) {
      if (!litter(entry.path)) {
        files.set(entry.path.replaceAll('\\', '/'), unpacked(entry));
      }
    }
    return [...files].map(([path, data]) => ({ path, bytes: data }));
  } catch (error) {
    if (error instanceof ArchiveError) {
      throw error;
    }
    throw refuse(
      'a whole zip archive',
      // What the library says is not for people.
      error instanceof ZipListError
        ? `one that cannot be read: ${error.message}`
        : 'one that is damaged',
    );
  }
}
