import { editPicture } from '../site/edit';
import { isBlank } from '../site/picture';
import { kilobytes } from './say';
import type { ReadingKind } from './reading';

/** Bytes of the pressed file against the slot's budget. */
export const weight: ReadingKind<number> = {
  id: 'weight',
  question: 6,
  title: 'Weight',
  applies: ({ picture }) => !isBlank(picture),
  measure: ({ file }) => file?.bytes,
  judge: (bytes, { slot }) => {
    if (bytes <= slot.budgetBytes) {
      return 'holds';
    }
    if (bytes <= slot.budgetBytes * 1.5) {
      return 'look';
    }
    return 'fails';
  },
  figure: (bytes, { slot }) => `${kilobytes(bytes)} of ${kilobytes(slot.budgetBytes)}`,
  say: (bytes, { slot }) =>
    bytes <= slot.budgetBytes
      ? `${kilobytes(bytes)}, within the ${kilobytes(slot.budgetBytes)} for this slot.`
      : `${kilobytes(bytes - slot.budgetBytes)} over the ${kilobytes(slot.budgetBytes)} for this slot. Lower the quality or take a lighter format.`,
  mend(_bytes, { picture }) {
    const { format, quality } = picture.press;
    if (format !== 'webp') {
      return {
        label: 'Press as WebP',
        edit: editPicture(picture.id, (p) => {
          p.press.format = 'webp';
        }),
      };
    }
    if (quality <= 40) {
      return undefined;
    }
    return {
      label: `Quality ${Math.max(40, quality - 15)}`,
      edit: editPicture(picture.id, (p) => {
        p.press.quality = Math.max(40, quality - 15);
      }),
    };
  },
};
