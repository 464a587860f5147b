import { hexOf } from '../colour/hex';
import { levelsOfOklch, oklchOf, type Oklch } from '../colour/oklch';
import { colourOf } from '../colour/parse';
import { contrastRatio } from '../legibility/contrast';
import type { Rgb } from '../raster/raster';
import { hueOf } from '../recolour/neutrals';
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

/** Shades of a lead colour, and hues that lie beside it. */
function shadesOf(lead: Rgb) {
  const { chroma, hue } = oklchOf(lead);
  const hued = hueOf(lead) !== undefined;
  return {
    hued,
    tinted: (lightness: number, most: number, of = hue): Oklch => ({
      lightness,
      chroma: Math.min(hued ? chroma : 0, most),
      hue: of,
    }),
    beside: (by: number) => ({ chroma: hued ? lively(chroma) : 0, hue: (hue + by + 360) % 360 }),
  };
}

/** Degrees from a hue to its neighbour, and to its opposite. */
const toNeighbour = -40;
const toOpposite = 180;

function lightPlans(lead: Rgb, second: Rgb | undefined): Plan[] {
  const { hued, tinted, beside } = shadesOf(lead);
  const paper = tinted(0.985, 0.005);
  const onPaper = { content: paper, bar: lead };
  return [
    {
      ...onPaper,
      kind: 'own',
      page: tinted(0.945, 0.02),
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
    ...(second
      ? [withSecond(second, { ...onPaper, page: tinted(0.93, 0.03, oklchOf(second).hue) })]
      : []),
    ...(hued && !second
      ? [
          {
            ...onPaper,
            kind: 'neighbour' as const,
            page: tinted(0.93, 0.03, beside(-toNeighbour).hue),
            link: beside(toNeighbour),
            accent: { ...beside(toNeighbour), lightness: 0.58 },
          },
        ]
      : []),
    ...(hued
      ? [
          {
            ...onPaper,
            kind: 'opposite' as const,
            page: tinted(0.95, 0.014),
            link: beside(toOpposite),
            accent: { ...beside(toOpposite), lightness: 0.6 },
          },
        ]
      : []),
  ];
}

function darkPlans(lead: Rgb, second: Rgb | undefined): Plan[] {
  const { hued, tinted, beside } = shadesOf(lead);
  const onDark = { page: tinted(0.17, 0.02), content: tinted(0.23, 0.025), bar: lead };
  const marked = (kind: HarmonyKind, by: number): Plan => ({
    ...onDark,
    kind,
    link: beside(by),
    accent: { ...beside(by), lightness: 0.68 },
  });
  return [
    marked('dark', 0),
    ...(second ? [withSecond(second, onDark)] : []),
    ...(hued && !second ? [marked('neighbour', toNeighbour)] : []),
    ...(hued ? [marked('opposite', toOpposite)] : []),
  ];
}

const withSecond = (second: Rgb, on: Pick<Plan, 'page' | 'content' | 'bar'>): Plan => {
  const { chroma, hue } = oklchOf(second);
  return { ...on, kind: 'second', link: { chroma: lively(chroma), hue }, accent: second };
};

/**
 * Three to five sets of colours around a lead colour, each of which holds its contrasts. Around a
 * grey there are fewer, since it has no hue that others could lie beside.
 * @param on what the content is to be; left out, one of the sets is dark and the others light
 * @throws Error for what is no colour
 */
export function harmoniesOf({ lead, second }: HarmonySeed, on?: 'light' | 'dark'): Harmony[] {
  const [one, other] = [colourOf(lead), second === undefined ? undefined : colourOf(second)];
  const dark = darkPlans(one, other);
  const plans = {
    light: () => lightPlans(one, other),
    dark: () => dark,
    both: () => [...lightPlans(one, other), dark[0]],
  };
  return plans[on ?? 'both']().map(made);
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
