/** A height for a divider, as a share of the section it belongs to. */
export interface DividerHeight {
  /** One such part of the section: 6 for a sixth. */
  readonly share: number;
  readonly px: number;
}

/**
 * A sixth is what dividers usually have; the others are lower and higher ones (common practice, no
 * source).
 */
const shares = [6, 5, 8, 10, 4] as const;

/**
 * Heights for the divider above a section, the usual one first.
 * @param sectionHeight px
 */
export const dividerHeights = (sectionHeight: number): DividerHeight[] =>
  shares.map((share) => ({ share, px: Math.max(1, Math.round(sectionHeight / share)) }));
