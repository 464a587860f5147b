import { wordsOf } from '../refusal';
import type { Site } from '../site/model/site';
import { readSite } from '../site/schema';
import { counted, type Counted } from './counted';
import { readingsOfSite } from './told';

/** A stored site as a card shows it, or why it cannot be read. */
export type SiteCard =
  | (Counted & {
      readonly site: Site;
      /** All of its readings were taken, those of its files too. */
      readonly measured: boolean;
    })
  | { readonly problem: string };

/**
 * Takes the readings that need no file.
 * @param stored whatever lies in the store
 */
export function siteCard(stored: unknown): SiteCard {
  try {
    const site = readSite(stored);
    return { site, measured: false, ...counted(readingsOfSite(site, () => undefined)) };
  } catch (error) {
    return { problem: wordsOf(error) };
  }
}
