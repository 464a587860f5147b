/**
 * A selector of the same elements that is more specific than those pages have: an id that nothing has
 * counts as one (Selectors Level 4, section 15).
 */
export const outdoing = (selector: string, pseudo = ''): string =>
  `${selector}:not(#_#_#_)${pseudo}`;
