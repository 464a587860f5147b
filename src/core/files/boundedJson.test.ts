import fc from 'fast-check';
import { boundedJson, JsonError } from './boundedJson';

const limits = { length: 1_000_000, depth: 20, members: 1000 };

test('what is within the bounds is what JSON.parse makes of it', () => {
  fc.assert(
    fc.property(fc.json({ maxDepth: 6 }), (text) => {
      expect(boundedJson(text, 'a file', limits)).toEqual(JSON.parse(text));
    }),
  );
});

test.each([
  ['['.repeat(200_000), 'Expected a file at most 20 deep, found more.'],
  ['{"a":'.repeat(21), 'Expected a file at most 20 deep, found more.'],
  [`[${'1,'.repeat(1001)}1]`, 'Expected a file of at most 1000 values, found more.'],
  [`[${'[],'.repeat(1001)}1]`, 'Expected a file of at most 1000 values, found more.'],
  [' '.repeat(1_200_000), 'Expected a file of at most 1 MB, found 1.2 MB.'],
  ['{"a": 1', 'Expected a file to be JSON, found something else.'],
  ['"unclosed\\', 'Expected a file to be JSON, found something else.'],
  ['', 'Expected a file to be JSON, found something else.'],
])('%#: what is beyond them is refused in words', (text, words) => {
  expect(() => boundedJson(text, 'a file', limits)).toThrow(JsonError);
  expect(() => boundedJson(text, 'a file', limits)).toThrow(words);
});

test('signs inside strings count for nothing', () => {
  const text = JSON.stringify({ a: '[{'.repeat(500), b: '\\"[', c: ','.repeat(5000) });
  expect(boundedJson(text, 'a file', limits)).toEqual(JSON.parse(text));
});
