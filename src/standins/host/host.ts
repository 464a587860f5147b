import type { HostedPage, UploadedPictures, ServedFile } from './look';
import type { HostLimits } from './limits';

/*
 * A stand-in for a web host: takes a hand-over as hosts take uploads, treats pictures as hosts do,
 * and serves the pages.
 */

/** One file as it was uploaded, and what the host made of it. */
export interface Upload {
  readonly path: string;
  readonly bytes: number;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly change: 'new' | 'replaced' | 'as it was';
  /** What the host did with it without asking, or what it hides. */
  readonly notes: readonly string[];
}

export interface HostState {
  readonly at: number;
  readonly uploads: readonly Upload[];
  readonly pages: readonly HostedPage[];
  readonly bytes: number;
}

interface Hosted extends HostState {
  readonly files: ReadonlyMap<string, ServedFile>;
}

export interface HostParts {
  /** Looks into an upload. @throws HostError where it is not taken */
  look(zip: Uint8Array): Promise<UploadedPictures>;
  now(): number;
  readonly limits: Pick<HostLimits, 'allBytes'>;
}

export interface Host {
  /**
   * @throws HostError when it is over the host's limits or not a hand-over; nothing is changed then
   */
  receive(siteId: string, zip: Uint8Array): Promise<HostState>;
  state(siteId: string): HostState | undefined;
  file(siteId: string, path: string): ServedFile | undefined;
  /** Forgets a site. */
  empty(siteId: string): void;
}

const changeOf = (before: string | undefined, now: string): Upload['change'] => {
  if (before === undefined) {
    return 'new';
  }
  return before === now ? 'as it was' : 'replaced';
};

export function createHost({ look, now, limits }: HostParts): Host {
  const sites = new Map<string, Hosted>();
  const room = (siteId: string, wanted: number) => {
    let total =
      wanted + [...sites].reduce((sum, [id, s]) => sum + (id === siteId ? 0 : s.bytes), 0);
    // The site that was rehearsed longest ago makes room.
    for (const [id, s] of [...sites].sort((a, b) => a[1].at - b[1].at)) {
      if (total <= limits.allBytes) {
        break;
      }
      if (id !== siteId) {
        sites.delete(id);
        total -= s.bytes;
      }
    }
  };

  async function receive(siteId: string, zip: Uint8Array): Promise<HostState> {
    const looked = await look(zip);
    const before = sites.get(siteId);
    const at = now();
    const uploads = looked.files.map(({ path, received, tag, notes }): Upload => {
      const old = before?.files.get(path)?.tag;
      return {
        path,
        bytes: received,
        at: old === tag ? before!.uploads.find((u) => u.path === path)!.at : at,
        change: changeOf(old, tag),
        notes,
      };
    });
    const bytes = looked.files.reduce((sum, f) => sum + f.bytes.length, 0);
    room(siteId, bytes);
    const files = new Map(looked.files.map((f) => [f.path, f]));
    const hosted: Hosted = { at, uploads, bytes, files, pages: looked.pages };
    sites.set(siteId, hosted);
    return stateOf(hosted);
  }

  const stateOf = ({ at, uploads, pages, bytes }: Hosted): HostState => ({
    at,
    uploads,
    pages,
    bytes,
  });
  return {
    receive,
    state: (siteId) => {
      const found = sites.get(siteId);
      return found && stateOf(found);
    },
    file: (siteId, path) => sites.get(siteId)?.files.get(path),
    empty: (siteId) => {
      sites.delete(siteId);
    },
  };
}
