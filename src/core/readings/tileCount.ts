import { editSlot } from '../site/edit';
import { isBlank } from '../site/picture';
import type { Slot } from '../site/model/slot';
import { repeatsAlong } from './repeats';
import type { ReadingKind } from './reading';

/** A usual large screen, px. */
const screen = { width: 1920, height: 1080 };

/** More copies than this are slow to lay on weak machines (common practice, no source). */
const most = 1000;

/** Copies a browser lays over a large screen. */
export const copiesOf = ({
  width,
  height,
  repeat,
}: Pick<Slot, 'width' | 'height' | 'repeat'>): number =>
  (repeatsAlong(repeat, 'x') ? Math.ceil(screen.width / width) : 1) *
  (repeatsAlong(repeat, 'y') ? Math.ceil(screen.height / height) : 1);

/** The slot with each repeated side so many times as long that at most 200 copies are laid. */
function larger(slot: Slot): { width: number; height: number } {
  let { width, height } = slot;
  while (copiesOf({ ...slot, width, height }) > 200) {
    if (repeatsAlong(slot.repeat, 'x') && (width <= height || !repeatsAlong(slot.repeat, 'y'))) {
      width *= 2;
    } else {
      height *= 2;
    }
  }
  return { width, height };
}

/** How many copies of a small tile a browser must lay. */
export const tileCount: ReadingKind<number> = {
  id: 'tile-count',
  question: 5,
  title: 'Copies on a screen',
  applies: ({ slot, picture }) =>
    slot.repeat !== 'no-repeat' && slot.kind !== 'divider' && !isBlank(picture),
  measure: ({ slot }) => copiesOf(slot),
  judge: (copies) => (copies <= most ? 'holds' : 'look'),
  figure: (copies) => `${copies.toLocaleString('en-GB')} copies`,
  plain: (copies) =>
    copies <= most ? 'Few copies fill a screen' : 'Very many copies fill a screen',
  say: (copies, { slot }) =>
    `A screen of ${screen.width}×${screen.height} takes ${copies.toLocaleString('en-GB')} copies of ${slot.width}×${slot.height} px.${copies > most ? ' A browser takes long over so many; several copies in one file look the same.' : ''}`,
  mend(_copies, { slot }) {
    const { width, height } = larger(slot);
    return {
      label: `Make it ${width}×${height} px`,
      edit: editSlot(slot.id, (s) => {
        s.width = width;
        s.height = height;
        s.measured = null;
      }),
    };
  },
};
