import { photoSize } from '../layers/photo';
import { barePx, coverScale, keepFilled } from '../frame/placement';
import { editLayer } from '../site/edit';
import type { PhotoLayer } from '../site/model/photoLayer';
import type { Picture } from '../site/model/picture';
import type { Slot } from '../site/model/slot';
import type { ReadingKind } from './reading';

/**
 * The photograph the slot is framed with: the lowest layer to be seen, if that is a photo, and
 * neither cropped nor cut out as things on top are.
 */
export function backPhoto(picture: Picture): PhotoLayer | undefined {
  const lowest = picture.layers.find((l) => !l.hidden);
  return lowest?.kind === 'photo' && !lowest.crop && !lowest.cutOut ? lowest : undefined;
}

const bare = (layer: PhotoLayer, slot: Slot): number =>
  Math.round(barePx(layer, photoSize(layer), slot, layer.turn));

/** The back photograph fills its slot: px of ground left bare at the barest side. */
export const cover: ReadingKind<number> = {
  id: 'cover',
  question: 2,
  title: 'Photo fills the slot',
  // A mark is laid on the page's own colour and is seldom filled by a photo.
  applies: ({ picture, slot }) => slot.kind !== 'mark' && backPhoto(picture) !== undefined,
  measure: ({ picture, slot }) => bare(backPhoto(picture)!, slot),
  judge: (px) => (px === 0 ? 'holds' : 'look'),
  figure: (px) => (px === 0 ? 'all of it' : `${px} px bare`),
  plain: (px) => (px === 0 ? 'The photo fills its place' : 'The ground shows beside the photo'),
  mayBeMeant: true,
  say: (px) =>
    px === 0
      ? 'The photo covers the whole slot.'
      : `${px} px of the ground show beside the photo. Move or enlarge it, or leave it so if the ground is meant to show.`,
  mend(_px, { picture, slot }) {
    const layer = backPhoto(picture)!;
    const scale = Math.max(layer.scale, coverScale(photoSize(layer), slot, layer.turn));
    return {
      label: 'Fill the slot',
      edit: editLayer<PhotoLayer>(
        picture.id,
        layer.id,
        keepFilled({ ...layer, scale }, photoSize(layer), slot, layer.turn),
      ),
    };
  },
};
