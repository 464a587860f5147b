import { isBlank } from '../site/picture';
import type { ReadingKind } from './reading';

/** The pressed file has exactly the slot's size. */
export const size: ReadingKind<{ width: number; height: number }> = {
  id: 'size',
  question: 1,
  title: 'Size',
  applies: ({ picture }) => !isBlank(picture),
  measure: ({ file }) => file && { width: file.width, height: file.height },
  judge: (v, { slot }) => (v.width === slot.width && v.height === slot.height ? 'holds' : 'fails'),
  figure: (v) => `${v.width} × ${v.height}`,
  say: (v, { slot }) => (v.width === slot.width && v.height === slot.height
    ? `The file is exactly ${slot.width} × ${slot.height} px.`
    : `The file is ${v.width} × ${v.height} px, the slot ${slot.width} × ${slot.height} px.`),
};
