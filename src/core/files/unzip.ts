import { unzipSync } from 'fflate';

/** An archive was refused; the message says which, what was expected and what was found. */
export class ArchiveError extends Error {}

/**
 * Bounds of an archive that comes in; `ratio` counts only for entries that unpack to more than
 * `ratioFrom` bytes.
 */
export const archiveLimits = {
  bytes: 64 * 2 ** 20,
  entries: 2000,
  unpacked: 256 * 2 ** 20,
  ratio: 200,
  ratioFrom: 2 ** 20,
} as const;

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

/**
 * The files of a zip archive. All entries are checked by the archive's own list before anything is
 * unpacked; one that is not as it should be refuses the whole archive.
 * @throws ArchiveError
 */
export function unzip(name: string, bytes: Uint8Array): PackedFile[] {
  const refuse = (expected: string, found: string) =>
    new ArchiveError(`${name}: expected ${expected}, found ${found}.`);
  if (bytes.length > archiveLimits.bytes) {
    throw refuse(`at most ${megabytes(archiveLimits.bytes)}`, megabytes(bytes.length));
  }
  let entries = 0;
  let unpacked = 0;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      filter({ name: path, size, originalSize }) {
        if (leadsOut(path)) {
          throw refuse('paths inside the archive', `“${path.slice(0, 80)}”`);
        }
        if (++entries > archiveLimits.entries) {
          throw refuse(`at most ${archiveLimits.entries} files`, 'more');
        }
        if (originalSize > archiveLimits.ratioFrom && originalSize > size * archiveLimits.ratio) {
          throw refuse(
            `files packed at most ${archiveLimits.ratio} to 1`,
            `“${path.slice(0, 80)}” at ${Math.round(originalSize / Math.max(1, size))} to 1`,
          );
        }
        unpacked += originalSize;
        if (unpacked > archiveLimits.unpacked) {
          throw refuse(`at most ${megabytes(archiveLimits.unpacked)} unpacked`, 'more');
        }
        return !litter(path);
      },
    });
  } catch (error) {
    if (error instanceof ArchiveError) {
      throw error;
    }
    throw refuse(
      'a whole zip archive',
      `one that cannot be read (${error instanceof Error ? error.message : String(error)})`,
    );
  }
  return Object.entries(files).map(([path, data]) => ({
    path: path.replaceAll('\\', '/'),
    bytes: data as Uint8Array<ArrayBuffer>,
  }));
}
