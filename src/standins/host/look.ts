import { createHash } from 'node:crypto';
import { ArchiveError, unzip, type PackedFile } from '@/core/files/unzip';
import { resample } from '@/core/frame/resample';
import { planFiles, type PlannedFile } from '@/core/handover/filePlan';
import { fileType } from '@/core/handover/fileType';
import { creditsName, markupName, styleSheetName } from '@/core/handover/names';
import { pageFiles } from '@/core/handover/page';
import { readSiteJson } from '@/core/handover/siteFile';
import { uploadedSite } from '@/core/handover/uploaded';
import { IntakeError } from '@/core/measure/intakeError';
import { inspectPicture } from '@/core/measure/inspect';
import type { Codecs } from '@/core/encode/codecs';
import { encodeSettings } from '@/core/encode/settings';
import { crop, type Raster } from '@/core/raster/raster';
import { kilobytes } from '@/core/readings/say';
import type { ImageFormat } from '@/core/site/model/picture';
import { SiteError } from '@/core/site/schema';
import type { Site } from '@/core/site/model/site';
import { HostError } from './hostError';
import type { HostLimits } from './limits';

/* What a host makes of an upload before it serves it. It may take seconds, and touches nothing. */

export interface ServedFile {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly type: string;
  /** Changes with every byte, so that a browser that has an older one fetches anew. */
  readonly tag: string;
}

export interface LookedFile extends ServedFile {
  readonly path: string;
  /** Bytes that came, which may be others than are served. */
  readonly received: number;
  /** What was done with it without asking, or what it hides. */
  readonly notes: readonly string[];
}

export interface HostedPage {
  readonly name: string;
  readonly path: string;
}

export interface UploadedPictures {
  readonly files: readonly LookedFile[];
  readonly pages: readonly HostedPage[];
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

const digest = (bytes: Uint8Array): string =>
  createHash('sha256').update(bytes).digest('hex').slice(0, 24);

/** @throws HostError */
function opened(zip: Uint8Array): { site: Site; uploaded: PackedFile[] } {
  const entries = unzip('The hand-over', zip);
  const said = entries.find((e) => e.path === uploadedSite);
  if (!said) {
    throw new HostError(`The hand-over: expected ${uploadedSite} in it, found none.`, 422);
  }
  const site = readSiteJson('The hand-over', said.bytes);
  return { site, uploaded: entries.filter((e) => e !== said) };
}

/** @throws HostError */
function checkLimits(uploaded: readonly PackedFile[], limits: HostLimits): void {
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
}

/** A picture as it lies in its opening, where it is not as it came, and what is told of it. */
async function treated(
  { path, bytes }: PackedFile,
  opening: PlannedFile,
  { codecs, site, css }: { codecs: Codecs; site: Site; css: string },
): Promise<{ bytes: Uint8Array<ArrayBuffer>; notes: string[] }> {
  const notes: string[] = [];
  const found = inspectPicture(path, bytes);
  const fits = found.width === opening.width && found.height === opening.height;
  const raster = fits && found.format === 'jpeg' ? undefined : await codecs.decode(bytes);
  let kept = bytes;
  if (!fits && raster) {
    const { raster: made, done } = fitted(raster, opening);
    kept = await codecs.encode(made, encodeSettings(found.format as ImageFormat, 90), []);
    notes.push(`${found.width}×${found.height} was ${done} to ${opening.width}×${opening.height}.`);
  }
  const hidden = hiddenColour(
    site,
    opening,
    raster ?? { width: 1, height: 1, data: new Uint8ClampedArray([0, 0, 0, 255]) },
    css,
  );
  return { bytes: kept, notes: hidden ? [...notes, hidden] : notes };
}

/**
 * Checks an upload and treats its pictures as hosts do.
 * @param zip a hand-over, with the site it is of
 * @throws HostError when it is over the host's limits or not a hand-over
 */
export async function lookInto(
  zip: Uint8Array,
  { codecs, limits }: { codecs(): Promise<Codecs>; limits: HostLimits },
): Promise<UploadedPictures> {
  try {
    const { site, uploaded } = opened(zip);
    checkLimits(uploaded, limits);
    const css = new TextDecoder().decode(uploaded.find((e) => e.path === styleSheetName)?.bytes);
    const openings = new Map(
      [true, false]
        .flatMap((opaque) => planFiles(site, () => opaque))
        .flatMap((p) => p.files)
        .map((f) => [f.path, f] as const),
    );
    const files: LookedFile[] = [];
    for (const file of uploaded) {
      const { path, bytes } = file;
      const opening = openings.get(path);
      const made = opening
        ? await treated(file, opening, { codecs: await codecs(), site, css })
        : { bytes, notes: [] };
      files.push({
        path,
        received: bytes.length,
        type: typeOf(path),
        tag: digest(made.bytes),
        ...made,
      });
    }
    const names = pageFiles(site);
    return {
      files,
      pages: [
        ...site.pages.map((page) => ({ name: page.name, path: names.get(page.id)! })),
        ...themePages(
          files.map((f) => f.path),
          new Set(names.values()),
        ),
      ],
    };
  } catch (error) {
    const isOurs = [ArchiveError, SiteError, IntakeError].some((kind) => error instanceof kind);
    throw isOurs ? new HostError((error as Error).message, 422) : error;
  }
}
