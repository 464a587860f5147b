import type { Sample } from '@/core/recolour/offers';
import { wordsOf } from '@/core/refusal';
import type { Recoloured } from '@/core/set/recolourFile';
import type { Role } from '@/core/set/roles';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { SheetText } from '@/core/theme/readTheme';
import type { TaskContext } from './latestTask';
import type { SetFiles } from './setFiles';

/** How far something is that goes piece by piece. */
export interface Progress {
  readonly done: number;
  readonly of: number;
  readonly path: string;
}

/** What is known of a set's pieces. */
export interface Looks {
  readonly sheets: readonly SheetText[] | undefined;
  readonly roles: ReadonlyMap<string, Role>;
  /** Main colours of the pieces that were looked at, by path. */
  readonly samples: ReadonlyMap<string, readonly Sample[]>;
  /** Pieces that cannot be read, with why. */
  readonly broken: ReadonlyMap<string, string>;
  readonly looking: Progress | undefined;
  /** Every piece was looked at; not so once it was stopped. */
  readonly whole: boolean;
}

export const nothingLooked: Looks = {
  sheets: undefined,
  roles: new Map(),
  samples: new Map(),
  broken: new Map(),
  looking: undefined,
  whole: false,
};

/** What was written of a set with its recipe as it is. */
export interface Writing {
  /** By path. */
  readonly files: ReadonlyMap<string, Recoloured>;
  readonly writing: Progress | undefined;
  /** Everything is written. */
  readonly whole: boolean;
  readonly failures: ReadonlyMap<string, string>;
}

export const nothingWritten: Writing = {
  files: new Map(),
  writing: undefined,
  whole: false,
  failures: new Map(),
};

/** Progress is shown no more often, ms. */
const showEvery = 120;

/** Lets calls through no more often than every so many ms, by a clock. */
function nowAndThen(now: () => number): (call: () => void) => void {
  let last = -Infinity;
  return (call) => {
    if (now() - last > showEvery) {
      last = now();
      call();
    }
  };
}

/** Looks at all pieces of a set, and tells how far it is. */
export async function lookAtSet(
  files: SetFiles,
  set: Pick<PieceSet, 'pieces' | 'sheets'>,
  { isCurrent, update }: TaskContext<Looks>,
  now: () => number,
): Promise<void> {
  const of = set.pieces.length;
  const samples = new Map<string, readonly Sample[]>();
  const broken = new Map<string, string>();
  try {
    const read = await files.sheets(set);
    update((l) => ({ ...l, ...read }));
  } catch (error) {
    broken.set('', wordsOf(error));
    update((l) => ({ ...l, sheets: [], broken: new Map(broken) }));
  }
  const some = nowAndThen(now);
  const show = (path: string) =>
    some(() =>
      update((l) => ({
        ...l,
        samples: new Map(samples),
        broken: new Map(broken),
        looking: { done: samples.size + broken.size, of, path },
      })),
    );
  await files.look(set.pieces, {
    wanted: isCurrent,
    onSeen(path, found) {
      samples.set(path, found);
      show(path);
    },
    onBroken(path, message) {
      broken.set(path, message);
      show(path);
    },
  });
  update((l) => ({ ...l, samples, broken, looking: undefined, whole: true }));
}

/** Writes the pieces of a set with its recipe, and tells how far it is. */
export async function writeSet(
  files: SetFiles,
  set: PieceSet,
  roles: ReadonlyMap<string, Role>,
  { isCurrent, update }: TaskContext<Writing>,
  now: () => number,
): Promise<void> {
  const failures = new Map<string, string>();
  const of = set.pieces.filter((p) => !p.leftOut).length;
  update(() => ({ ...nothingWritten, writing: { done: 0, of, path: '' } }));
  const some = nowAndThen(now);
  const written = await files.pieces(set, roles, {
    wanted: isCurrent,
    onFailure: (path, message) => failures.set(path, message),
    onProgress: (done, all, path) =>
      some(() => update((w) => ({ ...w, writing: { done, of: all, path } }))),
  });
  update(() => ({ files: written, failures, whole: true, writing: undefined }));
}
