import { largestStep } from '../colour/difference';
import { hexOf } from '../colour/hex';
import { levelsOfOklch, oklchOf, type Oklch } from '../colour/oklch';
import { oklabOf, oklabToLinear } from '../colour/oklab';
import { colourOf } from '../colour/parse';
import { levelOfLinear } from '../colour/transfer';
import type { Harmony } from '../harmony/harmony';
import { barInkOf, coloursOf, type PageLook } from '../ownPage/look';
import type { Rgb } from '../raster/raster';
import { offersFor } from '../recolour/offers';
import { hueApart } from '../recolour/hueSelection';
import { hueOf } from '../recolour/neutrals';
import type { Hex } from '../site/model/hex';
import type { RecipeStep } from '../site/model/recipe';
import type { SheetText } from '../theme/readTheme';
import { isDarkSide } from '../theme/schemes';
import type { Declared } from './scanSheet';
import { readOnce } from './sheetsRead';
import { usersOf } from './variables';

/** What colours of a page are for, as its browser shows it; what it has not got is left out. */
export interface PageColours {
  readonly page: Hex;
  readonly content?: Hex;
  readonly bar?: Hex;
  readonly barInk?: Hex;
  readonly text?: Hex;
  readonly headings?: Hex;
  readonly links?: Hex;
}

/** The colours of a page by what they are for. */
export function pageColoursOf(look: PageLook): PageColours {
  const colours = coloursOf(look);
  const of = (role: (typeof colours)[number]['roles'][number]): Hex | undefined =>
    colours.find((c) => c.roles.includes(role))?.hex;
  const barInk = barInkOf(look);
  const found = {
    content: of('content'),
    bar: of('bar'),
    barInk,
    text: of('text'),
    headings: of('headings'),
    links: of('links'),
  };
  return {
    page: of('page')!,
    ...Object.fromEntries(Object.entries(found).filter(([, hex]) => hex !== undefined)),
  };
}

/** What a colour is given to: words, something else, or through a variable both. */
type Use = 'ink' | 'ground' | 'both';

/** Text, and what is drawn as text is. */
const isInk = (property: string): boolean =>
  /^(-webkit-text-fill-color|color|fill|stroke|caret-color|text-decoration(-color)?|text-emphasis(-color)?)$/.test(
    property,
  );

const isShadow = (property: string): boolean => /shadow|^filter$/.test(property);

/** What variables are used for in the end. */
function usesOf(declared: readonly Declared[]): (variable: string) => Use | undefined {
  const users = usersOf(declared);
  const known = new Map<string, Use | undefined>();
  const of = (name: string): Use | undefined => {
    if (!known.has(name)) {
      // A ring of variables is for nothing.
      known.set(name, undefined);
      const all = (users.get(name) ?? []).flatMap((d) =>
        d.property.startsWith('--') ? (of(d.property) ?? []) : purposeOf(d.property),
      );
      known.set(name, all.every((use) => use === all[0]) ? all[0] : 'both');
    }
    return known.get(name);
  };
  return of;
}

const purposeOf = (property: string): Use => (isInk(property) ? 'ink' : 'ground');

/** Selectors of what asks to be pressed: common practice, no source. */
const button = /\b(btn|button|cta|submit)/i;

/** The colour that most buttons have: of those with a hue. */
function accentOf(declared: readonly Declared[]): Hex | undefined {
  const counts = new Map<Hex, number>();
  for (const { property, selector, colours, dark } of declared) {
    if (/^background/.test(property) && button.test(selector) && !dark) {
      for (const { rgb } of colours.filter((c) => hueOf(c.rgb) !== undefined)) {
        counts.set(hexOf(rgb), (counts.get(hexOf(rgb)) ?? 0) + 1);
      }
    }
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

interface Anchor {
  readonly old: Oklch;
  readonly becomes: Oklch;
}

const clamp = (v: number): number => Math.min(1, Math.max(0, v));

/** A shade of what an anchor was becomes the same shade of what it becomes. */
function shaded(colour: Rgb, { old, becomes }: Anchor): Rgb {
  const { lightness, chroma, hue } = oklchOf(colour);
  // Towards black and white there is less room.
  const by = lightness - old.lightness;
  const room =
    by > 0
      ? (1 - becomes.lightness) / Math.max(0.01, 1 - old.lightness)
      : becomes.lightness / Math.max(0.01, old.lightness);
  return levelsOfOklch({
    lightness: clamp(becomes.lightness + by * Math.min(1, room)),
    chroma: becomes.chroma * Math.min(2, chroma / Math.max(0.02, old.chroma)),
    hue: becomes.hue + hue - old.hue,
  });
}

/**
 * What becomes of a page's colours in a harmony. Colours of a role become those of that role; other
 * hues go with the nearest one that has a role, by as much as they are lighter or darker; greys
 * keep their place between the text and what it lies on.
 */
export function pageInHarmony(
  colours: PageColours,
  accent: Hex | undefined,
  { colours: to, onBar }: Harmony,
): (colour: Rgb, use: Use) => Rgb {
  const content = colours.content ?? colours.page;
  const text = colours.text ?? '#000000';
  const grounds = new Map<Hex, Hex>();
  const inks = new Map<Hex, Hex>();
  const put = (map: Map<Hex, Hex>, old: Hex | undefined, becomes: Hex) => {
    if (old !== undefined && !map.has(old)) {
      map.set(old, becomes);
    }
  };
  put(grounds, content, to.content);
  put(grounds, colours.page, to.page);
  put(grounds, colours.bar, to.bar);
  put(grounds, accent, to.accent);
  put(inks, text, to.text);
  put(inks, colours.links, to.link);
  put(inks, colours.headings, to.text);
  put(inks, colours.barInk, onBar);
  const anchors: Anchor[] = [
    [colours.bar, to.bar],
    [accent, to.accent],
    [colours.links, to.link],
    [colours.headings, to.link],
  ].flatMap(([old, becomes]) =>
    old !== undefined && becomes !== undefined && hueOf(colourOf(old)) !== undefined
      ? [{ old: oklchOf(colourOf(old)), becomes: oklchOf(colourOf(becomes)) }]
      : [],
  );
  const [darkest, lightest] = [oklabOf(colourOf(text)), oklabOf(colourOf(content))];
  const [newText, newContent] = [oklabOf(colourOf(to.text)), oklabOf(colourOf(to.content))];
  const span = lightest[0] - darkest[0];
  /** Of a grey: as far from the content as it was, on the way to the text. */
  const between = (colour: Rgb): Rgb => {
    const t = Math.abs(span) < 0.05 ? 1 : (oklabOf(colour)[0] - darkest[0]) / span;
    const [L, a, b] = newText.map(
      (v, i) => v + (newContent[i] - v) * Math.min(1.15, Math.max(-0.15, t)),
    );
    const [r, g, bb] = oklabToLinear(clamp(L), a, b).map((v) => levelOfLinear(clamp(v)));
    return { r, g, b: bb };
  };
  return (colour, use) => {
    const hex = hexOf(colour);
    const ink = use === 'ground' ? undefined : inks.get(hex);
    // What is for both has to be read as words are.
    const role = ink ?? (use === 'ink' ? undefined : grounds.get(hex));
    if (role !== undefined) {
      return colourOf(role);
    }
    const hue = hueOf(colour);
    if (hue === undefined || anchors.length === 0) {
      return between(colour);
    }
    const [nearest] = [...anchors].sort(
      (a, b) => hueApart(a.old.hue, hue) - hueApart(b.old.hue, hue),
    );
    return shaded(colour, nearest);
  };
}

/** Pictures keep their light and shade best where they become about as light as they were. */
function nearestInLightness(colour: Rgb, list: readonly Hex[]): Rgb {
  const { lightness } = oklchOf(colour);
  const off = (hex: Hex): number => Math.abs(oklchOf(colourOf(hex)).lightness - lightness);
  return colourOf([...list].sort((a, b) => off(a) - off(b))[0]);
}

/** What is needed to know what a harmony makes of a theme. */
export interface HarmonyAsked {
  readonly sheets: readonly SheetText[];
  readonly colours: PageColours;
  readonly harmony: Harmony;
  /** The theme's old colour. */
  readonly from: Hex;
  /** Keys of lines that go with something else, such as where a strip ends. */
  readonly bound: ReadonlySet<string>;
}

/** What a harmony makes of a theme. */
export interface HarmonyLaid {
  /** What becomes of each colour of the sheets, by its line's key; those that stay are null. */
  readonly lines: ReadonlyMap<string, Hex | null>;
  /** What becomes of the theme's old colour, and the recipe's steps there for its pictures. */
  readonly to: Hex;
  readonly steps: readonly RecipeStep[];
}

/**
 * What a harmony makes of a theme's style sheets. What has a meaning, code, shadows and dark schemes
 * stay as they are.
 */
export function harmonyOnSheets({
  sheets,
  colours,
  harmony,
  from,
  bound,
}: HarmonyAsked): HarmonyLaid {
  const { scanned, asked } = readOnce(sheets);
  const all = scanned.flatMap((s) => s.declared);
  const used = usesOf(all);
  const becomes = pageInHarmony(colours, accentOf(all), harmony);
  const lines = new Map<string, Hex | null>();
  for (const { path, declared } of scanned) {
    for (const d of declared) {
      const variable = /^(--|\$|@)/.test(d.property);
      const use = variable ? (used(d.property) ?? 'ground') : purposeOf(d.property);
      for (const { start, rgb } of d.colours) {
        const key = `${path}:${start}`;
        if (bound.has(key)) {
          continue;
        }
        const stays =
          asked(d) !== undefined ||
          d.dark ||
          isShadow(d.property) ||
          isDarkSide(d.value, start - d.start);
        const to = stays ? rgb : becomes(rgb, use);
        lines.set(key, largestStep(to, rgb) > 0 ? hexOf(to) : null);
      }
    }
  }
  const to = nearestInLightness(colourOf(from), [harmony.colours.bar, harmony.colours.accent]);
  // Hue and tone: the one way that keeps light and shade whatever the two colours are.
  const steps = offersFor(colourOf(from), to, []).find((o) => o.way === 'hue')?.steps ?? [];
  return { lines, to: hexOf(to), steps };
}
