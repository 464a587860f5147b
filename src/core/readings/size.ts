import { fileSize, overlapOf } from '../frame/overlap';
import type { Size } from '../frame/placement';
import type { Slot } from '../site/model/slot';
import { isBlank } from '../site/picture';
import type { ReadingKind } from './reading';

/** The size that a slot's file is to have, with what hangs out. */
const isWanted = (size: Size, slot: Slot): boolean => {
  const wanted = fileSize(slot, overlapOf(slot));
  return size.width === wanted.width && size.height === wanted.height;
};

/** The pressed file has exactly the slot's size. */
export const size: ReadingKind<Size> = {
  id: 'size',
  question: 1,
  title: 'Size',
  applies: ({ picture }) => !isBlank(picture),
  measure: ({ file }) => file && { width: file.width, height: file.height },
  judge: (v, { slot }) => (isWanted(v, slot) ? 'holds' : 'fails'),
  figure: (v) => `${v.width} × ${v.height}`,
  plain: (v, { slot }) => (isWanted(v, slot) ? 'The size is exact' : 'The file has another size'),
  say(v, { slot }) {
    const { width, height } = fileSize(slot, overlapOf(slot));
    const more =
      width > slot.width || height > slot.height
        ? `, with what hangs out over the slot of ${slot.width} × ${slot.height} px`
        : '';
    return v.width === width && v.height === height
      ? `The file is exactly ${width} × ${height} px${more}.`
      : `The file is ${v.width} × ${v.height} px, and ${width} × ${height} px are wanted${more}.`;
  },
};
