/**
 * How far a blur of that standard deviation reaches, px; what lies farther out is below half a
 * level.
 */
export const blurRadius = (sigma: number): number =>
  sigma <= 0.01 ? 0 : Math.ceil(3.5 * sigma) + 2;
