'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import type { Raster } from '@/core/raster/raster';
import type { Sample } from '@/core/recolour/offers';
import { activeSteps } from '@/core/recolour/recipe';
import type { Followed } from '@/core/set/follow';
import type { Recoloured } from '@/core/set/recolourFile';
import type { Role } from '@/core/set/roles';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Recipe } from '@/core/site/model/recipe';
import type { SheetText } from '@/core/theme/readTheme';
import type { OfferLook } from '@/engine/protocol';
import { endsOf, readSheets, writtenPieces } from './recolouring';
import { theEngine } from './services';

export type { OfferLook } from '@/engine/protocol';

/** How far something is that goes piece by piece. */
export interface Progress {
  readonly done: number;
  readonly of: number;
  readonly path: string;
}

export interface Looked {
  readonly sheets: readonly SheetText[] | undefined;
  readonly roles: ReadonlyMap<string, Role>;
  /** Main colours of the pieces that were looked at, by path. */
  readonly samples: ReadonlyMap<string, readonly Sample[]>;
  /** Pieces that cannot be read, with why. */
  readonly broken: ReadonlyMap<string, string>;
  readonly looking: Progress | undefined;
  /** Every piece was looked at; not so once it was stopped. */
  readonly whole: boolean;
  stop(): void;
  /** Goes on where it was stopped. */
  start(): void;
}

const nothing = {
  sheets: undefined,
  roles: new Map(),
  samples: new Map(),
  broken: new Map(),
  looking: undefined,
  whole: false,
};

/** Looks at all pieces of a set, four at a time. */
export function useLooked(set: PieceSet): Looked {
  const { pieces, sheets: filed } = set;
  const key = useMemo(
    () =>
      JSON.stringify([
        pieces.map((p) => [p.path, p.assetId]),
        filed.map((s) => [s.path, s.assetId]),
      ]),
    [pieces, filed],
  );
  const [state, setState] = useState<Omit<Looked, 'stop' | 'start'> & { key: string }>({
    ...nothing,
    key: '',
  });
  const [round, setRound] = useState(0);
  const stopped = useRef(false);
  useEffect(() => {
    let current = true;
    stopped.current = false;
    const samples = new Map<string, readonly Sample[]>();
    const broken = new Map<string, string>();
    const waiting = [...pieces];
    const show = (part: Partial<Looked>) => {
      if (current) {
        setState((s) => ({ ...(s.key === key ? s : nothing), key, ...part }));
      }
    };
    void (async () => {
      try {
        show({ ...(await readSheets({ pieces, sheets: filed })) });
      } catch (error) {
        show({
          sheets: [],
          broken: new Map([['', error instanceof Error ? error.message : String(error)]]),
        });
      }
      let shown = 0;
      await Promise.all(
        Array.from({ length: 4 }, async () => {
          for (
            let piece = waiting.shift();
            piece && current && !stopped.current;
            piece = waiting.shift()
          ) {
            try {
              samples.set(piece.path, await theEngine().set.look(piece.assetId));
            } catch (error) {
              broken.set(piece.path, error instanceof Error ? error.message : String(error));
            }
            if (Date.now() - shown > 120) {
              shown = Date.now();
              show({
                samples: new Map(samples),
                broken: new Map(broken),
                looking: { done: samples.size + broken.size, of: pieces.length, path: piece.path },
              });
            }
          }
        }),
      );
      show({
        samples,
        broken,
        looking: undefined,
        whole: samples.size + broken.size >= pieces.length,
      });
    })();
    return () => {
      current = false;
    };
    // The key stands for the files; other parts of the set change without them.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, round]);
  const seen = state.key === key ? state : { ...nothing, key };
  return {
    ...seen,
    stop: () => {
      stopped.current = true;
    },
    start: () => setRound((r) => r + 1),
  };
}

export interface Written {
  /** Files written with the recipe as it is, by path; empty while it changes. */
  readonly files: ReadonlyMap<string, Recoloured>;
  readonly writing: Progress | undefined;
  /** Everything is written. */
  readonly whole: boolean;
  readonly failures: ReadonlyMap<string, string>;
  stop(): void;
  start(): void;
}

/** A recipe is written with once it has rested for so long, ms. */
const rest = 700;

/** Writes the pieces of a set whenever its recipe has come to rest. */
export function useWritten(set: PieceSet, { roles, whole, sheets }: Looked): Written {
  const { pieces, recipe } = set;
  const key = useMemo(
    () =>
      JSON.stringify([
        pieces.filter((p) => !p.leftOut).map((p) => p.path),
        recipe.steps,
        recipe.spare,
        pieces.length,
        sheets?.length,
      ]),
    [pieces, recipe.steps, recipe.spare, sheets],
  );
  const [state, setState] = useState<Omit<Written, 'stop' | 'start'> & { key: string }>();
  const [round, setRound] = useState(0);
  const stopped = useRef(false);
  const ready = sheets !== undefined && whole;
  useEffect(() => {
    if (ready) {
      theEngine().warmSearch();
    }
  }, [ready]);
  useEffect(() => {
    let current = true;
    stopped.current = false;
    if (!ready || activeSteps(recipe).length === 0) {
      return;
    }
    const wanted = () => current && !stopped.current;
    const failures = new Map<string, string>();
    const timer = setTimeout(async () => {
      const of = pieces.filter((p) => !p.leftOut).length;
      let shown = 0;
      setState({
        key,
        files: new Map(),
        failures: new Map(),
        whole: false,
        writing: { done: 0, of, path: '' },
      });
      const files = await writtenPieces(set, roles, {
        wanted,
        onFailure: (path, message) => failures.set(path, message),
        onProgress(done, all, path) {
          if (wanted() && Date.now() - shown > 120) {
            shown = Date.now();
            setState((s) => s && { ...s, writing: { done, of: all, path } });
          }
        },
      });
      if (current) {
        setState({ key, files, failures, whole: !stopped.current, writing: undefined });
      }
    }, rest);
    return () => {
      current = false;
      clearTimeout(timer);
    };
    // The key stands for what the files depend on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, ready, round]);
  const now = state?.key === key ? state : undefined;
  return {
    files: now?.files ?? new Map(),
    failures: now?.failures ?? new Map(),
    writing: now?.writing,
    whole: now?.whole ?? false,
    stop() {
      stopped.current = true;
      setState((s) => s && { ...s, writing: undefined });
    },
    start: () => setRound((r) => r + 1),
  };
}

/** What the style sheets follow with; that of a moment ago while it is worked out. */
export function useFollowed(
  set: PieceSet,
  { sheets, samples, looking }: Looked,
  { files }: Written,
): Followed | undefined {
  const [followed, setFollowed] = useState<Followed>();
  useEffect(() => {
    if (!sheets || looking) {
      return;
    }
    let current = true;
    const timer = setTimeout(() => {
      theEngine()
        .set.follow(set, sheets, endsOf(files))
        .then(
          (f) => {
            if (current) {
              setFollowed(f);
            }
          },
          () => {
            /* The next change asks again. */
          },
        );
    }, 120);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [set, sheets, samples, looking, files]);
  return sheets ? followed : undefined;
}

/**
 * Small pictures of pieces, as they are or with a recipe; those of a moment ago while new ones are
 * made.
 */
export function usePreviews(
  recipe: Recipe | null,
  assetIds: readonly string[],
  looked: number,
): ReadonlyMap<string, Raster> {
  const [previews, setPreviews] = useState<ReadonlyMap<string, Raster>>(new Map());
  const busy = useRef(false);
  const next = useRef<() => void>(undefined);
  const ids = assetIds.join();
  const how = useMemo(() => (recipe ? JSON.stringify([recipe.steps, recipe.spare]) : ''), [recipe]);
  useEffect(() => {
    let gone = false;
    const ask = async () => {
      busy.current = true;
      try {
        const made = await theEngine().set.previews(recipe, ids ? ids.split(',') : []);
        if (!gone) {
          setPreviews(new Map(made.map((p) => [p.assetId, p.raster])));
        }
      } catch {
        /* The next change asks again. */
      } finally {
        busy.current = false;
        next.current?.();
      }
    };
    // One question at a time is on its way; of those that come meanwhile the newest is put.
    next.current = () => {
      next.current = undefined;
      void ask();
    };
    if (!busy.current) {
      next.current();
    }
    return () => {
      gone = true;
    };
    // Recipe and list are told by their texts.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [how, ids, looked]);
  return previews;
}

/** All px of one piece, before and after. */
export function useWhole(
  recipe: Recipe,
  assetId: string | undefined,
): { readonly before: Raster; readonly after: Raster; readonly assetId: string } | undefined {
  const [state, setState] = useState<{ before: Raster; after: Raster; assetId: string }>();
  const busy = useRef(false);
  const next = useRef<() => void>(undefined);
  const how = useMemo(() => JSON.stringify([recipe.steps, recipe.spare]), [recipe]);
  useEffect(() => {
    if (!assetId) {
      return;
    }
    let gone = false;
    const ask = async () => {
      busy.current = true;
      try {
        const before = await theEngine().set.whole(null, assetId);
        const after =
          activeSteps(recipe).length > 0 ? await theEngine().set.whole(recipe, assetId) : before;
        if (!gone) {
          setState({ before, after, assetId });
        }
      } catch {
        /* The list says what is wrong with it. */
      } finally {
        busy.current = false;
        next.current?.();
      }
    };
    next.current = () => {
      next.current = undefined;
      void ask();
    };
    if (!busy.current) {
      next.current();
    }
    return () => {
      gone = true;
    };
    // The recipe is told by its text.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [how, assetId]);
  return state?.assetId === assetId ? state : undefined;
}

/**
 * Ways from the old colour to the new one; those of before, and said to be, while new ones are
 * worked out.
 */
export function useOffers(
  { from, to, recipe, pieces }: PieceSet,
  shown: readonly string[],
  looked: number,
): { readonly list: readonly OfferLook[]; readonly current: boolean } | undefined {
  const [offers, setOffers] = useState<{ how: string; list: readonly OfferLook[] }>();
  const taken = pieces
    .filter((p) => !p.leftOut)
    .map((p) => p.assetId)
    .join();
  const how = JSON.stringify([from, to, recipe.spare]);
  const key = JSON.stringify([how, taken, shown, looked]);
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      theEngine()
        .set.offers(from, to, recipe.spare, taken ? taken.split(',') : [], shown)
        .then(
          (list) => {
            if (current) {
              setOffers({ how, list });
            }
          },
          () => {
            /* The next change asks again. */
          },
        );
    }, 150);
    return () => {
      current = false;
      clearTimeout(timer);
    };
    // The key stands for all of it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  // More pieces only make its figures better: a way there stays one.
  return offers && { list: offers.list, current: offers.how === how };
}
