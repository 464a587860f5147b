import { barePx } from '../frame/placement';
import { photoSize } from '../layers/photo';
import type { Rect } from '../raster/raster';
import { overlapOf, slotInFile } from '../frame/overlap';
import { adjacentColours } from '../seam/adjacentColours';
import { edgeDifference, type EdgeDifference } from '../seam/edges';
import { fadeOut, withoutLoss } from '../seam/ways';
import { isBlank } from '../site/picture';
import type { Side, Slot, SlotKind } from '../site/model/slot';
import { backPhoto } from './cover';
import type { EncodedFile, ReadingContext, ReadingKind } from './reading';

interface SeamRead extends EdgeDifference {
  /** What lies next to the side. */
  readonly words: string;
}

/**
 * Where the file goes on beyond the slot: a layer hangs out over the side there, and there is no
 * edge.
 */
function hangsOver(
  { whole }: EncodedFile,
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

/** Px along an edge that show where it is worst, and how deep. */
const spotPx = { along: 40, deep: 12 } as const;

/** Around the worst place of an edge, px of the slot. */
function edgeSpot(side: Side, at: number, slot: Slot): Rect {
  const { along, deep } = spotPx;
  const start = Math.max(0, at - along / 2);
  if (side === 'top' || side === 'bottom') {
    const y = side === 'top' ? 0 : slot.height - deep;
    return { x: start, y, width: along, height: deep };
  }
  const x = side === 'left' ? 0 : slot.width - deep;
  return { x, y: start, width: deep, height: along };
}

/** Kinds whose whole point is to go over into the page: an edge of theirs that shows is a fault. */
const blends: readonly SlotKind[] = ['divider', 'mark', 'sidebar'];

/**
 * A photo stands in the page as a picture: it fills its place and is not made to fade at that side.
 * Then its edge is a choice.
 */
function standsAsPicture({ picture, slot }: ReadingContext, side: Side): boolean {
  const photo = backPhoto(picture);
  const fades = picture.layers.some((l) => l.kind === 'fade' && !l.hidden && l.sides[side] > 0);
  return (
    !blends.includes(slot.kind) &&
    !fades &&
    photo !== undefined &&
    barePx(photo, photoSize(photo), slot, photo.turn) < 0.5
  );
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
    adjacentColours(site, slot, side) !== undefined,
  measure({ site, file, slot }) {
    const beside = adjacentColours(site, slot, side);
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
  judge: ({ levels }, context) => {
    if (levels === 0) {
      return 'holds';
    }
    return levels <= 2 || standsAsPicture(context, side) ? 'look' : 'fails';
  },
  figure: ({ levels }) => (levels === 0 ? 'exact' : `off by ${levels}`),
  plain: ({ levels }) => {
    if (levels === 0) {
      return `The ${side} edge blends exactly`;
    }
    return levels <= 2 ? `The ${side} edge hardly shows` : `The ${side} edge shows as a line`;
  },
  mayBeMeant: true,
  spot: ({ at, levels }, { slot }) => (levels === 0 ? undefined : edgeSpot(side, at, slot)),
  say: ({ levels, mean, deltaE, at, words }) =>
    levels === 0
      ? `The ${side} edge is exactly ${words}.`
      : `The ${side} edge is up to ${levels} ${levels === 1 ? 'level' : 'levels'} of 255 off ${words}, ${mean.toFixed(1)} on average (CIEDE2000 ${deltaE.toFixed(1)}, worst ${at} px along); none is wanted.`,
  // Small steps come from the compression, and a lossless file has none; larger ones are in the
  // picture itself.
  mend: ({ levels }, context) =>
    (levels > 4 ? undefined : withoutLoss(context.picture, context.slot)) ??
    fadeOut(context, [side]),
});
