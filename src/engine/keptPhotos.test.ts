import { createRaster } from '@/core/raster/raster';
import { KeptPhotos } from './keptPhotos';

/** A photo of so many bytes. */
const photo = (bytes: number, mipLevel = 0) => ({ raster: createRaster(bytes / 4, 1), mipLevel });

test('what is needed stays, and of all else only a little, what was used last', () => {
  const kept = new KeptPhotos({ most: 1000, spare: 200 });
  kept.hold('view', ['a', 'b']);
  expect(kept.put('a', photo(300))).toEqual([]);
  expect(kept.put('b', photo(300))).toEqual([]);
  expect(kept.put('c', photo(100))).toEqual([]);
  expect(kept.put('d', photo(100))).toEqual([]);
  kept.find('c');
  expect(kept.put('e', photo(100))).toEqual([]);
  expect(kept.put('f', photo(100))).toEqual(['d']);
  expect(['a', 'b', 'c', 'd', 'e', 'f'].filter((id) => kept.find(id))).toEqual([
    ...['a', 'b', 'c', 'e', 'f'],
  ]);
  kept.release('view');
  expect(kept.put('g', photo(100))).toEqual(expect.arrayContaining(['a', 'b']));
});

test('the newest has room whatever is spared, but never more than there is', () => {
  const kept = new KeptPhotos({ most: 1000, spare: 0 });
  expect(kept.put('large', photo(900))).toEqual([]);
  expect(kept.whole('large')).toBeDefined();
  expect(kept.put('too large', photo(1200))).toContain('too large');
});

test('a larger one takes the place of a smaller, not the other way round', () => {
  const kept = new KeptPhotos({ most: 1000, spare: 500 });
  kept.put('a', photo(80, 2));
  expect([kept.find('a')?.mipLevel, kept.whole('a')]).toEqual([2, undefined]);
  kept.put('a', photo(320));
  kept.put('a', photo(160, 1));
  expect([kept.find('a')?.mipLevel, kept.whole('a')?.width]).toEqual([0, 80]);
});
