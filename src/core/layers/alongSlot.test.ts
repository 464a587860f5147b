import fc from 'fast-check';
import { barePx, type Size } from '../frame/placement';
import type { FillLayer } from '../site/model/blendLayers';
import type { Layer } from '../site/model/layer';
import type { ShapeLayer, TextLayer } from '../site/model/objectLayers';
import type { PhotoLayer } from '../site/model/photoLayer';
import { layersAlong, type DrawnBoxes } from './alongSlot';
import { newWash } from './fill';
import { newPhoto, photoPoint, photoSize } from './photo';
import { newShape, shapeBox } from './shape';
import { newText } from './text';

const slot = { width: 1080, height: 220 };
const pots = { name: 'Pots', assetId: 'a', width: 2400, height: 1600 };
const photo = newPhoto('photo', pots, slot);

const along = <L extends Layer>(layer: L, to: Size, drawn?: DrawnBoxes): L =>
  layersAlong([layer], slot, to, drawn)[0] as L;

const size = fc.record({
  width: fc.integer({ min: 20, max: 4000 }),
  height: fc.integer({ min: 20, max: 2000 }),
});

test('a photo that filled its slot fills every other size, and stays as large as it was against it', () => {
  fc.assert(
    fc.property(
      size,
      fc.double({ min: 1, max: 4, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: -20, max: 20, noNaN: true }),
      (to, zoom, share, turn) => {
        const large: PhotoLayer = {
          ...photo,
          scale: photo.scale * zoom * (turn === 0 ? 1 : 2),
          turn,
        };
        const room = photoSize(large).width * large.scale - slot.width;
        const shown = { ...large, x: -share * room };
        fc.pre(barePx(shown, photoSize(shown), slot, turn) < 0.5);
        const moved = along(shown, to);
        expect(barePx(moved, photoSize(moved), to, turn)).toBeLessThan(
          1e-6 * (to.width + to.height),
        );
      },
    ),
  );
});

test('the middle of what was shown is the middle of what is shown, where the photo reaches that far', () => {
  const shown = { ...photo, scale: photo.scale * 2, x: -700, y: -500 };
  const was = photoPoint(shown, { x: slot.width / 2, y: slot.height / 2 });
  for (const to of [
    { width: 1200, height: 220 },
    { width: 700, height: 300 },
    { width: 500, height: 500 },
  ]) {
    const is = photoPoint(along(shown, to), { x: to.width / 2, y: to.height / 2 });
    expect(is.x).toBeCloseTo(was.x, 6);
    expect(is.y).toBeCloseTo(was.y, 6);
  }
});

test('a photo that lay on the ground as a thing does not grow', () => {
  const small = { ...photo, scale: 0.1, x: 50, y: 30 };
  expect(along(small, { width: 1200, height: 220 })).toEqual(small);
});

describe('words', () => {
  const title = newText('t', 'Open studio', 'archivo', 48, '#ffffff', 540, 82);
  const drawn = (layer: TextLayer, width = 260, height = 58): DrawnBoxes => ({
    [layer.id]: { x: layer.x, y: layer.y + height / 2, width, height, turn: 0 },
  });

  test('in the middle stay in the middle, at a margin keep it, elsewhere their share', () => {
    const to = { width: 1200, height: 300 };
    const middle = along({ ...title, y: 81 }, to, drawn({ ...title, y: 81 }));
    expect([middle.x, middle.y, middle.sizePx]).toEqual([600, 121, 48]);
    const left = { ...title, x: 180, y: 20 };
    expect(along(left, to, drawn(left))).toMatchObject({ x: 180, y: 20 });
    const right = { ...title, x: 900, y: 142 };
    // 50 px from the right and 20 from below, before and after.
    expect(along(right, to, drawn(right))).toMatchObject({ x: 1020, y: 222 });
    const between = { ...title, x: 460 };
    expect(along(between, to, drawn(between)).x).toBeCloseTo((460 * 1200) / 1080, 1);
  });

  test('nothing was drawn yet: a centred title is known by its own point', () => {
    expect(along(title, { width: 1200, height: 220 })).toMatchObject({ x: 600, y: 82 });
  });

  test('lines of words that belong together stay together', () => {
    const tagline = newText('s', 'every Saturday', 'archivo', 20, '#ffffff', 540, 150);
    const boxes = { ...drawn(title), ...drawn(tagline, 140, 24) };
    const [a, b] = layersAlong([title, tagline], slot, { width: 900, height: 150 }, boxes) as [
      TextLayer,
      TextLayer,
    ];
    expect(b.y - a.y).toBe(68);
    expect([a.x, b.x]).toEqual([450, 450]);
  });

  test('what would not fit any more becomes smaller, and keeps its share of the slot', () => {
    const small = along(title, { width: 200, height: 220 }, drawn(title));
    expect(small.sizePx).toBeCloseTo((48 * 200) / 1080, 1);
    expect(small.x).toBeCloseTo(100, 1);
  });
});

test('a shape from side to side stays that, others keep their size', () => {
  const bar: ShapeLayer = {
    ...newShape('b', 'rectangle', '#000000', slot),
    x: 0,
    width: 1080,
    y: 180,
    height: 40,
  };
  const to = { width: 1300, height: 260 };
  expect(shapeBox(along(bar, to))).toEqual({ x: 650, y: 240, width: 1300, height: 40, turn: 0 });
  const dot: ShapeLayer = { ...newShape('d', 'ellipse', '#000000', slot), x: 10, y: 10 };
  expect(along(dot, to)).toEqual(dot);
});

test('a veil in a box goes along with what it lies behind, one from a side stays', () => {
  const box: FillLayer = {
    ...newWash('w', '#000000'),
    extent: { type: 'box', x: 410, y: 70, width: 260, height: 80, soft: 24 },
  };
  expect(along(box, { width: 1200, height: 220 }).extent).toMatchObject({ x: 470, width: 260 });
  const side: FillLayer = { ...box, extent: { type: 'side', side: 'left', full: 200, reach: 300 } };
  expect(along(side, { width: 1200, height: 220 })).toEqual(side);
});

test('the same size changes nothing', () => {
  const layers = [photo, newText('t', 'A', 'archivo', 20, '#ffffff', 7, 7)];
  expect(layersAlong(layers, slot, { ...slot })).toBe(layers);
});
