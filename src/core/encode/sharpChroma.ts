import { toLinear } from '../colour/transfer';
import type { Raster } from '../raster/raster';

/** Light is looked up in parts of a level. */
const partsOfLevel = 16;

/** Levels below black and above white that a luma and a chroma can make together. */
const beyond = 256;

/** Where black is in the tables of light. */
const black = beyond * partsOfLevel;

/** What a channel adds to the luminance (IEC 61966-2-1) at each part of a level, black below it. */
const lightBy = (weight: number): Float64Array =>
  Float64Array.from({ length: (2 * beyond + 256) * partsOfLevel }, (_, i) => {
    const level = (i - black) / partsOfLevel;
    return weight * Math.fround(toLinear(Math.max(0, Math.min(1, level / 255))));
  });
const redLight = lightBy(0.2126);
const greenLight = lightBy(0.7152);
const blueLight = lightBy(0.0722);

/** Chroma that comes back off by less changes no light that is seen, levels. */
const near = 1;

/** Luma is looked for in steps of so many parts of a level. */
const grain = 2;

/** Means over 2×2 px; the last column and row stand for themselves where there is no next. */
function halved(plane: Float32Array, width: number, height: number): Float32Array {
  const w = (width + 1) >> 1;
  const h = (height + 1) >> 1;
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++) {
    const up = 2 * y * width;
    const down = Math.min(height - 1, 2 * y + 1) * width;
    for (let x = 0; x < w; x++) {
      const left = 2 * x;
      const right = Math.min(width - 1, left + 1);
      out[y * w + x] =
        (plane[up + left] + plane[up + right] + plane[down + left] + plane[down + right]) / 4;
    }
  }
  return out;
}

/**
 * The highest luma, in whole steps, with which a px of that chroma stays below a luminance; 0 where
 * none does.
 * @param b blue's difference from luma
 * @param r red's
 */
function lumaFor(wanted: number, b: number, r: number): number {
  const atRed = black + Math.round(1.402 * r * partsOfLevel);
  const atGreen = black + Math.round((-0.344136 * b - 0.714136 * r) * partsOfLevel);
  const atBlue = black + Math.round(1.772 * b * partsOfLevel);
  let luma = 0;
  for (let step = 128 * partsOfLevel; step >= grain; step >>= 1) {
    const tried = luma + step;
    const light = redLight[atRed + tried] + greenLight[atGreen + tried] + blueLight[atBlue + tried];
    luma = light < wanted ? tried : luma;
  }
  return luma / partsOfLevel;
}

/**
 * A raster whose light comes out right where its file keeps chroma for every second px only. Where
 * colours meet in a sharp edge chroma comes back mixed, and with the luma of before such px are too
 * light or too dark, which is seen sooner than their colour; their luma is set so that with that
 * chroma they have the luminance that they had. Rounded within the eight bits of a channel, so what
 * no luma makes up for stays. Luma and chroma are those of ITU-T T.871.
 * @param smoothed how far decoders smooth the chroma that they double: 1 where they take three parts
 * of the nearest and one of the next, both ways, 0 where they take the nearest alone
 */
export function withSharpChroma(raster: Raster, smoothed: number): Raster {
  const { data, width, height } = raster;
  const n = width * height;
  const blue = new Float32Array(n);
  const red = new Float32Array(n);
  for (let i = 0, k = 0; i < n; i++, k += 4) {
    const r = data[k];
    const g = data[k + 1];
    const b = data[k + 2];
    blue[i] = -0.168736 * r - 0.331264 * g + 0.5 * b;
    red[i] = 0.5 * r - 0.418688 * g - 0.081312 * b;
  }
  const w = (width + 1) >> 1;
  const h = (height + 1) >> 1;
  const halfBlue = halved(blue, width, height);
  const halfRed = halved(red, width, height);
  const next = (smoothed * 3) / 16;
  const both = smoothed / 16;
  const own = 1 - 2 * next - both;
  const out = data.slice();
  for (let y = 0, i = 0; y < height; y++) {
    const row = (y >> 1) * w;
    const other = Math.max(0, Math.min(h - 1, (y >> 1) + (y & 1 ? 1 : -1))) * w;
    for (let x = 0; x < width; x++, i++) {
      const at = x >> 1;
      const beside = Math.max(0, Math.min(w - 1, at + (x & 1 ? 1 : -1)));
      // What a decoder makes of it.
      const b =
        own * halfBlue[row + at] +
        next * (halfBlue[row + beside] + halfBlue[other + at]) +
        both * halfBlue[other + beside];
      const r =
        own * halfRed[row + at] +
        next * (halfRed[row + beside] + halfRed[other + at]) +
        both * halfRed[other + beside];
      if (Math.abs(b - blue[i]) + Math.abs(r - red[i]) <= near) {
        continue;
      }
      const k = i * 4;
      const wanted =
        redLight[black + data[k] * partsOfLevel] +
        greenLight[black + data[k + 1] * partsOfLevel] +
        blueLight[black + data[k + 2] * partsOfLevel];
      const luma = lumaFor(wanted, b, r);
      out[k] = luma + 1.402 * red[i];
      out[k + 1] = luma - 0.344136 * blue[i] - 0.714136 * red[i];
      out[k + 2] = luma + 1.772 * blue[i];
    }
  }
  return { width, height, data: out };
}
