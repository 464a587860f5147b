import type { Hex } from './hex';
import type { ImageFormat } from './picture';

/**
 * What a slot is on the page. Headers, marks and pieces are content; the others are backgrounds of
 * something.
 */
export type SlotKind = 'header' | 'background' | 'sidebar' | 'divider' | 'mark' | 'band' | 'piece';

export type Repeat = 'no-repeat' | 'repeat' | 'repeat-x' | 'repeat-y';

/** A CSS length: px, or a percentage of what the property refers to. */
export interface Length {
  readonly value: number;
  readonly unit: 'px' | '%';
}

/** `background-position`: from the left and the top. */
export interface Position {
  readonly x: Length;
  readonly y: Length;
}

/** `background-size`. */
export type BackgroundSize =
  'cover' | 'contain' | { readonly x: Length | 'auto'; readonly y: Length | 'auto' };

export type Attachment = 'scroll' | 'fixed';

export type Side = 'top' | 'right' | 'bottom' | 'left';

/** One length of a sum, such as a column or the gap beside it. */
export interface ChainPart {
  readonly what: 'column' | 'gap' | 'padding' | 'border';
  readonly px: number;
}

/** Where a slot's size comes from, if it was not simply typed. */
export type Measured =
  | { readonly from: 'columns'; readonly parts: readonly ChainPart[] }
  | { readonly from: 'section'; readonly height: number; readonly share: number }
  | { readonly from: 'known'; readonly name: string }
  | { readonly from: 'picture'; readonly name: string }
  | { readonly from: 'stylesheet'; readonly file: string; readonly line: number };

/**
 * What lies next to a side of a slot: whatever the page's plan puts there, a colour, or another
 * slot.
 */
export type AdjacentColour =
  | { readonly from: 'page' }
  | { readonly from: 'colour'; readonly colour: Hex }
  | { readonly from: 'slot'; readonly slot: string };

/** How a divider is sized on narrow screens: shares of its own width and height. */
export interface NarrowSize {
  /** Screen width below which this holds, px. */
  readonly below: number;
  /** Percent of the screen. */
  readonly width: number;
  /** Percent of the slot's height. */
  readonly height: number;
}

/** One of several pictures of a slot. */
export interface PictureVersion {
  readonly pictureId: string;
  readonly name: string;
}

export interface Slot {
  readonly id: string;
  readonly name: string;
  readonly kind: SlotKind;
  readonly width: number;
  readonly height: number;
  readonly repeat: Repeat;
  readonly position: Position;
  readonly size: BackgroundSize;
  readonly attachment: Attachment;
  /** How far a header, mark or piece was moved from where the page would put it, px. */
  readonly offset: { readonly x: number; readonly y: number };
  readonly measured: Measured | null;
  /** Path of the theme's file that the picture takes the place of. */
  readonly replaces: string | null;
  /**
   * What lies next to each side on the page; null where the picture itself goes on or nothing meets
   * it.
   */
  readonly beside: Readonly<Record<Side, AdjacentColour | null>>;
  /** Px beyond the slot that layers may hang out over its edges, into the page's margin. */
  readonly overlap: Readonly<Record<Side, number>>;
  /** Of a divider: its size on narrow screens where it is another. */
  readonly narrowSize: NarrowSize | null;
  /** Another slot whose picture takes this one's place below a screen width, px. */
  readonly narrow: { readonly slot: string; readonly below: number } | null;
  /** The page takes this side's colour, which its style sheet says. */
  readonly lends: Side | null;
  /** File name without its ending. */
  readonly fileName: string;
  /** The most bytes the owner wants to spend. */
  readonly budgetBytes: number;
  /** Formats that the host takes, one at least. */
  readonly accepts: readonly ImageFormat[];
  /** Of the picture that is handed over. */
  readonly pictureId: string;
  /** Readings that are to be looked at and were found to be meant so, by their ids. */
  readonly meant: readonly string[];
  /** All of its pictures with their names, that one among them; none where it has but one. */
  readonly versions: readonly PictureVersion[];
}
