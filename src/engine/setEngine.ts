import type { PackedFile } from '@/core/files/unzip';
import type { Sample } from '@/core/recolour/offers';
import type { HueSelection } from '@/core/recolour/hueSelection';
import type { Raster } from '@/core/raster/raster';
import { clauseOf } from '@/core/refusal';
import type { RecolouredSheets } from '@/core/set/recolourSheets';
import type { OpenedSet } from '@/core/set/openSet';
import type { Recoloured } from '@/core/set/recolourFile';
import type { SetHanded } from '@/core/set/produce';
import type { SetSheets } from '@/core/set/sheets';
import type { Hex } from '@/core/site/model/hex';
import type { Recipe } from '@/core/site/model/recipe';
import { createChannel, WorkerCrash, type Channel, type WorkerLike } from './channel';
import { packRecolouredSheets } from './packedRecolouredSheets';
import type { CodecCalls, ShownOffer, Preview, SetCalls } from './protocol';
import { retryAfterCrash } from './retryAfterCrash';

/** A file to be written with a recipe laid on it. */
export interface RecolourJob {
  readonly path: string;
  readonly assetId: string;
  readonly format: string;
  readonly wantsEnds: boolean;
}

export interface RecolourListener {
  /** Asked before each file. */
  wanted(): boolean;
  onDone(job: RecolourJob, made: Recoloured): void;
  /** A message for people; the other files are written all the same. */
  onFailure(job: RecolourJob, message: string): void;
}

export interface SetEngine {
  /** Opens what was dropped; a signal that is given up ends the work at once. */
  open(files: readonly PackedFile[], signal?: AbortSignal): Promise<OpenedSet>;
  /** Reads style sheets, and what they say each piece is for. */
  sheets(
    files: readonly PackedFile[],
    pieces: readonly { path: string; width: number; height: number }[],
  ): Promise<SetSheets>;
  /** What is handed over of a set; with `all`, files that did not change too. */
  handed(
    what: Omit<SetCalls['handed']['ask'], 'followed'> & { readonly followed: RecolouredSheets },
  ): Promise<readonly SetHanded[]>;
  /** Decodes a piece once, and gives its main colours. */
  look(assetId: string): Promise<readonly Sample[]>;
  /** Pieces as a list shows them; those that were not looked at yet are left out. */
  previews(recipe: Recipe | null, assetIds: readonly string[]): Promise<readonly Preview[]>;
  /**
   * A piece as it is looked at closely, as it is or recoloured: all its px, unless it is too large
   * for a screen.
   */
  whole(recipe: Recipe | null, assetId: string): Promise<Raster>;
  offers(
    from: Hex,
    to: Hex,
    reach: HueSelection,
    assetIds: readonly string[],
    shown: readonly string[],
  ): Promise<readonly ShownOffer[]>;
  /** Writes files, in two workers, one set of them after the other. */
  recolour(recipe: Recipe, jobs: readonly RecolourJob[], listener: RecolourListener): Promise<void>;
}

/** A piece that is looked at has no more px than this: a large screen twice over. */
const mostSeen = 4e6;

interface Parts {
  spawn(): WorkerLike;
  readonly silence: number;
  decode(bytes: Uint8Array): Promise<Raster>;
  assetBytes(assetId: string): Promise<Uint8Array<ArrayBuffer>>;
  /** Work with all workers that write. */
  write<T>(work: (writers: readonly Channel<CodecCalls>[]) => Promise<T>): Promise<T>;
}

export function createSetEngine({
  spawn,
  silence,
  decode,
  assetBytes,
  write: withWriters,
}: Parts): SetEngine {
  const seen = new Set<string>();
  let looks = new Map<string, Promise<readonly Sample[]>>();
  let last: { assetId: string; raster: Raster; scale: number } | undefined;
  let generation = 0;
  // A new worker knows no pieces.
  const forget = () => {
    looks = new Map();
    generation++;
  };
  const channel = createChannel<SetCalls>(spawn, { onCrash: forget, silence });

  const decoded = async (assetId: string): Promise<Raster> => decode(await assetBytes(assetId));

  function look(assetId: string): Promise<readonly Sample[]> {
    const known = looks.get(assetId);
    if (known) {
      return known;
    }
    const brought = async () => {
      const raster = await decoded(assetId);
      return channel.ask('piece', { assetId, raster }, [raster.data.buffer]);
    };
    const found = retryAfterCrash(brought).then(({ samples, gone }) => {
      for (const id of gone) {
        looks.delete(id);
      }
      return samples;
    });
    looks.set(assetId, found);
    found.then(
      () => seen.add(assetId),
      () => {
        if (looks.get(assetId) === found) {
          looks.delete(assetId);
        }
      },
    );
    return found;
  }

  /**
   * Pieces that were looked at and that the worker of now has not got, since it is a new one, are
   * handed over again first.
   */
  async function afresh<T>(assetIds: readonly string[], question: () => Promise<T>): Promise<T> {
    for (let tries = 1; ; tries++) {
      const worker = generation;
      await Promise.all(assetIds.filter((id) => seen.has(id) && !looks.has(id)).map(look));
      if (worker !== generation) {
        continue;
      }
      try {
        return await question();
      } catch (error) {
        if (!(error instanceof WorkerCrash) || tries > 1) {
          throw error;
        }
      }
    }
  }

  return {
    async open(files, signal) {
      const give = () => channel.restart('Reading the folder was stopped.');
      signal?.addEventListener('abort', give, { once: true });
      try {
        return await retryAfterCrash(() => channel.ask('open', { files }));
      } finally {
        signal?.removeEventListener('abort', give);
        if (signal?.aborted) {
          forget();
        }
      }
    },
    sheets: (files, pieces) => retryAfterCrash(() => channel.ask('sheets', { files, pieces })),
    handed: (what) =>
      retryAfterCrash(() =>
        channel.ask('handed', { ...what, followed: packRecolouredSheets(what.followed) }),
      ),
    look,
    previews: (recipe, assetIds) =>
      afresh(assetIds, () => channel.ask('previews', { recipe, assetIds })),
    async whole(recipe, assetId) {
      if (last?.assetId !== assetId) {
        const raster = await decoded(assetId);
        const { width, height } = raster;
        const shown =
          width * height > mostSeen
            ? await retryAfterCrash(() => channel.ask('smaller', { raster, most: mostSeen }))
            : raster;
        last = { assetId, raster: shown, scale: shown.width / width };
      }
      const { raster, scale } = last;
      return recipe
        ? retryAfterCrash(() => channel.ask('whole', { recipe, raster, scale }))
        : raster;
    },
    offers: (from, to, reach, assetIds, shown) =>
      afresh(assetIds, () => channel.ask('offers', { from, to, reach, assetIds, shown })),
    recolour: (recipe, jobs, listener) =>
      withWriters(async (writers) => {
        const waiting = [...jobs];
        // The next file is read while a worker writes the one before.
        const begin = () => {
          const job = waiting.shift();
          const bytes = job && assetBytes(job.assetId);
          bytes?.catch(() => {
            /* It is said when its turn comes. */
          });
          return job && bytes && { job, bytes };
        };
        await Promise.all(
          writers.map(async (writer) => {
            for (let now = begin(), next; now && listener.wanted(); now = next) {
              const { job, bytes: reading } = now;
              const { format, wantsEnds } = job;
              next = begin();
              try {
                const bytes = await reading;
                const made = await retryAfterCrash(() =>
                  writer.ask('recolour', { format, bytes, recipe, wantsEnds }),
                );
                if (listener.wanted()) {
                  listener.onDone(job, made);
                }
              } catch (error) {
                if (listener.wanted()) {
                  listener.onFailure(job, clauseOf(error));
                }
              }
            }
          }),
        );
      }),
  };
}
