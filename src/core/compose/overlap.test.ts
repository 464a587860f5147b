import { newWash } from '../layers/fill';
import { newBlur } from '../layers/rework';
import { newShape } from '../layers/shape';
import { createRaster } from '../raster/raster';
import { newPhoto } from '../layers/photo';
import type { Layer } from '../site/model/layer';
import { createComposer, type Drawing } from './compose';
import { wholePhotos } from '../frame/photos';

const photo = createRaster(20, 20);
for (let i = 0; i < 400; i++) {
  photo.data.set([9, 200, 30, 255], i * 4);
}
const resources = { glyphs: { has: () => false } as never, photos: wholePhotos(() => photo) };
const overlap = { top: 10, right: 0, bottom: 30, left: 20 };
const slot = { width: 100, height: 50 };
const disc = (part: Partial<Layer>): Layer =>
  ({
    ...newShape('d', 'rectangle', '#a4553a', slot),
    x: -15,
    y: -5,
    width: 60,
    height: 80,
    radius: 0,
    ...part,
  }) as Layer;
const drawing = (layers: Layer[], with_ = true): Drawing => ({
  ...slot,
  ground: { type: 'colour', colour: '#3b4a45' },
  layers,
  ...(with_ && { overlap }),
});
const compose = (d: Drawing) => createComposer(resources).compose(d);
const at = ({ raster }: ReturnType<typeof compose>, x: number, y: number) => [
  ...raster.data.subarray((y * raster.width + x) * 4, (y * raster.width + x) * 4 + 4),
];

test('the file is the slot and its overlap; the ground stays in the slot', () => {
  const c = compose(drawing([]));
  expect([c.raster.width, c.raster.height]).toEqual([120, 90]);
  expect([at(c, 20, 10), at(c, 119, 59), at(c, 19, 10), at(c, 20, 9), at(c, 20, 60)]).toEqual([
    [59, 74, 69, 255],
    [59, 74, 69, 255],
    [0, 0, 0, 0],
    [0, 0, 0, 0],
    [0, 0, 0, 0],
  ]);
});

test('a layer that may hang out is seen beyond the slot, others are cut at it, and boxes stay in px of the slot', () => {
  const hanging = compose(drawing([disc({ hangs: true } as Partial<Layer>)]));
  const cut = compose(drawing([disc({})]));
  // Its left upper corner lies 15 px left of the slot and 5 above it, its lower edge 25 px below
  // it.
  expect(at(hanging, 5, 5)).toEqual([164, 85, 58, 255]);
  expect(at(hanging, 4, 5)).toEqual([0, 0, 0, 0]);
  expect(at(hanging, 40, 84)).toEqual([164, 85, 58, 255]);
  expect(at(hanging, 40, 85)).toEqual([0, 0, 0, 0]);
  expect(at(cut, 5, 5)).toEqual([0, 0, 0, 0]);
  expect(at(cut, 40, 60)).toEqual([0, 0, 0, 0]);
  expect(at(cut, 20, 10)).toEqual([164, 85, 58, 255]);
  expect(hanging.boxes.d).toEqual({ x: 15, y: 35, width: 60, height: 80, turn: 0 });
});

test('inside the slot nothing is other than without an overlap: washes, blurs and photographs too', () => {
  const layers: Layer[] = [
    {
      ...newPhoto('p', { name: '', assetId: 'a', width: 20, height: 20 }, slot),
      x: -4,
      y: -7,
      scale: 3,
      hangs: true,
    },
    newWash('w', '#ffffff', 0.4),
    newBlur('b', 2, 'none'),
  ];
  const wide = compose(drawing(layers));
  const plain = compose(
    drawing(
      layers.map((l) => ({ ...l, hangs: false }) as Layer),
      false,
    ),
  );
  for (let y = 0; y < 50; y += 7) {
    for (let x = 0; x < 100; x += 9) {
      expect(at(wide, x + 20, y + 10)).toEqual(at(plain, x, y));
    }
  }
  // The photograph goes on beyond it, without the wash that stays in the slot.
  expect(at(wide, 18, 8)).toEqual([9, 200, 30, 255]);
});

test('moved step by step it is what it is when drawn at once', () => {
  const composer = createComposer(resources);
  for (const x of [-15, 3, 41]) {
    const d = drawing([disc({ hangs: true, x } as Partial<Layer>)]);
    const stepwise = composer.compose(d);
    const fresh = compose(d);
    expect(Buffer.compare(Buffer.from(stepwise.raster.data), Buffer.from(fresh.raster.data))).toBe(
      0,
    );
  }
});
