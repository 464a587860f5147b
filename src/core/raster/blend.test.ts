import { createCanvas, ImageData as SkiaImageData } from '@napi-rs/canvas';
import { blendModes, nonSeparableModes, separableModes, tabulate, type BlendMode } from './blend';
import { composite } from './composite';
import { createRaster, type Raster } from './raster';

const levels = Array.from({ length: 18 }, (_, i) => i / 17);

describe('separable modes, against W3C Compositing and Blending Level 1, section 10.1', () => {
  const { normal, multiply, screen, overlay, darken, lighten, difference, exclusion } =
    separableModes;

  test.each([
    // Worked by hand from the formulas of the recommendation.
    ['multiply', 0.5, 0.5, 0.25],
    ['screen', 0.5, 0.5, 0.75],
    ['overlay', 0.25, 0.5, 0.25],
    ['overlay', 0.75, 0.5, 0.75],
    ['darken', 0.2, 0.7, 0.2],
    ['lighten', 0.2, 0.7, 0.7],
    ['color-dodge', 0.25, 0.5, 0.5],
    ['color-dodge', 0, 1, 0],
    ['color-dodge', 0.3, 1, 1],
    ['color-burn', 0.75, 0.5, 0.5],
    ['color-burn', 1, 0, 1],
    ['color-burn', 0.3, 0, 0],
    ['hard-light', 0.5, 0.25, 0.25],
    ['hard-light', 0.5, 0.75, 0.75],
    ['soft-light', 0.25, 0.25, 0.15625],
    ['soft-light', 0.2, 0.75, 0.324],
    ['soft-light', 0.64, 0.75, 0.72],
    ['difference', 0.25, 0.75, 0.5],
    ['exclusion', 0.5, 0.5, 0.5],
  ] as const)('%s of backdrop %d and source %d is %d', (mode, cb, cs, wanted) => {
    expect(separableModes[mode](cb, cs)).toBeCloseTo(wanted, 12);
  });

  test('what the recommendation says of the modes in words', () => {
    for (const c of levels) {
      expect(normal(0.3, c)).toBe(c);
      expect(multiply(c, 1)).toBe(c);
      expect(multiply(c, 0)).toBe(0);
      expect(screen(c, 0)).toBe(c);
      expect(screen(c, 1)).toBeCloseTo(1, 12);
      expect(difference(c, 1)).toBeCloseTo(1 - c, 12);
      expect(exclusion(c, 1)).toBeCloseTo(1 - c, 12);
      expect(difference(c, 0)).toBe(c);
      for (const d of levels) {
        expect(overlay(c, d)).toBeCloseTo(separableModes['hard-light'](d, c), 12);
        expect(screen(c, d)).toBeCloseTo(1 - (1 - c) * (1 - d), 12);
        expect(darken(c, d) + lighten(c, d)).toBeCloseTo(c + d, 12);
      }
    }
  });

  test('a table holds the formula at every pair of levels', () => {
    const table = tabulate('soft-light');
    for (let cb = 0; cb < 256; cb += 5) {
      for (let cs = 0; cs < 256; cs += 3) {
        expect(table[(cb << 8) | cs]).toBeCloseTo(
          255 * separableModes['soft-light'](cb / 255, cs / 255),
          4,
        );
      }
    }
  });
});

describe('non-separable modes, section 10.2', () => {
  const lum = (c: readonly number[]) => 0.3 * c[0] + 0.59 * c[1] + 0.11 * c[2];
  const { hue, saturation, color, luminosity } = nonSeparableModes;

  test("hue, saturation and colour keep the luminosity of the backdrop, luminosity takes the source's", () => {
    for (const a of levels.slice(1, -1)) {
      for (const b of levels) {
        const cb = [a, b, 1 - a] as [number, number, number];
        const cs = [b, 0.4, a] as [number, number, number];
        expect(lum(hue(cb, cs))).toBeCloseTo(lum(cb), 10);
        expect(lum(saturation(cb, cs))).toBeCloseTo(lum(cb), 10);
        expect(lum(color(cb, cs))).toBeCloseTo(lum(cb), 10);
        expect(lum(luminosity(cb, cs))).toBeCloseTo(lum(cs), 10);
        expect(luminosity(cb, cs)).toEqual(color(cs, cb));
      }
    }
  });

  test('colour of pure red on mid grey, worked by hand with ClipColor', () => {
    // SetLum((1,0,0), 0.5): d = 0.2 gives (1.2, 0.2, 0.2); L = 0.5, x = 1.2, so every channel is L
    // + (C − L)·0.5/0.7.
    const result = color([0.5, 0.5, 0.5], [1, 0, 0]);
    expect(result[0]).toBeCloseTo(1, 12);
    expect(result[1]).toBeCloseTo(0.5 - 0.3 * (0.5 / 0.7), 12);
  });
});

describe('all modes against Skia (@napi-rs/canvas)', () => {
  /**
   * Repeatable colours. Skia keeps pixels multiplied by their alpha in eight bits, so levels in
   * fives and alphas in fifths are used, which that form holds exactly; otherwise its own rounding
   * would be compared, not the modes.
   */
  function noise(width: number, height: number, seed: number, opaque: boolean): Raster {
    const raster = createRaster(width, height);
    let state = seed;
    const next = (below: number) =>
      ((state = (Math.imul(state, 1664525) + 1013904223) >>> 0) >>> 8) % below;
    for (let i = 0; i < raster.data.length; i += 4) {
      for (let c = 0; c < 3; c++) {
        raster.data[i + c] = 5 * next(52);
      }
      raster.data[i + 3] = opaque ? 255 : 51 * (1 + next(5));
    }
    return raster;
  }

  function skia(backdrop: Raster, source: Raster, mode: BlendMode): Uint8ClampedArray {
    const put = (r: Raster) => {
      const canvas = createCanvas(r.width, r.height);
      canvas
        .getContext('2d')
        .putImageData(new SkiaImageData(new Uint8ClampedArray(r.data), r.width, r.height), 0, 0);
      return canvas;
    };
    const base = put(backdrop);
    const context = base.getContext('2d');
    context.globalCompositeOperation = mode === 'normal' ? 'source-over' : mode;
    context.drawImage(put(source), 0, 0);
    return context.getImageData(0, 0, backdrop.width, backdrop.height).data;
  }

  test.each(
    blendModes.flatMap(
      (mode) =>
        [
          [mode, true],
          [mode, false],
        ] as const,
    ),
  )('%s, opaque backdrop %s', (mode, opaque) => {
    const backdrop = noise(64, 32, 7, opaque);
    const source = noise(64, 32, 99, false);
    const theirs = skia(backdrop, source, mode);
    composite(backdrop, { type: 'raster', raster: source, x: 0, y: 0 }, 1, mode);
    let worst = 0;
    for (let i = 0; i < theirs.length; i++) {
      // Compared multiplied by alpha, the form Skia keeps: undoing that again would add its
      // rounding a second time.
      const seen = (data: Uint8ClampedArray) =>
        i % 4 === 3 ? data[i] : Math.round((data[i] * data[i | 3]) / 255);
      worst = Math.max(worst, Math.abs(seen(theirs) - seen(backdrop.data)));
    }
    // Skia takes twice a product that it has already rounded to a level off these two: its own
    // error alone is 2.
    const doubled = !opaque && (mode === 'difference' || mode === 'exclusion');
    expect(worst).toBeLessThanOrEqual(doubled ? 3 : 2);
  });
});
