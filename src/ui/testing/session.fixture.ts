import { sampleSite } from '@/demo/sample';
import { sampleShelf } from '@/demo/sampleShelf.fixture';
import type { Site } from '@/core/site/model/site';
import { MemoryStore } from '@/work/memoryStore.fixture';
import { OpenSites } from '@/work/openSites';
import { SaveStatus } from '@/work/saveStatus';
import type { Session } from '@/work/session';

/** The sample, opened from a store in memory. */
export async function sampleSession(): Promise<Session> {
  const store = new MemoryStore();
  store.add(sampleSite('sample', sampleShelf));
  let count = 0;
  const sites = new OpenSites(
    {
      store,
      now: () => 0,
      newId: () => `id${count++}`,
      later(ms, call) {
        const timer = setTimeout(call, ms);
        return () => clearTimeout(timer);
      },
      tell: () => {},
    },
    new SaveStatus(),
  );
  return (await sites.open('sample'))!;
}

export const siteOf = (session: Session): Site => session.state.getState().site;
