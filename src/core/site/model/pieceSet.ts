import type { Hex } from './hex';
import type { Recipe } from './recipe';

/** A file of a theme's folder as it came. */
export interface SetFile {
  /** Below the theme's root, with `/` between folders. */
  readonly path: string;
  readonly assetId: string;
  readonly bytes: number;
}

/** A picture of a theme that is recoloured with the others. */
export interface SetPiece extends SetFile {
  readonly width: number;
  readonly height: number;
  readonly format: string;
  /** The owner left it as it is. */
  readonly leftOut: boolean;
}

/** Colours that say something by what they are for: a warning, a word of a programme. */
export type AskedFamily = 'meaning' | 'code';

/** A theme's folder with the recipe that is laid on all its pictures. */
export interface PieceSet {
  /** Of the folder or archive it came as. */
  readonly name: string;
  readonly pieces: readonly SetPiece[];
  readonly sheets: readonly SetFile[];
  /** Handed over as they are; of a picture among them, why. */
  readonly others: readonly (SetFile & { readonly why: string })[];
  readonly recipe: Recipe;
  /** Families of colours that follow though they are left alone if nobody asks. */
  readonly follows: readonly AskedFamily[];
  /** The theme's old colour and the wanted one. */
  readonly from: Hex;
  readonly to: Hex;
  /**
   * Colours of the style sheets the owner decided on, by path and place: whether they follow, or
   * the colour they become.
   */
  readonly lines: Readonly<Record<string, boolean | Hex>>;
}
