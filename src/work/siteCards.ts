import type { SiteCard } from '@/core/readings/siteCard';

/** A site as it lies in the store, unread. */
export interface StoredSite {
  readonly id: string;
  /** Differs with every write. */
  readonly stamp: string;
  /** When it was written, ms since 1970. */
  readonly changedAt: number;
  readonly site: unknown;
}

export type ListedSite = SiteCard & { readonly id: string; readonly changedAt: number };

/** The cards of all sites; each is read only when it is new or was written anew. */
export class SiteCards {
  private known = new Map<string, { readonly stamp: string; readonly card: Promise<SiteCard> }>();

  /** @param read of what is stored, checks it and takes its readings */
  constructor(private readonly read: (site: unknown) => Promise<SiteCard>) {}

  /** @param stored in the order that cards are wanted in */
  async of(stored: readonly StoredSite[]): Promise<ListedSite[]> {
    const cards = stored.map(({ id, stamp, changedAt, site }) => {
      const before = this.known.get(id);
      return {
        id,
        stamp,
        changedAt,
        card: before?.stamp === stamp ? before.card : this.read(site),
      };
    });
    this.known = new Map(cards.map((c) => [c.id, c]));
    return Promise.all(
      cards.map(async ({ id, changedAt, card }) => ({ id, changedAt, ...(await card) })),
    );
  }
}
