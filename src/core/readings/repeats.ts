import { slotKind } from '../slots/registry';
import type { Axes } from '../site/model/blendLayers';
import type { Repeat, Slot } from '../site/model/slot';

/** The page's words lie over it. */
export const isUnderContent = (slot: Pick<Slot, 'kind'>): boolean =>
  slotKind(slot.kind).underContent;

export const repeatsAlong = (repeat: Repeat, axis: 'x' | 'y'): boolean =>
  repeat === 'repeat' || repeat === `repeat-${axis}`;

/** The axes along which what is made of a picture must join again. */
export const wrapsOf = ({ repeat }: Pick<Slot, 'repeat'>): Axes | 'none' => {
  if (repeat === 'repeat') {
    return 'both';
  }
  if (repeatsAlong(repeat, 'x')) {
    return 'x';
  }
  if (repeatsAlong(repeat, 'y')) {
    return 'y';
  }
  return 'none';
};
