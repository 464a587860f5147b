import { migrate } from '@/core/site/migrate';
import { migrateHistory } from '@/core/site/migrateHistory';
import { schemaVersion } from '@/core/site/model/site';
import { readSite } from '@/core/site/schema';
import type { Timeline } from '@/core/site/timeline';
import type { SiteFound } from '@/core/site/siteStore';

/** A stored site is of the version that this program writes. */
export const isCurrent = (site: unknown): boolean =>
  (site as { schemaVersion?: unknown } | null)?.schemaVersion === schemaVersion;

/**
 * A stored site, checked and brought up to the present version together with its steps.
 * @param found with its row and its steps
 * @throws SiteError
 */
export function timelineOf({ row, steps = [] }: SiteFound): Timeline {
  const { site, cursor } = row!;
  const checked = readSite(site);
  if (isCurrent(site)) {
    return { site: checked, cursor, steps };
  }
  const stored = site as Readonly<Record<string, unknown>>;
  return { site: checked, cursor, steps: migrateHistory(stored, cursor, steps, migrate) };
}
