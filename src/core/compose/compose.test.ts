import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import { newWash } from '../layers/fill';
import { newText } from '../layers/text';
import { blendModes } from '../raster/blend';
import { createRaster, type Raster } from '../raster/raster';
import type { Layer, PhotoLayer } from '../site/model';
import { canvasGlyphs, type TextContext } from '../text/glyphs';
import { createComposer, type Drawing } from './compose';

const glyphs = canvasGlyphs((w, h) => createCanvas(w, h).getContext('2d') as unknown as TextContext, (spec) => `${spec.weight} ${spec.sizePx}px sans-serif`);

const source: Raster = (() => {
  const raster = createRaster(60, 40);
  for (let i = 0; i < raster.data.length; i += 4) raster.data.set([(i * 7) % 256, (i * 3) % 256, i % 256, 255], i);
  return raster;
})();
const resources = { glyphs, photo: (id: string) => (id === 'photo' ? source : undefined) };

const photo = (id: string, x: number, y: number, scale: number, assetId = 'photo'): PhotoLayer =>
  ({ id, kind: 'photo', name: '', hidden: false, opacity: 1, blend: 'normal', assetId, sourceWidth: 60, sourceHeight: 40, x, y, scale, stretch: 1, turn: 0, flipX: false, flipY: false, sharpen: 0 });

const drawing = (layers: Layer[], ground: Drawing['ground'] = { type: 'colour', colour: '#333333' }): Drawing => ({ width: 64, height: 32, ground, layers });

test('a wash on a ground is exact, and the rest of the picture is the ground', () => {
  const { raster, bounds } = createComposer(resources).compose(drawing([newWash('w', '#ffffff', 0.5)]));
  expect([...raster.data.subarray(0, 4)]).toEqual([153, 153, 153, 255]);
  expect(bounds.w).toEqual({ x: 0, y: 0, width: 64, height: 32 });
});

test('a see-through ground stays see-through where nothing lies', () => {
  const { raster } = createComposer(resources).compose(drawing([photo('p', 10, 10, 0.1)], { type: 'none' }));
  expect(raster.data[3]).toBe(0);
  expect(raster.data[(12 * 64 + 12) * 4 + 3]).toBe(255);
});

test('a missing photo is named, leaves the rest drawn, and comes when its pixels are there', () => {
  const assets = new Map<string, Raster>();
  const composer = createComposer({ glyphs, photo: (id) => assets.get(id) });
  const layers = [photo('p', 0, 0, 2, 'late'), newWash('w', '#000000', 0.5)];
  const before = composer.compose(drawing(layers));
  expect(before.missing).toEqual(['late']);
  expect(before.raster.data[0]).toBe(26);
  assets.set('late', source);
  const after = composer.compose(drawing(layers));
  expect(after.missing).toEqual([]);
  expect(after.changed).toEqual({ x: 0, y: 0, width: 64, height: 32 });
});

test('moving a text changes only where it was and where it is', () => {
  const composer = createComposer(resources), text = newText('t', 'ox', 'x', 10, '#ffffff', 12, 4);
  composer.compose(drawing([photo('p', 0, 0, 2), text]));
  const { changed, bounds } = composer.compose(drawing([photo('p', 0, 0, 2), { ...text, x: 15, y: 5 }]));
  expect(changed.width).toBeLessThan(30);
  expect(changed.x).toBe(bounds.t.x - 3);
  expect(changed.y).toBe(bounds.t.y - 1);
  expect(composer.compose(drawing([photo('p', 0, 0, 2), { ...text, x: 15, y: 5 }])).changed).toMatchObject({ width: 0 });
});

/** Any picture of a few layers, so that a sequence of them is a sequence of edits of every sort at once. */
const anyLayer = fc.oneof(
  fc.record({ id: fc.constantFrom('a', 'b', 'c'), x: fc.integer({ min: -20, max: 50 }), y: fc.integer({ min: -20, max: 20 }), scale: fc.constantFrom(0.5, 1, 1.7) }).map((f) => photo(f.id, f.x, f.y, f.scale)),
  fc.record({ id: fc.constantFrom('d', 'e'), strength: fc.integer({ min: 0, max: 100 }), colour: fc.constantFrom('#a4553a', '#ffffff', '#123456') }).map((f) => newWash(f.id, f.colour, f.strength / 100)),
  fc.record({ id: fc.constantFrom('f', 'g'), x: fc.integer({ min: -5, max: 60 }), y: fc.integer({ min: -8, max: 30 }), words: fc.constantFrom('ox', 'kiln\nbowl', '') }).map((f) => newText(f.id, f.words, 'x', 9, '#efe9dc', f.x, f.y)),
);
const anyDrawing = fc.record({
  layers: fc.uniqueArray(fc.tuple(anyLayer, fc.constantFrom(...blendModes), fc.boolean()).map(([layer, blend, hidden]) => ({ ...layer, blend, hidden }) as Layer), { selector: (l) => l.id, maxLength: 6 }),
  ground: fc.constantFrom<Drawing['ground']>({ type: 'none' }, { type: 'colour', colour: '#333333' }, { type: 'colour', colour: '#efe9dc' }),
}).map(({ layers, ground }) => drawing(layers, ground));

test('after any sequence of edits the picture is the one a fresh composer draws, and nothing outside the changed part moved', () => {
  fc.assert(fc.property(fc.array(anyDrawing, { minLength: 2, maxLength: 5 }), (drawings) => {
    const composer = createComposer(resources);
    let before: Uint8ClampedArray | undefined;
    for (const d of drawings) {
      const { raster, changed } = composer.compose(d);
      expect(Buffer.from(raster.data).equals(Buffer.from(createComposer(resources).compose(d).raster.data))).toBe(true);
      if (before) {
        for (let i = 0; i < raster.data.length; i += 4) {
          const x = (i / 4) % 64, y = Math.floor(i / 256);
          const inside = x >= changed.x && x < changed.x + changed.width && y >= changed.y && y < changed.y + changed.height;
          if (!inside && raster.data[i] !== before[i]) throw new Error(`pixel ${x}, ${y} moved outside the changed part`);
        }
      }
      before = raster.data.slice();
    }
  }), { numRuns: 150 });
});

test('with a focus the part in sight is drawn first, and a call without one completes the drawing', () => {
  const large = (layers: Layer[]): Drawing => ({ width: 900, height: 600, ground: { type: 'colour', colour: '#333333' }, layers });
  const composer = createComposer(resources), wash = (strength: number) => [newWash('w', '#a4553a', strength)], focus = { x: 100, y: 50, width: 300, height: 200 };
  const at = ({ data }: Raster, x: number, y: number) => data[(y * 900 + x) * 4];
  composer.compose(large(wash(0.2)));
  const before = at(composer.compose(large(wash(0.2))).raster, 800, 500);
  for (const strength of [0.5, 0.7]) {
    const { raster, changed, complete } = composer.compose(large(wash(strength)), focus);
    expect([changed, complete]).toEqual([focus, false]);
    expect(at(raster, 150, 100)).toBe(Math.floor((1 - strength) * 51 + strength * 164 + 0.5));
    expect(at(raster, 800, 500)).toBe(before);
  }
  const rest = composer.compose(large(wash(0.7)));
  expect(rest.complete).toBe(true);
  expect(Buffer.from(rest.raster.data).equals(Buffer.from(createComposer(resources).compose(large(wash(0.7))).raster.data))).toBe(true);
  expect(composer.compose(large(wash(0.7))).changed.width).toBe(0);
});
