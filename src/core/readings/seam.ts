import { overlapOf, slotInFile } from '../frame/overlap';
import { besideColours } from '../seam/beside';
import { edgeDifference, type EdgeDifference } from '../seam/edges';
import { fadeOut, withoutLoss } from '../seam/ways';
import { isBlank } from '../site/picture';
import type { Side, Slot } from '../site/model/slot';
import type { PressedFile, ReadingKind } from './reading';

interface SeamRead extends EdgeDifference {
  /** What lies next to the side. */
  readonly words: string;
}

/**
 * Where the file goes on beyond the slot: a layer hangs out over the side there, and there is no
 * edge.
 */
function hangsOver(
  { whole }: PressedFile,
  slot: Slot,
  side: Side,
): ((i: number) => boolean) | undefined {
  if (!whole) {
    return undefined;
  }
  const { x, y, width, height } = slotInFile(slot, overlapOf(slot));
  const alpha = (u: number, v: number) =>
    u >= 0 && v >= 0 && u < whole.width && v < whole.height
      ? whole.data[(v * whole.width + u) * 4 + 3]
      : 0;
  return (i) =>
    ({
      top: alpha(x + i, y - 1),
      bottom: alpha(x + i, y + height),
      left: alpha(x - 1, y + i),
      right: alpha(x + width, y + i),
    })[side] > 0;
}

/**
 * One side of the pressed file against what lies next to it on the page. Up to 2 levels are hard to
 * see (common practice, no source).
 */
export const seam = (side: Side): ReadingKind<SeamRead> => ({
  id: `seam-${side}`,
  question: 5,
  title: `${side[0].toUpperCase()}${side.slice(1)} edge against page`,
  applies: ({ site, slot, picture }) =>
    slot.beside[side] !== null &&
    !isBlank(picture) &&
    besideColours(site, slot, side) !== undefined,
  measure({ site, file, slot }) {
    const beside = besideColours(site, slot, side);
    return (
      file &&
      beside && {
        ...edgeDifference(file.decoded, side, beside.at, hangsOver(file, slot, side)),
        words: beside.colour
          ? `${beside.colour}${beside.colour === beside.words ? '' : ` (${beside.words})`}`
          : beside.words,
      }
    );
  },
  judge: ({ levels }) => {
    if (levels === 0) {
      return 'holds';
    }
    if (levels <= 2) {
      return 'look';
    }
    return 'fails';
  },
  figure: ({ levels }) => `${levels} ${levels === 1 ? 'level' : 'levels'}`,
  say: ({ levels, mean, deltaE, at, words }) =>
    levels === 0
      ? `The ${side} edge is exactly ${words}.`
      : `The ${side} edge is up to ${levels} ${levels === 1 ? 'level' : 'levels'} off ${words}, ${mean.toFixed(1)} on average (ΔE ${deltaE.toFixed(1)}, worst ${at} px along).`,
  // Small steps come from the compression, and a lossless file has none; larger ones are in the
  // picture itself.
  mend: ({ levels }, context) =>
    (levels > 4 ? undefined : withoutLoss(context.picture, context.slot)) ??
    fadeOut(context, [side]),
});
