import { applyPatches, produceWithPatches } from 'immer';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { applyEdit, type Edit } from '@/core/site/edit';
import { migrate } from '@/core/site/migrate';
import { schemaVersion, type Site } from '@/core/site/model/site';
import { readSite } from '@/core/site/schema';
import type { Database, SiteRow, StepRow } from './database';
import { migrateHistory } from './migrateHistory';

export interface SessionState {
  /** What is to be seen: the last committed state, or what a gesture in progress makes of it. */
  readonly site: Site;
  /** A gesture is in progress: the site is not the committed one. */
  readonly previewing: boolean;
  /** Name of the step that undo or redo would take, if there is one. */
  readonly undoLabel: string | undefined;
  readonly redoLabel: string | undefined;
  /** Every step there is, oldest first, those that were undone too. */
  readonly steps: readonly NamedStep[];
  /** Number of the last step that is applied; below the first one's where all are undone. */
  readonly cursor: number;
  /** Everything committed is on the disk, on its way there, or could not be written. */
  readonly saved: 'saved' | 'saving' | 'failed';
}

export interface NamedStep {
  readonly seq: number;
  readonly label: string;
}

/** One site being worked on. */
export interface Session {
  readonly state: StoreApi<SessionState>;
  /**
   * Shows an edit of the committed site without keeping it; the next preview starts from the
   * committed site again.
   */
  preview(edit: Edit): void;
  /** Back to the committed site. */
  dropPreview(): void;
  /** Keeps an edit as one step. */
  commit(label: string, edit: Edit): void;
  undo(): void;
  redo(): void;
  /**
   * Undoes or redoes until the step of that number is the last one applied; one before the first
   * undoes all.
   */
  goTo(seq: number): void;
  /** Resolves when everything committed so far has been written. */
  settled(): Promise<void>;
}

/** More steps than this are forgotten from the oldest on. */
const longestHistory = 500;

/**
 * Opens a site. Each commit, undo and redo is one transaction over the site and its history, so a
 * killed tab comes back to the last of them.
 * @param now clock, ms
 * @returns undefined when there is no such site
 * @throws SiteError when what is stored cannot be read
 */
export async function openSession(
  db: Database,
  siteId: string,
  now: () => number,
): Promise<Session | undefined> {
  const row = await db.sites.get(siteId);
  if (!row) {
    return undefined;
  }
  let committed = readSite(row.site);
  let cursor = row.cursor;
  let revision = row.revision;
  let steps = await db.history.where('siteId').equals(siteId).sortBy('seq');
  if (row.site.schemaVersion !== schemaVersion) {
    steps = migrateHistory(row.site as unknown as Record<string, unknown>, cursor, steps, migrate);
    revision++;
    await db.transaction('rw', db.sites, db.history, async () => {
      await db.sites.put({ ...row, site: committed, revision });
      await db.history.bulkPut(steps);
    });
  }
  let queue: Promise<void> = Promise.resolve();
  let waiting = 0;

  const labels = () => ({
    undoLabel: steps.find((s) => s.seq === cursor)?.label,
    redoLabel: steps.find((s) => s.seq === cursor + 1)?.label,
    steps: steps.map(({ seq, label }) => ({ seq, label })),
    cursor,
  });
  const state = createStore<SessionState>(() => ({
    site: committed,
    previewing: false,
    ...labels(),
    saved: 'saved',
  }));
  const publish = () => state.setState({ site: committed, previewing: false, ...labels() });

  /** Another tab wrote in between: take over what it left. */
  async function reload(current: SiteRow): Promise<void> {
    committed = current.site;
    cursor = current.cursor;
    revision = current.revision;
    steps = await db.history.where('siteId').equals(siteId).sortBy('seq');
    publish();
  }

  /** Writes run one after the other; each finds the database as the one before left it. */
  function write(apply: (current: SiteRow, stale: boolean) => Promise<void>): void {
    waiting++;
    state.setState({ saved: 'saving' });
    queue = queue.then(async () => {
      try {
        await db.transaction('rw', db.sites, db.history, async () => {
          const current = await db.sites.get(siteId);
          if (!current) {
            throw new Error('The site was removed in another tab.');
          }
          await apply(current, current.revision !== revision);
        });
        waiting--;
        state.setState({ saved: waiting === 0 ? 'saved' : 'saving' });
      } catch {
        waiting--;
        state.setState({ saved: 'failed' });
      }
    });
  }

  async function store(site: Site, at: number): Promise<void> {
    revision++;
    await db.sites.put({ id: siteId, site, revision, cursor: at, changedAt: now() });
  }

  /** Walks along the steps; what has been forgotten cannot be gone back to. */
  function goTo(seq: number): void {
    const first = steps[0]?.seq ?? cursor + 1;
    const to = Math.min(steps.at(-1)?.seq ?? cursor, Math.max(first - 1, seq));
    if (to === cursor) {
      return;
    }
    while (cursor !== to) {
      const back = to < cursor;
      const step = steps.find((s) => s.seq === (back ? cursor : cursor + 1));
      if (!step) {
        break;
      }
      committed = applyPatches(committed, back ? step.inverse : step.patches) as Site;
      cursor += back ? -1 : 1;
    }
    publish();
    const site = committed;
    const at = cursor;
    write(async (current, stale) => {
      if (stale) {
        return reload(current);
      }
      await store(site, at);
    });
  }

  return {
    state,
    preview: (edit) => state.setState({ site: applyEdit(committed, edit), previewing: true }),
    dropPreview: publish,
    commit(label, edit) {
      const [site, patches, inverse] = produceWithPatches(committed, (draft) => {
        edit(draft);
      });
      if (patches.length === 0) {
        return publish();
      }
      const step: StepRow = { siteId, seq: cursor + 1, label, patches, inverse };
      committed = site;
      cursor = step.seq;
      steps = [...steps.filter((s) => s.seq < step.seq), step].slice(-longestHistory);
      publish();
      write(async (current, stale) => {
        if (stale) {
          // The edit is put on top of what the other tab left, instead of writing over it.
          await reload(current);
          const [merged, again, back] = produceWithPatches(committed, (draft) => {
            edit(draft);
          });
          committed = merged;
          Object.assign(step, { seq: cursor + 1, patches: again, inverse: back });
          cursor = step.seq;
          steps = [...steps.filter((s) => s.seq < step.seq), step];
          publish();
        }
        await db.history
          .where('[siteId+seq]')
          .between([siteId, step.seq], [siteId, Infinity])
          .delete();
        await db.history.put(step);
        await db.history
          .where('[siteId+seq]')
          .between([siteId, 0], [siteId, step.seq - longestHistory], true, true)
          .delete();
        await store(stale ? committed : site, step.seq);
      });
    },
    undo: () => goTo(cursor - 1),
    redo: () => goTo(cursor + 1),
    goTo,
    settled: () => queue,
  };
}
