import { boundedCache } from '@/core/boundedCache';
import type { Spans } from '@/core/files/spans';
import type { PackedFile } from '@/core/files/unzip';
import { Refusal, wordsOf } from '@/core/refusal';
import type { RecolouredSheets } from '@/core/set/recolourSheets';
import { filesOfSet } from '@/core/set/paths';
import type { SetHanded } from '@/core/set/produce';
import type { SetSheets } from '@/core/set/sheets';
import type { Recoloured } from '@/core/set/recolourFile';
import { recipeKey } from '@/core/recolour/activeSteps';
import { SetStopped, wantsEnds, type SetListener } from '@/core/set/listener';
import type { Role } from '@/core/set/roles';
import type { Sample } from '@/core/recolour/offers';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Recipe } from '@/core/site/model/recipe';
import type { SheetText } from '@/core/theme/readTheme';

type Bytes = Uint8Array<ArrayBuffer>;
/** Main colours of pieces, by path. */
type Samples = ReadonlyMap<string, readonly Sample[]>;
type Idle = ReadonlyMap<string, Spans>;
type Ends = ReadonlyMap<string, NonNullable<Recoloured['ends']>>;

/** A file to be written with a recipe laid on it. */
export interface SetJob {
  readonly path: string;
  readonly assetId: string;
  readonly format: string;
  readonly wantsEnds: boolean;
}

/** What working on a set needs of the engine and the store. */
export interface SetPorts {
  asset(assetId: string): Promise<Bytes>;
  sheets(files: readonly PackedFile[], pieces: PieceSet['pieces']): Promise<SetSheets>;
  handed(what: {
    set: PieceSet;
    originals: ReadonlyMap<string, Bytes>;
    written: ReadonlyMap<string, Recoloured>;
    followed: RecolouredSheets;
    all: boolean;
  }): Promise<readonly SetHanded[]>;
  look(assetId: string): Promise<readonly Sample[]>;
  follow(what: {
    set: PieceSet;
    sheets: readonly SheetText[];
    samples: Samples;
    ends: Ends;
  }): Promise<RecolouredSheets>;
  followBeside(what: {
    set: PieceSet;
    sheets: readonly SheetText[];
    samples: Samples;
    ends: Ends;
    idle: Idle;
  }): Promise<RecolouredSheets['patches']>;
  recolour(
    recipe: Recipe,
    jobs: readonly SetJob[],
    listener: {
      wanted(): boolean;
      onDone(job: SetJob, made: Recoloured): void;
      onFailure(job: SetJob, message: string): void;
    },
  ): Promise<void>;
}

export interface WritingListener {
  wanted(): boolean;
  onProgress(done: number, of: number, path: string): void;
  onFailure(path: string, message: string): void;
}

export interface LookListener {
  wanted(): boolean;
  onSeen(path: string, samples: readonly Sample[]): void;
  onBroken(path: string, message: string): void;
}

/** Files that were written with a recipe are kept, bytes. */
const mostBytes = 40e6;

/** Pieces that are looked at side by side. */
const lookers = 4;

const keyOf = ({ assetId, wantsEnds: ends }: SetJob, recipe: Recipe): string =>
  JSON.stringify([assetId, ends, recipeKey(recipe)]);

/** What the written files have along their sides, by their paths. */
export const endsOf = (files: ReadonlyMap<string, Recoloured>): Ends =>
  new Map([...files].flatMap(([path, f]) => (f.ends ? [[path, f.ends] as const] : [])));

/** The files of sets: read, looked at, and written with a recipe. */
export class SetFiles {
  private readonly written = boundedCache<Recoloured>(mostBytes, ({ bytes }) => bytes.length);

  constructor(private readonly ports: SetPorts) {}

  /** The style sheets of a set, and what they say each piece is for. */
  async sheets({ sheets, pieces }: Pick<PieceSet, 'sheets' | 'pieces'>): Promise<SetSheets> {
    const files = sheets.map(async ({ path, assetId }) => ({
      path,
      bytes: await this.ports.asset(assetId),
    }));
    return this.ports.sheets(await Promise.all(files), pieces);
  }

  /** Looks at all pieces, a few at a time; one that cannot be read is told and the others go on. */
  async look(pieces: PieceSet['pieces'], listener: LookListener): Promise<void> {
    const waiting = [...pieces];
    const looker = async () => {
      for (let piece = waiting.shift(); piece && listener.wanted(); piece = waiting.shift()) {
        try {
          listener.onSeen(piece.path, await this.ports.look(piece.assetId));
        } catch (error) {
          listener.onBroken(piece.path, wordsOf(error));
        }
      }
    };
    await Promise.all(Array.from({ length: lookers }, looker));
  }

  /** The pieces that are not left out, written with the set's recipe or as they were before. */
  async pieces(
    { pieces, recipe }: PieceSet,
    roles: ReadonlyMap<string, Role>,
    listener: WritingListener,
  ): Promise<Map<string, Recoloured>> {
    const out = new Map<string, Recoloured>();
    const wanted = pieces.filter((p) => !p.leftOut);
    const jobs: SetJob[] = [];
    for (const { path, assetId, format } of wanted) {
      const job = { path, assetId, format, wantsEnds: wantsEnds(roles.get(path)) };
      const before = this.written.get(keyOf(job, recipe));
      if (before) {
        out.set(path, before);
      } else {
        jobs.push(job);
      }
    }
    if (jobs.length > 0) {
      await this.ports.recolour(recipe, jobs, {
        wanted: listener.wanted,
        onDone: (job, made) => {
          this.written.set(keyOf(job, recipe), made);
          out.set(job.path, made);
          listener.onProgress(out.size, wanted.length, job.path);
        },
        onFailure: ({ path, format }, message) =>
          listener.onFailure(
            path,
            `${path}: expected a whole ${format.toUpperCase()} picture, but ${message}.`,
          ),
      });
    }
    return out;
  }

  /** Every file of a set as it came, by its path. */
  async originals(set: PieceSet): Promise<Map<string, Bytes>> {
    const files = filesOfSet(set).map(
      async (f) => [f.path, await this.ports.asset(f.assetId)] as const,
    );
    return new Map(await Promise.all(files));
  }

  /** What the style sheets follow with, once files are written. */
  follow(
    set: PieceSet,
    sheets: readonly SheetText[],
    samples: Samples,
    files: ReadonlyMap<string, Recoloured>,
  ): Promise<RecolouredSheets> {
    return this.ports.follow({ set, sheets, samples, ends: endsOf(files) });
  }

  /**
   * What is put in outside of some rules, soon.
   * @param idle those rules, by the paths of their sheets
   */
  followBeside(
    set: PieceSet,
    sheets: readonly SheetText[],
    samples: Samples,
    files: ReadonlyMap<string, Recoloured>,
    idle: Idle,
  ): Promise<RecolouredSheets['patches']> {
    return this.ports.followBeside({ set, sheets, samples, ends: endsOf(files), idle });
  }

  /**
   * What is handed over of a set.
   * @param all whether files that do not change are among it
   */
  async handed(
    set: PieceSet,
    files: ReadonlyMap<string, Recoloured>,
    followed: RecolouredSheets,
    all: boolean,
  ): Promise<readonly SetHanded[]> {
    const originals = await this.originals(set);
    return this.ports.handed({ set, originals, written: files, followed, all });
  }

  /**
   * All files of a set with its recipe laid on it, for a hand-over.
   * @throws SetStopped when it was given up; Error naming a piece that cannot be written
   */
  async theme(set: PieceSet, listener: SetListener): Promise<readonly SetHanded[]> {
    const { sheets, roles } = await this.sheets(set);
    const failures: string[] = [];
    const samples = new Map(
      await Promise.all(
        set.pieces.map(
          // Writing a piece says what is wrong with it.
          async (p) => [p.path, await this.ports.look(p.assetId).catch(() => [])] as const,
        ),
      ),
    );
    const files = await this.pieces(set, roles, {
      ...listener,
      onFailure: (_, message) => failures.push(message),
    });
    if (!listener.wanted()) {
      throw new SetStopped('Recolouring was stopped.');
    }
    if (failures.length > 0) {
      throw new Refusal(`${failures[0]} Leave it out of the set to hand over the others.`);
    }
    return this.handed(set, files, await this.follow(set, sheets, samples, files), true);
  }
}
