import { boundedCache } from '../boundedCache';
import { hexOf } from '../colour/hex';
import { isWithin, sameSpans, type Spans } from '../files/spans';
import type { Rgb } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { AskedFamily } from '../site/model/pieceSet';
import { resolveVars } from '../theme/customProperties';
import { customProperties, type SheetText } from '../theme/readTheme';
import { readStylesheet } from '../theme/stylesheet';
import { wordsOnGrounds, type WordsOnGround } from './contrast';
import { colourUses, proposedColours, type ColourUse, type PieceColours } from './families';
import { askedFamilies } from './meaning';
import { scanSheet, type Declared } from './scanSheet';
import { isSource, scanSource } from './sources';
import { stripsIn, type Strip } from './strips';
import { isComputed, placeOfVariable, variedInDark } from './variables';

/** A colour of words as a sheet says it: of a line, or a variable put in. */
export interface Ink {
  readonly key: string;
  readonly file: string;
  readonly selector: string;
  readonly dark: boolean;
}

type Pieces = readonly PieceColours[];

/** What style sheets say, whatever is laid on them. */
export interface SheetsRead {
  /** All but sources. */
  readonly sheets: readonly SheetText[];
  readonly scanned: readonly { readonly path: string; readonly declared: readonly Declared[] }[];
  /** What a declaration is for, where it has a meaning or is code. */
  asked(d: Declared): AskedFamily | undefined;
  /** With what variables are put in. */
  resolve(value: string): string | undefined;
  /** Colours for both schemes stand in one place. */
  readonly bySide: boolean;
  /** Variables that are declared anew where dark colours are asked for. */
  readonly varied: ReadonlySet<string>;
  /** Where sheets say the colour of words, in their order. */
  readonly inks: readonly Ink[];
  readonly uses: readonly ColourUse[];
  /** Every colour that stands in them, once. */
  readonly colours: readonly Rgb[];
  /** What the theme's old colour may be, the likeliest first. */
  proposed(pieces: Pieces): readonly Hex[];
  readonly strips: readonly Strip[];
  /** @param known paths of pictures whose colours are known */
  words(known: readonly string[]): readonly WordsOnGround[];
}

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

/** One of what it gave before for the same. */
function remembered<K extends object | string, V>(make: (key: K) => V): (key: K) => V {
  const known = new Map<K, V>();
  return (key) => {
    if (!known.has(key)) {
      known.set(key, make(key));
    }
    return known.get(key)!;
  };
}

/** Every colour that stands in declarations, once. */
const coloursOf = (declared: readonly Declared[]): Rgb[] => [
  ...new Map(
    declared.flatMap((d) => d.colours.map((c) => [hexOf(c.rgb), c.rgb] as const)),
  ).values(),
];

function read(all: readonly SheetText[]): SheetsRead {
  const sheets = all.filter((s) => !isSource(s.path));
  const scanned = all.map(({ path, text }) => ({
    path,
    declared: isSource(path) ? scanSource(path, text) : scanSheet(text),
  }));
  const declared = scanned.flatMap((s) => s.declared);
  const properties = customProperties(sheets.flatMap((s) => readStylesheet(s.path, s.text).rules));
  const resolve = remembered((value: string) => resolveVars(value, properties));
  const uses = colourUses(sheets, scanned);
  let last: { known: string; words: readonly WordsOnGround[] } | undefined;
  let lastProposed: { of: string; colours: readonly Hex[] } | undefined;
  return {
    sheets,
    scanned,
    asked: remembered(askedFamilies(declared)),
    resolve,
    bySide: sheets.some((s) => /\blight-dark\(/i.test(s.text)),
    varied: variedInDark(declared),
    inks: inksOf(scanned),
    uses,
    colours: coloursOf(declared),
    proposed(pieces) {
      const of = JSON.stringify(pieces);
      if (lastProposed?.of !== of) {
        lastProposed = { of, colours: proposedColours(uses, pieces) };
      }
      return lastProposed.colours;
    },
    strips: stripsIn(sheets, scanned, resolve),
    words(paths) {
      const known = paths.join('\n');
      if (last?.known !== known) {
        const set = new Set(paths);
        last = { known, words: wordsOnGrounds(sheets, (path) => set.has(path)) };
      }
      return last.words;
    },
  };
}

/** Bytes of sheets whose reading is kept; it takes some ten times as much. */
const mostRead = 6e6;
const kept = boundedCache<{ readonly read: SheetsRead; readonly bytes: number }>(
  mostRead,
  ({ bytes }) => bytes,
);

/** Reads style sheets, those of before at once. */
export function readOnce(all: readonly SheetText[]): SheetsRead {
  const key = all.map(({ path, text }) => `${path}\n${text}`).join('\n\n');
  const known = kept.get(key);
  if (known) {
    return known.read;
  }
  const made = read(all);
  kept.set(key, { read: made, bytes: key.length * 2 });
  return made;
}

/** What was read beside the same rules before. */
const beside = new WeakMap<
  SheetsRead,
  { readonly idle: ReadonlyMap<string, Spans>; readonly read: SheetsRead }
>();

const sameIdle = (a: ReadonlyMap<string, Spans>, b: ReadonlyMap<string, Spans>): boolean =>
  a.size === b.size &&
  [...a].every(([path, spans]) => b.has(path) && sameSpans(spans, b.get(path)!));

/**
 * The same without what some rules say: what others mean by it stays.
 * @param idle rules that are left out, by the paths of their sheets
 */
export function readBeside(whole: SheetsRead, idle: ReadonlyMap<string, Spans>): SheetsRead {
  const known = beside.get(whole);
  if (known && sameIdle(known.idle, idle)) {
    return known.read;
  }
  const counts = (path: string, { start }: Declared) =>
    !isWithin(idle.get(path) ?? new Uint32Array(), start);
  const scanned = whole.scanned
    .filter(({ path }) => !isSource(path))
    .map(({ path, declared }) => ({ path, declared: declared.filter((d) => counts(path, d)) }));
  const declared = scanned.flatMap((s) => s.declared);
  const lines = new Set(
    scanned.flatMap(({ path, declared: own }) => own.map(({ line }) => `${path}:${line}`)),
  );
  let last: { of: readonly WordsOnGround[]; words: readonly WordsOnGround[] } | undefined;
  const read: SheetsRead = {
    ...whole,
    scanned,
    colours: coloursOf(declared),
    strips: whole.strips.filter(({ ground: { file, d } }) => counts(file, d)),
    words(paths) {
      const of = whole.words(paths);
      if (last?.of !== of) {
        last = { of, words: of.filter(({ at }) => lines.has(`${at.file}:${at.line}`)) };
      }
      return last.words;
    },
  };
  beside.set(whole, { idle, read });
  return read;
}
