import { colourAlong } from '../ownPage/colourRuns';
import { adjacentColours } from '../seam/adjacentColours';
import { edgeDifference, sides } from '../seam/edges';
import { scaledEdge } from '../seam/scaledEdge';
import { fadeOut } from '../seam/ways';
import type { SurroundAt } from '../site/model/ownPage';
import type { Side, Slot } from '../site/model/slot';
import { ownPlaceOf } from '../site/pages';
import { isBlank } from '../site/picture';
import type { Site } from '../site/model/site';
import type { EncodedFile, ReadingKind } from './reading';

interface ScaledSeam {
  readonly screen: number;
  readonly side: Side;
  /** Share of its size that it is shown at. */
  readonly scale: number;
  /** Largest step of any channel there, levels 0..255. */
  readonly levels: number;
  /** The same of the file as it is, levels. */
  readonly unscaled: number;
}

/** What browsers' filters differ by (ours, measured against Chromium), levels. */
const filters = 3;

const beyond = ({ levels, unscaled }: ScaledSeam): number => levels - unscaled - filters;

const measuredAt = (site: Site, slot: Slot): readonly SurroundAt[] =>
  ownPlaceOf(site, slot.id)?.place.measured?.scaled ?? [];

/** Sides that are to meet the owner's page, and do at one of the screens that scale the picture. */
const meetsAt = (site: Site, slot: Slot): { at: SurroundAt; side: Side }[] =>
  measuredAt(site, slot).flatMap((at) =>
    sides
      .filter((side) => slot.beside[side]?.from === 'page' && at.surround[side])
      .map((side) => ({ at, side })),
  );

function unscaledLevels(site: Site, slot: Slot, { decoded }: EncodedFile, side: Side): number {
  const beside = adjacentColours(site, slot, side);
  return beside ? edgeDifference(decoded, side, beside.at).levels : 0;
}

/**
 * The edges of the file where a screen scales it, against what the owner's page has beside it there:
 * what is soft at its size may be hard at a third of it, and a page may have another ground below a
 * width. A step that the file has at its size is told there; only what is worse counts.
 */
export const scaledSeam: ReadingKind<ScaledSeam> = {
  id: 'scaled-seam',
  question: 5,
  title: 'Edges where it is scaled',
  applies: ({ site, slot, picture }) => !isBlank(picture) && meetsAt(site, slot).length > 0,
  measure({ site, slot, file }) {
    if (!file) {
      return undefined;
    }
    return meetsAt(site, slot)
      .map(({ at, side }): ScaledSeam => {
        const edge = scaledEdge(file.decoded, side, at);
        const beside = colourAlong(at.surround[side]!);
        return {
          screen: at.screen,
          side,
          scale: at.width / file.decoded.width,
          levels: edgeDifference(edge, side, beside).levels,
          unscaled: unscaledLevels(site, slot, file, side),
        };
      })
      .sort((a, b) => beyond(b) - beyond(a))[0];
  },
  judge(worst) {
    if (beyond(worst) <= 0) {
      return 'holds';
    }
    return beyond(worst) <= 2 ? 'look' : 'fails';
  },
  figure: (worst) =>
    beyond(worst) <= 0 ? 'as at its size' : `off by ${worst.levels} at ${worst.screen} px`,
  plain: (worst) =>
    beyond(worst) <= 0 ? 'Its edges hold where it is scaled' : 'An edge shows on some screens',
  say: (worst) =>
    beyond(worst) <= 0
      ? `Where a screen scales it, no edge is further off your page than at its own size.`
      : `On a screen of ${worst.screen} px, where it is shown at ${Math.round(worst.scale * 100)}%, the ${worst.side} edge is up to ${worst.levels} levels off your page; at its own size ${worst.unscaled}.`,
  mend: ({ side }, context) => fadeOut(context, [side]),
};
