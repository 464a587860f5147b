import { createStore, type StoreApi } from 'zustand/vanilla';
import { Refusal, wordsOf } from '@/core/refusal';

type Bytes = Uint8Array<ArrayBuffer>;

/** A file that an owner gives, with its place below what was dropped. */
export interface PlacedFile {
  readonly path: string;
  readonly file: { readonly size: number; arrayBuffer(): Promise<ArrayBuffer> };
}

export interface ReadFile {
  readonly path: string;
  readonly bytes: Bytes;
}

/** What several files together may come to. */
export interface ReadingLimits {
  /** Bytes of one file. */
  readonly each?: number;
  /** Bytes of all together. */
  readonly together?: number;
  readonly count?: number;
}

const megabytes = (bytes: number): string => `${Math.round(bytes / 2 ** 20)} MB`;

/** @throws Refusal */
function check(files: readonly PlacedFile[], { each, together, count }: ReadingLimits): void {
  const large = each === undefined ? undefined : files.find(({ file }) => file.size > each);
  if (large) {
    throw new Refusal(
      `${large.path}: expected at most ${megabytes(each!)}, found ${megabytes(large.file.size)}.`,
    );
  }
  const total = files.reduce((sum, { file }) => sum + file.size, 0);
  if (together !== undefined && total > together) {
    throw new Refusal(
      `${files[0].path}: expected at most ${megabytes(together)}, found ${megabytes(total)}.`,
    );
  }
  if (count !== undefined && files.length > count) {
    throw new Refusal(`${files[0].path}: expected at most ${count} files, found ${files.length}.`);
  }
}

/**
 * Files that are read together, one lot at a time: a newer one gives the older up. What is refused
 * is said and changes nothing.
 */
export class FileReading {
  readonly state: StoreApi<{
    /** What is being read, in a few words. */
    readonly busy: string | undefined;
  }> = createStore(() => ({ busy: undefined }));
  private stop: AbortController | undefined;

  /** @param refused says to the owner why files were refused */
  constructor(private readonly refused: (words: string) => void) {}

  /**
   * @param open makes something of the bytes; it may end early once its signal says so
   * @returns undefined where the files were refused or given up, or where there are none
   */
  async read<T>(
    files: readonly PlacedFile[],
    limits: ReadingLimits,
    open: (read: readonly ReadFile[], signal: AbortSignal) => Promise<T>,
  ): Promise<T | undefined> {
    if (files.length === 0) {
      return undefined;
    }
    this.stop?.abort();
    const own = new AbortController();
    this.stop = own;
    try {
      check(files, limits);
      this.state.setState({ busy: files.length === 1 ? files[0].path : `${files.length} files` });
      const read = await Promise.all(
        files.map(async ({ path, file }) => ({
          path,
          bytes: new Uint8Array(await file.arrayBuffer()),
        })),
      );
      const opened = own.signal.aborted ? undefined : await open(read, own.signal);
      return own.signal.aborted ? undefined : opened;
    } catch (error) {
      if (!own.signal.aborted) {
        this.refused(wordsOf(error));
      }
      return undefined;
    } finally {
      if (this.stop === own) {
        this.state.setState({ busy: undefined });
      }
    }
  }

  /** Gives up what is being read. */
  cancel(): void {
    this.stop?.abort();
    this.stop = undefined;
    this.state.setState({ busy: undefined });
  }
}
