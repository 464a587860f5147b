import { ArchiveError, unzipInSlices, type PackedFile } from '@/core/files/unzip';
import { planFiles, type PlannedFile } from '@/core/handover/filePlan';
import { fileType } from '@/core/handover/fileType';
import { creditsName, markupName, styleSheetName } from '@/core/handover/names';
import { readSiteJson } from '@/core/handover/siteFile';
import { uploadedSite } from '@/core/handover/uploaded';
import { resample } from '@/core/frame/resample';
import { pageFiles } from '@/core/handover/page';
import { inspectPicture } from '@/core/measure/inspect';
import type { Codecs } from '@/core/press/codecs';
import { pressAs } from '@/core/press/settings';
import { crop, type Raster } from '@/core/raster/raster';
import { kilobytes } from '@/core/readings/say';
import { Refusal } from '@/core/refusal';
import type { PressFormat } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import { SiteError } from '@/core/site/schema';

/*
 * A stand-in for a web host: takes a hand-over as hosts take uploads, treats pictures as hosts do,
 * and serves the pages.
 */

/** What a host takes. */
export interface HostLimits {
  /** Of one file, and of a site's together. */
  readonly fileBytes: number;
  readonly siteBytes: number;
  /** Of one site. */
  readonly files: number;
  /** Of all sites together: the one of longest ago makes room. */
  readonly allBytes: number;
}

/** A usual host's; hosts differ (common practice, no source). */
export const hostLimits: HostLimits = {
  fileBytes: 4e6,
  siteBytes: 40e6,
  files: 1900,
  allBytes: 160e6,
};

/** The host did not take it; the message says what was expected and what was found. */
export class HostError extends Refusal {
  constructor(
    message: string,
    readonly status: number,
  ) {
    super(message);
  }
}

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

export interface HostedPage {
  readonly name: string;
  readonly path: string;
}

export interface HostState {
  readonly at: number;
  readonly uploads: readonly Upload[];
  readonly pages: readonly HostedPage[];
  readonly bytes: number;
}

interface Stored {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly type: string;
  /** Changes with every byte, so that a browser that has an older one fetches anew. */
  readonly tag: string;
}

interface Hosted extends HostState {
  readonly files: ReadonlyMap<string, Stored>;
}

export interface HostParts {
  codecs(): Promise<Codecs>;
  digest(bytes: Uint8Array): string;
  now(): number;
  /** Waited for between pieces of long work, so that others are answered. */
  rest(): Promise<void>;
  readonly limits: HostLimits;
}

export interface Host {
  /**
   * @throws HostError when it is over the host's limits or not a hand-over; nothing is changed then
   */
  receive(siteId: string, zip: Uint8Array): Promise<HostState>;
  state(siteId: string): HostState | undefined;
  file(siteId: string, path: string): Stored | undefined;
  /** Forgets a site. */
  empty(siteId: string): void;
}

/** Text is served as UTF-8. */
const typeOf = (path: string): string => {
  const type = fileType(path);
  return type.startsWith('text/') ? `${type}; charset=utf-8` : type;
};

/**
 * What is too large is cropped to the opening from its middle, and what is too small is stretched,
 * without a word to the owner.
 */
function fitted(
  raster: Raster,
  { width, height }: Pick<PlannedFile, 'width' | 'height'>,
): { raster: Raster; done: string } {
  const w = Math.min(raster.width, width);
  const h = Math.min(raster.height, height);
  const cut = w < raster.width || h < raster.height;
  const part = cut
    ? crop(raster, {
        x: (raster.width - w) >> 1,
        y: (raster.height - h) >> 1,
        width: w,
        height: h,
      })
    : raster;
  const stretched = w < width || h < height;
  const all = stretched
    ? resample(part, { x: 0, y: 0, scaleX: width / w, scaleY: height / h }, width, height)
    : part;
  return {
    raster: all,
    done: `${cut ? 'cropped' : ''}${cut && stretched ? ' and ' : ''}${stretched ? 'stretched' : ''}`,
  };
}

const isOpaque = ({ data }: Raster): boolean => {
  for (let k = 3; k < data.length; k += 4) {
    if (data[k] !== 255) {
      return false;
    }
  }
  return true;
};

/** A colour that is set under a picture that hides all of it. */
function hiddenColour(
  site: Site,
  { slotId, scale, fallback }: PlannedFile,
  raster: Raster,
  css: string,
): string | undefined {
  const slot = site.slots.find((s) => s.id === slotId)!;
  const covers = slot.repeat === 'repeat' || slot.size === 'cover';
  if (scale !== 1 || fallback || slot.kind !== 'background' || !covers || !isOpaque(raster)) {
    return undefined;
  }
  const colour = /body[^{]*\{[^}]*background-color:\s*([^\s;][^;]*);/.exec(css)?.[1];
  return (
    colour && `The colour ${colour} under it is never seen: the picture is opaque and covers it.`
  );
}

/** Pages that came with a theme, by their paths; what is only pasted into a page is none. */
const themePages = (paths: Iterable<string>, own: ReadonlySet<string>): HostedPage[] =>
  [...paths]
    .filter(
      (path) =>
        /\.html?$/i.test(path) && !own.has(path) && path !== markupName && path !== creditsName,
    )
    .map((path) => ({ name: path, path }));

const changeOf = (before: string | undefined, now: string): Upload['change'] => {
  if (before === undefined) {
    return 'new';
  }
  return before === now ? 'as it was' : 'replaced';
};

export function createHost({ codecs, digest, now, rest, limits }: HostParts): Host {
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

  /** @throws ArchiveError, SiteError or HostError */
  async function opened(zip: Uint8Array): Promise<{ site: Site; uploaded: PackedFile[] }> {
    const entries = await unzipInSlices('The hand-over', zip, rest);
    const said = entries.find((e) => e.path === uploadedSite);
    if (!said) {
      throw new HostError(`The hand-over: expected ${uploadedSite} in it, found none.`, 422);
    }
    const site = readSiteJson('The hand-over', said.bytes);
    return { site, uploaded: entries.filter((e) => e !== said) };
  }

  async function receive(siteId: string, zip: Uint8Array): Promise<HostState> {
    const { site, uploaded } = await opened(zip).catch((error: unknown) => {
      throw error instanceof ArchiveError || error instanceof SiteError
        ? new HostError(error.message, 422)
        : error;
    });
    if (uploaded.length > limits.files) {
      throw new HostError(`Expected at most ${limits.files} files, found ${uploaded.length}.`, 413);
    }
    const heavy = uploaded.find((e) => e.bytes.length > limits.fileBytes);
    if (heavy) {
      throw new HostError(
        `${heavy.path}: this host takes at most ${kilobytes(limits.fileBytes)} a file, found ${kilobytes(heavy.bytes.length)}.`,
        413,
      );
    }
    const total = uploaded.reduce((sum, e) => sum + e.bytes.length, 0);
    if (total > limits.siteBytes) {
      throw new HostError(
        `This host takes at most ${kilobytes(limits.siteBytes)} a site, found ${kilobytes(total)}.`,
        413,
      );
    }
    const before = sites.get(siteId);
    const at = now();
    const files = new Map<string, Stored>();
    const uploads: Upload[] = [];
    const css = new TextDecoder().decode(uploaded.find((e) => e.path === styleSheetName)?.bytes);
    const openings = new Map(
      [true, false]
        .flatMap((opaque) => planFiles(site, () => opaque))
        .flatMap((p) => p.files)
        .map((f) => [f.path, f] as const),
    );
    for (const { path, bytes } of uploaded) {
      await rest();
      const opening = openings.get(path);
      const notes: string[] = [];
      let kept = bytes;
      if (opening) {
        const found = inspectPicture(path, bytes);
        const fits = found.width === opening.width && found.height === opening.height;
        const raster =
          fits && found.format === 'jpeg' ? undefined : await (await codecs()).decode(bytes);
        if (!fits && raster) {
          const { raster: made, done } = fitted(raster, opening);
          kept = await (await codecs()).encode(made, pressAs(found.format as PressFormat, 90), []);
          notes.push(
            `${found.width}×${found.height} was ${done} to ${opening.width}×${opening.height}.`,
          );
        }
        const hidden = hiddenColour(
          site,
          opening,
          raster ?? { width: 1, height: 1, data: new Uint8ClampedArray([0, 0, 0, 255]) },
          css,
        );
        if (hidden) {
          notes.push(hidden);
        }
      }
      const tag = digest(kept);
      const old = before?.files.get(path);
      files.set(path, { bytes: kept, type: typeOf(path), tag });
      uploads.push({
        path,
        bytes: bytes.length,
        at: old?.tag === tag ? before!.uploads.find((u) => u.path === path)!.at : at,
        change: changeOf(old?.tag, tag),
        notes,
      });
    }
    const names = pageFiles(site);
    const bytes = [...files.values()].reduce((sum, f) => sum + f.bytes.length, 0);
    room(siteId, bytes);
    const hosted: Hosted = {
      at,
      uploads,
      bytes,
      files,
      pages: [
        ...site.pages.map((page) => ({ name: page.name, path: names.get(page.id)! })),
        ...themePages(files.keys(), new Set(names.values())),
      ],
    };
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
