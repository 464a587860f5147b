import type { Size } from '../frame/placement';
import { newWash } from '../layers/fill';
import { kindOf } from '../layers/registry';
import type { TextReport } from '../legibility/report';
import { editLayer, editPicture, insertLayer, type Edit } from '../site/edit';
import type { Rect } from '../raster/raster';
import { freeLayerId } from '../site/picture';
import type { Extent, FillLayer } from '../site/model/blendLayers';
import type { Layer } from '../site/model/layer';
import type { TextLayer } from '../site/model/objectLayers';
import type { Picture } from '../site/model/picture';
import type { Side } from '../site/model/slot';
import type { ReadingKind } from './reading';
import { colourName } from './say';

interface TextRead {
  readonly text: TextLayer;
  readonly report: TextReport;
}

const visibleTexts = (picture: Picture): TextLayer[] =>
  picture.layers.filter(
    (l): l is TextLayer => l.kind === 'text' && !l.hidden && l.words.trim() !== '',
  );
const standing = ({ report: { contrast, wanted } }: TextRead): number => contrast.worst / wanted;
const nameOf = (text: Layer): string => {
  const name = kindOf(text).name(text);
  return name.length > 40 ? `${name.slice(0, 38).trimEnd()}…` : name;
};

/** In which part of the words the worst place is. */
export function whereIn({ contrast, bounds }: Pick<TextReport, 'contrast' | 'bounds'>): string {
  const share = (contrast.at.x - bounds.x) / Math.max(1, bounds.width);
  if (share < 1 / 3) {
    return 'at the left of';
  }
  return share > 2 / 3 ? 'at the right of' : 'in the middle of';
}

/** Half the side of what is marked around one px. */
const spotHalf = 10;

export const spotAt = ({ x, y }: { readonly x: number; readonly y: number }): Rect => ({
  x: x - spotHalf,
  y: y - spotHalf,
  width: 2 * spotHalf,
  height: 2 * spotHalf,
});

/** A contrast in words, never better than it is. */
export const ratioWords = (ratio: number): string =>
  `${(Math.floor(ratio * 10) / 10).toFixed(1)}:1`;

/** One px behind the words may fall short where nineteen of twenty do not; then it is to be looked at. */
export function contrastVerdict({
  contrast: { worst, fifth },
  wanted,
}: Pick<TextReport, 'contrast' | 'wanted'>): 'holds' | 'look' | 'fails' {
  if (worst >= wanted) {
    return 'holds';
  }
  return fifth >= wanted ? 'look' : 'fails';
}

/** Where a veil lies: over all behind the words, only behind them, or from the nearest side on. */
export type VeilForm = 'all' | 'behind' | 'side';

/**
 * Px that a veil behind words reaches beyond them before it fades, and over which it does (ours, by
 * looking).
 */
const beyond = 8;
const softly = 24;

/** The extent of a veil that is whole under the words and the two px around them that count. */
export function veilExtent(form: VeilForm, { x, y, width, height }: Rect, slot: Size): Extent {
  if (form === 'all') {
    return { type: 'all' };
  }
  if (form === 'behind') {
    return {
      type: 'box',
      x: x - beyond,
      y: y - beyond,
      width: width + 2 * beyond,
      height: height + 2 * beyond,
      soft: softly,
    };
  }
  const full: readonly (readonly [Side, number])[] = [
    ['left', x + width + beyond],
    ['right', slot.width - x + beyond],
    ['top', y + height + beyond],
    ['bottom', slot.height - y + beyond],
  ];
  const share = ([side, px]: readonly [Side, number]) =>
    px / (side === 'left' || side === 'right' ? slot.width : slot.height);
  const [side, px] = full.reduce((a, b) => (share(b) < share(a) ? b : a));
  return { type: 'side', side, full: px, reach: px + Math.max(40, px * 0.4) };
}

/**
 * A veil right behind the words, and behind other texts that they follow, which it is not to dim;
 * one of the same colour that lies there already is made stronger instead.
 */
export function layVeil(
  picture: Picture,
  text: TextLayer,
  colour: string,
  percent: number,
  extent: Extent = { type: 'all' },
): Edit {
  /** Where a veil lies: behind the words, and behind others that they follow. */
  const placeIn = ({ layers }: Pick<Picture, 'layers'>): number => {
    let at = layers.findIndex((l) => l.id === text.id);
    while (layers[at - 1]?.kind === 'text') {
      at--;
    }
    return at;
  };
  const under = picture.layers[placeIn(picture) - 1];
  if (
    under?.kind === 'fill' &&
    under.colour === colour &&
    under.blend === 'normal' &&
    !under.hidden &&
    under.extent.type === 'all' &&
    extent.type === 'all'
  ) {
    // Two coats of one colour leave what neither of them covers. One percent more, since one coat
    // is rounded once and two are twice.
    const both = Math.min(
      1,
      (Math.ceil((1 - (1 - under.opacity) * (1 - percent / 100)) * 100 - 1e-9) + 1) / 100,
    );
    return editLayer<FillLayer>(picture.id, under.id, { opacity: both });
  }
  const veil: FillLayer = {
    ...newWash(freeLayerId(picture, 'veil'), colour, percent / 100),
    name: 'Veil',
    extent,
  };
  return editPicture(picture.id, (p) => {
    insertLayer(p, Math.max(0, placeIn(p as Picture)), veil);
  });
}

/**
 * Words against what really lies behind them: contrast at the worst spot, where nineteen of twenty
 * px are better, and in the middle (WCAG 2.2, success criterion 1.4.3).
 */
export const legibility: ReadingKind<TextRead> = {
  id: 'legibility',
  question: 5,
  title: 'Words against the picture',
  applies: ({ picture }) => visibleTexts(picture).length > 0,
  measure({ picture, file }) {
    const texts = file?.texts;
    // Words that lie beside the slot, or whose font is not there, have none.
    return (
      texts &&
      visibleTexts(picture)
        .flatMap((text): TextRead[] => (texts[text.id] ? [{ text, report: texts[text.id] }] : []))
        .sort((a, b) => standing(a) - standing(b))[0]
    );
  },
  judge: ({ report }) => contrastVerdict(report),
  figure: ({ report: { contrast } }) => ratioWords(contrast.worst),
  standard: 'WCAG 2.2, success criterion 1.4.3',
  plain: ({ text, report }) =>
    contrastVerdict(report) === 'holds'
      ? `“${nameOf(text)}” reads well`
      : `Hard to read ${whereIn(report)} “${nameOf(text)}”`,
  spot: ({ report: { contrast, wanted } }) =>
    contrast.worst < wanted ? spotAt(contrast.at) : undefined,
  say({ text, report: { contrast, wanted, screen } }) {
    const on = screen === undefined ? '' : ` on a screen of ${screen} px`;
    const spot = `${contrast.at.x}, ${contrast.at.y}${on}`;
    return contrast.worst >= wanted
      ? `“${nameOf(text)}” has ${ratioWords(contrast.worst)} at its worst spot${on} and ${ratioWords(contrast.median)} in the middle; ${wanted}:1 is wanted.`
      : `“${nameOf(text)}” has ${ratioWords(contrast.worst)} at its worst spot (${spot}), ${ratioWords(contrast.fifth)} where nineteen of twenty px are better, ${ratioWords(contrast.median)} in the middle; ${wanted}:1 is wanted.`;
  },
  mend({ text, report }, { picture, site }) {
    const veil = report.veils.find((v) => v.percent < 100);
    const ink = report.inks[0];
    if (veil) {
      return {
        label: `Veil of ${colourName(site, veil.colour)} at ${veil.percent}%`,
        edit: layVeil(picture, text, veil.colour, veil.percent),
      };
    }
    return ink
      ? {
          label: `Words in ${colourName(site, ink)}`,
          edit: editLayer<TextLayer>(picture.id, text.id, { colour: ink }),
        }
      : undefined;
  },
};
