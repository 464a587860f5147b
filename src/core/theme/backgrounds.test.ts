import type { Length } from '../site/model/slot';
import { coloursIn, readBackground } from './backgrounds';

const px = (value: number): Length => ({ value, unit: 'px' });
const pc = (value: number): Length => ({ value, unit: '%' });

/*
 * CSS Backgrounds and Borders Level 3, sections 2.2 to 2.9; the shorthand is held against Chromium
 * in e2e/theme.spec.ts.
 */

test.each<[string, string, object]>([
  ['background-image', 'url(a.png)', { url: 'a.png' }],
  ['background-image', 'linear-gradient(red, blue)', { url: undefined }],
  ['background-image', 'image-set(url(a.webp) 1x, url(b.webp) 2x)', { url: 'a.webp' }],
  ['background-repeat', 'repeat-x', { repeat: 'repeat-x' }],
  ['background-repeat', 'no-repeat repeat', { repeat: 'repeat-y' }],
  ['background-repeat', 'space', { repeat: 'repeat' }],
  ['background-position', 'left', { x: pc(0), y: pc(50) }],
  ['background-position', 'top right', { x: pc(100), y: pc(0) }],
  ['background-position', '20px', { x: px(20), y: pc(50) }],
  ['background-position', '1em 25%', { x: px(16), y: pc(25) }],
  ['background-position', 'right 20% bottom 10%', { x: pc(80), y: pc(90) }],
  ['background-position', 'left 12px top 4px', { x: px(12), y: px(4) }],
  ['background-position', 'calc(100% - 3px) 0', {}],
  ['background-position-x', '30%', { x: pc(30) }],
  ['background-position-y', 'bottom', { y: pc(100) }],
  ['background-position-y', '7px', { y: px(7) }],
  ['background-size', 'cover', { size: 'cover' }],
  ['background-size', '50%', { size: { x: pc(50), y: 'auto' } }],
  ['background-size', 'auto 40px', { size: { x: 'auto', y: px(40) } }],
  ['background-size', '10vw', {}],
  ['background-attachment', 'fixed', { attachment: 'fixed' }],
  ['background-attachment', 'local', { attachment: 'scroll' }],
  ['background-color', 'rgb(164 85 58)', { colour: '#a4553a' }],
  ['background-color', 'rgb(164 85 58 / 50%)', { colour: undefined }],
])('%s: %s', (property, value, wanted) => {
  const [found] = readBackground(property, value)!;
  for (const [key, v] of Object.entries(wanted)) {
    expect(found).toHaveProperty(key, v);
  }
  if (Object.keys(wanted).length === 0) {
    expect(Object.values(found).filter((v) => v !== undefined)).toEqual([]);
  }
});

test('one layer for each part between commas, in front first', () => {
  expect(
    readBackground('background', 'url(a.png) no-repeat, #336699')!.map((l) => [l.url, l.colour]),
  ).toEqual([
    ['a.png', undefined],
    [undefined, '#336699'],
  ]);
  expect(readBackground('background-repeat', 'repeat-x, no-repeat')!.map((l) => l.repeat)).toEqual([
    'repeat-x',
    'no-repeat',
  ]);
});

test('colours in a value, inside functions too; see-through ones are left out', () => {
  expect(coloursIn('1px solid #abc')).toEqual(['#aabbcc']);
  expect(
    coloursIn('linear-gradient(90deg, rebeccapurple, hsl(0 100% 50%) 40%, transparent)'),
  ).toEqual(['#663399', '#ff0000']);
  expect(coloursIn('0 1px 2px rgba(0, 0, 0, .4), 0 0 0 3px oklch(62.8% 0.25768 29.234)')).toEqual([
    '#ff0000',
  ]);
  expect(coloursIn('inherit')).toEqual([]);
});
