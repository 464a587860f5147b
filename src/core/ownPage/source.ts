import { withoutFragment } from './address';
import type { MimePage, MimePart } from './mime';

type Bytes = Uint8Array<ArrayBuffer>;

/** A file that a page uses. */
export interface UsedFile {
  /** What tells it from others of its source. */
  readonly key: string;
  /** Name for people. */
  readonly name: string;
  /** Where it lies below what was dropped; its name where that is not known. */
  readonly path: string;
  readonly bytes: Bytes;
  /** It lies there as a file of its own, as its owner has it. */
  readonly original: boolean;
  /** As it was served, where that is known. */
  readonly type: string | undefined;
  readonly charset: string | undefined;
  /** What addresses inside it are relative to. */
  readonly base: string;
}

/** What an address leads to; `inside` is a place in the document itself. */
export type Resolved = UsedFile | 'inside' | 'elsewhere' | 'missing';

/** Where the files of a page are. */
export interface Source {
  /** @param base of the document or style sheet that the address stands in */
  resolve(address: string, base: string): Resolved;
}

const unescaped = (text: string): string => {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
};

/** A path without `.`, `..` and doubled strokes; undefined where it leads out of the root. */
export function plainPath(path: string): string | undefined {
  const out: string[] = [];
  for (const part of path.replaceAll('\\', '/').split('/')) {
    if (part === '..') {
      if (out.length === 0) {
        return undefined;
      }
      out.pop();
    } else if (part !== '' && part !== '.') {
      out.push(part);
    }
  }
  return out.join('/');
}

/** Names that differ in case, or in how their letters are put together, name one file. */
const folded = (path: string): string => path.normalize('NFC').toLowerCase();

export const folderOf = (path: string): string => path.slice(0, path.lastIndexOf('/') + 1);

/**
 * Files that were saved or dropped together, by their paths. An address from the site's root, and
 * one of a disk, is looked for by its last names, since where the root was is not known.
 */
export function folderSource(files: readonly { path: string; bytes: Bytes }[]): Source {
  const byPath = new Map(files.map((file) => [folded(file.path), file]));
  const bySuffix = (path: string) => {
    const names = path.split('/');
    for (let i = 0; i < names.length; i++) {
      const tail = folded(names.slice(i).join('/'));
      const found = files.filter(
        (f) => folded(f.path) === tail || folded(f.path).endsWith(`/${tail}`),
      );
      if (found.length === 1) {
        return found[0];
      }
    }
    return undefined;
  };
  const find = (path: string, anywhere: boolean) => {
    const plain = plainPath(path);
    return (
      (plain === undefined ? undefined : byPath.get(folded(plain))) ??
      (anywhere ? bySuffix(plain ?? path.replace(/^(?:\.\.\/)+/, '')) : undefined)
    );
  };
  return {
    resolve(address, base) {
      const text = address.trim();
      if (text === '' || text.startsWith('#')) {
        return 'inside';
      }
      const onDisk = /^(?:file:\/*(?:[a-z]:[/\\])?|[a-z]:[/\\])/i.exec(text);
      if (!onDisk && (/^[a-z][a-z0-9+.-]*:/i.test(text) || /^[/\\]{2}/.test(text))) {
        return 'elsewhere';
      }
      const anywhere = onDisk !== null || /^[/\\]/.test(text);
      const path = onDisk ? text.slice(onDisk[0].length) : text;
      // A name may itself have a ? or # in it, as saved pages' files have.
      const candidates = [path, withoutFragment(path), path.split(/[?#]/, 1)[0]];
      for (const candidate of candidates.flatMap((c) => [unescaped(c), c])) {
        const found = find(anywhere ? candidate : folderOf(base) + candidate, anywhere);
        if (found) {
          return {
            key: found.path,
            name: found.path.slice(found.path.lastIndexOf('/') + 1),
            path: found.path,
            bytes: found.bytes,
            original: true,
            type: undefined,
            charset: undefined,
            base: found.path,
          };
        }
      }
      return 'missing';
    },
  };
}

/** The name at the end of an address, before what is asked of it. */
function lastName(address: string): string {
  const [path] = address.split('?', 1);
  return path.slice(path.lastIndexOf('/') + 1);
}

/** An address made absolute; undefined where it cannot be. */
function absolute(address: string, base: string): string | undefined {
  try {
    return new URL(address, base || undefined).href;
  } catch {
    return undefined;
  }
}

/** Scheme, host and port of an absolute address; empty for others. */
const originOf = (address: string): string => /^https?:\/\/[^/?#]*/i.exec(address)?.[0] ?? '';

/** The parts of a page that was saved as one file, by where the browser had them from. */
export function mimeSource({ main, parts }: MimePage): Source {
  const home = originOf(main.location);
  const byLocation = new Map<string, MimePart>();
  const byContentId = new Map<string, MimePart>();
  for (const part of parts) {
    if (part.location) {
      byLocation.set(withoutFragment(absolute(part.location, '') ?? part.location), part);
    }
    if (part.contentId) {
      byContentId.set(part.contentId, part);
    }
  }
  return {
    resolve(address, base) {
      const text = address.trim();
      if (text === '' || text.startsWith('#')) {
        return 'inside';
      }
      const whole = absolute(text, base) ?? text;
      const part =
        byLocation.get(withoutFragment(whole)) ??
        (/^cid:/i.test(text) ? byContentId.get(unescaped(text.slice(4))) : undefined);
      if (!part) {
        // A file of the same site that the browser did not save along.
        return originOf(whole) !== '' && originOf(whole) === home ? 'missing' : 'elsewhere';
      }
      const from = withoutFragment(part.location || whole);
      const name = part.contentId || unescaped(lastName(from));
      return {
        key: part.location || `cid:${part.contentId}`,
        name,
        path: name,
        bytes: part.bytes,
        // The browser wrote its addresses anew.
        original: false,
        type: part.type,
        charset: part.charset,
        // What stood in the document itself has no place of its own.
        base: /^(?:cid:|$)/i.test(part.location) ? base : part.location,
      };
    },
  };
}
