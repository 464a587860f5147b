import { existsSync } from 'node:fs';
import { imageSize } from 'image-size';
import { readFileSync } from 'node:fs';
import { licenceOf } from '@/core/shelf/licences';
import { delayOf, LibraryError, searchLibrary } from './library';

const everything = () => [1, 2].flatMap((page) => searchLibrary({ page: String(page) }).pictures);

test('at least forty pictures, each with its file of the size it says, a maker, a licence Soyez knows and a day', () => {
  const all = everything();
  expect(all.length).toBeGreaterThanOrEqual(40);
  expect(new Set(all.map((p) => p.id)).size).toBe(all.length);
  for (const p of all) {
    const file = `public/library/${p.id}.jpg`;
    expect([p.id, existsSync(file)]).toEqual([p.id, true]);
    expect(imageSize(readFileSync(file))).toMatchObject({ width: p.width, height: p.height });
    expect(licenceOf(p.licence)).toBeDefined();
    expect(p.date).toMatch(/^\d{4}-\d{2}-\d{2}$/);
  }
  expect(new Set(all.map((p) => p.licence)).size).toBeGreaterThanOrEqual(4);
});

test('searches are answered by pages, can find nothing, and can fail', () => {
  const pots = searchLibrary({ words: 'pots', shape: 'wide', leastWidth: '1200' });
  expect(pots.total).toBeGreaterThan(3);
  expect(pots.pictures.every((p) => p.width > p.height && p.width >= 1200)).toBe(true);
  expect(pots.subjects).toContain('landscape');
  expect(searchLibrary({ words: 'submarine' })).toMatchObject({ total: 0, pictures: [] });
  expect(() => searchLibrary({ words: 'outage' })).toThrow(LibraryError);
  expect(() => searchLibrary({ leastWidth: 'wide' })).toThrow(LibraryError);
  expect(() => searchLibrary({ shape: 'round' })).toThrow(LibraryError);
});

test('it takes its time, the same for the same question', () => {
  expect(delayOf('?words=pots')).toBe(delayOf('?words=pots'));
  for (const q of ['', '?words=a', '?words=kiln&page=2']) {
    expect(delayOf(q)).toBeGreaterThanOrEqual(180);
    expect(delayOf(q)).toBeLessThan(600);
  }
});
