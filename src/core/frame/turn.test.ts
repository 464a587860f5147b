import fc from 'fast-check';
import { drawPhoto } from '../layers/draw/photo';
import { newPhoto } from '../layers/photo';
import { createRaster, type Raster } from '../raster/raster';
import type { PhotoLayer } from '../site/model/photoLayer';
import { barePx, coverScale, fillFrame, fitFrame, fitScale, keepFilled } from './placement';
import { mirror, rotate } from './rotate';
import { resample } from './resample';
import { fittingSharpness, sharpen } from './sharpen';
import { suggestFrames } from './suggest';
import { wholePhotos } from './photos';

const size = fc.record({
  width: fc.integer({ min: 20, max: 3000 }),
  height: fc.integer({ min: 20, max: 3000 }),
});

test('turned by any angle, a photo kept filled leaves no part of the frame bare, and one that does already stays', () => {
  fc.assert(
    fc.property(
      size,
      size,
      fc.double({ min: -45, max: 45, noNaN: true }),
      fc.double({ min: -4000, max: 4000, noNaN: true }),
      fc.double({ min: -4000, max: 4000, noNaN: true }),
      fc.double({ min: 0.2, max: 8, noNaN: true }),
      (photo, frame, turn, x, y, times) => {
        const f = keepFilled(
          { x, y, scale: coverScale(photo, frame, turn) * times },
          photo,
          frame,
          turn,
        );
        expect(barePx(f, photo, frame, turn)).toBeLessThan(1e-6 * (frame.width + frame.height));
        const again = keepFilled(f, photo, frame, turn);
        expect(Math.abs(again.x - f.x) + Math.abs(again.y - f.y)).toBeLessThan(
          1e-6 * (frame.width + frame.height),
        );
      },
    ),
  );
});

test('fit: the whole photo lies inside, touching the frame at one pair of sides', () => {
  const photo = { width: 900, height: 1600 };
  const frame = { width: 1080, height: 220 };
  const f = fitFrame(photo, frame);
  expect(f.scale).toBeCloseTo(220 / 1600, 12);
  expect(f.y).toBeCloseTo(0, 10);
  expect(f.x).toBeCloseTo((1080 - 900 * f.scale) / 2, 10);
  expect(fitScale(photo, frame, 90)).toBeCloseTo(220 / 900, 10);
});

/** A picture without any symmetry. */
function marked(width: number, height: number): Raster {
  const raster = createRaster(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      raster.data.set(
        [(x * 255) / width, (y * 255) / height, x > y ? 200 : 30, 255],
        (y * width + x) * 4,
      );
    }
  }
  return raster;
}

test('a quarter turn about the middle moves every pixel, to the level', () => {
  const source = marked(40, 24);
  const turned = rotate(source, 90, { x: 20, y: 12 }, { x: 12, y: 20 }, 24, 40);
  for (let y = 0; y < 24; y++) {
    for (let x = 0; x < 40; x++) {
      expect(turned.data.subarray((x * 24 + 23 - y) * 4, (x * 24 + 23 - y) * 4 + 4)).toEqual(
        source.data.subarray((y * 40 + x) * 4, (y * 40 + x) * 4 + 4),
      );
    }
  }
});

test('a turn moves a spot to where trigonometry says, within a fiftieth of a px', () => {
  const source = createRaster(120, 120);
  for (let y = 0; y < 120; y++) {
    for (let x = 0; x < 120; x++) {
      source.data.set(
        [
          255,
          255,
          255,
          Math.round(255 * Math.exp(-((x + 0.5 - 90) ** 2 + (y + 0.5 - 60) ** 2) / 30)),
        ],
        (y * 120 + x) * 4,
      );
    }
  }
  const turned = rotate(source, 30, { x: 60, y: 60 }, { x: 60, y: 60 }, 120, 120);
  let sx = 0;
  let sy = 0;
  let sum = 0;
  for (let y = 0; y < 120; y++) {
    for (let x = 0; x < 120; x++) {
      const a = turned.data[(y * 120 + x) * 4 + 3];
      sx += a * (x + 0.5);
      sy += a * (y + 0.5);
      sum += a;
    }
  }
  expect(Math.abs(sx / sum - (60 + 30 * Math.cos(Math.PI / 6)))).toBeLessThan(0.02);
  expect(Math.abs(sy / sum - (60 + 30 * Math.sin(Math.PI / 6)))).toBeLessThan(0.02);
});

test('mirroring twice is nothing, once is the picture the other way round', () => {
  for (const axis of ['x', 'y'] as const) {
    const raster = marked(17, 9);
    const before = raster.data.slice();
    mirror(raster, axis);
    expect(raster.data.subarray(0, 4)).toEqual(
      before.subarray(axis === 'x' ? 16 * 4 : 8 * 17 * 4, (axis === 'x' ? 16 * 4 : 8 * 17 * 4) + 4),
    );
    mirror(raster, axis);
    expect(raster.data).toEqual(before);
  }
});

const never = () => {
  throw new Error('not asked for here');
};
const plainContext = {
  outsets: { left: 0, top: 0, right: 0, bottom: 0 },
  cutOut: never,
  glyphs: { has: never, cover: never, pixels: never, box: never, reach: never },
};

describe('a photo layer', () => {
  const source = marked(200, 120);
  const slot = { width: 80, height: 40 };
  const draw = (part: Partial<PhotoLayer>): Raster => {
    const paint = drawPhoto(
      {
        ...newPhoto('p', { assetId: 'a', name: '', width: 200, height: 120 }, slot),
        sharpen: 0,
        ...part,
      },
      { ...slot, ...plainContext, photos: wholePhotos(() => source) },
    );
    if (paint?.type !== 'raster') {
      throw new Error('expected pixels');
    }
    return paint.raster;
  };
  test('flipped in its frame shows the mirrored part', () => {
    const plain = draw({});
    const flipped = draw({ flipX: true });
    mirror(plain, 'x');
    let worst = 0;
    for (let i = 0; i < plain.data.length; i++) {
      worst = Math.max(worst, Math.abs(plain.data[i] - flipped.data[i]));
    }
    expect(worst).toBeLessThanOrEqual(1);
  });
  test('turned by next to nothing is next to the straight one', () => {
    const plain = draw({});
    const turned = draw({ turn: 0.0001 });
    let worst = 0;
    for (let i = 0; i < plain.data.length; i++) {
      worst = Math.max(worst, Math.abs(plain.data[i] - turned.data[i]));
    }
    expect(worst).toBeLessThanOrEqual(1);
  });
  test('turned and kept filled has no see-through pixel', () => {
    const framing = fillFrame({ width: 200, height: 120 }, slot, 12);
    const { data } = draw({ ...framing, turn: 12 });
    for (let i = 3; i < data.length; i += 4) {
      expect(data[i]).toBe(255);
    }
  });
  test('stretched fills the slot from edge to edge', () => {
    const { data } = draw({ x: 0, y: 0, scale: 80 / 200, stretch: 40 / 120 / (80 / 200) });
    for (let i = 3; i < data.length; i += 4) {
      expect(data[i]).toBe(255);
    }
    expect(data[0]).toBeLessThan(8);
    expect(data[(39 * 80 + 79) * 4 + 1]).toBeGreaterThan(245);
  });
});

describe('sharpening', () => {
  test('fits the reduction: none up to a half, growing to 0.4 at a fifth', () =>
    expect([1, 0.5, 0.35, 0.2, 0.1].map((s) => Number(fittingSharpness(s).toFixed(3)))).toEqual([
      0, 0, 0.114, 0.4, 0.4,
    ]));
  test('leaves flat parts as they are to the level, and steps grow by the same on all channels', () => {
    const raster = createRaster(12, 6);
    for (let y = 0; y < 6; y++) {
      for (let x = 0; x < 12; x++) {
        raster.data.set(x < 6 ? [80, 90, 100, 255] : [140, 150, 160, 255], (y * 12 + x) * 4);
      }
    }
    sharpen(raster, 0.5);
    const at = (x: number) =>
      Array.from(raster.data.subarray((3 * 12 + x) * 4, (3 * 12 + x) * 4 + 3));
    expect(at(1)).toEqual([80, 90, 100]);
    expect(at(10)).toEqual([140, 150, 160]);
    // A quarter of the step of 60 lies in the weights of one neighbouring column: half of 15.
    expect(at(5)).toEqual([72, 82, 92]);
    expect(at(6)).toEqual([148, 158, 168]);
  });
});

test('resampling keeps the mean light of a picture within a tenth of a percent', () => {
  const source = marked(480, 360);
  const light = ({ data }: Raster) => {
    let sum = 0;
    for (let i = 0; i < data.length; i += 4) {
      for (let c = 0; c < 3; c++) {
        const v = data[i + c] / 255;
        sum += v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
      }
    }
    return sum / (data.length / 4);
  };
  for (const k of [0.5, 0.25, 1 / 3, 0.125]) {
    const small = resample(source, { x: 0, y: 0, scaleX: k, scaleY: k }, 480 * k, 360 * k);
    expect(Math.abs(light(small) / light(source) - 1)).toBeLessThan(0.001);
  }
});

describe('suggested parts', () => {
  /** A plain wall with three spots full of detail. */
  const spots = [
    { x: 150, y: 120 },
    { x: 620, y: 420 },
    { x: 400, y: 90 },
  ];
  const photo = createRaster(800, 560);
  for (let y = 0; y < 560; y++) {
    for (let x = 0; x < 800; x++) {
      const near = spots.some((s) => Math.hypot(x - s.x, y - s.y) < 45);
      photo.data.set(
        near ? [(x * 53) % 256, (y * 91) % 256, ((x ^ y) * 37) % 256, 255] : [150, 148, 142, 255],
        (y * 800 + x) * 4,
      );
    }
  }
  const frame = { width: 300, height: 90 };
  const found = suggestFrames(photo, frame);

  test('three, each with a spot in full, none the same as another, all filling the frame and none softer than it must be', () => {
    expect(found).toHaveLength(3);
    const boxes = found.map(({ x, y, scale }) => ({
      left: -x / scale,
      top: -y / scale,
      right: (frame.width - x) / scale,
      bottom: (frame.height - y) / scale,
    }));
    for (const b of boxes) {
      expect(b.left).toBeGreaterThanOrEqual(-1e-6);
      expect(b.right).toBeLessThanOrEqual(800 + 1e-6);
      expect(b.bottom).toBeLessThanOrEqual(560 + 1e-6);
      expect(
        spots.some(
          (s) =>
            s.x - 45 >= b.left - 6 &&
            s.x + 45 <= b.right + 6 &&
            s.y - 45 >= b.top - 6 &&
            s.y + 45 <= b.bottom + 6,
        ),
      ).toBe(true);
    }
    expect(
      new Set(found.map((f) => `${Math.round(f.x)} ${Math.round(f.y)} ${f.scale.toFixed(3)}`)).size,
    ).toBe(3);
    expect(found.every((f) => f.scale <= 1.02)).toBe(true);
    expect(found[0].score).toBeGreaterThan(1);
  });
  test('a photo of one colour, one px wide, and one smaller than the frame still give framings that fill', () => {
    for (const [w, h] of [
      [40, 30],
      [1, 500],
      [300, 1],
    ]) {
      for (const f of suggestFrames(createRaster(w, h), frame)) {
        expect(barePx(f, { width: w, height: h }, frame)).toBeLessThan(1e-3);
      }
    }
  });
});
