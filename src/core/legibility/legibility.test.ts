import { createCanvas } from '@napi-rs/canvas';
import { wcagContrast } from 'culori';
import fc from 'fast-check';
import { composite, fillRect } from '../raster/composite';
import { createRaster, type Mask, type Raster, type Rgb } from '../raster/raster';
import { contrastRatio, luminance, wantedContrast } from './contrast';
import { newWash } from '../layers/fill';
import { newText } from '../layers/text';
import type { Drawing } from '../compose/compose';
import type { Layer } from '../site/model/layer';
import type { Ground } from '../site/model/picture';
import { canvasGlyphs, type TextContext } from '../text/glyphs';
import { behindWords, inkRatio, textContrast } from './measure';
import { sizesShown } from './liveSizes';
import { legibilityOf } from './report';
import { leastVeil, veilReaches } from './veil';
import { wholePhotos } from '../frame/photos';

const rgb = (r: number, g: number, b: number): Rgb => ({ r, g, b });
const anyColour = fc.record({ r: fc.nat(255), g: fc.nat(255), b: fc.nat(255) });
const hex = ({ r, g, b }: Rgb) => ({ mode: 'rgb' as const, r: r / 255, g: g / 255, b: b / 255 });

test('contrast ratios: the ends of the scale by the definition of WCAG 2.2, and any pair as the reference library has it', () => {
  expect(contrastRatio(rgb(0, 0, 0), rgb(255, 255, 255))).toBeCloseTo(21, 6);
  expect(contrastRatio(rgb(9, 9, 9), rgb(9, 9, 9))).toBe(1);
  // #767676 is the lightest grey that has 4.5 on white: widely published, from memory.
  expect(contrastRatio(rgb(118, 118, 118), rgb(255, 255, 255))).toBeGreaterThan(4.5);
  expect(contrastRatio(rgb(119, 119, 119), rgb(255, 255, 255))).toBeLessThan(4.5);
  expect(luminance(rgb(255, 0, 0))).toBeCloseTo(0.2126, 6);
  fc.assert(
    fc.property(anyColour, anyColour, (a, b) =>
      expect(contrastRatio(a, b)).toBeCloseTo(wcagContrast(hex(a), hex(b)), 3),
    ),
  );
});

test('large text needs 3, by 18 points or bold 14 points; all other 4.5', () => {
  expect(
    [
      [24, 400],
      [23.9, 400],
      [18.7, 700],
      [18.6, 700],
      [18.7, 600],
      [48, 100],
    ].map(([sizePx, weight]) => wantedContrast({ sizePx, weight })),
  ).toEqual([3, 4.5, 3, 4.5, 4.5, 3]);
});

const solid = (colour: Rgb) => ({ colour, opacity: 1 });

/** A word of one px in the middle of a raster. */
const dot: Mask = { width: 1, height: 1, data: Uint8Array.of(255) };
function halves(): Raster {
  const raster = createRaster(20, 10);
  fillRect(raster, rgb(255, 255, 255));
  fillRect(raster, rgb(0, 0, 0), { x: 10, y: 0, width: 10, height: 10 });
  return raster;
}

test('what counts is what lies under the words and two px around them, and nothing else', () => {
  const at = (x: number) => {
    const b = behindWords(halves(), dot, x, 5)!;
    return Object.fromEntries([...b.colours].map((c, i) => [c, b.counts[i]]));
  };
  expect(at(4)).toEqual({ 0xffffff: 25 });
  expect(at(7)).toEqual({ 0xffffff: 25 });
  expect(at(8)).toEqual({ 0xffffff: 20, 0: 5 });
  expect(at(0)).toEqual({ 0xffffff: 15 });
  expect(behindWords(halves(), dot, 40, 5)).toBeUndefined();
  expect(
    behindWords(halves(), { width: 3, height: 1, data: new Uint8Array(3) }, 4, 5),
  ).toBeUndefined();
});

test('the marks are those of a search around every px', () => {
  fc.assert(
    fc.property(fc.uint8Array({ minLength: 63, maxLength: 63 }), (bytes) => {
      const mask: Mask = { width: 9, height: 7, data: bytes.map((v) => (v > 225 ? 255 : 0)) };
      const flat = createRaster(13, 11);
      fillRect(flat, rgb(1, 2, 3));
      let wanted = 0;
      for (let y = -2; y < 9; y++) {
        for (let x = -2; x < 11; x++) {
          let near = false;
          for (let v = Math.max(0, y - 2); v <= Math.min(6, y + 2); v++) {
            for (let u = Math.max(0, x - 2); u <= Math.min(8, x + 2); u++) {
              if (mask.data[v * 9 + u]) {
                near = true;
              }
            }
          }
          if (near) {
            wanted++;
          }
        }
      }
      expect(behindWords(flat, mask, 2, 2)?.counts[0] ?? 0).toBe(wanted);
    }),
  );
});

test('worst, fifth and median of a ground in two parts, and where the worst is', () => {
  const b = behindWords(halves(), dot, 8, 5)!;
  const { worst, fifth, median, at } = textContrast(b, solid(rgb(255, 255, 255)));
  expect([worst, fifth, median, at.x]).toEqual([1, 1, 1, 6]);
  const dark = textContrast(b, solid(rgb(0, 0, 0)));
  expect([dark.worst, dark.median, dark.at]).toEqual([1, expect.closeTo(21, 6), { x: 10, y: 3 }]);
});

test('the veil found is the least one: one percent less fails, and composited it holds', () => {
  const raster = createRaster(40, 10);
  for (let x = 0; x < 40; x++) {
    fillRect(raster, rgb(40 + x * 5, 60 + x * 4, 90 + x * 3), { x, y: 0, width: 1, height: 10 });
  }
  const words: Mask = { width: 30, height: 2, data: new Uint8Array(60).fill(255) };
  const behind = behindWords(raster, words, 5, 4)!;
  for (const [text, veil, wanted] of [
    [rgb(239, 233, 220), rgb(59, 74, 69), 4.5],
    [rgb(255, 255, 255), rgb(0, 0, 0), 3],
    [rgb(0, 0, 0), rgb(255, 255, 255), 4.5],
  ] as const) {
    const percent = leastVeil(behind, solid(text), veil, wanted)!;
    expect(percent).toBeGreaterThan(0);
    expect(veilReaches(behind, solid(text), veil, (percent - 1) / 100, wanted)).toBe(false);
    // As it is laid on the picture, to the level.
    const laid = (strength: number) => {
      const out: Raster = { ...raster, data: raster.data.slice() };
      composite(out, { type: 'solid', colour: veil }, strength);
      return textContrast(behindWords(out, words, 5, 4)!, solid(text)).worst;
    };
    expect(laid(percent / 100)).toBeGreaterThanOrEqual(wanted);
    expect(laid((percent - 1) / 100)).toBeLessThan(wanted);
  }
  expect(leastVeil(behind, solid(rgb(128, 128, 128)), rgb(120, 120, 120), 4.5)).toBeUndefined();
});

test('words that are half see-through stand off half as much as their colour would', () => {
  expect(inkRatio({ colour: rgb(0, 0, 0), opacity: 0.5 }, rgb(255, 255, 255))).toBeCloseTo(
    contrastRatio(rgb(128, 128, 128), rgb(255, 255, 255)),
    6,
  );
  expect(inkRatio({ colour: rgb(0, 0, 0), opacity: 0 }, rgb(90, 20, 30))).toBe(1);
});

const glyphs = canvasGlyphs(
  (w, h) => createCanvas(w, h).getContext('2d') as unknown as TextContext,
  (spec) => `${spec.weight} ${spec.sizePx}px sans-serif`,
);
const resources = { glyphs, photos: wholePhotos(() => undefined) };
const drawing = (
  layers: Layer[],
  ground: Ground = { type: 'colour', colour: '#3b4a45' },
): Drawing => ({ width: 200, height: 60, ground, layers });
const title = newText('t', 'kiln', 'x', 30, '#efe9dc', 100, 10);

test('a picture’s texts: on an even ground exactly the ratio of the two colours; what lies in front does not count', async () => {
  const { t } = await legibilityOf(
    drawing([title, newWash('w', '#ffffff', 0.9)]),
    resources,
    '#000000',
    [],
  );
  const exact = contrastRatio(rgb(239, 233, 220), rgb(59, 74, 69));
  expect(
    [t.contrast.worst, t.contrast.fifth, t.contrast.median].every(
      (v) => Math.abs(v - exact) < 1e-9,
    ),
  ).toBe(true);
  expect(t.veils).toEqual([]);
});

test('a see-through ground shows what lies beside it on the page', async () => {
  const { t } = await legibilityOf(drawing([title], { type: 'none' }), resources, '#efe9dc', []);
  expect(t.contrast.worst).toBe(1);
});

test('where it fails, the least veil of each colour that reaches it, weakest first; laid on, it holds, and one percent less does not', async () => {
  const low = { ...title, colour: '#a9b79a' };
  const wash = newWash('w', '#efe9dc', 0.35);
  const colours = ['#3b4a45', '#000000', '#ffffff', '#a9b79a'];
  const { t } = await legibilityOf(drawing([wash, low]), resources, '#000000', colours);
  expect(t.contrast.fifth).toBeLessThan(3);
  expect(t.veils.length).toBeGreaterThan(0);
  for (let i = 1; i < t.veils.length; i++) {
    expect(t.veils[i].percent).toBeGreaterThanOrEqual(t.veils[i - 1].percent);
  }
  const { colour, percent } = t.veils[0];
  const after = async (p: number) => {
    const veiled = drawing([wash, newWash('v', colour, p / 100), low]);
    return (await legibilityOf(veiled, resources, '#000000', [])).t.contrast.worst;
  };
  expect(await after(percent)).toBeGreaterThanOrEqual(3);
  expect(await after(percent - 1)).toBeLessThan(3);
});

test('an outline helps: then the ring around the glyphs is what they stand on', async () => {
  const white = { ...title, colour: '#ffffff' };
  const ground: Ground = { type: 'colour', colour: '#f4f1de' };
  const outlined = {
    ...white,
    effects: [{ kind: 'outline', side: 'outside', width: 4, colour: '#000000', opacity: 1 }],
  } as Layer;
  const median = async (layer: Layer) =>
    (await legibilityOf(drawing([layer], ground), resources, '#000000', [])).t.contrast.median;
  expect(await median(white)).toBeLessThan(1.2);
  expect(await median(outlined)).toBeGreaterThan(12);
});

test('hidden texts, texts without words and texts beside the slot have no contrast', async () => {
  expect(
    await legibilityOf(
      drawing([
        { ...title, hidden: true },
        { ...title, id: 'u', words: ' ' },
        { ...title, id: 'v', x: 900 },
      ]),
      resources,
      '#000000',
      [],
    ),
  ).toEqual({});
});

test('text of the page grows against its picture on a phone, and is measured in every size it has there', async () => {
  // Dark under the word as it was drawn, white where it reaches to when it is larger.
  const pale = {
    ...newWash('p', '#ffffff', 1),
    extent: {
      type: 'side' as const,
      side: 'right' as const,
      full: 110,
      reach: 111,
    },
  };
  const word = {
    ...newText('t', 'kiln in', 'x', 24, '#ffffff', 8, 10),
    align: 'left' as const,
    live: true,
  };
  const live = { least: 14, at: [1, 0.6, 0.3].map((scale) => ({ screen: 900 * scale, scale })) };
  let rests = 0;
  const rest = async () => {
    rests++;
  };
  const report = async (layers: Layer[], colours: string[] = []) =>
    (await legibilityOf(drawing(layers), resources, '#000000', colours, live, rest)).t;
  const drawn = await report([pale, { ...word, live: false }]);
  expect(drawn.contrast.worst).toBeGreaterThan(8);
  expect(drawn.wanted).toBe(3);
  expect(rests).toBe(1);
  const shown = await report([pale, word], ['#000000', '#a4553a']);
  expect(shown.contrast.worst).toBeLessThan(1.1);
  expect(shown.screen).toBe(270);
  // It is small there.
  expect(shown.wanted).toBe(4.5);
  expect(shown.bounds.width).toBeGreaterThan(drawn.bounds.width * 1.7);
  const [{ colour, percent }] = shown.veils;
  // Others come in between the sizes.
  expect(rests).toBeGreaterThan(3);
  const veiled = async (by: number) =>
    (await report([pale, newWash('v', colour, by / 100), word])).contrast.worst;
  expect(await veiled(percent)).toBeGreaterThanOrEqual(4.5);
  expect(await veiled(percent - 1)).toBeLessThan(4.5);
});

test('sizes that differ alone are measured: where words shrink with the picture, how they stand off it stays', () => {
  const at = Array.from({ length: 57 }, (_, i) => ({ screen: 320 + 40 * i, scale: 1 }));
  expect(sizesShown({ sizePx: 40, weight: 400 }, { least: 12, at })).toEqual([
    { wanted: 3, enlarged: 1, screen: undefined },
  ]);
  const small = [{ screen: 360, scale: 0.25 }];
  expect(sizesShown({ sizePx: 40, weight: 400 }, { least: 12, at: small })).toEqual([
    { wanted: 3, enlarged: 1, screen: undefined },
    { wanted: 4.5, enlarged: expect.closeTo(1.2, 9) as number, screen: 360 },
  ]);
  expect(sizesShown({ sizePx: 40, weight: 400 }, undefined)).toHaveLength(1);
});
