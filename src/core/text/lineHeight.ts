/** The usual distance of base lines, as a multiple of the size. */
export const usualLineHeight = 1.2;

/** Where the first base line stands below the top of a text, as a share of the size (common practice, no source). */
export const firstBase = 0.95;
