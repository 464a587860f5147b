import Dexie, { type EntityTable, type PromiseExtended, type Table } from 'dexie';
import type { Patch } from 'immer';
import type { Judgement } from '@/core/lightest/trial';
import type { Survey } from '@/core/readings/survey';
import type { ToldReading } from '@/core/readings/told';
import type { Site } from '@/core/site/model/site';

export interface SiteRow {
  id: string;
  site: Site;
  /** Differs with every write, so that a second tab notices the first one's. */
  stamp?: string;
  /** Counted the writes before there were stamps. */
  revision?: number;
  /** Number of the last step that is applied; 0 before the first. */
  cursor: number;
  changedAt: number;
}

export interface AssetRow {
  /** SHA-256 of the bytes, hex. */
  id: string;
  bytes: Uint8Array<ArrayBuffer>;
}

export interface StepRow {
  siteId: string;
  seq: number;
  /** Absent in histories of earlier versions. */
  id?: string;
  label: string;
  patches: Patch[];
  inverse: Patch[];
}

/** A site that was removed on purpose, so that other tabs can tell it from one that was lost. */
export interface RemovedRow {
  siteId: string;
  /** Ms since 1970. */
  at: number;
}

/** A slot's picture as it was last drawn, for lists and for the first moment of a bench. */
export interface ThumbRow {
  /** Site and slot. */
  key: string;
  drawing: string;
  png: Blob;
  /** When it was drawn, ms since 1970; earlier builds did not write it. */
  at?: number;
}

/** A picture of the owner's as lists show it. */
export interface SmallRow {
  /** Asset and what it is made small for. */
  key: string;
  file: Blob;
}

/** What a site was when it was last rehearsed, part by part. */
export interface RehearsalRow {
  siteId: string;
  at: number;
  /** By the part's name: a slot or a page. */
  parts: Record<string, string>;
}

/** What a finished search for the lightest file found of one state of a picture. */
export interface SearchRow {
  /** SHA-256 of what the state depends on. */
  key: string;
  siteId: string;
  /** When it ended, ms since 1970. */
  at: number;
  /** Of all its files together. */
  bytes: number;
  tried: readonly { readonly judgement: Judgement; readonly data: Uint8Array<ArrayBuffer> }[];
  /** Aims that a search came to its end for. */
  finished: readonly string[];
}

/** The file of one state of a picture. */
export interface WrittenRow {
  /** SHA-256 of what the state depends on. */
  key: string;
  /** When it was written, ms since 1970. */
  at: number;
  bytes: number;
  data: Uint8Array<ArrayBuffer>;
  /** What was measured of its drawing, where it was. */
  survey?: Survey;
}

/** All readings of a site, by slot. */
export interface FindingsRow {
  siteId: string;
  /** SHA-256 of the site that they are of, and of the program that took them. */
  state: string;
  bySlot: ReadonlyMap<string, readonly ToldReading[]>;
}

export class Database extends Dexie {
  declare sites: EntityTable<SiteRow, 'id'>;
  declare assets: EntityTable<AssetRow, 'id'>;
  declare history: Table<StepRow, [string, number]>;
  declare thumbs: EntityTable<ThumbRow, 'key'>;
  declare small: EntityTable<SmallRow, 'key'>;
  declare rehearsals: EntityTable<RehearsalRow, 'siteId'>;
  declare searches: EntityTable<SearchRow, 'key'>;
  declare written: EntityTable<WrittenRow, 'key'>;
  declare findings: EntityTable<FindingsRow, 'siteId'>;
  declare removed: EntityTable<RemovedRow, 'siteId'>;

  private readonly closed = new Set<() => void>();
  private readonly closedUnderneath = () => {
    for (const call of [...this.closed]) {
      call();
    }
  };

  constructor(name = 'soyez') {
    // What is said to be kept is on the disk, not in a buffer that ends with the browser.
    super(name, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({
      sites: 'id, changedAt',
      assets: 'id',
      history: '[siteId+seq], siteId',
      thumbs: 'key',
    });
    this.version(2).stores({ rehearsals: 'siteId' });
    this.version(3).stores({ searches: 'key, siteId, at, [at+bytes]' });
    this.version(4).stores({ removed: 'siteId' });
    this.version(5).stores({ written: 'key, [at+bytes]', findings: 'siteId' });
    this.version(6).stores({ small: 'key' });
  }

  /**
   * Opens it, or leaves it so that the next use opens it anew: once an opening failed, as it may
   * while the browser clears the store, Dexie by itself would refuse every use until a reload.
   */
  override open(): PromiseExtended<Dexie> {
    return super.open().finally(() => {
      if (this.isOpen()) {
        this.backendDB().addEventListener('close', this.closedUnderneath);
      } else {
        this.close({ disableAutoOpen: false });
      }
    });
  }

  /** Calls when the browser closed the store by itself, as when it clears it. @returns how to stop */
  whenClosed(call: () => void): () => void {
    this.closed.add(call);
    return () => this.closed.delete(call);
  }
}
