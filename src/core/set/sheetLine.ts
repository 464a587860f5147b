import type { Hex } from '../site/model/hex';
import type { Side } from '../site/model/slot';

/** A colour of a style sheet that may follow the pieces. */
export interface SheetLine {
  /** Path and place: stays the same for as long as the file does. */
  readonly key: string;
  readonly file: string;
  readonly line: number;
  readonly selector: string;
  readonly property: string;
  /** As it is written, and as it would be. */
  readonly old: string;
  readonly to: string;
  readonly oldHex: string;
  readonly toHex: string;
  /** It belongs to what is recoloured. */
  readonly proposed: boolean;
  readonly follows: boolean;
  /**
   * The recipe alone would make text of it that cannot be read: it becomes as dark, or as light, as
   * it has to.
   */
  readonly keptReadable: boolean;
  /**
   * The strip it continues, and how even that ends, levels; undefined while its file is not
   * written.
   */
  readonly continues?: {
    readonly path: string;
    readonly side: Side;
    readonly uneven: number | undefined;
  };
}

/** Contrast of the text that a line is of, or of the worst text on the ground it is of. */
export interface LineContrast {
  readonly before: number;
  readonly after: number;
  /** Of the text. */
  readonly selector: string;
  /** Of a text that loses its contrast: the nearest colour that has it. */
  readonly mend?: Hex;
}

export interface Placed extends SheetLine {
  readonly start: number;
  readonly end: number;
}

/** Contrast below which text is warned of: success criterion 1.4.3 of WCAG 2.2, level AA. */
export const leastContrast = 4.5;

/** Text has less contrast than it had, and less than is wanted. */
export const isWeak = (contrast: Pick<LineContrast, 'before' | 'after'>): boolean =>
  contrast.after < leastContrast && contrast.after < contrast.before - 0.005;
