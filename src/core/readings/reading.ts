import type { CalmReport } from '../calm/calm';
import type { PageWordsReport } from '../legibility/pageWords';
import type { TextReport } from '../legibility/report';
import type { Raster } from '../raster/raster';
import type { Edit } from '../site/edit';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';

export type Verdict = 'holds' | 'look' | 'fails' | 'unknown';

/** A pressed file, as it was written and as it decodes again. */
export interface PressedFile {
  readonly bytes: number;
  readonly format: string;
  /** Size of the file, with what hangs out over the slot. */
  readonly width: number;
  readonly height: number;
  /** The part of it that lies in the slot. */
  readonly decoded: Raster;
  /** All of it, where there is more. */
  readonly whole?: Raster;
  /** How each visible text can be read, by its layer; undefined while it was not measured. */
  readonly texts?: Readonly<Record<string, TextReport>>;
  /** How busy it is, where words of the page lie over it. */
  readonly calm?: CalmReport;
}

export interface ReadingContext {
  readonly site: Site;
  readonly slot: Slot;
  readonly picture: Picture;
  /** The file of this very state of the picture; undefined until it is pressed. */
  readonly file?: PressedFile;
  /** Words of the page that lie over it, where it lies in one that is shown. */
  readonly over?: PageWordsReport;
}

export interface Mend {
  readonly label: string;
  readonly edit: Edit;
}

/**
 * A way that may be gone with several settings; the first that makes the reading hold is taken,
 * else the last one tried.
 */
export interface Way {
  readonly id: string;
  readonly tries: readonly Mend[];
}

/**
 * One thing that is measured, judged and said. `measure` gives undefined where it cannot be told
 * yet.
 */
export interface ReadingKind<V> {
  readonly id: string;
  /** Question of the strip that it belongs to, 1..7. */
  readonly question: number;
  readonly title: string;
  applies(context: ReadingContext): boolean;
  measure(context: ReadingContext): V | undefined;
  judge(value: V, context: ReadingContext): Exclude<Verdict, 'unknown'>;
  /** The figure alone, with its unit. */
  figure(value: V, context: ReadingContext): string;
  /** What is, then what to do. */
  say(value: V, context: ReadingContext): string;
  mend?(value: V, context: ReadingContext): Mend | undefined;
  /** Other ways to put it right, beside the first. */
  ways?(value: V, context: ReadingContext): readonly Mend[];
}

/** A reading taken. */
export interface Reading {
  readonly id: string;
  readonly question: number;
  readonly title: string;
  readonly verdict: Verdict;
  readonly figure: string;
  readonly words: string;
  readonly mend?: Mend;
  readonly ways: readonly Mend[];
}

/** Takes a reading, or undefined where the kind has nothing to say of this picture. */
export function take<V>(kind: ReadingKind<V>, context: ReadingContext): Reading | undefined {
  if (!kind.applies(context)) {
    return undefined;
  }
  const { id, question, title } = kind;
  const value = kind.measure(context);
  if (value === undefined) {
    return {
      id,
      question,
      title,
      verdict: 'unknown',
      figure: '–',
      words: 'Not measurable yet.',
      ways: [],
    };
  }
  const verdict = kind.judge(value, context);
  return {
    id,
    question,
    title,
    verdict,
    figure: kind.figure(value, context),
    words: kind.say(value, context),
    mend: verdict === 'holds' ? undefined : kind.mend?.(value, context),
    ways: verdict === 'holds' ? [] : (kind.ways?.(value, context) ?? []),
  };
}

const order: readonly Verdict[] = ['fails', 'look', 'unknown', 'holds'];

/** Worst first; equal ones keep their order. */
export const worstFirst = <R extends Pick<Reading, 'verdict'>>(readings: readonly R[]): R[] =>
  [...readings].sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict));
