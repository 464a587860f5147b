import { tryColour } from '../colour/parse';
import { edgeDifference, type EdgeDifference } from '../seam/edges';
import { editPicture } from '../site/edit';
import { isBlank } from '../site/picture';
import type { Side } from '../site/model';
import type { ReadingKind } from './reading';

/** One side of the pressed file against the colour next to it on the page. Up to 2 levels are hard to see (common practice, no source). */
export const seam = (side: Side): ReadingKind<EdgeDifference> => ({
  id: `seam-${side}`,
  question: 5,
  title: `${side[0].toUpperCase()}${side.slice(1)} edge against page`,
  applies: ({ slot, picture }) => slot.beside[side] !== null && !isBlank(picture),
  measure({ file, slot }) {
    const beside = tryColour(slot.beside[side] ?? '');
    return file && beside && edgeDifference(file.decoded, side, beside);
  },
  judge: ({ levels }) => (levels === 0 ? 'holds' : levels <= 2 ? 'look' : 'fails'),
  figure: ({ levels }) => `${levels} ${levels === 1 ? 'level' : 'levels'}`,
  say: ({ levels, deltaE, at }, { slot }) => (levels === 0
    ? `The ${side} edge is exactly ${slot.beside[side]}.`
    : `The ${side} edge is up to ${levels} ${levels === 1 ? 'level' : 'levels'} off ${slot.beside[side]} (ΔE ${deltaE.toFixed(1)}, worst ${at} px along).`),
  mend({ levels }, { picture }) {
    // Small steps come from the compression, and a lossless file has none; larger ones are in the picture itself.
    if (levels > 4 || picture.press.format === 'png') return undefined;
    return { label: 'Press without loss', edit: editPicture(picture.id, (p) => { p.press.format = 'png'; }) };
  },
});
