import { interpolate, modeOklch, useMode as withMode } from 'culori/fn';
import { toRgb } from '../colour/rgb';
import type { GradientGround } from '../site/model/picture';
import { createRaster, type Raster } from './raster';

withMode(modeOklch);

/** Colours told apart along a gradient. */
const steps = 4096;

/**
 * Ordered dither of 8×8 places (B. E. Bayer, IEEE International Conference on Communications,
 * 1973), −0.5..0.5 of a level and never quite either.
 */
const bayer = (() => {
  let matrix = [[0]];
  for (let size = 1; size < 8; size *= 2) {
    const m = matrix;
    matrix = Array.from({ length: size * 2 }, (_, y) =>
      Array.from(
        { length: size * 2 },
        (__, x) =>
          4 * m[y % size][x % size] +
          [
            [0, 2],
            [3, 1],
          ][y < size ? 0 : 1][x < size ? 0 : 1],
      ),
    );
  }
  return Float32Array.from(matrix.flat(), (v) => (v + 0.5) / 64 - 0.5);
})();

/** Levels with fractions, red green blue, for `steps + 1` places from 0 to 1. */
function ramp({ stops, space }: GradientGround): Float32Array {
  const ordered = [...stops].sort((a, b) => a.at - b.at);
  const mix = interpolate(
    ordered.map((s) => [s.colour, s.at] as [string, number]),
    space === 'oklch' ? 'oklch' : 'rgb',
  );
  const [first, last] = [ordered[0].at, ordered.at(-1)!.at];
  const out = new Float32Array((steps + 1) * 3);
  for (let i = 0; i <= steps; i++) {
    const c = toRgbLevels(mix(Math.min(last, Math.max(first, i / steps))));
    out.set(c, i * 3);
  }
  return out;
}

const toRgbLevels = (colour: Parameters<typeof toRgb>[0]): [number, number, number] => {
  const c = toRgb(colour)!;
  return [c.r, c.g, c.b].map((v) => 255 * Math.min(1, Math.max(0, v))) as [number, number, number];
};

/**
 * How far along the gradient a pixel's middle lies, 0..1 and beyond (CSS Images Level 3, sections
 * 3.1 and 3.2: corner to corner at an angle, or an ellipse to the farthest corner).
 */
function placeOf(
  { shape, angle }: GradientGround,
  width: number,
  height: number,
): (x: number, y: number) => number {
  if (shape === 'radial') {
    const rx = (width / 2) * Math.SQRT2;
    const ry = (height / 2) * Math.SQRT2;
    return (x, y) => Math.hypot((x + 0.5 - width / 2) / rx, (y + 0.5 - height / 2) / ry);
  }
  const turn = (angle * Math.PI) / 180;
  const sx = Math.sin(turn);
  const sy = -Math.cos(turn);
  const length = Math.abs(width * sx) + Math.abs(height * sy);
  return (x, y) => 0.5 + ((x + 0.5 - width / 2) * sx + (y + 0.5 - height / 2) * sy) / length;
}

/**
 * A gradient, opaque. Levels between two are dithered, so that no bands show; where a colour is a
 * whole level, as at flat ends, it is exactly that one. The first and the last line of a straight
 * one are not dithered: each is one colour, which the page can go on in.
 */
export function drawGradient(gradient: GradientGround, width: number, height: number): Raster {
  const out = createRaster(width, height);
  const { data } = out;
  const levels = ramp(gradient);
  const place = placeOf(gradient, width, height);
  const straight = gradient.shape === 'linear' && gradient.angle % 90 === 0;
  const upright = gradient.angle % 180 === 0;
  const isEnd = (x: number, y: number): boolean =>
    straight && (upright ? y === 0 || y === height - 1 : x === 0 || x === width - 1);
  for (let y = 0, at = 0; y < height; y++) {
    for (let x = 0; x < width; x++, at += 4) {
      const t = place(x, y);
      const i = Math.round(Math.max(0, Math.min(1, t)) * steps) * 3;
      const d = (isEnd(x, y) ? 0 : bayer[((y & 7) << 3) | (x & 7)]) + 0.5;
      data[at] = (levels[i] + d) | 0;
      data[at + 1] = (levels[i + 1] + d) | 0;
      data[at + 2] = (levels[i + 2] + d) | 0;
      data[at + 3] = 255;
    }
  }
  return out;
}

/** The colour at a place along a gradient, nearest whole levels. */
export function gradientColour(
  gradient: GradientGround,
  at: number,
): { r: number; g: number; b: number } {
  const levels = ramp(gradient);
  const i = Math.round(Math.min(1, Math.max(0, at)) * steps) * 3;
  return { r: Math.round(levels[i]), g: Math.round(levels[i + 1]), b: Math.round(levels[i + 2]) };
}
