import type { PageText } from './look';

/** Words on the page itself, with what is said of them put in. */
export const pageText = (part: Partial<PageText>): PageText => ({
  rect: { x: 100, y: 100, width: 400, height: 20 },
  words: 'Words',
  letters: 100,
  colour: 'rgb(20, 20, 20)',
  on: undefined,
  size: 16,
  weight: 400,
  family: 'Serif One',
  as: 'text',
  bar: false,
  ...part,
});
