import { deltaE, largestStep } from '../colour/difference';
import { hexOf } from '../colour/hex';
import { tryComputed } from '../colour/computed';
import { colourOf, tryColour } from '../colour/parse';
import type { Rgb } from '../raster/raster';
import type { Sample } from '../recolour/offers';
import { followingShare, hueApart, sameHue } from '../recolour/reach';
import { layRecipe } from '../recolour/recipe';
import { hueOf } from '../recolour/spare';
import type { Hex } from '../site/model/hex';
import type { PieceSet } from '../site/model/pieceSet';
import type { Side } from '../site/model/slot';
import {
  customProperties,
  readTheme,
  type BackgroundFound,
  type SheetText,
} from '../theme/readTheme';
import { resolveVars } from '../theme/customProperties';
import { isDarkSide } from '../theme/schemes';
import { readStylesheet } from '../theme/stylesheet';
import { writtenLike, patched } from './colourSpans';
import { colourUses, familiesOf, proposedColours, type Family } from './families';
import { askedFamilies } from './meaning';
import { tornRamps } from './ramps';
import type { Ends } from './recolourFile';
import { scanSheet, type Declared } from './scanSheet';
import { isSource, scanSource } from './sources';
import { withLuminance } from './readable';
import { textsThatFade, withContrast } from './textsThatFade';
import type { SheetLine, Placed } from './sheetLine';

/** A colour of words as a sheet says it: of a line, or a variable put in. */
export interface Ink {
  readonly key: string;
  readonly file: string;
  readonly selector: string;
  readonly dark: boolean;
}

export interface Followed {
  readonly lines: readonly SheetLine[];
  /** The sheets with what follows put in, by their paths. */
  readonly sheets: ReadonlyMap<string, string>;
  readonly families: readonly Family[];
  /** Where sheets say the colour of words, in their order. */
  readonly inks: readonly Ink[];
  /** What the theme's old colour may be, the likeliest first. */
  readonly proposed: readonly Hex[];
}

export interface FollowInput {
  readonly sheets: readonly SheetText[];
  /** Main colours of the pieces that are recoloured, by path. */
  readonly samples: ReadonlyMap<string, readonly Sample[]>;
  /** Px of each piece, by path. */
  readonly areas: ReadonlyMap<string, number>;
  readonly set: Pick<PieceSet, 'recipe' | 'from' | 'follows'>;
  /** What the owner decided, by a line's key: whether it follows, or the colour it becomes. */
  readonly decided: Readonly<Record<string, boolean | Hex>>;
  readonly ends: ReadonlyMap<string, { readonly before: Ends; readonly after: Ends }>;
}

/**
 * CIEDE2000 up to which a colour is that of a piece, and up to which a page colour continues a
 * strip (ours, by looking).
 */
const ofPiece = 6;

/**
 * Whether a colour belongs to what a recipe changes that reaches every hue: it has the theme's old
 * hue, or a piece has it. Each is looked at once.
 */
function belonging(
  samples: FollowInput['samples'],
  from: Rgb,
): (colour: Rgb, property: string) => boolean {
  const old = hueOf(from);
  const colours = new Map(
    [...samples.values()].flat().map(({ colour }) => [hexOf(colour), colour]),
  );
  const known = new Map<string, boolean>();
  const look = (colour: Rgb, lies: boolean): boolean => {
    const hue = hueOf(colour);
    if (hue !== undefined && old !== undefined && hueApart(hue, old) <= sameHue) {
      return true;
    }
    // A grey is a piece's only where it lies beside it, and only to the level.
    for (const c of colours.values()) {
      if (hue !== undefined ? deltaE(c, colour) <= ofPiece : lies && largestStep(c, colour) <= 1) {
        return true;
      }
    }
    return false;
  };
  return (colour, property) => {
    const lies = /^(background|border)/.test(property);
    const key = `${hexOf(colour)} ${lies}`;
    const before = known.get(key);
    if (before !== undefined) {
      return before;
    }
    const found = look(colour, lies);
    known.set(key, found);
    return found;
  };
}

/**
 * The side at which a strip ends and the colour under it goes on; undefined for what is no strip.
 */
function endSide({ repeat, position }: BackgroundFound): Side | undefined {
  const far = (l: BackgroundFound['position']['x']) => l.unit === '%' && l.value >= 100;
  if (repeat === 'repeat-x') {
    return far(position.y) ? 'top' : 'bottom';
  }
  if (repeat === 'repeat-y') {
    return far(position.x) ? 'left' : 'right';
  }
  return undefined;
}

const varCall = /var\(\s*--[\w-]+\s*(?:,[^()]*)?\)/g;

/**
 * Selectors that a page or a part of it is spoken of by, the nearest first: `body.home` is a `body`,
 * and where that says nothing, what it lies in.
 */
function spokenOfAs(selector: string): string[] {
  const last = selector.split(/[\s>+~]+/).at(-1) ?? selector;
  const element = /^[a-z][\w-]*/i.exec(last)?.[0];
  const page = element === 'body' ? ['html', ':root'] : [];
  return [...new Set([selector, last, ...(element ? [element] : []), ...page])];
}

/** Where the colour under a strip is written: the last word on it that its selector has. */
function groundSpan(
  selector: string,
  sheets: readonly { path: string; declared: readonly Declared[] }[],
  resolve: (value: string) => string | undefined,
):
  { file: string; d: Declared; start: number; end: number; text: string; colour: Rgb } | undefined {
  let found: ReturnType<typeof groundSpan>;
  for (const { path: file, declared } of sheets) {
    for (const d of declared) {
      if (
        !/^background(-color)?$/.test(d.property) ||
        !d.selector.split(',').some((s) => s.trim() === selector)
      ) {
        continue;
      }
      for (const c of d.colours) {
        found = { file, d, start: c.start, end: c.end, text: c.text, colour: c.rgb };
      }
      // A variable counts with its fallback, which is only seen where it has no value.
      for (const m of d.value.matchAll(varCall)) {
        const colour = tryComputed(resolve(m[0]) ?? '');
        const start = d.start + m.index;
        const end = start + m[0].length;
        const last = d.colours.at(-1);
        if (colour && (!last || (last.start >= start && last.end <= end))) {
          found = { file, d, start, end, text: m[0], colour };
        }
      }
    }
  }
  return found;
}

const declaredIn = (path: string, text: string): readonly Declared[] =>
  isSource(path) ? scanSource(path, text) : scanSheet(text);

/** The name of the variable that is put in. */
const variableOf = (call: string): string => /--[\w-]+/.exec(call)![0];

/** Variables that are declared anew where dark colours are asked for. */
const variedInDark = (declared: readonly Declared[]): ReadonlySet<string> =>
  new Set(declared.filter((d) => d.dark && d.property.startsWith('--')).map((d) => d.property));

const placeOfVariable = (d: Declared): number | undefined => {
  const [variable] = d.value.matchAll(varCall);
  return variable && d.start + variable.index;
};

/** A colour that is made of others: only all of it can be another. */
const isComputed = ({ value }: Declared): boolean =>
  /^color-mix\(/i.test(value) || /^[a-z]+\(\s*from\s/i.test(value);

/** Where words get their colour: the place of each colour, or of the variable it is. */
function inksOf(
  scanned: readonly { readonly path: string; readonly declared: readonly Declared[] }[],
): Ink[] {
  return scanned.flatMap(({ path: file, declared }) =>
    declared.flatMap((d): Ink[] => {
      if (d.property !== 'color') {
        return [];
      }
      const at = isComputed(d) ? d.start : (placeOfVariable(d) ?? d.colours[0]?.start);
      return at === undefined
        ? []
        : [{ key: `${file}:${at}`, file, selector: d.selector, dark: d.dark }];
    }),
  );
}

/**
 * What of the style sheets follows the pieces. Colours that belong to them go through the same
 * recipe; the colour that goes on where a strip ends becomes the one its written file ends with.
 */
export function follow({ sheets: all, samples, areas, set, decided, ends }: FollowInput): Followed {
  const sheets = all.filter((s) => !isSource(s.path));
  const { recipe } = set;
  const laid = layRecipe(recipe);
  /** For what follows whatever its hue. */
  const laidOnAll = layRecipe({ ...recipe, spare: false, hues: null });
  const from = tryColour(set.from) ?? colourOf('#000000');
  const scanned = all.map(({ path, text }) => ({ path, declared: declaredIn(path, text) }));
  const asked = askedFamilies(scanned.flatMap((s) => s.declared));
  const properties = customProperties(sheets.flatMap((s) => readStylesheet(s.path, s.text).rules));
  const resolve = (value: string) => resolveVars(value, properties);
  const lines = new Map<string, Placed>();
  /** @param inLight the old one stays in a dark scheme */
  const decidedOn = (
    key: string,
    old: string,
    proposed: boolean,
    to: Rgb,
    inLight = false,
  ): Pick<SheetLine, 'proposed' | 'follows' | 'to' | 'toHex'> => {
    const decision = decided[key];
    const becomes = typeof decision === 'string' ? colourOf(decision) : to;
    const written = /^var\(|^color-mix\(|\(\s*from\s/i.test(old)
      ? hexOf(becomes)
      : writtenLike(old, becomes);
    return {
      proposed,
      follows: decision === undefined ? proposed : decision !== false,
      to: inLight && typeof decision !== 'string' ? `light-dark(${written}, ${old})` : written,
      toHex: hexOf(becomes),
    };
  };
  /** The theme says colours for both schemes in one place. */
  const bySide = sheets.some((s) => /\blight-dark\(/i.test(s.text));
  const varied = variedInDark(scanned.flatMap((s) => s.declared));
  const fading = textsThatFade(sheets, laid, samples);
  const share = recipe.hues === null ? undefined : followingShare(recipe);
  const ofPieces = belonging(samples, from);
  const belongs = (colour: Rgb, d: Declared): boolean => {
    const family = asked(d);
    if (family) {
      return set.follows.includes(family);
    }
    return share ? share(colour) >= 0.5 : ofPieces(colour, d.property);
  };
  /** In a dark scheme colours stay as light as they are: what is read on them stays readable. */
  const becomes = (colour: Rgb, d: Declared, start = d.start): Rgb => {
    const to = (asked(d) ? laidOnAll : laid).colour(colour);
    return d.dark || isDarkSide(d.value, start - d.start) ? withLuminance(to, colour) : to;
  };
  /** In place of what stands inside it, such as the fallback of a variable. */
  const put = (line: Placed) => {
    for (const [key, l] of lines) {
      if (l.file === line.file && l.start >= line.start && l.end <= line.end) {
        lines.delete(key);
      }
    }
    lines.set(line.key, line);
  };
  for (const { path: file, declared } of scanned) {
    for (const d of declared) {
      const torn = tornRamps(
        d.value,
        d.start,
        d.colours.map(({ start, rgb }) => ({
          start,
          before: rgb,
          after: belongs(rgb, d) ? becomes(rgb, d, start) : rgb,
        })),
      );
      for (const span of d.colours) {
        const key = `${file}:${span.start}`;
        const faded =
          d.property === 'color' && !asked(d)
            ? fading.get(`${file}:${d.line} ${hexOf(span.rgb)}`)
            : undefined;
        const whole = torn.has(span.start);
        const readable = faded?.readable;
        const to =
          readable ?? (whole ? laidOnAll.colour(span.rgb) : becomes(span.rgb, d, span.start));
        const proposed =
          (whole || (faded?.sure ?? false) || belongs(span.rgb, d)) &&
          largestStep(to, span.rgb) > 0;
        lines.set(key, {
          key,
          file,
          line: d.line,
          selector: d.selector,
          property: d.property,
          old: span.text,
          oldHex: hexOf(span.rgb),
          ...decidedOn(
            key,
            span.text,
            proposed,
            to,
            bySide && readable !== undefined && !d.dark && !/\blight-dark\(/i.test(d.value),
          ),
          keptReadable: readable !== undefined,
          start: span.start,
          end: span.end,
        });
      }
    }
  }
  // Text that takes its colour from a variable follows with it, unless it would not be read any
  // more.
  for (const { path: file, declared } of scanned) {
    for (const d of declared) {
      const made =
        d.property === 'color' && isComputed(d) ? tryComputed(resolve(d.value) ?? '') : undefined;
      const faded = made && !asked(d) ? fading.get(`${file}:${d.line} ${hexOf(made)}`) : undefined;
      const whole = `${file}:${d.start}`;
      if (made && (faded?.sure || decided[whole] !== undefined)) {
        put({
          key: whole,
          file,
          line: d.line,
          selector: d.selector,
          property: d.property,
          old: d.value,
          oldHex: hexOf(made),
          ...decidedOn(whole, d.value, faded?.sure ?? false, faded?.readable ?? made),
          keptReadable: faded !== undefined,
          start: d.start,
          end: d.start + d.value.length,
        });
        continue;
      }
      for (const m of d.property === 'color' ? d.value.matchAll(varCall) : []) {
        const colour = tryComputed(resolve(m[0]) ?? '');
        const faded = colour && fading.get(`${file}:${d.line} ${hexOf(colour)}`);
        const key = `${file}:${d.start + m.index}`;
        // What the owner has decided on is told, whatever it would be otherwise.
        const spoken = decided[key] !== undefined;
        // In a dark scheme it is another colour, which one in its place would not be.
        const other = varied.has(variableOf(m[0])) && !bySide && !d.dark;
        if (!colour || (!spoken && (!faded || asked(d) || other))) {
          continue;
        }
        put({
          key,
          file,
          line: d.line,
          selector: d.selector,
          property: d.property,
          old: m[0],
          oldHex: hexOf(colour),
          ...decidedOn(
            key,
            m[0],
            (faded?.sure ?? false) || belongs(colour, d),
            faded?.readable ?? becomes(colour, d),
            bySide && !d.dark,
          ),
          keptReadable: faded !== undefined,
          start: d.start + m.index,
          end: d.start + m.index + m[0].length,
        });
      }
    }
  }
  for (const found of readTheme(sheets).backgrounds) {
    const side = endSide(found);
    const path = found.path;
    if (!side || path === null || !samples.has(path)) {
      continue;
    }
    const ground = spokenOfAs(found.selector)
      .map((selector) => groundSpan(selector, scanned, resolve))
      .find((g) => g !== undefined);
    if (!ground) {
      continue;
    }
    const key = `${ground.file}:${ground.start}`;
    const read = ends.get(path);
    const after = read?.after[side];
    const to = after ? colourOf(after.colour) : laid.colour(ground.colour);
    const proposed = !read || deltaE(colourOf(read.before[side].colour), ground.colour) <= ofPiece;
    // Where the owner's own variable goes the same way, there is nothing to put in its place.
    if (ground.text.startsWith('var(') && largestStep(to, laid.colour(ground.colour)) === 0) {
      continue;
    }
    put({
      key,
      file: ground.file,
      line: ground.d.line,
      selector: found.selector,
      property: ground.d.property,
      old: ground.text,
      oldHex: hexOf(ground.colour),
      ...decidedOn(key, ground.text, proposed, to),
      keptReadable: false,
      start: ground.start,
      end: ground.end,
      continues: { path, side, uneven: after?.uneven },
    });
  }
  const listed = [...lines.values()].sort((a, b) =>
    a.file === b.file
      ? a.start - b.start
      : all.findIndex((s) => s.path === a.file) - all.findIndex((s) => s.path === b.file),
  );
  const after = new Map(
    all.map(({ path, text }) => [
      path,
      patched(
        text,
        listed
          .filter((l) => l.file === path && l.follows)
          .map(({ start, end, to }) => ({ start, end, to })),
      ),
    ]),
  );
  const uses = colourUses(sheets, scanned);
  const pieces = [...samples].map(([path, list]) => ({
    samples: list,
    area: areas.get(path) ?? 0,
  }));
  return {
    lines: withContrast(listed, sheets, after, samples, laid),
    sheets: after,
    families: familiesOf(set, uses, pieces),
    inks: inksOf(scanned),
    proposed: proposedColours(uses, pieces),
  };
}
