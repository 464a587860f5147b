/**
 * Blend modes of W3C Compositing and Blending Level 1 (Candidate Recommendation Draft, 21 March
 * 2024), section 10.
 * Channels are gamma-encoded sRGB in 0..1; B(backdrop, source).
 */

type Separable = (backdrop: number, source: number) => number;

const screen: Separable = (cb, cs) => cb + cs - cb * cs;
const hardLight: Separable = (cb, cs) => (cs <= 0.5 ? cb * 2 * cs : screen(cb, 2 * cs - 1));

/** Section 10.1, modes that work on each channel alone. */
export const separableModes = {
  normal: (_cb, cs) => cs,
  multiply: (cb, cs) => cb * cs,
  screen,
  overlay: (cb, cs) => hardLight(cs, cb),
  darken: (cb, cs) => Math.min(cb, cs),
  lighten: (cb, cs) => Math.max(cb, cs),
  'color-dodge': (cb, cs) => {
    if (cb === 0) {
      return 0;
    }
    if (cs === 1) {
      return 1;
    }
    return Math.min(1, cb / (1 - cs));
  },
  'color-burn': (cb, cs) => {
    if (cb === 1) {
      return 1;
    }
    if (cs === 0) {
      return 0;
    }
    return 1 - Math.min(1, (1 - cb) / cs);
  },
  'hard-light': hardLight,
  'soft-light': (cb, cs) => {
    if (cs <= 0.5) {
      return cb - (1 - 2 * cs) * cb * (1 - cb);
    }
    const d = cb <= 0.25 ? ((16 * cb - 12) * cb + 4) * cb : Math.sqrt(cb);
    return cb + (2 * cs - 1) * (d - cb);
  },
  difference: (cb, cs) => Math.abs(cb - cs),
  exclusion: (cb, cs) => cb + cs - 2 * cb * cs,
} as const satisfies Record<string, Separable>;

type Triple = [number, number, number];
type NonSeparable = (backdrop: Triple, source: Triple) => Triple;

/** Section 10.2: luminosity, not luminance; the recommendation's own weights. */
const lum = (c: Triple): number => 0.3 * c[0] + 0.59 * c[1] + 0.11 * c[2];
const sat = (c: Triple): number => Math.max(c[0], c[1], c[2]) - Math.min(c[0], c[1], c[2]);

function clipColour(c: Triple): Triple {
  const l = lum(c);
  const n = Math.min(c[0], c[1], c[2]);
  const x = Math.max(c[0], c[1], c[2]);
  let [r, g, b] = c;
  if (n < 0) {
    const k = l / (l - n);
    r = l + (r - l) * k;
    g = l + (g - l) * k;
    b = l + (b - l) * k;
  }
  if (x > 1) {
    const k = (1 - l) / (x - l);
    r = l + (r - l) * k;
    g = l + (g - l) * k;
    b = l + (b - l) * k;
  }
  return [r, g, b];
}

function setLum(c: Triple, l: number): Triple {
  const d = l - lum(c);
  return clipColour([c[0] + d, c[1] + d, c[2] + d]);
}

/**
 * The recommendation sorts the channels; scaling all three from the least gives the same result
 * without sorting.
 */
function setSat(c: Triple, s: number): Triple {
  const n = Math.min(c[0], c[1], c[2]);
  const span = sat(c);
  if (span === 0) {
    return [0, 0, 0];
  }
  const k = s / span;
  return [(c[0] - n) * k, (c[1] - n) * k, (c[2] - n) * k];
}

/** Section 10.2, modes that work on the three channels together. */
export const nonSeparableModes = {
  hue: (cb, cs) => setLum(setSat(cs, sat(cb)), lum(cb)),
  saturation: (cb, cs) => setLum(setSat(cb, sat(cs)), lum(cb)),
  color: (cb, cs) => setLum(cs, lum(cb)),
  luminosity: (cb, cs) => setLum(cb, lum(cs)),
} as const satisfies Record<string, NonSeparable>;

export type SeparableMode = keyof typeof separableModes;
export type NonSeparableMode = keyof typeof nonSeparableModes;
export type BlendMode = SeparableMode | NonSeparableMode;

export const blendModes = [
  ...Object.keys(separableModes),
  ...Object.keys(nonSeparableModes),
] as BlendMode[];

export const isSeparable = (mode: BlendMode): mode is SeparableMode => mode in separableModes;

/**
 * All 65 536 results of a separable mode, in levels 0..255 and not rounded: row is the backdrop's
 * level, column the source's.
 */
export function tabulate(mode: SeparableMode): Float32Array {
  const table = new Float32Array(65536);
  const f = separableModes[mode];
  for (let cb = 0; cb < 256; cb++) {
    for (let cs = 0; cs < 256; cs++) {
      table[(cb << 8) | cs] = 255 * f(cb / 255, cs / 255);
    }
  }
  return table;
}
