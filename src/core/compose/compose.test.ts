import { randomRuns } from '@/core/randomRuns.fixture';
import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import { newWash } from '../layers/fill';
import { newPhoto } from '../layers/photo';
import { newShape } from '../layers/shape';
import { newText } from '../layers/text';
import { blendModes } from '../raster/blend';
import { createRaster, type Raster } from '../raster/raster';
import type { Effect } from '../site/model/effects';
import type { Layer } from '../site/model/layer';
import type { PhotoLayer } from '../site/model/photoLayer';
import { canvasGlyphs, type TextContext } from '../text/glyphs';
import { createComposer, type Drawing } from './compose';
import { mipLevelOf } from '../frame/mipLevels';
import { photosFrom, wholePhotos, type PhotoMipLevel } from '../frame/photos';

const glyphs = canvasGlyphs(
  (w, h) => createCanvas(w, h).getContext('2d') as unknown as TextContext,
  (spec) => `${spec.weight} ${spec.sizePx}px sans-serif`,
);

const source: Raster = (() => {
  const raster = createRaster(60, 40);
  for (let i = 0; i < raster.data.length; i += 4) {
    raster.data.set([(i * 7) % 256, (i * 3) % 256, i % 256, 255], i);
  }
  return raster;
})();
const resources = { glyphs, photos: wholePhotos((id) => (id === 'photo' ? source : undefined)) };

const photo = (id: string, x: number, y: number, scale: number, assetId = 'photo'): PhotoLayer => ({
  ...newPhoto(id, { name: '', assetId, width: 60, height: 40 }, { width: 64, height: 32 }),
  x,
  y,
  scale,
  sharpen: 0,
});

const drawing = (
  layers: Layer[],
  ground: Drawing['ground'] = { type: 'colour', colour: '#333333' },
): Drawing => ({ width: 64, height: 32, ground, layers });

test('a wash on a ground is exact, and the rest of the picture is the ground', () => {
  const { raster, bounds } = createComposer(resources).compose(
    drawing([newWash('w', '#ffffff', 0.5)]),
  );
  expect([...raster.data.subarray(0, 4)]).toEqual([153, 153, 153, 255]);
  expect(bounds.w).toEqual({ x: 0, y: 0, width: 64, height: 32 });
});

test('a see-through ground stays see-through where nothing lies', () => {
  const { raster } = createComposer(resources).compose(
    drawing([photo('p', 10, 10, 0.1)], { type: 'none' }),
  );
  expect(raster.data[3]).toBe(0);
  expect(raster.data[(12 * 64 + 12) * 4 + 3]).toBe(255);
});

test('a missing photo is named, leaves the rest drawn, and comes when its pixels are there', () => {
  const assets = new Map<string, Raster>();
  const composer = createComposer({ glyphs, photos: wholePhotos((id) => assets.get(id)) });
  const layers = [photo('p', 0, 0, 2, 'late'), newWash('w', '#000000', 0.5)];
  const before = composer.compose(drawing(layers));
  expect(before.missing).toEqual([{ assetId: 'late', mipLevel: 0 }]);
  expect(before.raster.data[0]).toBe(26);
  assets.set('late', source);
  const after = composer.compose(drawing(layers));
  expect(after.missing).toEqual([]);
  expect(after.changed).toEqual({ x: 0, y: 0, width: 64, height: 32 });
});

test('moving a text changes only where it was and where it is', () => {
  const composer = createComposer(resources);
  const text = newText('t', 'ox', 'x', 10, '#ffffff', 12, 4);
  composer.compose(drawing([photo('p', 0, 0, 2), text]));
  const { changed, bounds } = composer.compose(
    drawing([photo('p', 0, 0, 2), { ...text, x: 15, y: 5 }]),
  );
  expect(changed.width).toBeLessThan(30);
  expect(changed.x).toBe(bounds.t.x - 3);
  expect(changed.y).toBe(bounds.t.y - 1);
  expect(
    composer.compose(drawing([photo('p', 0, 0, 2), { ...text, x: 15, y: 5 }])).changed,
  ).toMatchObject({ width: 0 });
});

const outline: Effect = {
  kind: 'outline',
  side: 'outside',
  width: 2,
  colour: '#a4553a',
  opacity: 1,
};
const shadow: Effect = {
  kind: 'shadow',
  byLight: false,
  x: 3,
  y: 2,
  blur: 4,
  spread: 0,
  colour: '#000000',
  opacity: 0.5,
};

/**
 * Any picture of a few layers, so that a sequence of them is a sequence of edits of every sort at
 * once.
 */
const anyLayer = fc.oneof(
  fc
    .record({
      id: fc.constantFrom('a', 'b', 'c'),
      x: fc.integer({ min: -20, max: 50 }),
      y: fc.integer({ min: -20, max: 20 }),
      scale: fc.constantFrom(0.5, 1, 1.7),
    })
    .map((f) => photo(f.id, f.x, f.y, f.scale)),
  fc
    .record({
      id: fc.constantFrom('d', 'e'),
      strength: fc.integer({ min: 0, max: 100 }),
      colour: fc.constantFrom('#a4553a', '#ffffff', '#123456'),
    })
    .map((f) => newWash(f.id, f.colour, f.strength / 100)),
  fc
    .record({
      id: fc.constantFrom('h', 'i'),
      shape: fc.constantFrom(
        'rectangle' as const,
        'ellipse' as const,
        'line' as const,
        'band' as const,
      ),
      x: fc.integer({ min: -10, max: 50 }),
      turn: fc.constantFrom(0, 0, 30),
      hollow: fc.boolean(),
      effects: fc.constantFrom<Effect[]>([], [outline], [outline, shadow]),
    })
    .map(
      (f) =>
        ({
          ...newShape(f.id, f.shape, '#a9b79a', { width: 64, height: 32 }),
          x: f.x,
          turn: f.turn,
          fill: f.hollow ? null : '#a9b79a',
          effects: f.effects,
        }) as Layer,
    ),
  fc
    .record({
      id: fc.constantFrom('c'),
      x: fc.integer({ min: -20, max: 40 }),
      turn: fc.constantFrom(0, 15),
      cut: fc.boolean(),
      crop: fc.boolean(),
      effects: fc.constantFrom<Effect[]>([], [shadow]),
    })
    .map(
      (f) =>
        ({
          ...photo(f.id, f.x, 3, 0.4),
          turn: f.turn,
          crop: f.crop ? { x: 10, y: 5, width: 30, height: 20 } : null,
          cutOut: f.cut
            ? {
                samples: [{ x: 1, y: 1, colour: '#0c0504' }],
                tolerance: 20,
                softness: 0,
                joined: false,
                strokes: [],
              }
            : null,
          effects: f.effects,
        }) as Layer,
    ),
  fc
    .record({
      id: fc.constantFrom('f', 'g'),
      x: fc.integer({ min: -5, max: 60 }),
      y: fc.integer({ min: -8, max: 30 }),
      words: fc.constantFrom('ox', 'kiln\nbowl', ''),
      effects: fc.constantFrom<Effect[]>([], [outline], [shadow, outline]),
    })
    .map((f) => ({ ...newText(f.id, f.words, 'x', 9, '#efe9dc', f.x, f.y), effects: f.effects })),
);
const anyDrawing = fc
  .record({
    layers: fc.uniqueArray(
      fc
        .tuple(anyLayer, fc.constantFrom(...blendModes), fc.boolean())
        .map(([layer, blend, hidden]) => ({ ...layer, blend, hidden }) as Layer),
      { selector: (l) => l.id, maxLength: 6 },
    ),
    ground: fc.constantFrom<Drawing['ground']>(
      { type: 'none' },
      { type: 'colour', colour: '#333333' },
      { type: 'colour', colour: '#efe9dc' },
    ),
  })
  .map(({ layers, ground }) => drawing(layers, ground));

test('after any sequence of edits the picture is the one a fresh composer draws, and nothing outside the changed part moved', () => {
  fc.assert(
    fc.property(fc.array(anyDrawing, { minLength: 2, maxLength: 5 }), (drawings) => {
      const composer = createComposer(resources);
      let before: Uint8ClampedArray | undefined;
      for (const d of drawings) {
        const { raster, changed } = composer.compose(d);
        expect(
          Buffer.from(raster.data).equals(
            Buffer.from(createComposer(resources).compose(d).raster.data),
          ),
        ).toBe(true);
        if (before) {
          for (let i = 0; i < raster.data.length; i += 4) {
            const x = (i / 4) % 64;
            const y = Math.floor(i / 256);
            const inside =
              x >= changed.x &&
              x < changed.x + changed.width &&
              y >= changed.y &&
              y < changed.y + changed.height;
            if (!inside && raster.data[i] !== before[i]) {
              throw new Error(`pixel ${x}, ${y} moved outside the changed part`);
            }
          }
        }
        before = raster.data.slice();
      }
    }),
    { numRuns: randomRuns(60) },
  );
});

test('with a focus the part in sight is drawn first, and a call without one completes the drawing', () => {
  const large = (layers: Layer[]): Drawing => ({
    width: 900,
    height: 600,
    ground: { type: 'colour', colour: '#333333' },
    layers,
  });
  const composer = createComposer(resources);
  const wash = (strength: number) => [newWash('w', '#a4553a', strength)];
  const focus = { x: 100, y: 50, width: 300, height: 200 };
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
  expect(
    Buffer.from(rest.raster.data).equals(
      Buffer.from(createComposer(resources).compose(large(wash(0.7))).raster.data),
    ),
  ).toBe(true);
  expect(composer.compose(large(wash(0.7))).changed.width).toBe(0);
});

describe('a large photo in hand', () => {
  const width = 2400;
  const height = 1600;
  /** Slopes and rings, so that a place off by a px shows. */
  const large = createRaster(width, height);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i += 4) {
      const ring = 127.5 + 100 * Math.cos(Math.hypot(x - 1100, y - 700) / 14);
      large.data.set([ring, (255 * x) / width, (255 * y) / height, 255], i);
    }
  }
  const composerOf = () => createComposer({ glyphs, photos: wholePhotos(() => large) });
  const framed = (part: Partial<PhotoLayer>): Drawing => ({
    width: 1600,
    height: 1000,
    ground: { type: 'none' },
    layers: [
      {
        ...newPhoto('p', { name: '', assetId: 'a', width, height }, { width: 1600, height: 1000 }),
        sharpen: 0,
        ...part,
      },
      newWash('w', '#ffffff', 0.2),
    ],
  });
  const focus = { x: 200, y: 100, width: 500, height: 300 };

  test.each<[string, Partial<PhotoLayer>]>([
    ['moved', { x: -150.3, y: -80.7, scale: 0.8 }],
    ['moved at its own size', { x: -700.4, y: -500.2, scale: 1 }],
    ['zoomed in', { x: -900, y: -700, scale: 1.9 }],
    ['turned', { x: -150, y: -80, scale: 0.8, turn: 7.5 }],
    ['mirrored, stretched', { x: -150, y: -80, scale: 0.8, stretch: 1.2, flipX: true }],
    [
      'a part of it',
      { x: -40, y: -30, scale: 0.9, crop: { x: 301, y: 207, width: 2000, height: 1300 } },
    ],
  ])('%s, is drawn roughly where it is in sight, and then as ever', (_, part) => {
    const composer = composerOf();
    composer.compose(framed({ scale: 0.81 }));
    const quick = composer.compose(framed(part), focus);
    expect([quick.rough, quick.complete, quick.changed]).toEqual([true, false, focus]);
    const seen = quick.raster.data.slice();
    const rest = composer.compose(framed(part));
    expect([rest.rough, rest.complete]).toEqual([false, true]);
    const whole = composerOf().compose(framed(part)).raster.data;
    expect(Buffer.from(rest.raster.data).equals(Buffer.from(whole))).toBe(true);
    let off = 0;
    let lightness = 0;
    for (let y = focus.y; y < focus.y + focus.height; y++) {
      for (let x = focus.x; x < focus.x + focus.width; x++) {
        const d = seen[(y * 1600 + x) * 4] - rest.raster.data[(y * 1600 + x) * 4];
        off += Math.abs(d);
        lightness += d;
      }
    }
    // A px to one side makes three levels and more.
    expect(off / (focus.width * focus.height)).toBeLessThan(2.5);
    expect(Math.abs(lightness) / (focus.width * focus.height)).toBeLessThan(1);
  });

  test('dragged on and on, it is where the hand has it, also with its own sides in sight', () => {
    const composer = composerOf();
    composer.compose(framed({ scale: 0.81 }));
    for (let i = 0; i < 12; i++) {
      const part = { scale: 0.8, x: 150.4 - 61.3 * i, y: 90.2 + 37.9 * i };
      const { raster } = composer.compose(framed(part), focus);
      const whole = composerOf().compose(framed(part)).raster.data;
      let off = 0;
      for (let y = focus.y; y < focus.y + focus.height; y++) {
        for (let k = (y * 1600 + focus.x) * 4, end = k + focus.width * 4; k < end; k += 4) {
          off += Math.abs(raster.data[k] - whole[k]);
        }
      }
      // It lies at whole px meanwhile.
      expect(off / (focus.width * focus.height)).toBeLessThan(4);
    }
  });

  test('one that has effects, or that little is read of, is drawn as ever', () => {
    const composer = composerOf();
    composer.compose(framed({}));
    const few = { ...framed({ scale: 0.2 }), width: 300, height: 200 };
    composer.compose(few);
    expect(
      composer.compose({ ...few, layers: [{ ...few.layers[0], scale: 0.19 } as Layer] }, focus)
        .rough,
    ).toBe(false);
    expect(composer.compose(framed({ effects: [shadow] }), focus).rough).toBe(false);
  });
});

test('a photo on top, dragged, is the one that is drawn at its place anew, whether it is drawn whole or cut by the slot', () => {
  for (const [scale, turn] of [
    [0.5, 0],
    [0.5, 25],
    [2, 0],
    [2, -10],
  ] as const) {
    const composer = createComposer(resources);
    for (const x of [2, 9, -14, 40]) {
      const layers = [{ ...photo('p', x, 4, scale), turn, effects: [shadow] }];
      expect(
        Buffer.from(composer.compose(drawing(layers)).raster.data).equals(
          Buffer.from(createComposer(resources).compose(drawing(layers)).raster.data),
        ),
      ).toBe(true);
    }
  }
});

test('an effect of a photo that lies beside the slot reaches into it', () => {
  const { raster } = createComposer(resources).compose(
    drawing([
      {
        ...photo('p', -30, 0, 0.5),
        effects: [{ ...shadow, x: 12, blur: 0, colour: '#ff0000', opacity: 1 }] as Effect[],
      },
    ]),
  );
  expect([...raster.data.subarray((10 * 64 + 8) * 4, (10 * 64 + 8) * 4 + 3)]).toEqual([255, 0, 0]);
});

test('boxes say where layers lie, hidden ones too', () => {
  const { boxes, bounds } = createComposer(resources).compose(
    drawing([
      photo('p', 10, 5, 0.5),
      {
        ...newShape('s', 'rectangle', '#ffffff', { width: 64, height: 32 }),
        x: 1,
        y: 2,
        width: 8,
        height: 4,
        turn: 90,
        hidden: true,
      },
      newWash('w', '#000000'),
    ]),
  );
  expect(boxes.p).toEqual({ x: 25, y: 15, width: 30, height: 20, turn: 0 });
  expect(boxes.s).toEqual({ x: 5, y: 4, width: 8, height: 4, turn: 90 });
  expect(boxes.w).toBeUndefined();
  expect(bounds.s).toBeUndefined();
});

test('a font that is not there yet is named, and the text comes with it', () => {
  let there = false;
  const composer = createComposer({ ...resources, glyphs: { ...glyphs, has: () => there } });
  const own = { ...newText('t', 'ox', 'own:abc', 20, '#ffffff', 5, 5), align: 'left' as const };
  const before = composer.compose(drawing([own]));
  expect([before.missing, before.boxes.t]).toEqual([[{ assetId: 'abc', mipLevel: 0 }], undefined]);
  there = true;
  const after = composer.compose(drawing([own]));
  expect(after.missing).toEqual([]);
  expect(after.changed.width).toBeGreaterThan(10);
});

test('layers that change places are drawn in their new order, by a composer that drew the old one too', () => {
  const red = newWash('red', '#ff0000', 0.5);
  const blue = newWash('blue', '#0000ff', 0.5);
  const composer = createComposer(resources);
  const before = [...composer.compose(drawing([red, blue])).raster.data.subarray(0, 4)];
  const after = [...composer.compose(drawing([blue, red])).raster.data.subarray(0, 4)];
  const fresh = createComposer(resources).compose(drawing([blue, red]));
  expect(after).toEqual([...fresh.raster.data.subarray(0, 4)]);
  // #333333 under half of blue, then half of red: 51 → 26, 153 → 140, 77 by halves, rounded up.
  expect(after).not.toEqual(before);
  expect([after[0] > after[2], before[2] > before[0]]).toEqual([true, true]);
});

test('of a photo that is only there smaller, that is drawn until it comes, and told to be missing', () => {
  const large = createRaster(640, 400);
  large.data.forEach((_, i) => (large.data[i] = i % 4 === 3 ? 255 : (i * 13 + (i >> 9)) % 256));
  let there: PhotoMipLevel = { raster: mipLevelOf(large, 2), mipLevel: 2 };
  const composer = createComposer({ glyphs, photos: photosFrom(() => there) });
  const whole = createComposer({ glyphs, photos: wholePhotos(() => large) });
  const zoomed = (scale: number) =>
    drawing([{ ...photo('p', 0, 0, scale), sourceWidth: 640, sourceHeight: 400 }]);
  const same = (a: Raster, b: Raster) => Buffer.compare(Buffer.from(a.data), Buffer.from(b.data));
  // Small enough: the very same px come of it.
  const far = composer.compose(zoomed(0.12));
  expect(far.missing).toEqual([]);
  expect(same(far.raster, whole.compose(zoomed(0.12)).raster)).toBe(0);
  const near = composer.compose(zoomed(0.6));
  expect(near.missing).toEqual([{ assetId: 'photo', mipLevel: 0 }]);
  expect(same(near.raster, whole.compose(zoomed(0.6)).raster)).not.toBe(0);
  // It stands, and is still told, while nothing comes.
  const again = composer.compose(zoomed(0.6));
  expect([again.missing, again.changed.width]).toEqual([near.missing, 0]);
  there = { raster: large, mipLevel: 0 };
  const come = composer.compose(zoomed(0.6));
  expect(come.missing).toEqual([]);
  expect(same(come.raster, whole.compose(zoomed(0.6)).raster)).toBe(0);
});
