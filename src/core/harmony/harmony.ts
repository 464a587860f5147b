import { hexOf } from '../colour/hex';
import { levelsOfOklch, oklchOf, type Oklch } from '../colour/oklch';
import { colourOf } from '../colour/parse';
import { contrastRatio } from '../legibility/contrast';
import type { Rgb } from '../raster/raster';
import { hueOf } from '../recolour/spare';
import type { Hex } from '../site/model/hex';

/** What the colours of a page are for, as a harmony gives them. */
export const harmonyRoles = ['page', 'content', 'text', 'link', 'bar', 'accent'] as const;

export type HarmonyRole = (typeof harmonyRoles)[number];

/**
 * How the colours go together: shades of one hue, on a deep ground, with a hue beside it or across
 * from it, with another colour of the photograph, or light on dark.
 */
export type HarmonyKind = 'own' | 'deep' | 'neighbour' | 'opposite' | 'second' | 'dark';

/** Colours for a whole page that go together and can be read on each other. */
export interface Harmony {
  readonly kind: HarmonyKind;
  readonly colours: Readonly<Record<HarmonyRole, Hex>>;
  /** For words that lie on the page beside the content, on the bar, on what has the accent. */
  readonly onPage: Hex;
  readonly onBar: Hex;
  readonly onAccent: Hex;
}

/** What a harmony is made of. */
export interface HarmonySeed {
  /** It is the bar's, to the level, wherever a bar can have it. */
  readonly lead: Hex;
  /** Another colour of the same photograph, if there is one with a hue of its own. */
  readonly second?: Hex;
}

/** A colour against another one that it is seen on. */
interface Hold {
  readonly on: Rgb;
  readonly ratio: number;
}

/** A little more than is wanted, so that nothing is said to be 4.5 that another rounding has as 4.49. */
const margin = 1.01;

/** Contrast ratios that a harmony holds; sources beside the figures that are shown. */
export const wantedRatios = {
  /** Success criterion 1.4.6 of WCAG 2.2 (AAA) for what is read most. */
  text: 7,
  /** Success criterion 1.4.3 (AA). */
  words: 4.5,
  /** Of a link against the text around it: technique G183 for success criterion 1.4.1. */
  linkInText: 3,
  /** Of what is not text: success criterion 1.4.11. */
  thing: 3,
} as const;

const holdsAll = (colour: Rgb, holds: readonly Hold[]): boolean =>
  holds.every(({ on, ratio }) => contrastRatio(colour, on) >= ratio * margin);

/**
 * The first of a hue's shades, from one lightness towards another, that holds against all it is
 * seen on; black or white at the far end where none does.
 */
function firstShade(
  { chroma, hue }: Pick<Oklch, 'chroma' | 'hue'>,
  from: number,
  to: 0 | 1,
  holds: readonly Hold[],
): Rgb {
  const step = to > from ? 0.005 : -0.005;
  for (let lightness = from; step > 0 ? lightness <= 1 : lightness >= 0; lightness += step) {
    const shade = levelsOfOklch({ lightness, chroma, hue });
    if (holdsAll(shade, holds)) {
      return shade;
    }
  }
  return to === 1 ? { r: 255, g: 255, b: 255 } : { r: 0, g: 0, b: 0 };
}

/** Words on a ground: nearly white or nearly black with a little of a hue, whichever is clearer. */
function inkOn(ground: Rgb, { chroma, hue }: Pick<Oklch, 'chroma' | 'hue'>): Rgb {
  const tint = Math.min(chroma, 0.015);
  const hold = [{ on: ground, ratio: wantedRatios.words }];
  const light = firstShade({ chroma: tint, hue }, 0.97, 1, hold);
  const dark = firstShade({ chroma: tint, hue }, 0.22, 0, hold);
  return contrastRatio(light, ground) >= contrastRatio(dark, ground) ? light : dark;
}

interface Plan {
  readonly kind: HarmonyKind;
  readonly page: Oklch;
  readonly content: Oklch;
  readonly bar: Rgb;
  /** Hue and chroma of links and of what has the accent. */
  readonly link: Pick<Oklch, 'chroma' | 'hue'>;
  readonly accent: Oklch | Rgb;
}

function made({ kind, page, content, bar, link, accent }: Plan): Harmony {
  const [paper, around] = [levelsOfOklch(content), levelsOfOklch(page)];
  const dark = content.lightness < 0.5;
  // Words stand on the page itself too, where it is as light as the content.
  const onBoth = Math.abs(page.lightness - content.lightness) < 0.2 ? [paper, around] : [paper];
  const words = onBoth.map((on) => ({ on, ratio: wantedRatios.words }));
  // Links first, as near to their ground as they may be: what is left is for the text beside them.
  const linked = firstShade(link, dark ? 0.5 : 0.72, dark ? 1 : 0, words);
  const tint = { hue: content.hue, chroma: Math.min(content.chroma * 2, 0.02) };
  const text = firstShade(tint, dark ? 0.88 : 0.3, dark ? 1 : 0, [
    { on: paper, ratio: wantedRatios.text },
    ...words,
    { on: linked, ratio: wantedRatios.linkInText },
  ]);
  const seen = [{ on: paper, ratio: wantedRatios.thing }];
  const given = 'lightness' in accent ? levelsOfOklch(accent) : accent;
  const marked = holdsAll(given, seen)
    ? given
    : firstShade(oklchOf(given), oklchOf(given).lightness, dark ? 1 : 0, seen);
  return {
    kind,
    colours: {
      page: hexOf(around),
      content: hexOf(paper),
      text: hexOf(text),
      link: hexOf(linked),
      bar: hexOf(bar),
      accent: hexOf(marked),
    },
    onPage: hexOf(onBoth.length > 1 ? text : inkOn(around, page)),
    onBar: hexOf(inkOn(bar, content)),
    onAccent: hexOf(inkOn(marked, content)),
  };
}

/** Chroma that is a plain colour and not a glaring one (ours, by looking). */
const lively = (chroma: number): number => Math.min(0.17, Math.max(0.08, chroma * 1.1));

/**
 * Three to five sets of colours around a lead colour, each of which holds its contrasts. Around a
 * grey there are three, since it has no hue that others could lie beside.
 * @throws Error for what is no colour
 */
export function harmoniesOf({ lead: hex, second: other }: HarmonySeed): Harmony[] {
  const lead = colourOf(hex);
  const { chroma, hue } = oklchOf(lead);
  const second = other === undefined ? undefined : colourOf(other);
  const hued = hueOf(lead) !== undefined;
  const strong = hued ? lively(chroma) : 0;
  const tinted = (lightness: number, most: number, of = hue): Oklch => ({
    lightness,
    chroma: Math.min(hued ? chroma : 0, most),
    hue: of,
  });
  const beside = (by: number) => ({ chroma: strong, hue: (hue + by + 360) % 360 });
  const paper = tinted(0.985, 0.005);
  const plans: Plan[] = [
    {
      kind: 'own',
      page: tinted(0.945, 0.02),
      content: paper,
      bar: lead,
      link: beside(0),
      accent: { ...beside(0), lightness: 0.55 },
    },
    {
      kind: 'deep',
      page: tinted(0.3, 0.05),
      content: tinted(0.965, 0.012),
      bar: levelsOfOklch(tinted(0.22, 0.045)),
      link: beside(0),
      accent: hued ? lead : { ...beside(0), lightness: 0.45 },
    },
  ];
  if (second) {
    const { chroma: c, hue: h } = oklchOf(second);
    plans.push({
      kind: 'second',
      page: tinted(0.93, 0.03, h),
      content: paper,
      bar: lead,
      link: { chroma: lively(c), hue: h },
      accent: second,
    });
  } else if (hued) {
    plans.push({
      kind: 'neighbour',
      page: tinted(0.93, 0.03, beside(40).hue),
      content: paper,
      bar: lead,
      link: beside(-40),
      accent: { ...beside(-40), lightness: 0.58 },
    });
  }
  if (hued) {
    plans.push({
      kind: 'opposite',
      page: tinted(0.95, 0.014),
      content: paper,
      bar: lead,
      link: beside(180),
      accent: { ...beside(180), lightness: 0.6 },
    });
  }
  plans.push({
    kind: 'dark',
    page: tinted(0.17, 0.02),
    content: tinted(0.23, 0.025),
    bar: lead,
    link: beside(0),
    accent: second ?? { ...beside(0), lightness: 0.68 },
  });
  return plans.map(made);
}

/** A colour of a harmony against another one that it is seen on. */
export interface HarmonyFigure {
  readonly of: HarmonyRole | 'onPage' | 'onBar' | 'onAccent';
  readonly on: HarmonyRole;
  /** 1..21. */
  readonly ratio: number;
  readonly wanted: number;
}

/** The contrasts of a harmony, those that are read most first. */
export function figuresOf(harmony: Harmony): HarmonyFigure[] {
  const { colours, onPage, onBar, onAccent } = harmony;
  const all = { ...colours, onPage, onBar, onAccent };
  const pairs: readonly Omit<HarmonyFigure, 'ratio'>[] = [
    { of: 'text', on: 'content', wanted: wantedRatios.text },
    { of: 'link', on: 'content', wanted: wantedRatios.words },
    { of: 'link', on: 'text', wanted: wantedRatios.linkInText },
    { of: 'onBar', on: 'bar', wanted: wantedRatios.words },
    { of: 'onAccent', on: 'accent', wanted: wantedRatios.words },
    { of: 'accent', on: 'content', wanted: wantedRatios.thing },
    { of: 'onPage', on: 'page', wanted: wantedRatios.words },
    // Links stand on the page itself only where its text does.
    ...(onPage === colours.text
      ? [{ of: 'link', on: 'page', wanted: wantedRatios.words } as const]
      : []),
  ];
  return pairs.map((pair) => ({
    ...pair,
    ratio: contrastRatio(colourOf(all[pair.of]), colourOf(colours[pair.on])),
  }));
}
