import { drawingLimits, tooMuchIn } from './drawing';
import { mostDrawn, mostInARow } from './drawnElements';

const file = (text: string) => new TextEncoder().encode(text);
const drawing = (inside: string) => file(`<svg xmlns="http://www.w3.org/2000/svg">${inside}</svg>`);
const nested = (levels: number) => '<g>'.repeat(levels) + '</g>'.repeat(levels);
const { deep } = drawingLimits;

const foundIn = (inside: string) => tooMuchIn(drawing(inside))?.found;

test('elements are counted as deep as they lie, and nothing else is', () => {
  expect(foundIn(nested(deep - 1))).toBeUndefined();
  expect(foundIn(nested(deep))).toBe('deeper ones');
  expect(foundIn('<g>'.repeat(deep))).toBe('deeper ones');
  for (const inside of [
    '<g></g><rect/>'.repeat(5000),
    `<!--${'<g>'.repeat(5000)}-->`,
    `<style><![CDATA[${'<g>'.repeat(5000)}]]></style>`,
    `<g id="${'<g>'.repeat(5000)}"/>`,
  ]) {
    expect(foundIn(inside)).toBeUndefined();
  }
});

test('what never ends comes to an end', () => {
  expect(foundIn(`<g ${'a="1" '.repeat(200_000)}`)).toBeUndefined();
  expect(foundIn('<g'.repeat(200_000))).toBeUndefined();
  for (const one of ['<g', "<g '", '<g a="', '<!--', '<![CDATA[', '<!ENTITY ', '&#']) {
    expect(tooMuchIn(file(`<svg>${one.repeat(200_000)}`))).toBeUndefined();
  }
  expect(foundIn(`<g a='${'<'.repeat(500_000)}`)).toBeUndefined();
});

/** Each uses the next so often; the last is one area. */
const levels = (count: number, times: number, again: (id: string) => string) =>
  Array.from(
    { length: count },
    (_, i) => `<g id="l${i}">${again(`l${i + 1}`).repeat(times)}</g>`,
  ).join('') + `<g id="l${count}"><rect width="1" height="1"/></g>${again('l0')}`;

test.each([
  ['a use', (id: string) => `<use href="#${id}"/>`],
  ['a use of old', (id: string) => `<use xlink:href='#${id}'/>`],
  ['a mask', (id: string) => `<rect mask="url(#${id})"/>`],
  ['a pattern in a style', (id: string) => `<rect style="fill: url('#${id}')"/>`],
])('elements are counted as often as %s draws them', (_, again) => {
  expect(tooMuchIn(drawing(levels(8, 3, again)))).toBeUndefined();
  expect(foundIn(levels(16, 3, again))).toBe('more');
  expect(tooMuchIn(drawing(levels(mostInARow - 2, 1, again)))).toBeUndefined();
  expect(foundIn(levels(mostInARow + 2, 1, again))).toBe('more');
  // Whichever of them stands first.
  const backwards = (count: number) =>
    Array.from({ length: count }, (_, i) => `<g id="b${i + 1}">${again(`b${i}`)}</g>`).join('') +
    again(`b${count}`);
  expect(tooMuchIn(drawing(`<g id="b0"/>${backwards(mostInARow - 2)}`))).toBeUndefined();
  expect(foundIn(`<g id="b0"/>${backwards(mostInARow + 2)}`)).toBe('more');
});

test('maps of many areas, symbols that are used often, and circles are drawn', () => {
  const slope = '<linearGradient id="s"><stop/><stop/><stop/></linearGradient>';
  const mark = '<symbol id="m"><path d="M0 0"/></symbol>';
  expect(tooMuchIn(drawing(slope + '<rect fill="url(#s)"/>'.repeat(60_000)))).toBeUndefined();
  expect(tooMuchIn(drawing(mark + '<use href="#m"/>'.repeat(30_000)))).toBeUndefined();
  expect(
    tooMuchIn(drawing('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>')),
  ).toBeUndefined();
  expect(foundIn('<rect/>'.repeat(mostDrawn + 1))).toBe('more');
});

test('styles are followed as deep as those of pages, in elements, attributes and by numbers', () => {
  const css = 'brackets or rules too deep in each other';
  const mix = (levels: number) =>
    `${'color-mix(in srgb,red,'.repeat(levels)}red${')'.repeat(levels)}`;
  expect(foundIn(`<style>g{fill:${mix(6)}}</style>`)).toBeUndefined();
  expect(foundIn(`<style>g{fill:${mix(30)}}</style>`)).toBe(css);
  expect(foundIn(`<style><![CDATA[${'a{'.repeat(90)}]]></style>`)).toBe(css);
  expect(foundIn(`<svg:style type="text/css">${'a{'.repeat(90)}`)).toBe(css);
  expect(foundIn(`<g style="fill:${mix(30)}"/>`)).toBe(css);
  expect(foundIn(`<g fill='${mix(30).replaceAll('(', '&#x28;')}'/>`)).toBe(css);
  expect(foundIn(`<g transform="${'rotate(1) '.repeat(5000)}"/>`)).toBeUndefined();
});

test('entities of names are read, those that stand for parts of the drawing are not', () => {
  const of = (value: string) =>
    file(`<!DOCTYPE svg [<!ENTITY e ${value}>]><svg xmlns="http://www.w3.org/2000/svg">&e;</svg>`);
  expect(tooMuchIn(of('"http://ns.example/ai/"'))).toBeUndefined();
  for (const value of [`"<g>"`, `'&f;'`, `"a{"`, `"url("`]) {
    expect(tooMuchIn(of(value))?.found).toBe('entities that stand for parts of it');
  }
});

test('what brings whole sheets or drawings in is none, however that is written', () => {
  const found = 'one that brings in sheets or other drawings';
  for (const inside of [
    '<style>@import "x.css";</style>',
    '<style>@im\\70 ort "x.css";</style>',
    '<image href="data:image/svg+xml,%3Csvg/%3E"/>',
    '<image href=" da\nta:IMAGE/svg+xml,%3Csvg/%3E"/>',
    '<image href="&#100;ata:image/svg+xml,%3Csvg/%3E"/>',
    '<g style="mask:url(d\\61 ta:image/svg+xml,x)"/>',
    '<link xmlns="http://www.w3.org/1999/xhtml" rel="stylesheet" href="data:text/css,a{}"/>',
  ]) {
    expect([inside, foundIn(inside)]).toEqual([inside, found]);
  }
  const sheet = '<?xml-stylesheet type="text/css" href="x.css"?>';
  expect(tooMuchIn(file(`${sheet}<svg xmlns="http://www.w3.org/2000/svg"/>`))?.found).toBe(found);
  expect(foundIn('<image href="data:image/png;base64,AAAA"/>')).toBeUndefined();
});

test('drawings of two bytes a letter are read too', () => {
  const text = `<svg xmlns="http://www.w3.org/2000/svg">${nested(deep)}</svg>`;
  const wide = Buffer.from(text, 'utf16le');
  expect(tooMuchIn(wide)?.found).toBe('deeper ones');
  expect(tooMuchIn(Buffer.concat([Buffer.from([0xff, 0xfe]), wide]))?.found).toBe('deeper ones');
  expect(tooMuchIn(Buffer.from(wide).swap16())?.found).toBe('deeper ones');
});
