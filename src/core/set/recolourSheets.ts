import { deltaE, largestStep } from '../colour/difference';
import { hexOf } from '../colour/hex';
import { tryComputed } from '../colour/computed';
import { colourOf, tryColour } from '../colour/parse';
import type { Spans } from '../files/spans';
import { patched, type TextPatch } from '../files/textPatch';
import type { Rgb } from '../raster/raster';
import type { Sample } from '../recolour/offers';
import { hueApart, selectedShareOfAll, sameHue } from '../recolour/hueSelection';
import { layRecipe } from '../recolour/recipe';
import { hueOf } from '../recolour/neutrals';
import type { Hex } from '../site/model/hex';
import type { PieceSet } from '../site/model/pieceSet';
import type { SheetText } from '../theme/readTheme';
import { isDarkSide } from '../theme/schemes';
import { writtenLike } from './colourSpans';
import { pairsOf, type TextPair } from './contrast';
import { familiesOf, type Family } from './families';
import { groundPaths, groundsBefore } from './pieceColours';
import { tornRamps } from './ramps';
import { withLuminance } from './readable';
import type { Ends } from './recolourFile';
import type { Declared } from './scanSheet';
import type { SheetLine, Placed } from './sheetLine';
import { readBeside, readOnce, type Ink, type SheetsRead } from './sheetsRead';
import { textsThatFade } from './textsThatFade';
import { isComputed, varCall, variableOf } from './variables';

export interface RecolouredSheets {
  readonly lines: readonly SheetLine[];
  /** Of the lines, those that go on where a strip ends. */
  readonly continued: readonly SheetLine[];
  /** How many of the lines follow. */
  readonly following: number;
  /** The sheets with what follows put in, by their paths, and what was put in. */
  readonly sheets: ReadonlyMap<string, string>;
  readonly patches: ReadonlyMap<string, readonly TextPatch[]>;
  readonly families: readonly Family[];
  /** Where sheets say the colour of words, in their order. */
  readonly inks: readonly Ink[];
  /** What the theme's old colour may be, the likeliest first. */
  readonly proposed: readonly Hex[];
}

export interface SheetRecolourInput {
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

type Belonging = (colour: Rgb, property: string) => boolean;

const packedOf = ({ r, g, b }: Rgb): number => (r << 16) | (g << 8) | b;

/** What belonged the last time, for the same pieces and old colour: no recipe changes that. */
let known: { readonly key: string; readonly belongs: Belonging } | undefined;

/**
 * Whether a colour belongs to what a recipe changes that reaches every hue: it has the theme's old
 * hue, or a piece has it. Each is looked at once.
 */
function belonging(samples: SheetRecolourInput['samples'], from: Rgb): Belonging {
  const colours = new Map<number, Rgb>();
  for (const list of samples.values()) {
    list.forEach(({ colour }) => colours.set(packedOf(colour), colour));
  }
  const key = [packedOf(from), ...colours.keys()].join(' ');
  if (known?.key !== key) {
    known = { key, belongs: belongingTo(colours, from) };
  }
  return known.belongs;
}

function belongingTo(colours: ReadonlyMap<number, Rgb>, from: Rgb): Belonging {
  const old = hueOf(from);
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
  const lying = byColour((colour: Rgb) => look(colour, true));
  const other = byColour((colour: Rgb) => look(colour, false));
  return (colour, property) =>
    (property.startsWith('background') || property.startsWith('border') ? lying : other)(colour);
}

/** A colour, or a variable put in, where a declaration has it. */
interface Place {
  readonly file: string;
  readonly d: Declared;
  readonly start: number;
  readonly end: number;
  /** As it is written. */
  readonly old: string;
  readonly colour: Rgb;
}

/** What becomes of a place unless the owner decides otherwise. */
interface Proposal {
  readonly proposed: boolean;
  readonly to: Rgb;
  /** The recipe alone would make text of it that cannot be read. */
  readonly keptReadable: boolean;
  /** In a dark scheme the old one stays. */
  readonly inLight?: boolean;
}

/** The lines of style sheets while they are gathered. */
class Lines {
  /** Those of each declaration, by its file and where its value begins. */
  private readonly byFile = new Map<string, Map<number, Placed[]>>();
  /** How colours are written in place of others, by both. */
  private readonly known = new Map<string, string>();

  constructor(private readonly decided: SheetRecolourInput['decided']) {}

  decision(key: string): boolean | Hex | undefined {
    return this.decided[key];
  }

  put(place: Place, proposal: Proposal, continues?: SheetLine['continues']): void {
    const line = this.lineOf(place, proposal);
    const whole = continues ? { ...line, continues } : line;
    const declarations = this.byFile.get(place.file) ?? new Map<number, Placed[]>();
    this.byFile.set(place.file, declarations);
    const others = declarations.get(place.d.start);
    if (!others) {
      declarations.set(place.d.start, [whole]);
      return;
    }
    const same = others.findIndex((l) => l.start === whole.start);
    others.splice(same < 0 ? others.length : same, same < 0 ? 0 : 1, whole);
  }

  /** In place of what stands inside it, such as a variable's fallback. */
  putOver(place: Place, proposal: Proposal, continues?: SheetLine['continues']): void {
    const declarations = this.byFile.get(place.file);
    const others = declarations?.get(place.d.start);
    declarations?.set(
      place.d.start,
      others?.filter((l) => l.start < place.start || l.end > place.end) ?? [],
    );
    this.put(place, proposal, continues);
  }

  private lineOf(
    { file, d, start, end, old, colour }: Place,
    { proposed, to, keptReadable, inLight = false }: Proposal,
  ): Placed {
    const key = keyAt(file, start);
    const decision = this.decided[key];
    const becomes = typeof decision === 'string' ? colourOf(decision) : to;
    const written = this.written(old, becomes);
    return {
      key,
      file,
      line: d.line,
      selector: d.selector,
      property: d.property,
      old,
      oldHex: hexOf(colour),
      proposed,
      follows: decision === undefined ? proposed : decision !== false,
      to: inLight && typeof decision !== 'string' ? `light-dark(${written}, ${old})` : written,
      toHex: hexOf(becomes),
      keptReadable,
      start,
      end,
    };
  }

  private written(old: string, becomes: Rgb): string {
    const key = `${hexOf(becomes)} ${old}`;
    let written = this.known.get(key);
    if (written === undefined) {
      written = /^var\(|^color-mix\(|\(\s*from\s/i.test(old)
        ? hexOf(becomes)
        : writtenLike(old, becomes);
      this.known.set(key, written);
    }
    return written;
  }

  /** In the order of the files, and of the places in each. */
  listed(files: readonly string[]): Placed[] {
    return files.flatMap((file) =>
      [...(this.byFile.get(file)?.values() ?? [])].flat().sort((a, b) => a.start - b.start),
    );
  }
}

const keyAt = (file: string, start: number): string => `${file}:${start}`;

/** What a recipe makes of colours, by what they are for. */
interface Laying {
  /** It follows unless the owner says otherwise. */
  belongs(colour: Rgb, d: Declared): boolean;
  /** In a dark scheme colours stay as light as they are: what is read on them stays readable. */
  becomes(colour: Rgb, d: Declared, start?: number): Rgb;
  /** Whatever its hue. */
  onAll(colour: Rgb): Rgb;
  /** Of a text's colour in a line of a file: what it has to be to be read. */
  faded(
    file: string,
    d: Declared,
    colour: Rgb,
  ): { readonly readable: Rgb; readonly sure: boolean } | undefined;
}

/** What was made of a colour before, for the same. */
function byColour<T>(make: (colour: Rgb) => T): (colour: Rgb) => T {
  const before = new Map<number, T>();
  return (colour) => {
    const key = packedOf(colour);
    let made = before.get(key);
    if (made === undefined) {
      made = make(colour);
      before.set(key, made);
    }
    return made;
  };
}

/** Words on grounds as they were put together last, which no recipe changes. */
const paired = new WeakMap<
  SheetsRead,
  { readonly grounds: string; readonly pairs: readonly TextPair[] }
>();

function pairsOnce(read: SheetsRead, samples: SheetRecolourInput['samples']): readonly TextPair[] {
  const before = groundsBefore(samples);
  const paths = groundPaths(samples);
  const grounds = JSON.stringify(paths.map((path) => [path, before(path)]));
  let last = paired.get(read);
  if (last?.grounds !== grounds) {
    last = { grounds, pairs: pairsOf(read.words(paths), before) };
    paired.set(read, last);
  }
  return last.pairs;
}

function layingOf(read: SheetsRead, { samples, set }: SheetRecolourInput): Laying {
  const { recipe } = set;
  const laid = layRecipe(recipe);
  const laidOnAll = layRecipe({ steps: recipe.steps, spare: false, hues: null });
  laid.learn(read.colours);
  const fading = textsThatFade(pairsOnce(read, samples), laid);
  const share = recipe.hues === null ? undefined : selectedShareOfAll(recipe);
  const ofPieces = belonging(samples, tryColour(set.from) ?? colourOf('#000000'));
  const reached = byColour((colour: Rgb) => share!(colour) >= 0.5);
  const inDark = byColour((colour: Rgb) => withLuminance(laid.colour(colour), colour));
  const askedInDark = byColour((colour: Rgb) => withLuminance(laidOnAll.colour(colour), colour));
  return {
    belongs(colour, d) {
      const family = read.asked(d);
      if (family) {
        return set.follows.includes(family);
      }
      return share ? reached(colour) : ofPieces(colour, d.property);
    },
    becomes(colour, d, start = d.start) {
      const asked = read.asked(d) !== undefined;
      if (d.dark || (read.bySide && isDarkSide(d.value, start - d.start))) {
        return (asked ? askedInDark : inDark)(colour);
      }
      return (asked ? laidOnAll : laid).colour(colour);
    },
    onAll: laidOnAll.colour,
    faded: (file, d, colour) =>
      d.property === 'color' && !read.asked(d)
        ? fading.get(`${file}:${d.line} ${hexOf(colour)}`)
        : undefined,
  };
}

/** Declarations that are looked at before whoever asks may do something else. */
const atOnce = 200;

/** Every colour as it stands in a sheet. */
function* putColours(
  lines: Lines,
  { scanned, bySide }: SheetsRead,
  laying: Laying,
): Generator<void, void> {
  for (const { path: file, declared } of scanned) {
    for (const [i, d] of declared.entries()) {
      if (i % atOnce === 0) {
        yield;
      }
      const torn = tornRamps(d.value, d.start, () =>
        d.colours.map(({ start, rgb }) => ({
          start,
          before: rgb,
          after: laying.belongs(rgb, d) ? laying.becomes(rgb, d, start) : rgb,
        })),
      );
      for (const { start, end, text: old, rgb: colour } of d.colours) {
        const faded = laying.faded(file, d, colour);
        const whole = torn.has(start);
        const to =
          faded?.readable ?? (whole ? laying.onAll(colour) : laying.becomes(colour, d, start));
        const follows = whole || (faded?.sure ?? false) || laying.belongs(colour, d);
        lines.put(
          { file, d, start, end, old, colour },
          {
            proposed: follows && largestStep(to, colour) > 0,
            to,
            keptReadable: faded !== undefined,
            inLight: bySide && faded !== undefined && !d.dark && !/\blight-dark\(/i.test(d.value),
          },
        );
      }
    }
  }
}

/**
 * Text that takes its colour from a variable follows with it, unless it would not be read any more:
 * then it has a colour of its own.
 */
function putVariables(lines: Lines, read: SheetsRead, laying: Laying): void {
  const { scanned, resolve, bySide, varied } = read;
  for (const { path: file, declared } of scanned) {
    for (const d of declared.filter((one) => one.property === 'color')) {
      const made = isComputed(d) ? tryComputed(resolve(d.value) ?? '') : undefined;
      const whole = made && laying.faded(file, d, made);
      if (made && (whole?.sure || lines.decision(keyAt(file, d.start)) !== undefined)) {
        lines.putOver(
          { file, d, start: d.start, end: d.start + d.value.length, old: d.value, colour: made },
          {
            proposed: whole?.sure ?? false,
            to: whole?.readable ?? made,
            keptReadable: whole !== undefined,
          },
        );
        continue;
      }
      for (const m of d.value.matchAll(varCall)) {
        const colour = tryComputed(resolve(m[0]) ?? '');
        const faded = colour && laying.faded(file, d, colour);
        const start = d.start + m.index;
        // What the owner has decided on is told, whatever it would be otherwise.
        const spoken = lines.decision(keyAt(file, start)) !== undefined;
        // In a dark scheme it is another colour, which one in its place would not be.
        const other = varied.has(variableOf(m[0])) && !bySide && !d.dark;
        if (!colour || (!spoken && (!faded || other))) {
          continue;
        }
        lines.putOver(
          { file, d, start, end: start + m[0].length, old: m[0], colour },
          {
            proposed: (faded?.sure ?? false) || laying.belongs(colour, d),
            to: faded?.readable ?? laying.becomes(colour, d),
            keptReadable: faded !== undefined,
            inLight: bySide && !d.dark,
          },
        );
      }
    }
  }
}

/** The colour that goes on where a strip ends becomes the one its written file ends with. */
function putStrips(
  lines: Lines,
  { strips }: SheetsRead,
  { samples, ends, set }: SheetRecolourInput,
): void {
  const laid = layRecipe(set.recipe);
  for (const { path, selector, side, ground } of strips) {
    if (!samples.has(path)) {
      continue;
    }
    const { file, d, start, end, text: old, colour } = ground;
    const written = ends.get(path);
    const after = written?.after[side];
    const to = after ? colourOf(after.colour) : laid.colour(colour);
    // Where the owner's own variable goes the same way, there is nothing to put in its place.
    if (old.startsWith('var(') && largestStep(to, laid.colour(colour)) === 0) {
      continue;
    }
    lines.putOver(
      { file, d: { ...d, selector }, start, end, old, colour },
      {
        proposed: !written || deltaE(colourOf(written.before[side].colour), colour) <= ofPiece,
        to,
        keptReadable: false,
      },
      { path, side, uneven: after?.uneven },
    );
  }
}

/** All lines, in the order of the sheets. */
function* linesOf(read: SheetsRead, input: SheetRecolourInput): Generator<void, Placed[]> {
  const laying = layingOf(read, input);
  const lines = new Lines(input.decided);
  yield* putColours(lines, read, laying);
  putVariables(lines, read, laying);
  putStrips(lines, read, input);
  yield;
  return lines.listed(input.sheets.map((s) => s.path));
}

/** What is put in of lines that follow, by the paths of their sheets. */
function patchesOf(sheets: readonly SheetText[], lines: readonly Placed[]) {
  const patches = new Map<string, TextPatch[]>(sheets.map(({ path }) => [path, []]));
  for (const { file, follows, start, end, to } of lines) {
    if (follows) {
      patches.get(file)!.push({ from: start, to: end, text: to });
    }
  }
  return patches;
}

/** `follow` in steps of some milliseconds each. */
export function* recolourSheetsInSteps(
  input: SheetRecolourInput,
): Generator<void, RecolouredSheets> {
  const { sheets: all, samples, areas, set } = input;
  const read = readOnce(all);
  const listed = yield* linesOf(read, input);
  const pieces = [...samples].map(([path, list]) => ({
    path,
    samples: list,
    area: areas.get(path) ?? 0,
  }));
  const told = listed.map(({ start: _start, end: _end, ...line }) => line);
  const patches = patchesOf(all, listed);
  yield;
  return {
    lines: told,
    continued: told.filter((l) => l.continues),
    following: listed.filter((l) => l.follows).length,
    sheets: new Map(all.map(({ path, text }) => [path, patched(text, patches.get(path)!)])),
    patches,
    families: familiesOf(set, read.uses, pieces),
    inks: read.inks,
    proposed: read.proposed(pieces),
  };
}

function atLast<T>(steps: Generator<void, T>): T {
  for (;;) {
    const { done, value } = steps.next();
    if (done) {
      return value;
    }
  }
}

/**
 * What of the style sheets follows the pieces. Colours that belong to them go through the same
 * recipe; the colour that goes on where a strip ends becomes the one its written file ends with.
 */
export const recolourSheets = (input: SheetRecolourInput): RecolouredSheets =>
  atLast(recolourSheetsInSteps(input));

/**
 * What `follow` puts in outside of some rules, in a fraction of its time where they are most of a
 * sheet.
 * @param idle rules that are left out, by the paths of their sheets
 */
export const recolourSheetsWithout = (
  input: SheetRecolourInput,
  idle: ReadonlyMap<string, Spans>,
): RecolouredSheets['patches'] =>
  patchesOf(input.sheets, atLast(linesOf(readBeside(readOnce(input.sheets), idle), input)));
