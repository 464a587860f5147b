import { isContent } from '../site/pages';
import { isBlank } from '../site/picture';
import type { ReadingKind } from './reading';

/** Words for those who do not see the picture; only pictures that are content need them (WCAG 2.2, 1.1.1). */
export const alternative: ReadingKind<string> = {
  id: 'alternative',
  question: 7,
  title: 'Alternative text',
  applies: ({ slot, picture }) => isContent(slot.kind) && !isBlank(picture),
  measure: ({ picture }) => picture.alt.trim(),
  judge: (alt) => (alt ? 'holds' : 'look'),
  figure: (alt) => (alt ? `${alt.length} letters` : 'none'),
  say: (alt) => (alt ? `Read out as “${alt}”.` : 'No alternative text yet. Write what the picture says, or leave it empty if it only decorates.'),
};
