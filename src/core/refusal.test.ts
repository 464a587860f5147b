import { clauseOf, Refusal, wordsOf } from './refusal';

test('words for people are told as they are, and none of a program ever', () => {
  expect(wordsOf(new Refusal('a.png: expected a picture, found a list.'))).toBe(
    'a.png: expected a picture, found a list.',
  );
  for (const fault of [
    new TypeError("Cannot read properties of undefined (reading 'x')"),
    new RangeError('Maximum call stack size exceeded'),
    'a text',
    undefined,
    null,
  ]) {
    expect(wordsOf(fault)).toMatch(/^Soyez met a fault of its own here\./);
  }
});

test('what the browser refuses is told in our words; a fault of ours is reported, a refusal is not', () => {
  const reported: unknown[] = [];
  const before = globalThis.reportError;
  globalThis.reportError = (error) => void reported.push(error);
  try {
    expect(wordsOf(new DOMException('The requested file', 'NotReadableError'))).toMatch(
      /^The file cannot be read any more/,
    );
    wordsOf(new Refusal('No.'));
    expect(reported).toEqual([]);
    const fault = new TypeError('x is not a function');
    wordsOf(fault);
    expect(reported).toEqual([fault]);
  } finally {
    globalThis.reportError = before;
  }
});

test('as the end of a sentence, words go on from it', () => {
  expect(clauseOf(new Refusal('The file breaks off.'))).toBe('the file breaks off');
  expect(clauseOf(new Refusal('PNG files have a head.'))).toBe('PNG files have a head');
  expect(clauseOf(new Error('x'))).toMatch(/^Soyez met a fault/);
});
