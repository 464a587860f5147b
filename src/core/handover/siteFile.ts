import { strFromU8, strToU8, zipSync, type Zippable } from 'fflate';
import { boundedJson, JsonError, type JsonLimits } from '../files/boundedJson';
import { ArchiveError, archiveLimits, unzip, type ArchiveLimits } from '../files/unzip';
import { asClause, Refusal } from '../refusal';
import { isFont } from '../text/fontFile';
import { inspectPicture } from '../measure/inspect';
import { assetsOf, assetsOfPage } from '../site/assets';
import type { Site } from '../site/model/site';
import { readSite, SiteError } from '../site/schema';

/*
 * The site file: a zip of `site.json` and the assets it names, each under the SHA-256 of its bytes.
 */

/** Of what is said in words and numbers of a site; its pictures are files beside it. */
const jsonLimits: JsonLimits = { length: 64e6, depth: 64, members: 2e6 };

/**
 * Of a site file as a whole: hundreds of photographs as they come from a camera. What is saved here
 * can be opened again.
 */
export const siteFileLimits: ArchiveLimits = {
  ...archiveLimits,
  bytes: 2 ** 30,
  entries: 20_000,
  unpacked: 2 ** 30,
};

/** A site with everything it needs. */
export interface PackedSite {
  readonly site: Site;
  /** By their ids. */
  readonly assets: ReadonlyMap<string, Uint8Array<ArrayBuffer>>;
}

/**
 * Files that are packed already are stored as they are; the time is fixed so that equal sites make
 * equal files.
 */
export const stored = { level: 0, mtime: '1980-01-01T12:00:00' } as const;
export const packed = { level: 9, mtime: '1980-01-01T12:00:00' } as const;

/** Assets of a theme's folder and of own pages, which are kept as they are and need not be pictures. */
const freeAssets = ({ set, pages }: Site): ReadonlySet<string> =>
  new Set([
    ...(set ? [...set.sheets, ...set.others].map((f) => f.assetId) : []),
    ...pages.flatMap(({ own }) => (own ? assetsOfPage(own) : [])),
  ]);

function endingOf(id: string, bytes: Uint8Array, free: boolean): string {
  if (isFont(bytes)) {
    return 'font';
  }
  if (free) {
    return 'file';
  }
  const { format } = inspectPicture(id, bytes);
  return format === 'jpeg' ? 'jpg' : format;
}

/** The site itself, as its file has it. */
export const siteJson = (site: Site): Uint8Array<ArrayBuffer> =>
  strToU8(`${JSON.stringify(site, null, 2)}\n`) as Uint8Array<ArrayBuffer>;

/**
 * Packs a site.
 * @throws Error when an asset it names is not given, or when it could not be opened again
 */
export function writeSiteFile({ site, assets }: PackedSite): Uint8Array<ArrayBuffer> {
  const free = freeAssets(site);
  const files: Zippable = { 'site.json': [siteJson(site), packed] };
  let total = 0;
  for (const id of assetsOf(site)) {
    const bytes = assets.get(id);
    if (!bytes) {
      throw new Error(`Expected the asset ${id} of ${site.name}.`);
    }
    total += bytes.length;
    if (total > siteFileLimits.unpacked - jsonLimits.length) {
      throw new Refusal(
        `${site.name}: expected pictures of at most ${Math.floor((siteFileLimits.unpacked - jsonLimits.length) / 2 ** 20)} MB together in one site file, found more. Take pictures off the shelf that are not used.`,
      );
    }
    files[`assets/${id}.${endingOf(id, bytes, free.has(id))}`] = [bytes, stored];
  }
  return zipSync(files) as Uint8Array<ArrayBuffer>;
}

/**
 * Reads the site itself out of its file; one of an older version is brought up to this one.
 * @throws ArchiveError or SiteError, saying what was expected and what was found
 */
export function readSiteJson(name: string, bytes: Uint8Array): Site {
  try {
    return readSite(boundedJson(strFromU8(bytes), 'site.json', jsonLimits));
  } catch (error) {
    if (error instanceof JsonError) {
      throw new ArchiveError(`${name}: expected ${error.expected}, found ${error.found}.`);
    }
    throw error instanceof SiteError
      ? new SiteError(`${name}: ${asClause(error.message)}.`)
      : error;
  }
}

/**
 * Reads a site file; one of an older version is brought up to this one. That assets have the bytes
 * their names say is for the caller to check, who has a digest.
 * @throws ArchiveError or SiteError, saying what was expected and what was found
 */
export function readSiteFile(name: string, bytes: Uint8Array): PackedSite {
  const files = unzip(name, bytes, siteFileLimits);
  const json = files.find((f) => f.path === 'site.json');
  if (!json) {
    throw new ArchiveError(
      `${name}: expected a site file with site.json in it, found ${files.length === 0 ? 'an empty archive' : `an archive of ${files.length} other files`}.`,
    );
  }
  const site = readSiteJson(name, json.bytes);
  const assets = new Map(
    files.flatMap((f) => {
      const id = /^assets\/([0-9a-f]{64})\.[a-z0-9]+$/.exec(f.path)?.[1];
      return id ? [[id, f.bytes] as const] : [];
    }),
  );
  const wanted = assetsOf(site);
  const missing = wanted.filter((id) => !assets.has(id));
  if (missing.length > 0) {
    throw new ArchiveError(
      `${name}: expected ${wanted.length} pictures, fonts and theme files, found ${wanted.length - missing.length}: ${nameOf(site, missing[0])} is missing.`,
    );
  }
  const free = freeAssets(site);
  for (const id of wanted) {
    if (!isFont(assets.get(id)!) && !free.has(id)) {
      inspectPicture(nameOf(site, id), assets.get(id)!);
    }
  }
  return { site, assets: new Map(wanted.map((id) => [id, assets.get(id)!])) };
}

const nameOf = (site: Site, id: string): string =>
  site.shelf.find((i) => i.assetId === id)?.name ??
  site.fonts.find((f) => f.assetId === id)?.family ??
  id.slice(0, 12);
