import type { CalmReport } from '../calm/calm';
import type { TitleReport } from '../legibility/bandTitle';
import type { PageWordsReport } from '../legibility/pageWords';
import type { TextReport } from '../legibility/report';
import type { Raster, Rect } from '../raster/raster';
import type { Edit } from '../site/edit';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';

export type Verdict = 'holds' | 'look' | 'fails' | 'unknown';

/** A pressed file, as it was written and as it decodes again. */
export interface EncodedFile {
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
  /** How its page's title stands over it, where it is a title band. */
  readonly title?: TitleReport;
}

export interface ReadingContext {
  readonly site: Site;
  readonly slot: Slot;
  readonly picture: Picture;
  /** The file of this very state of the picture; undefined until it is pressed. */
  readonly file?: EncodedFile;
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
  /** The figure alone. */
  figure(value: V, context: ReadingContext): string;
  /** What is, in a few words for people, without a figure or a unit. */
  plain(value: V, context: ReadingContext): string;
  /** Why: what was measured and what was wanted, then what to do. */
  say(value: V, context: ReadingContext): string;
  /** The standard that what is wanted comes from. */
  readonly standard?: string;
  /** Where on the picture it is, px of the slot. */
  spot?(value: V, context: ReadingContext): Rect | undefined;
  /** What is to be looked at may be meant so: then it holds once that is said. */
  readonly mayBeMeant?: true;
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
  /** What is, in a few words. */
  readonly plain: string;
  /** Why. */
  readonly words: string;
  readonly standard?: string;
  readonly spot?: Rect;
  /** It could be settled as meant so. */
  readonly mayBeMeant: boolean;
  /** It was settled as meant so. */
  readonly meant: boolean;
  readonly mend?: Mend;
  readonly ways: readonly Mend[];
}

/** Takes a reading, or undefined where the kind has nothing to say of this picture. */
export function take<V>(kind: ReadingKind<V>, context: ReadingContext): Reading | undefined {
  if (!kind.applies(context)) {
    return undefined;
  }
  const { id, question, title, standard } = kind;
  const value = kind.measure(context);
  if (value === undefined) {
    return {
      id,
      question,
      title,
      verdict: 'unknown',
      figure: '–',
      plain: `${title}: not measured yet`,
      words: 'It is measured once the file is written.',
      mayBeMeant: false,
      meant: false,
      ways: [],
    };
  }
  const judged = kind.judge(value, context);
  const mayBeMeant = judged === 'look' && kind.mayBeMeant === true;
  const meant = mayBeMeant && context.slot.meant.includes(id);
  const verdict = meant ? 'holds' : judged;
  return {
    id,
    question,
    title,
    verdict,
    figure: kind.figure(value, context),
    plain: kind.plain(value, context),
    words: kind.say(value, context),
    standard,
    spot: kind.spot?.(value, context),
    mayBeMeant,
    meant,
    mend: verdict === 'holds' ? undefined : kind.mend?.(value, context),
    ways: verdict === 'holds' ? [] : (kind.ways?.(value, context) ?? []),
  };
}

const order: readonly Verdict[] = ['fails', 'look', 'unknown', 'holds'];

/** Worst first; equal ones keep their order. */
export const worstFirst = <R extends Pick<Reading, 'verdict'>>(readings: readonly R[]): R[] =>
  [...readings].sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict));
