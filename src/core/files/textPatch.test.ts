import fc from 'fast-check';
import { areApart, patched, patchedLines } from './textPatch';

test('parts are exchanged wherever they stand, whatever order they come in', () => {
  const patches = [
    { from: 6, to: 7, text: 'D' },
    { from: 0, to: 1, text: '' },
    { from: 3, to: 3, text: '+' },
  ];
  expect(patched('abcdefg', patches)).toBe('bc+defD');
  expect(() =>
    patched('abcdefg', [
      { from: 0, to: 3, text: '' },
      { from: 2, to: 4, text: '' },
    ]),
  ).toThrow(RangeError);
});

test('patches that lie over each other are told', () => {
  const at = (from: number, to: number) => ({ from, to, text: '' });
  expect(areApart([at(4, 6), at(0, 3), at(3, 3), at(3, 4)])).toBe(true);
  expect(areApart([at(4, 6), at(0, 5)])).toBe(false);
});

test('lines that change are told with their numbers, those beside each other together', () => {
  const text = 'one\r\ntwo\r\nthree\r\nfour';
  const at = text.indexOf('two');
  expect(
    patchedLines(text, [
      { from: at, to: at + 3, text: '2\n2½' },
      { from: text.length, to: text.length, text: '!' },
    ]),
  ).toEqual([
    { line: 2, before: 'two', after: '2\n2½' },
    { line: 4, before: 'four', after: 'four!' },
  ]);
});

test('lines put back where they were told make the patched text of the old one', () => {
  const part = fc.record({ skip: fc.nat(6), cut: fc.nat(4), text: fc.string({ maxLength: 4 }) });
  fc.assert(
    fc.property(fc.stringMatching(/^[ab\n]{0,60}$/), fc.array(part), (text, parts) => {
      let at = 0;
      const patches = parts.flatMap(({ skip, cut, text: fresh }) => {
        const from = at + skip;
        at = from + cut;
        return at <= text.length ? [{ from, to: at, text: fresh.replace(/\r/g, '') }] : [];
      });
      const lines = text.split('\n');
      for (const { line, before, after } of patchedLines(text, patches).toReversed()) {
        const count = before.split('\n').length;
        expect(lines.slice(line - 1, line - 1 + count).join('\n')).toBe(before);
        lines.splice(line - 1, count, after);
      }
      expect(lines.join('\n')).toBe(patched(text, patches));
    }),
  );
});
