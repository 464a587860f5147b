/**
 * Factors as in CSS Filter Effects, 1 for no change; warmth −1..1, greyscale and invert 0..1, 0 for
 * no change.
 */
export interface Tone {
  readonly brightness: number;
  readonly contrast: number;
  readonly saturation: number;
  readonly warmth: number;
  readonly greyscale: number;
  readonly invert: number;
}

export const plainTone: Tone = {
  brightness: 1,
  contrast: 1,
  saturation: 1,
  warmth: 0,
  greyscale: 0,
  invert: 0,
};
