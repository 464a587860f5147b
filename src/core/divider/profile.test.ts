import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import sharp from 'sharp';
import { createComposer } from '../compose/compose';
import { newProfile } from '../layers/profile';
import { joinStep } from '../seam/join';
import type { ProfileLayer } from '../site/model/blendLayers';
import { profilesOf, profileSvg } from './profile';
import { profileNames } from './profileNames';
import { wholePhotos } from '../frame/photos';

const clay = '#a4553a';
const slot = { width: 480, height: 90 };
const drawn = (layer: ProfileLayer) =>
  createComposer({
    glyphs: { has: () => false } as never,
    photos: wholePhotos(() => undefined),
  }).compose({
    ...slot,
    ground: { type: 'none' },
    layers: [layer],
  }).raster;

test.each(profileNames.flatMap((name) => [1, 3].map((depths) => [name, depths] as const)))(
  '%s, %i deep: its lowest row is exactly the section’s colour or see-through, and it joins sideways',
  (name, depths) => {
    const layer = { ...newProfile('p', name, clay, slot.width), depths };
    const r = drawn(layer);
    const row = r.data.subarray((slot.height - 1) * slot.width * 4);
    for (let x = 0; x < slot.width; x++) {
      if (row[x * 4 + 3] > 0) {
        expect([...row.subarray(x * 4, x * 4 + 3)]).toEqual([0xa4, 0x55, 0x3a]);
      }
    }
    // A profile with upright edges may have one of them at the join, as anywhere.
    for (const { line } of profilesOf(layer, slot)) {
      expect([line[0].x, line[line.length - 1].x]).toEqual([0, slot.width]);
    }
    if (name !== 'slope' && name !== 'step') {
      for (const { line } of profilesOf(layer, slot)) {
        expect(Math.abs(line[0].y - line[line.length - 1].y)).toBeLessThan(1e-6);
      }
      const { across, inside } = joinStep(r, 'x');
      expect(across).toBeLessThanOrEqual(Math.max(2, inside * 1.6));
    }
  },
);

test.each(['wave', 'ridge', 'torn'] as const)(
  '%s: where it stands on its section, nothing shows through',
  (name) => {
    const r = drawn(newProfile('p', name, clay, slot.width));
    const row = r.data.subarray((slot.height - 1) * slot.width * 4);
    const covered = Array.from({ length: slot.width }, (_, x) => row[x * 4 + 3]).filter(
      (a) => a === 255,
    ).length;
    expect(covered).toBeGreaterThan(slot.width * 0.85);
  },
);

// librsvg, through sharp: another program's drawing of the file.
test.each(profileNames.flatMap((name) => [1, 2, 3].map((depths) => [name, depths] as const)))(
  'the SVG of a %s, %i deep, is the picture within antialiasing',
  async (name, depths) => {
    const layer = { ...newProfile('p', name, clay, slot.width), depths };
    const ours = drawn(layer);
    const { data, info } = await sharp(Buffer.from(profileSvg([layer], slot)))
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([slot.width, slot.height]);
    let worst = 0;
    let off = 0;
    for (let i = 3; i < data.length; i += 4) {
      const d = Math.abs(data[i] - ours.data[i]);
      worst = Math.max(worst, d);
      if (d > 3) {
        off++;
      }
    }
    // Both cover edges by area, librsvg with a grid of its own for each px; inside, opacities are
    // rounded to a hundredth in the file.
    expect(worst).toBeLessThanOrEqual(40);
    expect(off / (slot.width * slot.height)).toBeLessThan(0.02);
  },
);

test('a seed is another profile, the same seed the same', () => {
  for (const name of ['ridge', 'step', 'torn'] as const) {
    const one = newProfile('p', name, clay, 480);
    expect(profileSvg([one], slot)).toBe(profileSvg([{ ...one }], slot));
    expect(profileSvg([one], slot)).not.toBe(profileSvg([{ ...one, seed: 2 }], slot));
  }
});

test('whatever the parameters, all lines stay in the slot and go on to the right', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...profileNames),
      fc.integer({ min: 1, max: 40 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.integer({ min: 1, max: 3 }),
      fc.nat(999),
      (name, count, rise, depths, seed) => {
        for (const { line } of profilesOf(
          { ...newProfile('p', name, clay, 480), count, rise, depths, seed },
          slot,
        )) {
          const heights = line.map(({ y }) => y);
          expect(Math.min(...heights)).toBeGreaterThanOrEqual(-1e-6);
          expect(Math.max(...heights)).toBeLessThanOrEqual(slot.height + 1e-6);
          const on = line.slice(1).map(({ x }, i) => x - line[i].x);
          expect(Math.min(0, ...on)).toBeGreaterThanOrEqual(-1e-9);
        }
      },
    ),
    { numRuns: randomRuns(80) },
  );
});
