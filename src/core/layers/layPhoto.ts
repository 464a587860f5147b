import { fillFrame, type Framing } from '../frame/placement';
import { backPhoto } from '../readings/cover';
import { formatOf } from '../encode/formats/registry';
import { firstEncodeSettings } from '../encode/settings';
import {
  addLayer,
  addLayerBehind,
  chain,
  editLayer,
  editPicture,
  shelve,
  type Edit,
} from '../site/edit';
import type { PhotoLayer } from '../site/model/photoLayer';
import type { Picture } from '../site/model/picture';
import type { ShelfItem } from '../site/model/shelf';
import type { Slot } from '../site/model/slot';
import { newPhoto, photoSize } from './photo';

/**
 * Puts a photo in the slot: in place of the back photo where there is one, behind everything else
 * where there is none.
 * @param id of the layer, where it is a new one
 * @param framing of the part that is shown, from the middle where none is given
 */
export function layPhoto(
  slot: Slot,
  picture: Picture,
  item: ShelfItem,
  id: string,
  framing: Framing = fillFrame(item, slot),
): Edit {
  const there = backPhoto(picture);
  if (there) {
    return chain(
      shelve(item),
      editLayer<PhotoLayer>(picture.id, there.id, {
        assetId: item.assetId,
        name: item.name,
        sourceWidth: item.width,
        sourceHeight: item.height,
        crop: null,
        cutOut: null,
        ...framing,
        stretch: 1,
        turn: 0,
      }),
    );
  }
  const isFirst = picture.layers.length === 0 && formatOf(picture.press.format).plain;
  return chain(
    shelve(item),
    addLayerBehind(picture.id, { ...newPhoto(id, item, slot), ...framing }),
    editPicture(picture.id, (p) => {
      // A photo on a host that accepts old formats alone.
      if (isFirst && item.format === 'jpeg') {
        p.press = firstEncodeSettings(slot.accepts, true);
      }
    }),
  );
}

/** Puts a photo on top of everything, whole, at no more than four fifths of the slot. */
export function addPhotoOnTop(slot: Slot, picture: Picture, item: ShelfItem, id: string): Edit {
  const photo = newPhoto(id, item, slot);
  const size = photoSize(photo);
  const scale = Math.min(1, (slot.height * 0.8) / size.height, (slot.width * 0.8) / size.width);
  const placed = {
    ...photo,
    scale,
    x: Math.round((slot.width - size.width * scale) / 2),
    y: Math.round((slot.height - size.height * scale) / 2),
  };
  return chain(shelve(item), addLayer(picture.id, placed));
}
