import { zipSync, type Zippable } from 'fflate';
import { packed, stored } from './siteFile';

/** A file with its media type, below an archive's root. */
export interface TypedFile {
  readonly path: string;
  readonly type: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

/** Files as one archive; pictures and fonts, which are packed already, are stored as they are. */
export function zipFiles(files: readonly TypedFile[]): Uint8Array<ArrayBuffer> {
  const entries: Zippable = {};
  for (const { path, type, bytes } of files) {
    entries[path] = [bytes, type.startsWith('text/') ? packed : stored];
  }
  return zipSync(entries) as Uint8Array<ArrayBuffer>;
}
