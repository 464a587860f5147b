import { isTooDeep, mostNested } from './drawing';

const drawing = (inside: string) =>
  new TextEncoder().encode(`<svg xmlns="http://www.w3.org/2000/svg">${inside}</svg>`);
const nested = (levels: number) => '<g>'.repeat(levels) + '</g>'.repeat(levels);

test('elements are counted as deep as they lie, and nothing else is', () => {
  expect(isTooDeep(drawing(nested(mostNested - 1)))).toBe(false);
  expect(isTooDeep(drawing(nested(mostNested)))).toBe(true);
  expect(isTooDeep(drawing('<g>'.repeat(mostNested)))).toBe(true);
  expect(isTooDeep(drawing('<g></g><rect/>'.repeat(5000)))).toBe(false);
  expect(isTooDeep(drawing(`<!--${'<g>'.repeat(5000)}-->`))).toBe(false);
  expect(isTooDeep(drawing(`<style><![CDATA[${'<g>'.repeat(5000)}]]></style>`))).toBe(false);
  expect(isTooDeep(drawing(`<g id="${'<g>'.repeat(5000)}"/>`))).toBe(false);
});

test('what never ends comes to an end', () => {
  expect(isTooDeep(drawing(`<g ${'a="1" '.repeat(200_000)}`))).toBe(false);
  expect(isTooDeep(drawing('<g'.repeat(200_000)))).toBe(false);
  const open = ['<g', "<g '", '<g a="', '<!--', '<![CDATA['];
  for (const one of open) {
    expect(isTooDeep(new TextEncoder().encode(`<svg>${one.repeat(200_000)}`))).toBe(false);
  }
  expect(isTooDeep(drawing(`<g a='${'<'.repeat(500_000)}`))).toBe(false);
});
