import { converter, type Color } from 'culori/fn';
import type { Rgb } from '../raster/raster';
import './modes';
import { levelsOf, parsed } from './parse';

/*
 * Colours that CSS computes from others: color-mix() (CSS Color Module Level 5, section 3) and
 * relative colours (section 4). Of their arithmetic, calc() with + - * / and brackets.
 */

type Mode = 'rgb' | 'lrgb' | 'hsl' | 'hwb' | 'lab' | 'lch' | 'oklab' | 'oklch' | 'xyz50' | 'xyz65';

const modeOf: Readonly<Record<string, Mode>> = {
  srgb: 'rgb',
  'srgb-linear': 'lrgb',
  hsl: 'hsl',
  hwb: 'hwb',
  lab: 'lab',
  lch: 'lch',
  oklab: 'oklab',
  oklch: 'oklch',
  xyz: 'xyz65',
  'xyz-d50': 'xyz50',
  'xyz-d65': 'xyz65',
};

/** Channels of a relative colour, in the order they are written, with what 100 % of each is. */
const channelsOf: Readonly<
  Record<
    string,
    {
      mode: Mode;
      names: readonly [string, string, string];
      full: readonly number[];
      unit: readonly number[];
    }
  >
> = {
  rgb: { mode: 'rgb', names: ['r', 'g', 'b'], full: [255, 255, 255], unit: [255, 255, 255] },
  hsl: { mode: 'hsl', names: ['h', 's', 'l'], full: [360, 100, 100], unit: [1, 100, 100] },
  hwb: { mode: 'hwb', names: ['h', 'w', 'b'], full: [360, 100, 100], unit: [1, 100, 100] },
  lab: { mode: 'lab', names: ['l', 'a', 'b'], full: [100, 125, 125], unit: [1, 1, 1] },
  lch: { mode: 'lch', names: ['l', 'c', 'h'], full: [100, 150, 360], unit: [1, 1, 1] },
  oklab: { mode: 'oklab', names: ['l', 'a', 'b'], full: [1, 0.4, 0.4], unit: [1, 1, 1] },
  oklch: { mode: 'oklch', names: ['l', 'c', 'h'], full: [1, 0.4, 360], unit: [1, 1, 1] },
};

const hues = new Set<string>(['hsl', 'hwb', 'lch', 'oklch']);

/** Splits at a sign that stands in no bracket. */
function split(text: string, sign: RegExp): string[] {
  const parts: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '(') {
      depth++;
    } else if (text[i] === ')') {
      depth--;
    } else if (depth === 0 && sign.test(text[i])) {
      parts.push(text.slice(from, i));
      from = i + 1;
    }
  }
  return [...parts, text.slice(from)].map((p) => p.trim()).filter((p) => p !== '');
}

/** A function's name and what stands in its brackets; undefined where a text is no function. */
function call(text: string): { name: string; inside: string } | undefined {
  const m = /^([a-z-]+)\(([\s\S]*)\)$/i.exec(text.trim());
  return m ? { name: m[1].toLowerCase(), inside: m[2] } : undefined;
}

/** Sums and products of numbers and names. @returns undefined where something else stands there */
function sum(text: string, value: (word: string) => number | undefined): number | undefined {
  let at = 0;
  const tokens = text.match(/[-+]?(?:\d+(?:\.\d+)?|\.\d+)(?:e[-+]?\d+)?%?|[a-z]+|[-+*/()]/gi) ?? [];
  // A sign that has a number or bracket before it is an operator.
  const words = tokens.flatMap((t, i) =>
    /^[-+]\d|^[-+]\./.test(t) && i > 0 && !/^[-+*/(]$/.test(tokens[i - 1])
      ? [t[0], t.slice(1)]
      : [t],
  );
  const factor = (): number | undefined => {
    const word = words[at++];
    if (word === '(') {
      const inner = terms();
      at++;
      return inner;
    }
    if (word === '-' || word === '+') {
      const next = factor();
      return next === undefined || word === '+' ? next : -next;
    }
    return word === undefined || word === 'calc' ? factorAfter(word) : value(word);
  };
  const factorAfter = (word: string | undefined) => (word === undefined ? undefined : factor());
  const products = (): number | undefined => {
    let left = factor();
    while (words[at] === '*' || words[at] === '/') {
      const sign = words[at++];
      const right = factor();
      if (left === undefined || right === undefined) {
        return undefined;
      }
      left = sign === '*' ? left * right : left / right;
    }
    return left;
  };
  const terms = (): number | undefined => {
    let left = products();
    while (words[at] === '+' || words[at] === '-') {
      const sign = words[at++];
      const right = products();
      if (left === undefined || right === undefined) {
        return undefined;
      }
      left = sign === '+' ? left + right : left - right;
    }
    return left;
  };
  const found = terms();
  return at >= words.length && found !== undefined && Number.isFinite(found) ? found : undefined;
}

function relative(name: string, inside: string): Color | undefined {
  const channels = channelsOf[name.replace(/a$/, '')] ?? channelsOf[name];
  const [main, alphaText] = split(inside, /\//);
  const [, origin, ...parts] = split(main, /\s/);
  const from = channels && origin ? computed(origin) : undefined;
  if (!channels || !from || parts.length !== 3) {
    return undefined;
  }
  const own = converter(channels.mode)(from) as unknown as Record<string, number | undefined>;
  const named = (word: string): number | undefined => {
    const at = channels.names.indexOf(word.toLowerCase());
    if (at >= 0) {
      return (own[channels.names[at]] ?? 0) * channels.unit[at];
    }
    return word.toLowerCase() === 'alpha' ? (from.alpha ?? 1) : undefined;
  };
  const read = (text: string, full: number): number | undefined =>
    text.toLowerCase() === 'none'
      ? 0
      : sum(text, (word) =>
          /^[-+.\d]/.test(word)
            ? parseFloat(word) * (word.endsWith('%') ? full / 100 : 1)
            : named(word),
        );
  const values = parts.map((p, i) => read(p.replace(/deg$/i, ''), channels.full[i]));
  const alpha = alphaText === undefined ? (from.alpha ?? 1) : read(alphaText, 1);
  if (values.some((v) => v === undefined) || alpha === undefined) {
    return undefined;
  }
  const colour = Object.fromEntries(
    channels.names.map((n, i) => [n, values[i]! / channels.unit[i]]),
  );
  return { mode: channels.mode, ...colour, alpha } as unknown as Color;
}

/** A hue brought within half a turn of another. */
function nearHue(hue: number, to: number): number {
  if (to - hue > 180) {
    return hue + 360;
  }
  return to - hue < -180 ? hue - 360 : hue;
}

function mixed(inside: string): Color | undefined {
  const [method, ...sides] = split(inside, /,/);
  const space = /^in\s+([a-z0-9-]+)\s*(?:shorter\s+hue)?$/i.exec(method ?? '')?.[1].toLowerCase();
  const mode = space === undefined ? undefined : modeOf[space];
  if (!mode || sides.length !== 2) {
    return undefined;
  }
  const read = (side: string) => {
    const words = split(side, /\s/);
    const percent = words.find((w) => /^(?:\d+(?:\.\d+)?|\.\d+)%$/.test(w));
    const colour = computed(words.filter((w) => w !== percent).join(' '));
    return { colour, percent: percent === undefined ? undefined : parseFloat(percent) };
  };
  const [a, b] = sides.map(read);
  if (!a.colour || !b.colour) {
    return undefined;
  }
  const first = a.percent ?? (b.percent === undefined ? 50 : 100 - b.percent);
  const second = b.percent ?? 100 - first;
  const share = second / (first + second);
  const [one, two] = [a.colour, b.colour].map(
    (c) => converter(mode)(c) as unknown as Record<string, number | undefined>,
  );
  const [alphaOne, alphaTwo] = [a.colour.alpha ?? 1, b.colour.alpha ?? 1];
  const alpha = alphaOne * (1 - share) + alphaTwo * share;
  const names =
    Object.values(channelsOf).find((c) => c.mode === mode)?.names ??
    (mode.startsWith('xyz') ? (['x', 'y', 'z'] as const) : (['r', 'g', 'b'] as const));
  const channels = names.map((name) => {
    // A colour without a hue takes the other's.
    const [v, w] = [one[name] ?? two[name] ?? 0, two[name] ?? one[name] ?? 0];
    if (name === 'h' && hues.has(mode)) {
      const near = nearHue(v, w);
      return [name, (((near + (w - near) * share) % 360) + 360) % 360];
    }
    return [name, alpha === 0 ? 0 : (v * alphaOne * (1 - share) + w * alphaTwo * share) / alpha];
  });
  const less = Math.min(1, (first + second) / 100);
  return { mode, ...Object.fromEntries(channels), alpha: alpha * less } as unknown as Color;
}

function computed(text: string): Color | undefined {
  const made = call(text);
  if (made?.name === 'color-mix') {
    return mixed(made.inside);
  }
  if (made && /^\s*from\s/i.test(made.inside)) {
    return relative(made.name, made.inside);
  }
  return parsed(text);
}

/**
 * Reads a CSS colour that may be computed from others, variables and schemes put in: what `parse`
 * reads, color-mix(), and relative colours of rgb, hsl, hwb, lab, lch, oklab and oklch. Alpha is
 * dropped, and what lies outside sRGB clamped.
 * @returns levels 0..255, or undefined where it is no such colour
 */
export const tryComputed = (text: string): Rgb | undefined => levelsOf(computed(text));
