import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import { boundsOf, pointOf, resizePoint, turnAbout, type Resize } from '../arrange/box';
import { createRaster, type Mask } from '../raster/raster';
import type { Layer } from '../site/model/layer';
import type { ShapeLayer } from '../site/model/objectLayers';
import type { PhotoLayer } from '../site/model/photoLayer';
import { canvasGlyphs, type TextContext } from '../text/glyphs';
import { drawShape } from './draw/shape';
import type { DrawContext } from './kind';
import { newPhoto, photoBox, photoPoint, recropped, slotPoint } from './photo';
import { isObject, kindOf, layerSchema } from './registry';
import { newShape, shape as shapeKind } from './shape';
import { newText } from './text';
import { wholePhotos } from '../frame/photos';

const slot = { width: 300, height: 120 };
const glyphs = canvasGlyphs(
  (w, h) => createCanvas(w, h).getContext('2d') as unknown as TextContext,
  (spec) => `${spec.weight} ${spec.sizePx}px sans-serif`,
);
const context: DrawContext = {
  ...slot,
  glyphs,
  outsets: { left: 0, top: 0, right: 0, bottom: 0 },
  photos: wholePhotos(() => createRaster(40, 20)),
  cutOut: () => {
    throw new Error('not asked for here');
  },
};
const item = { name: 'p', assetId: 'a', width: 40, height: 20 };
const photo = (part: Partial<PhotoLayer> = {}): PhotoLayer => ({
  ...newPhoto('p', item, slot),
  x: 50,
  y: 30,
  scale: 2,
  ...part,
});
const shape = (part: Partial<ShapeLayer> = {}): ShapeLayer => ({
  ...newShape('s', 'rectangle', '#a4553a', slot),
  x: 20,
  y: 10,
  width: 60,
  height: 40,
  ...part,
});

const objects: Layer[] = [
  photo(),
  photo({ turn: 30, flipX: true, stretch: 1.4 }),
  photo({ crop: { x: 5, y: 2, width: 20, height: 10 } }),
  shape(),
  shape({ shape: 'ellipse', turn: -70 }),
  newText('t', 'kiln', 'x', 30, '#ffffff', 150, 20),
  { ...newText('t', 'two\nlines', 'x', 20, '#ffffff', 100, 20), align: 'left', turn: 25 },
];

const boxOf = (layer: Layer) => kindOf(layer).box!(layer, { glyphs, ...slot })!;

test.each(objects.map((l, i) => [`${l.kind} ${i}`, l] as const))(
  '%s is moved, turned and resized as its box is',
  (_, layer) => {
    const kind = kindOf(layer);
    const box = boxOf(layer);
    const moved = boxOf({ ...layer, ...kind.moved!(layer, 7, -4) } as Layer);
    expect([moved.x - box.x, moved.y - box.y]).toEqual([
      expect.closeTo(7, 6),
      expect.closeTo(-4, 6),
    ]);
    const pivot = { x: 10, y: 90 };
    const turned = boxOf({ ...layer, ...kind.turned!(layer, 40, pivot) } as Layer);
    const wanted = turnAbout(box, pivot, 40);
    expect(Math.hypot(turned.x - wanted.x, turned.y - wanted.y)).toBeLessThan(0.75);
    expect(turned.turn - box.turn).toBeCloseTo(40, 6);
    const resize: Resize = { kx: 1.5, ky: 1.5, pivot: pointOf(box, 0, 0), turn: box.turn };
    const larger = boxOf({ ...layer, ...kind.resized!(layer, resize) } as Layer);
    expect(Math.abs(larger.width / box.width - 1.5)).toBeLessThan(0.02);
    expect(Math.abs(larger.height / box.height - 1.5)).toBeLessThan(0.02);
    const corner = pointOf(larger, 0, 0);
    expect(Math.hypot(corner.x - resize.pivot.x, corner.y - resize.pivot.y)).toBeLessThan(1);
  },
);

test('a side alone stretches letters, or widens where lines are broken', () => {
  const text = newText('t', 'kiln and clay', 'x', 30, '#ffffff', 150, 20);
  const resize: Resize = { kx: 2, ky: 1, pivot: { x: 100, y: 20 }, turn: 0 };
  expect(kindOf(text).resized!(text, resize)).toMatchObject({ stretchX: 2, stretchY: 1 });
  expect(kindOf(text).resized!({ ...text, wrap: 80 } as Layer, resize)).toMatchObject({
    wrap: 160,
  });
});

test('a px of the photo is found again where it lies on the slot, flipped, turned and cropped', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -170, max: 170 }),
      fc.boolean(),
      fc.boolean(),
      fc.boolean(),
      fc.nat(39),
      fc.nat(19),
      (turn, flipX, flipY, cropped, x, y) => {
        const layer = photo({
          turn,
          flipX,
          flipY,
          stretch: 1.3,
          crop: cropped ? { x: 4, y: 3, width: 30, height: 12 } : null,
        });
        const back = photoPoint(layer, slotPoint(layer, { x, y }));
        expect(back.x).toBeCloseTo(x, 6);
        expect(back.y).toBeCloseTo(y, 6);
      },
    ),
  );
});

test('cropping leaves what is still used where it lies', () => {
  for (const turn of [0, 35]) {
    const layer = photo({ turn, flipX: true });
    const at = slotPoint(layer, { x: 20, y: 10 });
    const next = { ...layer, ...recropped(layer, { x: 10, y: 4, width: 22, height: 14 }) };
    const after = slotPoint(next, { x: 20, y: 10 });
    expect(Math.hypot(after.x - at.x, after.y - at.y)).toBeLessThan(1e-9);
    expect({ ...next, ...recropped(next, null) }).toMatchObject({
      crop: null,
      x: expect.closeTo(layer.x, 9),
      y: expect.closeTo(layer.y, 9),
    });
  }
});

function maskOf(layer: ShapeLayer): { mask: Mask; x: number; y: number } {
  const paint = drawShape(layer, context);
  const at = shapeKind.place(layer, slot);
  if (paint?.type !== 'mask') {
    throw new Error('expected a mask');
  }
  return { mask: paint.mask, x: paint.x + at.x, y: paint.y + at.y };
}
const area = ({ mask }: { mask: Mask }) =>
  Array.from(mask.data).reduce((sum, v) => sum + v, 0) / 255;

test('shapes cover their exact areas: rectangle, rounded, ellipse, line, each turned or not', () => {
  for (const turn of [0, 17]) {
    expect(Math.abs(area(maskOf(shape({ turn }))) / 2400 - 1)).toBeLessThan(0.004);
    expect(
      Math.abs(area(maskOf(shape({ turn, radius: 12 }))) / (2400 - (4 - Math.PI) * 144) - 1),
    ).toBeLessThan(0.004);
    expect(
      Math.abs(area(maskOf(shape({ turn, shape: 'ellipse' }))) / ((Math.PI * 2400) / 4) - 1),
    ).toBeLessThan(0.004);
    expect(
      Math.abs(area(maskOf(shape({ turn, shape: 'line', height: 3 }))) / 180 - 1),
    ).toBeLessThan(0.02);
  }
});

test('an upright rectangle on whole px has sharp edges, one on half px has half its border', () => {
  const sharp = maskOf(shape());
  expect([
    sharp.x,
    sharp.y,
    sharp.mask.width,
    sharp.mask.height,
    Math.min(...sharp.mask.data),
  ]).toEqual([20, 10, 60, 40, 255]);
  const half = maskOf(shape({ x: 20.5 }));
  expect([half.mask.data[0], half.mask.data[1], half.mask.data[60]]).toEqual([128, 255, 128]);
});

test('a band reaches from edge to edge at any turn, and its place counts', () => {
  for (const turn of [0, 20, -35]) {
    const { mask, x, y } = maskOf(
      shape({ shape: 'band', x: 400, width: 10, y: 50, height: 20, turn }),
    );
    // Along the band's own middle line, at the slot's left and right edges where it crosses them.
    const t = Math.tan((turn * Math.PI) / 180);
    const at = (px: number) => 60 + (px - 405) * t;
    for (const px of [1, 150, 298]) {
      const py = Math.round(at(px));
      if (py < 2 || py > slot.height - 3) {
        continue;
      }
      expect(mask.data[(py - y) * mask.width + px - x]).toBe(255);
    }
    expect(area({ mask })).toBeGreaterThan(300 * 18);
  }
});

test('what a kind makes its own schema takes, and fields that are none are refused by name', () => {
  for (const layer of objects) {
    expect(layerSchema(layer.kind).isValidSync(layer, { strict: true })).toBe(true);
  }
  expect(objects.every(isObject)).toBe(true);
  expect(() =>
    layerSchema('shape').validateSync({ ...shape(), width: -4 }, { strict: true }),
  ).toThrow(/width/);
  expect(() =>
    layerSchema('photo').validateSync(
      { ...photo(), crop: { x: 0, y: 0, width: 0, height: 5 } },
      { strict: true },
    ),
  ).toThrow(/crop.width/);
  expect(() =>
    layerSchema('photo').validateSync(
      {
        ...photo(),
        cutOut: {
          samples: [{ x: 1, y: 1, colour: 'blue' }],
          tolerance: 1,
          softness: 0,
          joined: true,
          area: null,
          strokes: [],
        },
      },
      { strict: true },
    ),
  ).toThrow(/colour as #rrggbb/);
  expect(() =>
    layerSchema('text').validateSync(
      { ...newText('t', 'a', 'x', 20, '#ffffff', 0, 0), effects: [{ kind: 'sparkle' }] },
      { strict: true },
    ),
  ).toThrow(/shadow, glow, outline, relief/);
  expect(boundsOf(photoBox(photo()))).toEqual({ left: 50, top: 30, right: 130, bottom: 70 });
  expect(resizePoint({ x: 1, y: 1 }, { kx: 2, ky: 3, pivot: { x: 0, y: 0 }, turn: 0 })).toEqual({
    x: 2,
    y: 3,
  });
});

test('a text goes by its first line that says anything', () => {
  const named = (words: string) => {
    const layer: Layer = newText('t', words, 'x', 20, '#ffffff', 100, 20);
    return kindOf(layer).name(layer);
  };
  expect(named('Clayworks\nby the river')).toBe('Clayworks');
  expect(named('\n  \nClayworks')).toBe('Clayworks');
  expect(named(' \n ')).toBe('Empty text');
});
