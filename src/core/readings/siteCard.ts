import type { Site } from '../site/model/site';
import { readSite } from '../site/schema';
import { readingsOfSite } from './told';

/** A stored site as a card shows it, or why it cannot be read. */
export type SiteCard =
  | {
      readonly site: Site;
      /** Readings that fail, as far as they can be taken without pressing its files. */
      readonly fails: number;
      /** Readings to be looked at. */
      readonly look: number;
    }
  | { readonly problem: string };

/** @param stored whatever lies in the store */
export function siteCard(stored: unknown): SiteCard {
  try {
    const site = readSite(stored);
    const verdicts = [...readingsOfSite(site, () => undefined).values()]
      .flat()
      .map((reading) => reading.verdict);
    return {
      site,
      fails: verdicts.filter((v) => v === 'fails').length,
      look: verdicts.filter((v) => v === 'look').length,
    };
  } catch (error) {
    return { problem: error instanceof Error ? error.message : String(error) };
  }
}
