import fc from 'fast-check';
import { isWithin, sameSpans, type Spans } from './spans';

const spans = fc.uniqueArray(fc.nat(60), { minLength: 0, maxLength: 20 }).map((list): Spans => {
  const sorted = [...list].sort((a, b) => a - b);
  return new Uint32Array(sorted.slice(0, sorted.length - (sorted.length % 2)));
});

test('a place is within parts where one of them begins at it or before, and ends after it', () => {
  fc.assert(
    fc.property(spans, fc.nat(64), (parts, at) => {
      const pairs = Array.from({ length: parts.length / 2 }, (_, i) => [
        parts[2 * i],
        parts[2 * i + 1],
      ]);
      expect(isWithin(parts, at)).toBe(pairs.some(([from, to]) => from <= at && at < to));
    }),
  );
});

test('parts are the same by where they lie', () => {
  expect(sameSpans(new Uint32Array([1, 2]), new Uint32Array([1, 2]))).toBe(true);
  expect(sameSpans(new Uint32Array([1, 2]), new Uint32Array([1, 3]))).toBe(false);
  expect(sameSpans(new Uint32Array([1, 2]), new Uint32Array([1, 2, 3, 4]))).toBe(false);
});
