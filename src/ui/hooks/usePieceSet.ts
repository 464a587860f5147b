'use client';

import { useEffect, useMemo } from 'react';
import type { Raster } from '@/core/raster/raster';
import { isActive, recipeKey } from '@/core/recolour/activeSteps';
import type { RecolouredSheets } from '@/core/set/recolourSheets';
import type { LineContrast } from '@/core/set/sheetLine';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { SheetText } from '@/core/theme/readTheme';
import type { Recipe } from '@/core/site/model/recipe';
import type { ShownOffer } from '@/engine/protocol';
import {
  lookAtSet,
  nothingLooked,
  nothingWritten,
  writeSet,
  type Looks,
  type Writing,
} from '@/work/setProgress';
import { endsOf } from '@/work/setFiles';
import { theEngine } from './tab/engine';
import { theSetFiles } from './tab/setFiles';
import { useLatestTask } from './useLatestTask';

export type { ShownOffer as OfferLook } from '@/engine/protocol';
export type { Progress } from '@/work/setProgress';

interface Steered {
  stop(): void;
  /** Goes on where it was stopped. */
  start(): void;
}

export type SetScan = Looks & Steered;
export type SetWriting = Writing & Steered;

const now = () => Date.now();

/** Looks at all pieces of a set, a few at a time. */
export function useLooked(set: PieceSet): SetScan {
  const { pieces, sheets } = set;
  const key = useMemo(
    () =>
      JSON.stringify([
        pieces.map((p) => [p.path, p.assetId]),
        sheets.map((s) => [s.path, s.assetId]),
      ]),
    [pieces, sheets],
  );
  const { value, current, running, stop, start } = useLatestTask(key, nothingLooked, (turn) =>
    lookAtSet(theSetFiles(), set, turn, now),
  );
  const looks = current ? value : nothingLooked;
  return { ...looks, looking: running ? looks.looking : undefined, stop, start };
}

/** A recipe is written with once it has rested for so long, ms. */
const rest = 700;

/** Writes the pieces of a set whenever its recipe has come to rest. */
export function useWritten(set: PieceSet, { roles, whole, sheets }: SetScan): SetWriting {
  const { pieces, recipe } = set;
  const key = useMemo(
    () =>
      JSON.stringify([
        pieces.filter((p) => !p.leftOut).map((p) => p.path),
        recipeKey(recipe),
        pieces.length,
        sheets?.length,
      ]),
    [pieces, recipe, sheets],
  );
  const ready = sheets !== undefined && whole;
  useEffect(() => {
    if (ready) {
      theEngine().warmSearch();
    }
  }, [ready]);
  const { value, current, running, stop, start } = useLatestTask(
    ready && isActive(recipe) ? key : undefined,
    nothingWritten,
    (turn) => writeSet(theSetFiles(), set, roles, turn, now),
    { debounceMs: rest },
  );
  const written = current ? value : nothingWritten;
  return { ...written, writing: running ? written.writing : undefined, stop, start };
}

/** The same where style sheets follow with the same: files count by how strips end. */
function followKey(
  { recipe, follows, from, lines, pieces, sheets }: PieceSet,
  { samples, looking, sheets: read }: SetScan,
  { files }: SetWriting,
): string | undefined {
  return read && !looking
    ? JSON.stringify([
        [recipeKey(recipe), follows, from, lines],
        pieces.filter((p) => !p.leftOut).map((p) => p.assetId),
        sheets.map((s) => s.assetId),
        samples.size,
        [...endsOf(files)],
      ])
    : undefined;
}

/** Characters of style sheets from which on it takes a while to work out what they follow with. */
const manyCharacters = 60_000;

export const areLarge = (sheets: readonly SheetText[]): boolean =>
  sheets.reduce((sum, { text }) => sum + text.length, 0) > manyCharacters;

/** Large style sheets follow once nothing has changed for so long, ms. */
const largeRest = 200;

export interface SheetRecolouring {
  /** Of a moment ago while it is worked out; undefined before. */
  readonly followed: RecolouredSheets | undefined;
  /** What it is worked out for; undefined while that is not known yet. */
  readonly key: string | undefined;
  /** It is of that. */
  readonly settled: boolean;
  /** That of the set as it is now, however soon it is asked; undefined before sheets are read. */
  newest(): Promise<RecolouredSheets | undefined>;
}

/** What the style sheets follow with. */
export function useSheetRecolouring(
  set: PieceSet,
  looked: SetScan,
  written: SetWriting,
): SheetRecolouring {
  const { sheets } = looked;
  const { files } = written;
  const key = useMemo(() => followKey(set, looked, written), [set, looked, written]);
  const follow = () => theSetFiles().follow(set, sheets!, looked.samples, files);
  const { value, current } = useLatestTask<RecolouredSheets | undefined>(
    key,
    undefined,
    async ({ update }) => {
      const followed = await follow();
      update(() => followed);
    },
    {
      keepPrevious: true,
      oneAtATime: true,
      debounceMs: sheets && areLarge(sheets) ? largeRest : 0,
    },
  );
  const followed = sheets && value;
  return {
    followed,
    key,
    settled: current,
    newest: async () => (sheets && !(current && followed) ? follow() : followed),
  };
}

const noContrasts: ReadonlyMap<string, LineContrast> = new Map();

/** Contrasts of what the style sheets follow with, by their lines; those of a moment ago meanwhile. */
export function useContrasts(
  set: PieceSet,
  { sheets, samples }: SetScan,
  { files }: SetWriting,
  followed: RecolouredSheets | undefined,
): ReadonlyMap<string, LineContrast> {
  const key = useMemo(
    () => followed && sheets && { followed, asked: { set, sheets, samples, ends: endsOf(files) } },
    [followed, set, sheets, samples, files],
  );
  const { value } = useLatestTask(
    key,
    noContrasts,
    async ({ update }) => {
      const found = await theEngine().sheets.contrasts(key!.asked);
      update(() => found);
    },
    { debounceMs: 120, keepPrevious: true },
  );
  return value;
}

const noPreviews: ReadonlyMap<string, Raster> = new Map();

/**
 * Small pictures of pieces, as they are or with a recipe; those of a moment ago while new ones are
 * made.
 * @param looked how many pieces were looked at: more can be shown then
 */
export function usePreviews(
  recipe: Recipe | null,
  assetIds: readonly string[],
  looked: number,
): ReadonlyMap<string, Raster> {
  const how = recipe && recipeKey(recipe);
  const { value } = useLatestTask(
    JSON.stringify([how, assetIds, looked]),
    noPreviews,
    async ({ update }) => {
      const made = await theEngine().set.previews(recipe, assetIds);
      update(() => new Map(made.map((p) => [p.assetId, p.raster])));
    },
    { oneAtATime: true },
  );
  return value;
}

interface WholePiece {
  readonly before: Raster;
  readonly after: Raster;
  readonly assetId: string;
}

/** All px of one piece, before and after. */
export function useWhole(recipe: Recipe, assetId: string | undefined): WholePiece | undefined {
  const { value } = useLatestTask<WholePiece | undefined>(
    assetId && JSON.stringify([recipeKey(recipe), assetId]),
    undefined,
    async ({ update }) => {
      const { set } = theEngine();
      // The list says what is wrong with one that cannot be read.
      const before = await set.whole(null, assetId!);
      const active = isActive(recipe);
      const after = active ? await set.whole(recipe, assetId!) : before;
      update(() => ({ before, after, assetId: assetId! }));
    },
    { oneAtATime: true },
  );
  return value?.assetId === assetId ? value : undefined;
}

/** Ways from the old colour to the new one. */
export interface Offers {
  readonly list: readonly ShownOffer[];
  /** They are of the colours that are asked for now. */
  readonly current: boolean;
}

/** Those of before, and said to be, while new ones are worked out. */
export function useOffers(
  { from, to, recipe, pieces }: PieceSet,
  shown: readonly string[],
  looked: number,
): Offers | undefined {
  const taken = pieces.filter((p) => !p.leftOut).map((p) => p.assetId);
  const how = JSON.stringify([from, to, recipe.spare, recipe.hues, recipe.byHue]);
  const { value } = useLatestTask<{ how: string; list: readonly ShownOffer[] } | undefined>(
    JSON.stringify([how, taken, shown, looked]),
    undefined,
    async ({ update }) => {
      const list = await theEngine().set.offers(
        from,
        to,
        { spare: recipe.spare, hues: recipe.hues, byHue: recipe.byHue },
        taken,
        shown,
      );
      update(() => ({ how, list }));
    },
    { debounceMs: 150, keepPrevious: true },
  );
  // More pieces only make its figures better: a way there stays one.
  return value && { list: value.list, current: value.how === how };
}
