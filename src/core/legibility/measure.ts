import {
  intersect,
  isEmpty,
  wholeRaster,
  type Mask,
  type Raster,
  type Rgb,
} from '../raster/raster';
import { luminance, ratioOf } from './contrast';

/** Px around the glyphs that count as what they stand on. */
export const around = 2;

/** How words stand off what lies behind them: contrast ratios, 1..21. */
export interface TextContrast {
  readonly worst: number;
  /** Nineteen of twenty px are at least this good. */
  readonly fifth: number;
  readonly median: number;
  /** Where the worst is, px of the picture. */
  readonly at: { readonly x: number; readonly y: number };
}

/**
 * Colours that lie behind words, each once: packed as red, green and blue, with how many px have it
 * and where the first is.
 */
export interface Behind {
  readonly colours: Uint32Array;
  readonly counts: Uint32Array;
  readonly places: Uint32Array;
  readonly width: number;
}

/**
 * Marks the px within a distance of covered ones, square by square and so a little more at the
 * corners.
 */
function grown({ data, width, height }: Mask, by: number): Uint8Array {
  const across = new Uint8Array(data.length);
  const out = new Uint8Array(data.length);
  for (let y = 0; y < height; y++) {
    let until = -1;
    for (let x = 0; x < width; x++) {
      if (x + by < width && data[y * width + x + by] >= 128) {
        until = x + 2 * by;
      }
      if (x <= until || hasNear(data, y * width, x, by)) {
        across[y * width + x] = 1;
      }
    }
  }
  for (let x = 0; x < width; x++) {
    for (let y = 0; y < height; y++) {
      for (let v = Math.max(0, y - by); v <= Math.min(height - 1, y + by); v++) {
        if (across[v * width + x]) {
          out[y * width + x] = 1;
          break;
        }
      }
    }
  }
  return out;
}

/** The first px of a row, which no px farther left could have marked. */
const hasNear = (data: Mask['data'], row: number, x: number, by: number): boolean => {
  if (x > by) {
    return false;
  }
  for (let u = 0; u <= x + by; u++) {
    if (data[row + u] >= 128) {
      return true;
    }
  }
  return false;
};

/** Cover from which a px is a glyph's own and not what it stands on. */
const glyphFrom = 26;

/**
 * What lies behind words and two px around them.
 * @param behind the picture without the words and without what lies in front of them
 * @param cover of the words, its corner at x, y of the picture
 * @param ringOnly only the px around the glyphs count, and not those under them: for words whose
 * outline, glow or shadow is drawn in `behind`
 * @returns undefined where no part of them lies in the picture
 */
export function behindWords(
  behind: Raster,
  cover: Mask,
  x: number,
  y: number,
  ringOnly = false,
): Behind | undefined {
  const padded = pad(cover, around);
  const marks = grown(padded, around);
  const left = x - around;
  const top = y - around;
  const area = intersect(
    { x: left, y: top, width: padded.width, height: padded.height },
    wholeRaster(behind),
  );
  if (isEmpty(area)) {
    return undefined;
  }
  const found = new Map<number, { count: number; place: number }>();
  for (let v = area.y; v < area.y + area.height; v++) {
    for (let u = area.x; u < area.x + area.width; u++) {
      const m = (v - top) * padded.width + u - left;
      if (!marks[m] || (ringOnly && padded.data[m] >= glyphFrom)) {
        continue;
      }
      const i = v * behind.width + u;
      const k = i * 4;
      const packed = (behind.data[k] << 16) | (behind.data[k + 1] << 8) | behind.data[k + 2];
      const known = found.get(packed);
      if (known) {
        known.count++;
      } else {
        found.set(packed, { count: 1, place: i });
      }
    }
  }
  if (found.size === 0) {
    return undefined;
  }
  return {
    colours: Uint32Array.from(found.keys()),
    counts: Uint32Array.from(found.values(), (f) => f.count),
    places: Uint32Array.from(found.values(), (f) => f.place),
    width: behind.width,
  };
}

function pad({ data, width, height }: Mask, by: number): Mask {
  const out = new Uint8Array((width + 2 * by) * (height + 2 * by));
  for (let y = 0; y < height; y++) {
    out.set(data.subarray(y * width, (y + 1) * width), (y + by) * (width + 2 * by) + by);
  }
  return { width: width + 2 * by, height: height + 2 * by, data: out };
}

export const unpack = (packed: number): Rgb => ({
  r: packed >> 16,
  g: (packed >> 8) & 255,
  b: packed & 255,
});

/** Words as they are seen: their colour, and how much of it covers what lies behind. */
export interface Ink {
  readonly colour: Rgb;
  readonly opacity: number;
}

/** Contrast of words with one colour behind them; see-through ones are mixed with it first. */
export function inkRatio({ colour, opacity }: Ink, behind: Rgb): number {
  if (opacity >= 1) {
    return ratioOf(luminance(colour), luminance(behind));
  }
  const mix = (own: number, under: number) =>
    Math.floor(under + opacity * (own - under) + 0.5 + 1e-7);
  return ratioOf(
    luminance({
      r: mix(colour.r, behind.r),
      g: mix(colour.g, behind.g),
      b: mix(colour.b, behind.b),
    }),
    luminance(behind),
  );
}

/** Contrast of words with all that lies behind them. */
export function textContrast({ colours, counts, places, width }: Behind, ink: Ink): TextContrast {
  const list = Array.from(colours, (c, i) => ({
    ratio: inkRatio(ink, unpack(c)),
    count: counts[i],
    place: places[i],
  })).sort((a, b) => a.ratio - b.ratio);
  const total = counts.reduce((sum, n) => sum + n, 0);
  /** The least ratio that at least this share of the px does not exceed. */
  const at = (share: number): number => {
    let seen = 0;
    for (const { ratio, count } of list) {
      seen += count;
      if (seen >= share * total) {
        return ratio;
      }
    }
    return list[list.length - 1].ratio;
  };
  const { ratio, place } = list[0];
  return {
    worst: ratio,
    fifth: at(0.05),
    median: at(0.5),
    at: { x: place % width, y: Math.floor(place / width) },
  };
}
