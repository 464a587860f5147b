import { Refusal } from '../refusal';
import type { Site } from './model/site';
import type { Step } from './timeline';

/** A site as it is stored, not checked yet. */
export interface StoredSite {
  readonly site: unknown;
  readonly cursor: number;
  /** Differs with every write, so that a session sees that another one wrote. */
  readonly stamp: string;
}

/** What a write makes of a stored site. */
export interface SiteWrite {
  readonly site: Site;
  readonly cursor: number;
  readonly stamp: string;
  readonly changedAt: number;
  /** Steps of this number and above are dropped before others are added. */
  readonly dropFrom: number;
  readonly forgetBelow: number;
  readonly add: readonly Step[];
}

/** How a site is there when it is looked at: stored, removed on purpose, or gone without a word. */
export type Presence = 'there' | 'removed' | 'cleared';

export interface SiteFound {
  readonly presence: Presence;
  readonly row: StoredSite | undefined;
  /** In order; given where the row is not the one that is known already. */
  readonly steps: readonly Step[] | undefined;
}

/** Why something could not be written. */
export type StoreFailure = 'full' | 'closed' | 'other';

export class StoreError extends Refusal {
  constructor(
    readonly why: StoreFailure,
    message: string,
    options?: ErrorOptions,
  ) {
    super(message, options);
  }
}

/** Where sites are kept; in the browser a database, in tests anything. */
export interface SiteStore {
  /** A site as it is now, with its steps. @throws StoreError */
  find(siteId: string): Promise<SiteFound>;
  /**
   * Changes a site in one transaction: nothing of it is kept unless all of it is, and it is on the
   * disk once the promise resolves.
   * @param known the stamp for which no steps need to be read
   * @param change told what is there at that moment; undefined leaves everything as it is
   * @throws StoreError, and whatever `change` throws
   */
  write(
    siteId: string,
    known: string,
    change: (found: SiteFound) => SiteWrite | undefined,
  ): Promise<void>;
  /** Calls back when another tab has changed or removed the site. @returns how to stop that */
  watch(siteId: string, changed: () => void): () => void;
}
