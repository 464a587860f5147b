import type { SiteCard } from '@/core/readings/siteCard';
import { SiteCards, type StoredSite } from './siteCards';

const stored = (id: string, stamp: string): StoredSite => ({
  id,
  stamp,
  changedAt: 7,
  site: { id, stamp },
});

test('a site is read again when it was written anew, and only then', async () => {
  const asked: unknown[] = [];
  const cards = new SiteCards(async (site) => {
    asked.push(site);
    return { problem: JSON.stringify(site) } satisfies SiteCard;
  });
  const [a, b] = [stored('a', '1'), stored('b', '1')];
  const problem = ({ site }: StoredSite) => JSON.stringify(site);
  expect(await cards.of([a, b])).toEqual([
    { id: 'a', changedAt: 7, problem: problem(a) },
    { id: 'b', changedAt: 7, problem: problem(b) },
  ]);
  expect(asked).toEqual([a.site, b.site]);
  // Another order, and one of them written since.
  const later = stored('b', '2');
  expect(await cards.of([later, a])).toEqual([
    { id: 'b', changedAt: 7, problem: problem(later) },
    { id: 'a', changedAt: 7, problem: problem(a) },
  ]);
  expect(asked).toEqual([a.site, b.site, later.site]);
  // What is gone is forgotten.
  await cards.of([a]);
  await cards.of([a, later]);
  expect(asked).toHaveLength(4);
});
