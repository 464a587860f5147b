'use client';

import type { Recoloured } from '@/core/set/recolourFile';
import { SetStopped, wantsEnds, type SetListener } from '@/core/set/recolourSet';
import type { Role } from '@/core/set/roles';
import { filesOfSet } from '@/core/set/edits';
import { readSheet } from '@/core/set/inside';
import { setFiles, type SetHanded } from '@/core/set/produce';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Recipe } from '@/core/site/model/recipe';
import type { SheetText } from '@/core/theme/readTheme';
import { assetBytes } from '@/store/assets';
import { theDatabase, theEngine } from './services';

/** Files that were written with a recipe in this tab, newest last. */
const written = new Map<string, Recoloured>();
const mostBytes = 160e6;

const recipeKey = ({ steps, spare }: Recipe): string => JSON.stringify([steps, spare]);
const keyOf = (assetId: string, ends: boolean, recipe: string): string =>
  `${assetId} ${ends} ${recipe}`;

function keep(key: string, made: Recoloured): void {
  written.delete(key);
  written.set(key, made);
  let total = [...written.values()].reduce((sum, w) => sum + w.bytes.length, 0);
  for (const [oldest, w] of written) {
    if (total <= mostBytes) {
      break;
    }
    written.delete(oldest);
    total -= w.bytes.length;
  }
}

export interface WritingListener {
  wanted(): boolean;
  onProgress(done: number, of: number, path: string): void;
  onFailure(path: string, message: string): void;
}

/**
 * The pieces of a set that are not left out, written with its recipe or as they were written
 * before.
 */
export async function writtenPieces(
  { pieces, recipe }: PieceSet,
  roles: ReadonlyMap<string, Role>,
  listener: WritingListener,
): Promise<Map<string, Recoloured>> {
  const key = recipeKey(recipe);
  const out = new Map<string, Recoloured>();
  const wanted = pieces.filter((p) => !p.leftOut);
  const jobs = wanted.flatMap(({ path, assetId, format }) => {
    const ends = wantsEnds(roles.get(path));
    const before = written.get(keyOf(assetId, ends, key));
    if (before) {
      out.set(path, before);
      return [];
    }
    return [{ path, assetId, format, wantsEnds: ends }];
  });
  if (jobs.length > 0) {
    await theEngine().set.recolour(recipe, jobs, {
      wanted: listener.wanted,
      onDone(job, made) {
        keep(keyOf(job.assetId, job.wantsEnds, key), made);
        out.set(job.path, made);
        listener.onProgress(out.size, wanted.length, job.path);
      },
      onFailure: (job, message) =>
        listener.onFailure(
          job.path,
          `${job.path}: expected a whole ${job.format.toUpperCase()} picture, but ${message}.`,
        ),
    });
  }
  return out;
}

/** Every file of a set as it came, by its path. */
export async function originalsOf(set: PieceSet): Promise<Map<string, Uint8Array<ArrayBuffer>>> {
  return new Map(
    await Promise.all(
      filesOfSet(set).map(
        async (f) => [f.path, await assetBytes(theDatabase(), f.assetId)] as const,
      ),
    ),
  );
}

/** The style sheets of a set, and what they say each piece is for. */
export async function readSheets({
  sheets: filed,
  pieces,
}: Pick<PieceSet, 'sheets' | 'pieces'>): Promise<{
  sheets: SheetText[];
  roles: ReadonlyMap<string, Role>;
}> {
  const sheets = await Promise.all(
    filed.map(async (s) => readSheet(s.path, await assetBytes(theDatabase(), s.assetId))),
  );
  return { sheets, roles: await theEngine().set.roles(sheets, pieces) };
}

/** What the written files have along their sides, by their paths. */
export const endsOf = (files: ReadonlyMap<string, Recoloured>) =>
  new Map([...files].flatMap(([path, f]) => (f.ends ? [[path, f.ends] as const] : [])));

/** All files of a set with its recipe laid on it, for a hand-over. */
export async function recolouredTheme(set: PieceSet, listener: SetListener): Promise<SetHanded[]> {
  const { sheets, roles } = await readSheets(set);
  const failures: string[] = [];
  await Promise.all(
    set.pieces.map((p) =>
      theEngine()
        .set.look(p.assetId)
        .catch(() => {
          /* Writing it says what is wrong with it. */
        }),
    ),
  );
  const files = await writtenPieces(set, roles, {
    ...listener,
    onFailure: (_, message) => failures.push(message),
  });
  if (!listener.wanted()) {
    throw new SetStopped('Recolouring was stopped.');
  }
  if (failures.length > 0) {
    throw new Error(`${failures[0]} Leave it out of the set to hand over the others.`);
  }
  return setFiles(
    set,
    await originalsOf(set),
    new Map([...files].map(([path, f]) => [path, { path, ...f }])),
    await theEngine().set.follow(set, sheets, endsOf(files)),
    true,
  );
}
