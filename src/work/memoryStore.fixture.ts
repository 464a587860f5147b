import type { Site } from '@/core/site/model/site';
import type { SiteFound, SiteStore, SiteWrite } from '@/core/site/siteStore';
import type { Step } from '@/core/site/timeline';

interface Row {
  site: Site;
  cursor: number;
  stamp: string;
  steps: Step[];
}

/** A store in memory: what goes in and comes out is a copy, as with a database. */
export class MemoryStore implements SiteStore {
  private rows = new Map<string, Row>();
  private removed = new Set<string>();
  private watchers = new Map<string, Set<() => void>>();
  private failing: Error[] = [];
  /** Writes come one after the other, each as a whole. */
  private line: Promise<void> = Promise.resolve();
  /** Failures that have happened. */
  failures = 0;
  /** The next write is not told to others. */
  silent = false;

  add(site: Site): void {
    this.rows.set(site.id, structuredClone({ site, cursor: 0, stamp: 'added', steps: [] }));
  }

  failNext(error: Error): void {
    this.failing.push(error);
  }

  remove(siteId: string): void {
    this.rows.delete(siteId);
    this.removed.add(siteId);
  }

  clear(): void {
    this.rows.clear();
    this.removed.clear();
  }

  has = (siteId: string): boolean => this.rows.has(siteId);
  site = (siteId: string): Site => this.rows.get(siteId)!.site;
  cursor = (siteId: string): number => this.rows.get(siteId)!.cursor;
  stampOf = (siteId: string): string => this.rows.get(siteId)!.stamp;
  steps = (siteId: string): readonly Step[] => this.rows.get(siteId)!.steps;

  async find(siteId: string): Promise<SiteFound> {
    await Promise.resolve();
    return this.look(siteId);
  }

  async write(
    siteId: string,
    known: string,
    change: (found: SiteFound) => SiteWrite | undefined,
  ): Promise<void> {
    const turn = this.line;
    let end = () => {};
    this.line = new Promise((resolve) => {
      end = resolve;
    });
    await turn;
    try {
      await this.transact(siteId, known, change);
    } finally {
      end();
    }
  }

  private async transact(
    siteId: string,
    known: string,
    change: (found: SiteFound) => SiteWrite | undefined,
  ): Promise<void> {
    const write = change(this.look(siteId, known));
    await Promise.resolve();
    const error = this.failing.shift();
    if (error) {
      this.failures++;
      throw error;
    }
    if (write) {
      this.put(siteId, structuredClone(write));
      const silent = this.silent;
      this.silent = false;
      if (!silent) {
        this.watchers.get(siteId)?.forEach((changed) => changed());
      }
    }
  }

  watch(siteId: string, changed: () => void): () => void {
    const all = this.watchers.get(siteId) ?? new Set();
    this.watchers.set(siteId, all.add(changed));
    return () => void all.delete(changed);
  }

  private look(siteId: string, known?: string): SiteFound {
    const row = this.rows.get(siteId);
    if (!row) {
      const presence = this.removed.has(siteId) ? 'removed' : 'cleared';
      return { presence, row: undefined, steps: undefined };
    }
    const { steps, ...rest } = structuredClone(row);
    return { presence: 'there', row: rest, steps: row.stamp === known ? undefined : steps };
  }

  private put(siteId: string, write: SiteWrite): void {
    const { site, cursor, stamp, dropFrom, forgetBelow, add } = write;
    const there = this.rows.get(siteId)?.steps ?? [];
    const steps = [...there.filter((s) => s.seq < dropFrom && s.seq >= forgetBelow), ...add];
    this.rows.set(siteId, { site, cursor, stamp, steps });
    this.removed.delete(siteId);
  }
}
