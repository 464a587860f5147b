import { editSlot } from '../site/edit';
import type { ReadingKind } from './reading';

/**
 * Heights that browsers must lay hundreds of for a screenful, and what is usual instead (common
 * practice, no source).
 */
const tooLow = { from: 2, to: 5 } as const;
const usual = 44;

/** A strip that repeats downwards is free in its height, but not only a few px high. */
export const tileHeight: ReadingKind<number> = {
  id: 'tile-height',
  question: 1,
  title: 'Height of the strip',
  applies: ({ slot }) =>
    slot.kind === 'sidebar' && (slot.repeat === 'repeat' || slot.repeat === 'repeat-y'),
  measure: ({ slot }) => slot.height,
  judge: (px) => (px >= tooLow.from && px <= tooLow.to ? 'look' : 'holds'),
  figure: (px) => `${px} px`,
  plain: (px) =>
    px >= tooLow.from && px <= tooLow.to ? 'Very low for a strip' : 'A good height for a strip',
  say: (px) =>
    px >= tooLow.from && px <= tooLow.to
      ? `Only ${px} px high: the browser lays ${Math.ceil(1000 / px)} of them for every 1000 px of page.`
      : `${px} px high; any height will do for a strip that repeats downwards.`,
  mend: (_px, { slot }) => ({
    label: `Make it ${usual} px high`,
    edit: editSlot(slot.id, (s) => {
      s.height = usual;
    }),
  }),
};
