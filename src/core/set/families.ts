import { deltaE } from '../colour/difference';
import { hexOf } from '../colour/hex';
import { colourOf } from '../colour/parse';
import type { Rgb } from '../raster/raster';
import type { Sample } from '../recolour/offers';
import { hueApart, selectedShareOfAll, sameHue } from '../recolour/hueSelection';
import { hueOf } from '../recolour/neutrals';
import type { Hex } from '../site/model/hex';
import type { AskedFamily, PieceSet } from '../site/model/pieceSet';
import type { SheetText } from '../theme/readTheme';
import { customProperties } from '../theme/readTheme';
import { resolveVars } from '../theme/customProperties';
import { readStylesheet } from '../theme/stylesheet';
import { colourSpans } from './colourSpans';
import { askedFamilies, isSourceVariable } from './meaning';
import type { Declared } from './scanSheet';

/** What binds colours of a theme together: a hue, or what they are for. */
export type FamilyKind = 'brand' | 'hue' | 'neutral' | AskedFamily;

/** A colour of a theme. */
export interface Member {
  readonly hex: Hex;
  /** How much of the theme it is, by where it is used and what it covers; any measure. */
  readonly weight: number;
  /** Places in the style sheets. */
  readonly uses: number;
  /** Pieces that have it among their main colours. */
  readonly pieces: number;
}

/** Colours that belong together, the weightiest first. */
export interface Family {
  readonly kind: FamilyKind;
  /** By which it is asked to follow: of hues their weightiest colour. */
  readonly hex: Hex;
  readonly members: readonly Member[];
  /** Paths of the pieces that are mostly of it. */
  readonly pieces: readonly string[];
  readonly follows: boolean;
  /** What its colour becomes, where it goes a way of its own. */
  readonly to?: Hex;
}

/** A colour as one declaration uses it, with what is put in for variables. */
export interface ColourUse {
  readonly colour: Rgb;
  readonly asked: AskedFamily | undefined;
  readonly weight: number;
}

/*
 * How much of a page colours cover and how much they are looked at, by where they are declared:
 * ours, against the themes of the tests. Bars cover much and are the theme's; what is around text
 * is most of a page, and seldom has a hue.
 */
const weights: readonly (readonly [RegExp, RegExp, number])[] = [
  [/^background/, /header|masthead|banner|hero|navbar|\bnav\b|topbar|menu|footer|brand/i, 8],
  [/^background/, /\b(btn|button)|cta|submit/i, 5],
  [/^background/, /^(html|body|:root)$/i, 4],
  [/^background/, /^/, 1.5],
  [/^color$/, /(^|[\s,>])a\b|link/i, 5],
  [/^color$/, /\bh[1-3]\b|title|logo|brand|heading/i, 4],
  [/^(border|outline|box-shadow|text-decoration|fill|stroke|accent|caret)/, /^/, 0.7],
  [/^/, /^/, 1],
];

const namedAsBrand = /brand|primary|accent|theme|main|key/i;

const weightOf = (property: string, selector: string): number =>
  weights.find(([p, s]) => p.test(property) && s.test(selector))![2];

/**
 * Every colour that declarations of a theme's sheets show, variables put in; what variables are
 * declared as counts by their names alone.
 */
export function colourUses(
  sheets: readonly SheetText[],
  scanned: readonly { readonly declared: readonly Declared[] }[],
): ColourUse[] {
  const properties = customProperties(sheets.flatMap((s) => readStylesheet(s.path, s.text).rules));
  const all = scanned.flatMap((s) => s.declared);
  const asked = askedFamilies(all);
  return all.flatMap((d): ColourUse[] => {
    const family = asked(d);
    if (d.property.startsWith('--') || isSourceVariable(d)) {
      const weight = namedAsBrand.test(d.property) ? 4 : 0.2;
      return d.colours.map(({ rgb }) => ({ colour: rgb, asked: family, weight }));
    }
    const named = /\bvar\(/i.test(d.value);
    const spans = named ? colourSpans(resolveVars(d.value, properties) ?? '') : d.colours;
    const weight = weightOf(d.property, d.selector) * (d.dark ? 0.3 : 1);
    return spans.map(({ rgb }) => ({ colour: rgb, asked: family, weight }));
  });
}

/** What the px of a theme's pictures weigh together, against one bar. */
const piecesWeigh = 12;

interface Coloured {
  readonly colour: Rgb;
  readonly weight: number;
}

/** A piece with its main colours and how many px it has. */
export interface PieceColours {
  readonly path: string;
  readonly samples: readonly Sample[];
  readonly area: number;
}

/** Colours of pieces by what they cover together. */
function pieceWeights(pieces: readonly PieceColours[]): (Coloured & { piece: number })[] {
  // A large photograph is not more of the theme than ten bars are.
  const covers = pieces.map((p) => Math.min(p.area, 120_000));
  const all = covers.reduce((a, b) => a + b, 0) || 1;
  return pieces.flatMap(({ samples }, piece) =>
    samples.map(({ colour, share }) => ({
      colour,
      piece,
      weight: (piecesWeigh * share * covers[piece]) / all,
    })),
  );
}

/** Hues around each of which the most of what is left lies, the weightiest first, degrees. */
function hueCentres(colours: readonly Coloured[]): number[] {
  const left = new Float64Array(360);
  for (const { colour, weight } of colours) {
    const hue = hueOf(colour);
    if (hue !== undefined) {
      left[((Math.round(hue) % 360) + 360) % 360] += weight;
    }
  }
  const around = (hue: number, by: number): number => {
    let sum = 0;
    for (let d = -by; d <= by; d++) {
      sum += left[(hue + d + 360) % 360];
    }
    return sum;
  };
  const centres: number[] = [];
  for (;;) {
    let best = -1;
    let most = 0;
    for (let hue = 0; hue < 360; hue++) {
      // Of hues that have as much around them, the one that most is of itself.
      const weight = left[hue] > 0 ? around(hue, sameHue / 2) + left[hue] / 1000 : 0;
      if (weight > most) {
        most = weight;
        best = hue;
      }
    }
    if (best < 0) {
      return centres;
    }
    centres.push(best);
    for (let d = -sameHue; d <= sameHue; d++) {
      left[(best + d + 360) % 360] = 0;
    }
  }
}

/** Colours that are looked at among many, at most. */
const mostLooked = 400;

/** Each colour once, the weightiest first. */
function heaviest(all: readonly Coloured[]): Coloured[] {
  const sums = new Map<Hex, number>();
  for (const { colour, weight } of all) {
    const hex = hexOf(colour);
    sums.set(hex, (sums.get(hex) ?? 0) + weight);
  }
  return [...sums]
    .map(([hex, weight]) => ({ colour: colourOf(hex), weight }))
    .sort((a, b) => b.weight - a.weight)
    .slice(0, mostLooked);
}

/** Colours nearer than this count as one among those that are proposed, CIEDE2000. */
const asOne = 8;

/**
 * The colours of a theme that its owner most likely wants to be rid of: the brand's first, then
 * what else is used most of those that have a hue.
 */
export function proposedColours(
  uses: readonly ColourUse[],
  pieces: readonly PieceColours[],
  most = 3,
): Hex[] {
  const all: Coloured[] = [...uses.filter((u) => !u.asked), ...pieceWeights(pieces)];
  const centre = hueCentres(all)[0];
  const found: { colour: Rgb; weight: number; brand: boolean }[] = [];
  for (const { colour, weight } of heaviest(all)) {
    const hue = hueOf(colour);
    if (hue === undefined) {
      continue;
    }
    const same = found.find((f) => deltaE(f.colour, colour) < asOne);
    if (same) {
      same.weight += weight;
    } else {
      found.push({ colour, weight, brand: hueApart(hue, centre) <= sameHue });
    }
  }
  found.sort((a, b) => b.weight - a.weight);
  const [brand] = found.filter((f) => f.brand);
  return (brand ? [brand, ...found.filter((f) => f !== brand)] : found)
    .slice(0, most)
    .map((f) => hexOf(f.colour));
}

/** Hues that have less than this share of what all hues weigh are one family together. */
const leastOfHue = 0.04;

/**
 * The families of a theme: the brand's, which is that of the old colour, other hues by their
 * weight, greys, and what has a meaning or is code.
 */
export function familiesOf(
  set: Pick<PieceSet, 'from' | 'recipe' | 'follows'>,
  uses: readonly ColourUse[],
  pieces: readonly PieceColours[],
): Family[] {
  const members = new Map<
    string,
    Map<Hex, { weight: number; uses: number; pieces: Set<number> }>
  >();
  const brand = hueOf(colourOf(set.from));
  const ofPieces = pieceWeights(pieces);
  const hued = [...uses.filter((u) => !u.asked), ...ofPieces];
  const others = hueCentres(
    hued.filter(({ colour }) => {
      const hue = hueOf(colour);
      return brand === undefined || (hue !== undefined && hueApart(hue, brand) > sameHue);
    }),
  );
  const keyOf = (colour: Rgb): string => {
    const hue = hueOf(colour);
    if (hue === undefined) {
      return 'neutral';
    }
    if (brand !== undefined && hueApart(hue, brand) <= sameHue) {
      return 'brand';
    }
    return `hue ${others.findIndex((centre) => hueApart(hue, centre) <= sameHue)}`;
  };
  const put = (key: string, colour: Rgb, weight: number, piece?: number) => {
    const family = members.get(key) ?? new Map<Hex, never>();
    members.set(key, family);
    const hex = hexOf(colour);
    const member = family.get(hex) ?? { weight: 0, uses: 0, pieces: new Set<number>() };
    member.weight += weight;
    if (piece === undefined) {
      member.uses++;
    } else {
      member.pieces.add(piece);
    }
    family.set(hex, member);
  };
  for (const { colour, asked, weight } of uses) {
    put(asked ?? keyOf(colour), colour, weight);
  }
  for (const { colour, weight, piece } of ofPieces) {
    put(keyOf(colour), colour, weight, piece);
  }
  const mostly = new Map<string, string[]>();
  for (const { path, samples } of pieces) {
    const [most] = [...samples].sort((a, b) => b.share - a.share);
    if (most) {
      const key = keyOf(most.colour);
      mostly.set(key, [...(mostly.get(key) ?? []), path]);
    }
  }
  const share = selectedShareOfAll(set.recipe);
  const found = [...members].map(([key, family]) => {
    const list = [...family]
      .map(([hex, m]): Member => ({ hex, ...m, pieces: m.pieces.size }))
      .sort((a, b) => b.weight - a.weight);
    return { key, members: list, weight: list.reduce((a, m) => a + m.weight, 0) };
  });
  const allHues = found
    .filter((f) => f.key === 'brand' || f.key.startsWith('hue'))
    .reduce((a, f) => a + f.weight, 0);
  const order = ['brand', 'hue', 'neutral', 'meaning', 'code'];
  return found
    .map(({ key, members: list, weight }): Omit<Family, 'to'> & { weight: number } => {
      const kind = key.split(' ')[0] as FamilyKind;
      const { hex } = list[0];
      const follows =
        kind === 'meaning' || kind === 'code'
          ? set.follows.includes(kind)
          : kind === 'brand' || (share?.(colourOf(hex)) ?? 1) >= 0.5;
      return { kind, hex, members: list, pieces: mostly.get(key) ?? [], follows, weight };
    })
    .filter((f) => f.kind !== 'hue' || f.follows || f.weight >= leastOfHue * allHues)
    .sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind) || b.weight - a.weight)
    .map(({ weight: _weight, ...family }) => {
      const own =
        family.kind === 'hue'
          ? set.recipe.byHue?.find((r) => isOfHue(r.hue, family.hex))
          : undefined;
      return own ? { ...family, to: own.to } : family;
    });
}

/** Two colours are of one family. */
export const isOfHue = (a: Hex, b: Hex): boolean => {
  const [one, other] = [hueOf(colourOf(a)), hueOf(colourOf(b))];
  return a === b || (one !== undefined && other !== undefined && hueApart(one, other) <= sameHue);
};
