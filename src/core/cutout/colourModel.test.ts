import { converter } from 'culori';
import { oklabPlane } from '../colour/oklab';
import { edgeHiding, learnColours, unlikeness } from './colourModel';

const oklab = converter('oklab');

/** Px of some colours, each with a little noise. */
function plane(colours: readonly string[], each: number): Float32Array {
  const data = new Uint8ClampedArray(colours.length * each * 4);
  for (let i = 0; i < colours.length * each; i++) {
    const [r, g, b] = colours[i % colours.length].match(/../g)!.map((v) => parseInt(v, 16));
    const off = (i * 7919) % 9;
    data.set([r + off - 4, g + off - 4, b + off - 4, 255], 4 * i);
  }
  return oklabPlane(data);
}

const glazes = ['2f6f8f', 'b5532f', 'e8e2d2'];

test('colours that were learned are likely, and others are not', () => {
  const lab = plane(glazes, 200);
  const model = learnColours(
    lab,
    Array.from({ length: 600 }, (_, i) => i),
  )!;
  expect(model).toHaveLength(3);
  const cost = (hex: string): number => {
    const { l, a, b } = oklab(`#${hex}`)!;
    return unlikeness(model, l, a, b);
  };
  for (const known of glazes) {
    for (const other of ['7a9a3a', '000000', 'c060c0']) {
      expect(cost(known)).toBeLessThan(cost(other) - 10);
    }
  }
});

test('a colour that is rare among those learned costs more than one that is common', () => {
  const lab = plane(['2f6f8f', '2f6f8f', '2f6f8f', '2f6f8f', '2f6f8f', '2f6f8f', 'b5532f'], 100);
  const model = learnColours(
    lab,
    Array.from({ length: 700 }, (_, i) => i),
  )!;
  const cost = (hex: string): number => {
    const { l, a, b } = oklab(`#${hex}`)!;
    return unlikeness(model, l, a, b);
  };
  expect(cost('b5532f')).toBeGreaterThan(cost('2f6f8f'));
  expect(learnColours(lab, [])).toBeUndefined();
});

test('a boundary is hidden within one colour and shows between two', () => {
  const lab = new Float32Array(3 * 16).map((_, i) => (Math.floor(i / 3) % 4 < 2 ? 0.3 : 0.8));
  const hiding = edgeHiding(lab, 4, 4);
  expect(hiding(0, 1)).toBeCloseTo(1, 6);
  expect(hiding(1, 2)).toBeLessThan(0.4);
});
