import { applyEdit } from '../site/edit';
import { newSite } from '../site/newSite';
import { addSlot } from '../site/slots';
import { changedParts, rehearsedParts } from './rehearsedParts';

const site = applyEdit(
  newSite('s', 'home', 'Veldrin Clayworks'),
  addSlot('home', { id: 'h', kind: 'header', width: 300, height: 80 }),
);
const header = site.slots[0];
const then = rehearsedParts(site);

test('a site that is as it was has no changed part', () => {
  expect(changedParts(rehearsedParts(structuredClone(site)), then)).toEqual([]);
});

test('what was changed, added and removed is told by its name, once', () => {
  const page = { ...site.pages[0], ground: '#123456' };
  const changed = rehearsedParts({ ...site, pages: [page] });
  expect(changedParts(changed, then)).toEqual([`the page ${page.name}`]);
  const larger = applyEdit(
    site,
    addSlot('home', { id: 'x', kind: 'piece', name: 'Button', width: 20, height: 20 }),
  );
  const other = larger.slots[1];
  const more = rehearsedParts(larger);
  expect(changedParts(more, then)).toContain(other.name);
  expect(changedParts(then, more)).toContain(other.name);
});

test('words that are live text change a slot though its file stays as it is', () => {
  const [id] = Object.keys(site.pictures);
  const text = (words: string, live: boolean) => ({
    ...site,
    pictures: {
      ...site.pictures,
      [id]: {
        ...site.pictures[id],
        layers: [{ id: 't', kind: 'text', words, live, hidden: false, effects: [] } as never],
      },
    },
  });
  const parts = (words: string) => rehearsedParts(text(words, true));
  expect(changedParts(parts('Open on Saturday'), parts('Closed'))).toEqual([header.name]);
});
