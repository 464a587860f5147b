import { createRaster, type Raster } from '../raster/raster';
import { softened } from '../raster/soften';
import { newTexture } from '../layers/texture';
import type { Axes, JoinMethod } from '../site/model/blendLayers';
import { octaves } from '../texture/noise';
import { drawTexture, textureNames } from '../texture/textures';
import { joinHolds, joinStep } from './join';
import { joined } from './makeJoin';

/**
 * A slope from left to right and from top to bottom with cloudy grain that does not repeat: a step
 * of 150 sideways and 90 down.
 */
function cloudy(width = 96, height = 64): Raster {
  const raster = createRaster(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const grain = 40 * octaves(x / 9 + 0.3, y / 9 + 0.7, 997, 997, 5, 4);
      raster.data.set(
        [
          20 + (150 * x) / (width - 1) + grain,
          40 + (90 * y) / (height - 1) + grain,
          90 + grain,
          255,
        ],
        (y * width + x) * 4,
      );
    }
  }
  return raster;
}

/** One colour that changes by a step at the join alone. */
function stepped(step: number): Raster {
  const raster = createRaster(20, 10);
  for (let y = 0; y < 10; y++) {
    for (let x = 0; x < 20; x++) {
      raster.data.set([100 + Math.round((step * x) / 19), 100, 100, 255], (y * 20 + x) * 4);
    }
  }
  return raster;
}

test('the step across the join is what it is, and the steps inside are what they are', () => {
  expect(joinStep(stepped(0), 'x')).toEqual({ across: 0, inside: 0, largest: 0 });
  const { across, largest, inside } = joinStep(stepped(57), 'x');
  expect([across, largest, inside]).toEqual([57, 57, 3]);
  expect(joinHolds({ across, largest, inside })).toBe(false);
  expect(joinStep(stepped(57), 'y').across).toBe(0);
});

test('a see-through px has no colour that could make a step', () => {
  const r = stepped(0);
  for (let y = 0; y < 10; y++) {
    r.data.set([255, 0, 0, 0], y * 80);
    r.data.set([0, 0, 255, 0], y * 80 + 76);
  }
  expect(joinStep(r, 'x').across).toBe(0);
});

test.each(textureNames)('%s joins both ways', (name) => {
  const mask = drawTexture(newTexture('t', name, '#000000'), 160, 120);
  const raster = createRaster(160, 120);
  for (let i = 0; i < mask.data.length; i++) {
    raster.data.set([mask.data[i], mask.data[i], mask.data[i], 255], i * 4);
  }
  for (const axis of ['x', 'y'] as const) {
    const step = joinStep(raster, axis);
    expect(joinHolds(step)).toBe(true);
  }
});

const methods: JoinMethod[] = ['overlap', 'mirror', 'heal'];

test.each(
  methods.flatMap((method) =>
    (['x', 'y', 'both'] as Axes[]).map((axes) => [method, axes] as const),
  ),
)('%s along %s makes a picture join that did not', (method, axes) => {
  const before = cloudy();
  const after = joined(before, { method, axes, band: 16 });
  expect([after.width, after.height]).toEqual([before.width, before.height]);
  for (const axis of axes === 'both' ? (['x', 'y'] as const) : [axes]) {
    expect(joinHolds(joinStep(before, axis))).toBe(false);
    const step = joinStep(after, axis);
    expect(joinHolds(step)).toBe(true);
    if (method === 'mirror') {
      expect(step.across).toBe(0);
    }
  }
});

test('healing leaves no step where the cross was', () => {
  const before = cloudy();
  const after = joined(before, { method: 'heal', axes: 'x', band: 20 });
  const w = after.width;
  const worst: number[] = [];
  for (let y = 0; y < after.height; y++) {
    // The cross lies somewhere in the middle fifth.
    for (let x = Math.floor(w * 0.38); x < w * 0.62; x++) {
      const step = Math.abs(after.data[(y * w + x) * 4] - after.data[(y * w + x - 1) * 4]);
      worst[x] = (worst[x] ?? 0) + step / after.height;
    }
  }
  // It was 150 levels.
  expect(Math.max(...worst.filter((v) => v !== undefined))).toBeLessThan(10);
});

test('the middle of a picture that is joined by overlap is as it was', () => {
  const before = cloudy();
  const after = joined(before, { method: 'overlap', axes: 'both', band: 12 });
  const k = (32 * before.width + 48) * 4;
  expect([...after.data.subarray(k, k + 4)]).toEqual([...before.data.subarray(k, k + 4)]);
});

test('a blur that wraps keeps a join, one that does not loses it; light and alpha are kept', () => {
  const seamless = joined(cloudy(), { method: 'heal', axes: 'both', band: 16 });
  const mean = (r: Raster, c: number) => {
    let sum = 0;
    for (let i = c; i < r.data.length; i += 4) {
      sum += r.data[i];
    }
    return sum / (r.data.length / 4);
  };
  const wrapped = softened(seamless, 4, 'both');
  const cut = softened(seamless, 4, 'none');
  expect(joinHolds(joinStep(wrapped, 'x'))).toBe(true);
  expect(joinStep(cut, 'x').across).toBeGreaterThan(joinStep(wrapped, 'x').across * 1.5);
  for (let c = 0; c < 4; c++) {
    expect(Math.abs(mean(wrapped, c) - mean(seamless, c))).toBeLessThan(0.6);
  }
});
