import type { Hex } from './hex';

export interface ThemeColour {
  readonly name: string;
  readonly hex: Hex;
}

export interface Theme {
  readonly colours: readonly ThemeColour[];
  readonly headingFont: string;
  /** As CSS Fonts counts it, 1 to 1000; a font that has not this weight is shown in its nearest. */
  readonly headingWeight: number;
  readonly bodyFont: string;
  readonly bodyWeight: number;
}

/** Proportions of a font that show beside another's, as shares of its size. */
export interface FontFacts {
  /** Height of a small x. */
  readonly xHeight: number;
  /** Thickest part of an o against its thinnest: 1 for letters of one thickness. */
  readonly contrast: number;
}

/** A font of the owner's, stored as an asset. */
export interface OwnFont extends FontFacts {
  /** `own:` and the asset's id. */
  readonly id: string;
  readonly assetId: string;
  readonly family: string;
  readonly weights: readonly [number, number];
}
