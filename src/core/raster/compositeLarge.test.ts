import fc from 'fast-check';
import { blendModes } from './blend';
import { composite, type Paint } from './composite';
import { createRaster, type Raster } from './raster';

/*
 * Large areas are laid by look-up and on whole pixels, small ones row by row. The same paint must
 * give the same levels either way: laid at once over 200×110, and in strips that are each too small
 * for the quick way.
 */

const width = 200;
const height = 110;
const strip = 22;

/** Repeatable pixels; see-through ones among them where wanted. */
function target(opaque: boolean): Raster {
  const raster = createRaster(width, height);
  let state = 7;
  const next = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) >>> 24;
  for (let i = 0; i < raster.data.length; i += 4) {
    raster.data.set([next(), next(), next(), opaque ? 255 : [0, 90, 255, 255][next() & 3]], i);
  }
  return raster;
}

const cover = Uint8Array.from({ length: width * height }, (_, i) => (i * 37) % 256);
const colour = fc.record({
  r: fc.integer({ min: 0, max: 255 }),
  g: fc.integer({ min: 0, max: 255 }),
  b: fc.integer({ min: 0, max: 255 }),
});

function atOnce(
  paint: Paint,
  opacity: number,
  mode: (typeof blendModes)[number],
  opaque: boolean,
): Uint8ClampedArray {
  const raster = target(opaque);
  composite(raster, paint, opacity, mode);
  return raster.data;
}

function inStrips(
  paint: Paint,
  opacity: number,
  mode: (typeof blendModes)[number],
  opaque: boolean,
): Uint8ClampedArray {
  const raster = target(opaque);
  for (let y = 0; y < height; y += strip) {
    composite(raster, paint, opacity, mode, { x: 0, y, width, height: strip });
  }
  return raster.data;
}

describe.each(blendModes)('%s', (mode) => {
  test('a colour over opaque pixels', () => {
    fc.assert(
      fc.property(colour, fc.integer({ min: 0, max: 100 }), (c, percent) => {
        const paint: Paint = { type: 'solid', colour: c };
        expect(
          Buffer.from(atOnce(paint, percent / 100, mode, true)).equals(
            Buffer.from(inStrips(paint, percent / 100, mode, true)),
          ),
        ).toBe(true);
      }),
      { numRuns: 3 },
    );
  });
  test('a colour over pixels of which some are see-through', () => {
    const paint: Paint = { type: 'solid', colour: { r: 164, g: 85, b: 58 } };
    expect(
      Buffer.from(atOnce(paint, 0.37, mode, false)).equals(
        Buffer.from(inStrips(paint, 0.37, mode, false)),
      ),
    ).toBe(true);
  });
  test('a colour through a mask', () => {
    fc.assert(
      fc.property(colour, fc.integer({ min: 1, max: 100 }), fc.boolean(), (c, percent, opaque) => {
        const paint: Paint = {
          type: 'mask',
          colour: c,
          mask: { width, height, data: cover },
          x: 0,
          y: 0,
        };
        expect(
          Buffer.from(atOnce(paint, percent / 100, mode, opaque)).equals(
            Buffer.from(inStrips(paint, percent / 100, mode, opaque)),
          ),
        ).toBe(true);
      }),
      { numRuns: 4 },
    );
  });
});

test('a mask that hangs out over the edges changes only what it covers', () => {
  const raster = target(true);
  const before = raster.data.slice();
  composite(
    raster,
    {
      type: 'mask',
      colour: { r: 0, g: 0, b: 0 },
      mask: { width, height, data: new Uint8Array(width * height).fill(255) },
      x: 80,
      y: -40,
    },
    1,
  );
  for (let y = 0; y < height; y += 7) {
    for (let x = 0; x < width; x += 11) {
      const i = (y * width + x) * 4;
      const inside = x >= 80 && y < height - 40;
      expect(Array.from(raster.data.subarray(i, i + 4))).toEqual(
        inside ? [0, 0, 0, 255] : Array.from(before.subarray(i, i + 4)),
      );
    }
  }
});

test('a wash over a large opaque picture is (1 − s)·old + s·colour on every level', () => {
  const raster = createRaster(256, 100);
  for (let i = 0; i < raster.data.length; i += 4) {
    const v = (i >> 2) % 256;
    raster.data.set([v, 255 - v, (v * 7) % 256, 255], i);
  }
  const before = raster.data.slice();
  composite(raster, { type: 'solid', colour: { r: 164, g: 85, b: 58 } }, 0.48);
  for (let i = 0; i < raster.data.length; i++) {
    const wanted =
      (i & 3) === 3 ? 255 : Math.floor(0.52 * before[i] + 0.48 * [164, 85, 58][i & 3] + 0.5 + 1e-9);
    if (raster.data[i] !== wanted) {
      throw new Error(`at ${i}: expected ${wanted} for ${before[i]}, found ${raster.data[i]}`);
    }
  }
});
