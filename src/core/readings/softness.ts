import { fillFrame, sharpness } from '../frame/placement';
import { photoSize } from '../layers/photo';
import { editLayer } from '../site/edit';
import type { PhotoLayer } from '../site/model/photoLayer';
import { backPhoto } from './cover';
import type { ReadingKind } from './reading';

/** Photo px for each slot px: below 1 the photograph is stretched and looks soft. */
export const softness: ReadingKind<number> = {
  id: 'softness',
  question: 2,
  title: 'Sharpness',
  applies: ({ picture }) => backPhoto(picture) !== undefined,
  measure: ({ picture }) => sharpness(backPhoto(picture)!),
  judge: (ratio) => {
    if (ratio >= 0.9995) {
      return 'holds';
    }
    if (ratio >= 0.75) {
      return 'look';
    }
    return 'fails';
  },
  figure: (ratio) => `${ratio.toFixed(2)}×`,
  plain: (ratio) => {
    if (ratio >= 2) {
      return 'The photo is sharp on dense screens too';
    }
    return ratio >= 0.9995 ? 'The photo is sharp' : 'The photo is stretched and looks soft';
  },
  say: (ratio) =>
    ratio >= 0.9995
      ? `The photo has ${ratio.toFixed(2)} px for each px of the slot${ratio >= 2 ? ', enough for a screen of double density' : `; a screen of double density has ${(ratio / 2).toFixed(2)}`}.`
      : `The photo is stretched: only ${ratio.toFixed(2)} of its px for each px of the slot. Zoom out or take a larger photo.`,
  mend(_ratio, { picture, slot }) {
    const layer = backPhoto(picture)!;
    const whole = fillFrame(photoSize(layer), slot, layer.turn);
    if (whole.scale >= layer.scale || sharpness(whole) < 0.9995) {
      return undefined;
    }
    return {
      label: 'Show more of the photo',
      edit: editLayer<PhotoLayer>(picture.id, layer.id, whole),
    };
  },
};
