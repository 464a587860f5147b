import type { ToldReading } from '@/core/readings/told';
import type { Site } from '@/core/site/model/site';
import { keyOf } from './byAge';
import type { Database } from './database';

const stateOf = (site: Site, built: string): Promise<string> =>
  keyOf(`${built} ${JSON.stringify(site)}`);

/**
 * Keeps all readings of a site as it is.
 * @param built the build of the program that took them
 */
export async function keepFindings(
  db: Database,
  site: Site,
  built: string,
  bySlot: ReadonlyMap<string, readonly ToldReading[]>,
): Promise<void> {
  await db.findings.put({ siteId: site.id, state: await stateOf(site, built), bySlot });
}

/** Those of the site as it is, taken by this build of the program. */
export async function findingsOf(
  db: Database,
  site: Site,
  built: string,
): Promise<ReadonlyMap<string, readonly ToldReading[]> | undefined> {
  const row = await db.findings.get(site.id);
  return row && row.state === (await stateOf(site, built)) ? row.bySlot : undefined;
}
