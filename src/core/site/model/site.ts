import type { Page } from './page';
import type { Picture } from './picture';
import type { PieceSet } from './pieceSet';
import type { Recipe } from './recipe';
import type { ShelfItem } from './shelf';
import type { Slot } from './slot';
import type { OwnFont, Theme } from './theme';

/**
 * A screen width and how many of the owner's visitors have it; only the proportions of the shares
 * count.
 */
export interface VisitorWidth {
  readonly width: number;
  readonly share: number;
}

export interface NamedSize {
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

/** What readings of the whole site are held to. */
export interface Limits {
  /** Px at the left and right of a picture that are to be kept clear of words. */
  readonly sideMargin: number;
  /** Least size of words on a phone, px. */
  readonly phoneText: number;
  /** Largest local contrast of a background under content, as a deviation of lightness L*. */
  readonly calm: number;
  /** The most that all pictures of a page may weigh for a visitor on a phone, bytes. */
  readonly phoneBytes: number;
}

/** What is handed over beside each slot's file. */
export interface HandOverChoices {
  /** Files of twice the size, for dense screens. */
  readonly twice: boolean;
  /** Files of half the size, for narrow screens. */
  readonly narrow: boolean;
  /** A JPEG or PNG beside a WebP or AVIF. */
  readonly fallback: boolean;
  /**
   * Files of the owner's own page may be changed; otherwise pictures alone, each in the format of the
   * file that it takes the place of.
   */
  readonly pageFiles: boolean;
}

/** Version of the model that this program writes. */
export const schemaVersion = 18;

export interface Site {
  readonly schemaVersion: typeof schemaVersion;
  readonly id: string;
  readonly name: string;
  readonly theme: Theme;
  readonly pages: readonly Page[];
  /** Background of every page that has none of its own. */
  readonly defaultBackground: string | null;
  readonly slots: readonly Slot[];
  readonly pictures: Readonly<Record<string, Picture>>;
  readonly shelf: readonly ShelfItem[];
  /** By width, each width once. Invented where `visitorsInvented` says so. */
  readonly visitors: readonly VisitorWidth[];
  readonly visitorsInvented: boolean;
  /** Sizes the owner wants to have at hand beside the known ones. */
  readonly ownSizes: readonly NamedSize[];
  readonly fonts: readonly OwnFont[];
  readonly limits: Limits;
  readonly handOver: HandOverChoices;
  /** Recipes the owner named and kept. */
  readonly recipes: readonly Recipe[];
  readonly set: PieceSet | null;
}
