import { fileSize, overlapOf } from '../frame/overlap';
import { isBlank } from '../site/picture';
import type { ReadingKind } from './reading';

/** The pressed file has exactly the slot's size. */
export const size: ReadingKind<{ width: number; height: number }> = {
  id: 'size',
  question: 1,
  title: 'Size',
  applies: ({ picture }) => !isBlank(picture),
  measure: ({ file }) => file && { width: file.width, height: file.height },
  judge: (v, { slot }) => {
    const wanted = fileSize(slot, overlapOf(slot));
    return v.width === wanted.width && v.height === wanted.height ? 'holds' : 'fails';
  },
  figure: (v) => `${v.width} × ${v.height}`,
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
