import { withoutLoss } from '../seam/ways';
import { banding as bandingOf, endRow, type Banding, type EndRow } from '../seam/strip';
import { once } from '../raster/once';
import { editPage, pagesWith } from '../site/pages';
import { chain } from '../site/edit';
import type { Picture } from '../site/model/picture';
import type { ReadingKind } from './reading';

/** A gradient with nothing on it but what changes its colours. */
const isPlainGradient = ({ ground, layers }: Picture): boolean =>
  ground.type === 'gradient' &&
  ground.shape === 'linear' &&
  ground.angle % 90 === 0 &&
  layers.every(
    (l) => l.hidden || !['photo', 'text', 'shape', 'texture', 'profile'].includes(l.kind),
  );

/**
 * Steps that can be seen in a gradient. A CIEDE2000 of 1 is about the least that can (common
 * practice, no source).
 */
export const banding: ReadingKind<Banding> = {
  id: 'banding',
  question: 5,
  title: 'Bands in the gradient',
  applies: ({ picture }) => isPlainGradient(picture),
  measure({ file, picture }) {
    const axis = picture.ground.type === 'gradient' && picture.ground.angle % 180 !== 0 ? 'x' : 'y';
    return file && once(file.decoded, `banding ${axis}`, (raster) => bandingOf(raster, axis));
  },
  judge: ({ deltaE }) => {
    if (deltaE < 1) {
      return 'holds';
    }
    if (deltaE < 2) {
      return 'look';
    }
    return 'fails';
  },
  figure: ({ deltaE }) => deltaE.toFixed(1),
  plain: ({ deltaE }) => (deltaE < 1 ? 'The gradient is smooth' : 'Bands show in the gradient'),
  say: ({ deltaE, at }) =>
    deltaE < 1
      ? `No step stands out from those around it by more than CIEDE2000 ${deltaE.toFixed(1)}; below 1 no band is seen.`
      : `At ${at} px a step stands out by CIEDE2000 ${deltaE.toFixed(1)}; from 1 on a band is seen.`,
  mend: (_banding, { picture, slot }) => withoutLoss(picture, slot),
};

interface EndRead extends EndRow {
  /** Page colours that go on below it. */
  readonly grounds: readonly string[];
}

/** The end of a strip that a longer page goes on from: one colour, and the page's. */
export const stripEnd: ReadingKind<EndRead> = {
  id: 'strip-end',
  question: 5,
  title: 'Colour below the strip',
  applies: ({ slot, picture, site }) =>
    slot.kind === 'background' &&
    slot.repeat === 'repeat-x' &&
    picture.ground.type !== 'none' &&
    pagesWith(site, slot).length > 0,
  measure: ({ file, site, slot }) =>
    file && {
      ...endRow(file.decoded),
      grounds: [...new Set(pagesWith(site, slot).map((p) => p.ground))],
    },
  judge: ({ uneven, colour, grounds }) => {
    if (uneven > 2 || grounds.some((g) => g !== colour)) {
      return 'fails';
    }
    if (uneven > 0) {
      return 'look';
    }
    return 'holds';
  },
  figure: ({ colour }) => colour,
  plain: ({ uneven, colour, grounds }) => {
    if (grounds.some((g) => g !== colour)) {
      return 'The page goes on in another colour';
    }
    return uneven > 0 ? 'Its last row is not one colour' : 'The page goes on in its colour';
  },
  say({ uneven, colour, grounds }) {
    const even =
      uneven === 0
        ? `Every px of the last row is ${colour}`
        : `The last row is ${colour} and up to ${uneven} levels off it`;
    return grounds.every((g) => g === colour)
      ? `${even}; the page goes on in it.`
      : `${even}, but the page goes on in ${grounds.filter((g) => g !== colour).join(', ')}.`;
  },
  mend({ uneven, colour, grounds }, { site, slot, picture }) {
    if (grounds.some((g) => g !== colour)) {
      return {
        label: `Write ${colour} as the page colour`,
        edit: chain(
          ...pagesWith(site, slot).map((page) =>
            editPage(page.id, (p) => {
              p.ground = colour;
            }),
          ),
        ),
      };
    }
    return uneven > 0 ? withoutLoss(picture, slot) : undefined;
  },
};
