import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import { arc, fillPolygon } from '../raster/polygon';
import type { Mask, Raster, Rgb } from '../raster/raster';
import type {
  Effect,
  GlowEffect,
  OutlineEffect,
  ReliefEffect,
  ShadowEffect,
} from '../site/model/effects';
import { applyEffects } from './applyEffects';
import { outsetsOf } from './outsets';
import { effectNames, effectOf, effectsField } from './registry';

const size = 100;
const grey: Rgb = { r: 128, g: 128, b: 128 };
const mask = (data: Float32Array): Mask => ({
  width: size,
  height: size,
  data: Uint8ClampedArray.from(data, (c) => c * 255),
});
const disc = (r: number, cx = 50, cy = 50) =>
  mask(fillPolygon(arc(cx, cy, r, r, 0, 2 * Math.PI), size, size).data);
const square = (half: number) =>
  mask(
    fillPolygon(
      [
        [-1, -1],
        [1, -1],
        [1, 1],
        [-1, 1],
      ].map(([u, v]) => ({ x: 50 + u * half, y: 50 + v * half })),
      size,
      size,
    ).data,
  );

interface Drawn {
  raster: Raster;
  x: number;
  y: number;
}
const dressed = (shape: Mask, effects: readonly Effect[], hollow = false, colour = grey): Drawn =>
  applyEffects({ paint: { type: 'mask', mask: shape, colour, x: 0, y: 0 }, hollow }, effects).paint;
/** Red, green, blue, alpha at a px of the shape's own frame. */
const at = ({ raster, x, y }: Drawn, px: number, py: number): number[] => {
  const i = ((py - y) * raster.width + px - x) * 4;
  return [...raster.data.subarray(i, i + 4)];
};
const areaOf = ({ raster }: Drawn, match: (r: number, g: number, b: number) => number): number => {
  let sum = 0;
  for (let i = 0; i < raster.data.length; i += 4) {
    sum +=
      (raster.data[i + 3] / 255) * match(raster.data[i], raster.data[i + 1], raster.data[i + 2]);
  }
  return sum;
};
/** Share of red in a mixture of red and grey. */
const red = (_r: number, _g: number, b: number) => Math.max(0, (128 - b) / 128);

const outline = (part: Partial<OutlineEffect> = {}): OutlineEffect => ({
  kind: 'outline',
  side: 'outside',
  width: 4,
  colour: '#ff0000',
  opacity: 1,
  ...part,
});
const shadow = (part: Partial<ShadowEffect> = {}): ShadowEffect => ({
  kind: 'shadow',
  byLight: false,
  x: 0,
  y: 0,
  blur: 0,
  spread: 0,
  colour: '#ff0000',
  opacity: 1,
  ...part,
});
const relief = (part: Partial<ReliefEffect> = {}): ReliefEffect => ({
  kind: 'relief',
  engraved: false,
  depth: 60,
  softness: 0,
  direction: 315,
  height: 45,
  highlight: '#ffffff',
  shade: '#000000',
  opacity: 1,
  ...part,
});
const glow = (part: Partial<GlowEffect> = {}): GlowEffect => ({
  kind: 'glow',
  side: 'outside',
  size: 12,
  colour: '#ff0000',
  opacity: 1,
  ...part,
});

describe('outline', () => {
  test.each([
    [3, 'outside'],
    [8, 'outside'],
    [5, 'inside'],
    [6, 'centre'],
    [1, 'outside'],
  ] as const)(
    '%d px %s of a circle has the area of the exact ring, within a hundredth',
    (width, side) => {
      const r = 26.3;
      const out = { outside: width, centre: width / 2, inside: 0 }[side as 'centre'];
      const inside = width - out;
      const wanted = Math.PI * ((r + out) ** 2 - (r - inside) ** 2);
      const found = areaOf(dressed(disc(r), [outline({ width, side })]), red);
      expect(Math.abs(found / wanted - 1)).toBeLessThan(0.015);
    },
  );

  test.each([2, 4, 7])(
    '%d px outside of a square: sides of that width, and corners that are round',
    (width) => {
      const d = dressed(square(20), [outline({ width })]);
      for (let k = 1; k <= width; k++) {
        expect(at(d, 69 + k, 50)).toEqual([255, 0, 0, 255]);
      }
      expect(at(d, 70 + width, 50)[3]).toBe(0);
      expect(at(d, 69, 50)).toEqual([128, 128, 128, 255]);
      // Four sides, and four quarters of a circle.
      expect(
        Math.abs(areaOf(d, red) / (4 * 40 * width + Math.PI * width * width) - 1),
      ).toBeLessThan(0.01);
    },
  );

  test('inside takes its room from the shape and adds nothing to it', () => {
    const d = dressed(square(20), [outline({ side: 'inside', width: 3 })]);
    expect([at(d, 30, 50), at(d, 32, 50), at(d, 33, 50), at(d, 29, 50)]).toEqual([
      [255, 0, 0, 255],
      [255, 0, 0, 255],
      [128, 128, 128, 255],
      [0, 0, 0, 0],
    ]);
  });

  test('no seam between a shape and its outline: their shared pixels are opaque', () => {
    const d = dressed(disc(26.3), [outline()]);
    for (let t = 0; t < 360; t += 5) {
      const x = Math.floor(50 + 26.3 * Math.cos((t * Math.PI) / 180));
      const y = Math.floor(50 + 26.3 * Math.sin((t * Math.PI) / 180));
      expect(at(d, x, y)[3]).toBeGreaterThanOrEqual(253);
    }
  });

  test('a shape without a fill is its outline alone', () => {
    const d = dressed(square(20), [outline({ side: 'centre', width: 4 })], true);
    expect([at(d, 50, 50)[3], at(d, 31, 50), at(d, 28, 50)]).toEqual([
      0,
      [255, 0, 0, 255],
      [255, 0, 0, 255],
    ]);
  });
});

describe('shadow', () => {
  test('lies under the shape, moved and with its opacity, and is not cut at the shape’s own frame', () => {
    const d = dressed(square(20), [shadow({ x: 45, y: -40, opacity: 0.5 })]);
    expect(at(d, 50, 50)).toEqual([128, 128, 128, 255]);
    const [r, g, b, a] = at(d, 110, 20);
    expect([r, g, b]).toEqual([255, 0, 0]);
    expect(Math.abs(a - 127.5)).toBeLessThanOrEqual(1);
  });

  test('spread grows the shape by its px', () => {
    const area = areaOf(dressed(disc(20), [shadow({ spread: 6 })], false), () => 1);
    expect(Math.abs(area / (Math.PI * 26 ** 2) - 1)).toBeLessThan(0.015);
  });

  test('blurred as an independent rasteriser blurs, within eight levels', () => {
    // Skia through @napi-rs/canvas: a shadow of the same shape, its blur as CSS and canvas define
    // it.
    for (const blur of [3, 8, 20]) {
      const c = createCanvas(size * 2, size * 2).getContext('2d');
      c.shadowColor = '#ff0000';
      c.shadowBlur = blur;
      c.shadowOffsetX = 500;
      c.fillStyle = '#000';
      c.beginPath();
      c.rect(80 - 500, 80, 40, 40);
      c.fill();
      const theirs = c.getImageData(0, 0, size * 2, size * 2).data;
      const ours = dressed(square(20), [shadow({ blur, x: 80 })]);
      let worst = 0;
      for (let x = 105; x < 160; x++) {
        worst = Math.max(
          worst,
          Math.abs((at(ours, x, 50)[3] ?? 0) - theirs[(100 * size * 2 + x - 30) * 4 + 3]),
        );
      }
      expect(worst).toBeLessThanOrEqual(8);
    }
  });

  test('goes round an outline too', () => {
    const d = dressed(square(20), [shadow({ colour: '#0000ff', x: 10 }), outline({ width: 4 })]);
    expect(at(d, 82, 50)).toEqual([0, 0, 255, 255]);
    expect(at(d, 72, 50)).toEqual([255, 0, 0, 255]);
  });
});

describe('glow', () => {
  test('outside: full at the contour, half at half its size, nothing at its end, the same all round', () => {
    const d = dressed(disc(20), [glow()]);
    for (const [dx, dy] of [
      [1, 0],
      [0, 1],
      [-0.7071, 0.7071],
    ]) {
      const alpha = (away: number) =>
        at(d, Math.floor(50 + dx * (20 + away)), Math.floor(50 + dy * (20 + away)))[3];
      expect(alpha(1)).toBeGreaterThan(235);
      expect(Math.abs(alpha(6) - 127)).toBeLessThan(26);
      expect(alpha(13.5)).toBe(0);
    }
  });

  test('inside: strongest at the contour, gone towards the middle, alpha untouched', () => {
    const d = dressed(square(30), [glow({ side: 'inside', size: 10 })]);
    expect(at(d, 20, 50)[0]).toBeGreaterThan(250);
    expect(at(d, 50, 50)).toEqual([128, 128, 128, 255]);
    expect(at(d, 19, 50)[3]).toBe(0);
  });
});

/**
 * Brightness by Lambert's law of a place whose surface is inclined, mixed from grey to the
 * highlight or the shade.
 */
function lambert(slopeX: number, slopeY: number, direction: number, height: number): number {
  const t = (direction * Math.PI) / 180;
  const h = (height * Math.PI) / 180;
  const n = Math.hypot(slopeX, slopeY, 1);
  const light = Math.max(
    0,
    (-slopeX * Math.sin(t) * Math.cos(h) + slopeY * Math.cos(t) * Math.cos(h) + Math.sin(h)) / n,
  );
  const level = Math.sin(h);
  return light > level
    ? 128 + (127 * (light - level)) / (1 - level)
    : 128 * (1 - (level - light) / level);
}

describe('relief', () => {
  test('a cone lit from the upper left is brighter there than at the lower right, all round by the cosine law', () => {
    const d = dressed(disc(40), [relief()]);
    const found = (degrees: number) =>
      at(
        d,
        Math.floor(50 + 24 * Math.cos((degrees * Math.PI) / 180)),
        Math.floor(50 + 24 * Math.sin((degrees * Math.PI) / 180)),
      )[0];
    expect(found(225)).toBeGreaterThan(found(45) + 150);
    for (let degrees = 0; degrees < 360; degrees += 15) {
      const x = Math.floor(50 + 24 * Math.cos((degrees * Math.PI) / 180)) + 0.5 - 50;
      const y = Math.floor(50 + 24 * Math.sin((degrees * Math.PI) / 180)) + 0.5 - 50;
      const r = Math.hypot(x, y);
      // A cone of 45 degrees falls away from its middle.
      expect(Math.abs(found(degrees) - lambert(-x / r, -y / r, 315, 45))).toBeLessThanOrEqual(9);
    }
  });

  test.each([
    [0, 30],
    [90, 60],
    [200, 20],
  ])('light from %d° at a height of %d° likewise', (direction, height) => {
    const d = dressed(disc(40), [relief({ direction, height })]);
    for (let degrees = 0; degrees < 360; degrees += 30) {
      const px = Math.floor(50 + 24 * Math.cos((degrees * Math.PI) / 180));
      const py = Math.floor(50 + 24 * Math.sin((degrees * Math.PI) / 180));
      const x = px + 0.5 - 50;
      const y = py + 0.5 - 50;
      const r = Math.hypot(x, y);
      expect(
        Math.abs(at(d, px, py)[0] - lambert(-x / r, -y / r, direction, height)),
      ).toBeLessThanOrEqual(9);
    }
  });

  test('sunken is raised with the light from the other side, and a level top stays as it was', () => {
    const raised = dressed(square(30), [relief({ depth: 5 })]);
    const sunken = dressed(square(30), [relief({ depth: -5 })]);
    expect(at(raised, 50, 50)).toEqual([128, 128, 128, 255]);
    expect(at(raised, 22, 50)[0]).toBeGreaterThan(150);
    expect(at(sunken, 22, 50)[0]).toBeLessThan(100);
    expect(at(sunken, 77, 50)[0]).toBeGreaterThan(150);
  });

  test('softness rounds the ridge: the step from slope to top is spread out', () => {
    const step = (softness: number) => {
      const d = dressed(square(30), [relief({ depth: 8, softness })]);
      return Math.max(
        ...Array.from({ length: 12 }, (_, i) =>
          Math.abs(at(d, 22 + i, 50)[0] - at(d, 23 + i, 50)[0]),
        ),
      );
    };
    expect(step(6)).toBeLessThan(step(0) / 2);
  });

  test('colours that are not given are lighter and darker ones of what lies there', () => {
    const own = dressed(disc(40), [relief({ highlight: null, shade: null })]);
    const given = dressed(disc(40), [relief()]);
    // A cone’s slope that faces the light, and the one that is turned away from it.
    const [facing, away] = [at(own, 33, 33), at(own, 67, 67)];
    expect(facing[0]).toBeGreaterThan(150);
    expect(away[0]).toBeLessThan(90);
    // Three quarters of the way to where white and black would take it.
    expect(Math.abs(facing[0] - 128 - 0.75 * (at(given, 33, 33)[0] - 128))).toBeLessThanOrEqual(2);
    expect(Math.abs(128 - away[0] - 0.75 * (128 - at(given, 67, 67)[0]))).toBeLessThanOrEqual(2);
  });

  test('an engraved line is a groove along the contour: dark, then light, and the surface within as it was', () => {
    const d = dressed(square(30), [relief({ depth: 4, engraved: true })]);
    // From the upper left: the groove’s near side is turned away, its far side faces the light.
    expect(at(d, 21, 50)[0]).toBeLessThan(100);
    expect(at(d, 26, 50)[0]).toBeGreaterThan(150);
    expect(at(d, 32, 50)).toEqual([128, 128, 128, 255]);
    expect(at(d, 50, 50)).toEqual([128, 128, 128, 255]);
  });

  test('changes colours and no alpha', () => {
    const plain = dressed(disc(30.4), [shadow({ opacity: 0 })]);
    const lit = dressed(disc(30.4), [shadow({ opacity: 0 }), relief({ depth: 4, softness: 2 })]);
    for (let y = 0; y < size; y += 3) {
      for (let x = 0; x < size; x += 3) {
        expect(at(lit, x, y)[3]).toBe(at(plain, x, y)[3]);
      }
    }
  });
});

const anyEffect: fc.Arbitrary<Effect> = fc.oneof(
  fc
    .record({
      x: fc.integer({ min: -30, max: 30 }),
      y: fc.integer({ min: -30, max: 30 }),
      blur: fc.integer({ min: 0, max: 30 }),
      spread: fc.integer({ min: -4, max: 10 }),
    })
    .map(shadow),
  fc
    .record({
      width: fc.integer({ min: 1, max: 20 }),
      side: fc.constantFrom('inside' as const, 'centre' as const, 'outside' as const),
    })
    .map(outline),
  fc
    .record({
      size: fc.integer({ min: 1, max: 30 }),
      side: fc.constantFrom('inside' as const, 'outside' as const),
    })
    .map(glow),
  fc
    .record({ depth: fc.integer({ min: -10, max: 10 }), softness: fc.integer({ min: 0, max: 6 }) })
    .map(relief),
);

test('whatever the effects, nothing of them is cut at the frame, and their order of adding does not matter but for two of a kind', () => {
  fc.assert(
    fc.property(fc.array(anyEffect, { minLength: 1, maxLength: 3 }), (effects) => {
      const shape = disc(30);
      const { raster } = dressed(shape, effects);
      const { width, height, data } = raster;
      let edge = 0;
      for (let x = 0; x < width; x++) {
        edge = Math.max(edge, data[x * 4 + 3], data[((height - 1) * width + x) * 4 + 3]);
      }
      for (let y = 0; y < height; y++) {
        edge = Math.max(edge, data[y * width * 4 + 3], data[((y + 1) * width - 1) * 4 + 3]);
      }
      expect(edge).toBeLessThanOrEqual(1);
      if (
        new Set(effects.map((e) => (e.kind === 'glow' ? e.side : e.kind))).size === effects.length
      ) {
        expect(dressed(shape, effects.toReversed()).raster.data).toEqual(data);
      }
    }),
    {
      numRuns: 25,
      examples: [
        [
          [
            // The tail of a wide blur was once cut off here.
            shadow({ y: 21, blur: 0, spread: 9 }),
            shadow({ y: 23, blur: 12, spread: 1 }),
          ],
        ],
        [
          [
            // Shadows once cast shadows of their own, and of glows, farther than the frame.
            shadow({ y: 6, blur: 0, spread: 9 }),
            shadow({ y: 21, blur: 0, spread: 6 }),
            glow({ size: 19 }),
          ],
        ],
      ],
    },
  );
});

test('a kept frame gives what a new one gives', () => {
  const paint = { type: 'mask', mask: disc(30), colour: grey, x: 7, y: -3 } as const;
  const first = applyEffects({ paint, hollow: false }, [outline({ width: 2 })]);
  const kept = applyEffects(
    { paint, hollow: false },
    [outline({ width: 5 }), shadow({ blur: 10 })],
    first.framed,
  );
  const fresh = applyEffects({ paint, hollow: false }, [
    outline({ width: 5 }),
    shadow({ blur: 10 }),
  ]);
  for (const [x, y] of [
    [50, 50],
    [20, 40],
    [82, 50],
    [88, 52],
  ]) {
    expect(at(kept.paint, x, y)).toEqual(at(fresh.paint, x, y));
  }
});

test('every kind makes effects that its own schema takes, and refuses what is none', () => {
  const field = effectsField();
  for (const kind of effectNames) {
    expect(
      field.isValidSync([effectOf({ kind }).make({ dark: '#000000', light: '#ffffff' })], {
        strict: true,
      }),
    ).toBe(true);
  }
  expect(field.isValidSync([{ kind: 'sparkle' }], { strict: true })).toBe(false);
  expect(field.isValidSync([{ ...outline(), width: -2 }], { strict: true })).toBe(false);
  expect(field.isValidSync([{ ...shadow(), colour: 'red' }], { strict: true })).toBe(false);
  expect(outsetsOf([])).toEqual({ left: 0, top: 0, right: 0, bottom: 0 });
});
