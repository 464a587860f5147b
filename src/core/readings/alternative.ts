import { editPicture } from '../site/edit';
import { isContent } from '../slots/registry';
import { isBlank } from '../site/picture';
import type { ReadingKind } from './reading';

/**
 * Words for those who do not see the picture; only pictures that are content need them (WCAG 2.2,
 * 1.1.1).
 */
export const alternative: ReadingKind<{ alt: string; decorative: boolean }> = {
  id: 'alternative',
  question: 7,
  title: 'Alternative text',
  applies: ({ slot, picture }) => isContent(slot.kind) && !isBlank(picture),
  measure: ({ picture }) => ({ alt: picture.alt.trim(), decorative: picture.decorative }),
  judge: ({ alt, decorative }) => (alt || decorative ? 'holds' : 'look'),
  figure: ({ alt, decorative }) => {
    if (decorative) {
      return 'decorates';
    }
    if (alt) {
      return `${alt.length} letters`;
    }
    return 'none';
  },
  plain({ alt, decorative }) {
    if (decorative) {
      return 'It only decorates';
    }
    return alt
      ? 'It is read out to those who cannot see'
      : 'Nothing is read out to those who cannot see';
  },
  standard: 'WCAG 2.2, success criterion 1.1.1',
  say({ alt, decorative }) {
    if (decorative) {
      return 'It only decorates: nothing is read out, as you decided.';
    }
    return alt
      ? `Read out as “${alt}”.`
      : 'No alternative text yet. Write what the picture says, or say that it only decorates.';
  },
  mend: (_value, { picture }) => ({
    label: 'It only decorates',
    edit: editPicture(picture.id, (p) => {
      p.decorative = true;
    }),
  }),
};
