import { assetsOf } from '@/core/site/assets';
import type { PackedSite } from '@/core/handover/siteFile';
import { ArchiveError } from '@/core/files/unzip';
import { addSite } from './addSite';
import { assetBytes, assetId, putAsset } from './assets';
import type { Database } from './database';
import type { Site } from '@/core/site/model/site';

/** A site with everything it needs, out of the database. */
export async function packSite(db: Database, site: Site): Promise<PackedSite> {
  return {
    site,
    assets: new Map(
      await Promise.all(assetsOf(site).map(async (id) => [id, await assetBytes(db, id)] as const)),
    ),
  };
}

/**
 * Adds the site of a site file that was read. Where there is a site of that id already, it comes beside it under
 * a new one: nothing that is here is written over.
 * @param newId for that case
 * @returns the id it has here
 * @throws Error saying what was expected and what was found; nothing is stored then
 */
export async function addSiteFile(
  db: Database,
  name: string,
  { site, assets }: PackedSite,
  newId: string,
  now: number,
): Promise<string> {
  for (const [id, content] of assets) {
    if ((await assetId(content)) !== id) {
      throw new ArchiveError(
        `${name}: expected the asset ${id.slice(0, 12)} as it was packed, found one that was changed.`,
      );
    }
  }
  for (const content of assets.values()) {
    await putAsset(db, content);
  }
  const id = (await db.sites.get(site.id)) ? newId : site.id;
  await addSite(db, { ...site, id }, now);
  return id;
}
