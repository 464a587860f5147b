/** What a saved page may come to. */
export const pageLimits = {
  /** Bytes of one page without its files. */
  document: 20 * 2 ** 20,
  /** Bytes of one style sheet. */
  sheet: 4 * 2 ** 20,
  /** Bytes of all that is dropped. */
  all: 256 * 2 ** 20,
  pages: 40,
  /** Files that pictures beside a page are looked for among. */
  others: 400,
} as const;
