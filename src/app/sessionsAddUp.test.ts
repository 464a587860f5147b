import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { applyPatches } from 'immer';
import type { Edit } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import { newSite } from '@/core/site/newSite';
import { StoreError, type SiteStore } from '@/core/site/siteStore';
import type { Step } from '@/core/site/timeline';
import { Database } from '@/store/database';
import { addSite } from '@/store/addSite';
import { siteStore } from '@/store/siteStore';
import type { Tabs } from '@/store/tabs';
import { MemoryStore } from '@/work/memoryStore.fixture';
import { SaveStatus } from '@/work/saveStatus';
import { OpenSites } from '@/work/openSites';
import type { Session } from '@/work/session';

/*
 * Two or three tabs on one database, each doing whatever comes: commits, two in one task, bursts,
 * undo, redo, going far back, writes that fail, tabs that are closed and opened again.
 */

type Act =
  | { readonly tab: number; readonly do: 'commit' | 'twice' | 'burst'; readonly size: number }
  | { readonly tab: number; readonly do: 'undo' | 'redo' | 'fail' | 'reload' | 'rest' }
  | { readonly tab: number; readonly do: 'goTo'; readonly back: number };

const act = (tabs: number): fc.Arbitrary<Act> => {
  const tab = fc.integer({ min: 0, max: tabs - 1 });
  return fc.oneof(
    fc.record({
      tab,
      do: fc.constantFrom('commit' as const, 'twice' as const, 'burst' as const),
      size: fc.integer({ min: 1, max: 5 }),
    }),
    fc.record({
      tab,
      do: fc.constantFrom(
        'undo' as const,
        'redo' as const,
        'fail' as const,
        'reload' as const,
        'rest' as const,
      ),
    }),
    fc.record({ tab, do: fc.constant('goTo' as const), back: fc.integer({ min: 0, max: 6 }) }),
  );
};

const acts = fc.integer({ min: 2, max: 3 }).chain((tabs) =>
  fc.record({
    tabs: fc.constant(tabs),
    list: fc.array(act(tabs), { minLength: 2, maxLength: 14 }),
  }),
);

/** Tabs of one test tell each other without a channel of the browser. */
function tabsTogether(): () => Tabs {
  const all: { siteId: string; changed: () => void; of: Tabs }[] = [];
  return () => {
    const own: Tabs = {
      announce: (siteId) =>
        all.filter((l) => l.siteId === siteId && l.of !== own).forEach((l) => l.changed()),
      listen(siteId, changed) {
        const entry = { siteId, changed, of: own };
        all.push(entry);
        return () => void all.splice(all.indexOf(entry), 1);
      },
    };
    return own;
  };
}

/** Lets writes fail, before anything is written or when all of it is. */
function failing(store: SiteStore, next: { fail: 'early' | 'late' | undefined }): SiteStore {
  return {
    find: (siteId) => store.find(siteId),
    watch: (siteId, changed) => store.watch(siteId, changed),
    write: (siteId, known, change) =>
      store.write(siteId, known, (found) => {
        const { fail } = next;
        next.fail = undefined;
        if (fail === 'early') {
          throw new StoreError('other', 'made to fail');
        }
        const write = change(found);
        if (fail === 'late') {
          throw new StoreError('full', 'made to fail');
        }
        return write;
      }),
  };
}

/** Where the tabs of one run keep their site. */
interface Place {
  /** The store as another tab has it. */
  tab(): SiteStore;
  stored(): Promise<{ site: Site; cursor: number; steps: readonly Step[] }>;
  end(): Promise<void>;
}

async function inMemory(start: Site): Promise<Place> {
  const store = new MemoryStore();
  store.add(start);
  return {
    tab: () => store,
    stored: async () => ({
      site: store.site('s'),
      cursor: store.cursor('s'),
      steps: store.steps('s'),
    }),
    end: async () => {},
  };
}

let count = 0;

async function inDatabase(start: Site): Promise<Place> {
  const db = new Database(`together ${count++}`);
  await addSite(db, start, 1);
  const together = tabsTogether();
  return {
    tab: () => siteStore(db, together()),
    async stored() {
      const { site, cursor } = (await db.sites.get('s'))!;
      return { site, cursor, steps: await db.history.where('siteId').equals('s').sortBy('seq') };
    },
    async end() {
      db.close();
      await db.delete();
    },
  };
}

class Tab {
  session!: Session;
  private readonly next: { fail: 'early' | 'late' | undefined } = { fail: undefined };
  private failures = 0;

  constructor(
    private readonly place: Place,
    private readonly newId: () => string,
  ) {}

  async open(): Promise<void> {
    const sites = new OpenSites(
      {
        store: failing(this.place.tab(), this.next),
        now: () => 1,
        newId: this.newId,
        // Nothing waits for time: bursts are flushed, and writing is tried again, when asked.
        later: () => () => {},
        tell: (words) => {
          throw new Error(words);
        },
      },
      new SaveStatus(),
    );
    this.session = (await sites.open('s'))!;
  }

  failNext(): void {
    this.next.fail = this.failures++ % 2 ? 'late' : 'early';
  }

  async rest(): Promise<void> {
    this.next.fail = undefined;
    this.session.flush();
    await this.session.retry();
  }
}

const marked =
  (mark: string): Edit =>
  (site) => {
    site.ownSizes.push({ name: mark, width: 1, height: 1 });
  };
const marksOf = (site: Site): string[] => site.ownSizes.map((s) => s.name);

const run = async (
  placeFor: (start: Site) => Promise<Place>,
  { tabs, list }: { tabs: number; list: readonly Act[] },
): Promise<void> => {
  const start = newSite('s', 'page', 'Veldrin');
  const place = await placeFor(start);
  let ids = 0;
  const open = Array.from({ length: tabs }, () => new Tab(place, () => `id ${ids++}`));
  await Promise.all(open.map((tab) => tab.open()));
  const committed: string[] = [];
  const takenBack = new Set<string>();
  const mark = (): string => {
    committed.push(`mark ${committed.length}`);
    return committed.at(-1)!;
  };
  const walk = (session: Session, go: () => void) => {
    const before = marksOf(session.state.getState().site);
    go();
    const after = new Set(marksOf(session.state.getState().site));
    before.filter((m) => !after.has(m)).forEach((m) => takenBack.add(m));
  };
  for (const a of list) {
    const tab = open[a.tab];
    const { session } = tab;
    if (a.do === 'commit') {
      const m = mark();
      session.commit(m, marked(m));
    } else if (a.do === 'twice') {
      for (const m of [mark(), mark()]) {
        session.commit(m, marked(m));
      }
    } else if (a.do === 'burst') {
      const label = `burst ${committed.length}`;
      for (let i = 0; i < a.size; i++) {
        session.burst(label, marked(mark()));
      }
    } else if (a.do === 'undo') {
      walk(session, () => session.undo());
    } else if (a.do === 'redo') {
      session.redo();
    } else if (a.do === 'goTo') {
      walk(session, () => session.goTo(session.state.getState().cursor - a.back));
    } else if (a.do === 'fail') {
      tab.failNext();
    } else if (a.do === 'rest') {
      await tab.rest();
    } else {
      await tab.rest();
      expect(session.state.getState().kept).toEqual({ state: 'kept' });
      session.close();
      await tab.open();
    }
  }
  for (let round = 0; round < 2; round++) {
    for (const tab of open) {
      await tab.rest();
    }
  }
  await Promise.all(open.map((tab) => tab.session.refresh()));
  await Promise.all(open.map((tab) => tab.session.settled()));
  const { site: stored, cursor, steps } = await place.stored();
  for (const { session } of open) {
    expect(session.state.getState().kept).toEqual({ state: 'kept' });
    expect(session.state.getState().site).toEqual(stored);
    expect(session.state.getState().cursor).toBe(cursor);
  }
  const there = new Set(marksOf(stored));
  expect(committed.filter((m) => !there.has(m) && !takenBack.has(m))).toEqual([]);
  expect(marksOf(stored).length).toBe(there.size);
  let site = stored;
  for (const step of steps.filter((s) => s.seq <= cursor).toReversed()) {
    site = applyPatches(site, [...step.inverse]);
  }
  expect(site).toEqual(start);
  for (const step of steps) {
    site = applyPatches(site, [...step.patches]);
    if (step.seq === cursor) {
      expect(site).toEqual(stored);
    }
  }
  open.forEach((tab) => tab.session.close());
  await place.end();
};

/** More than every run of the tests has time for: RUNS=2000. */
const runs = (usual: number): number => Number(process.env.RUNS ?? usual);

test.each([
  ['in memory', inMemory, runs(600)],
  ['in the database', inDatabase, runs(100)],
] as const)(
  'whatever tabs do at once %s, every edit is kept, memory is what is kept, and every history goes back to its beginning',
  async (_, place, numRuns) => {
    await fc.assert(
      fc.asyncProperty(acts, (what) => run(place, what)),
      { numRuns },
    );
  },
);
