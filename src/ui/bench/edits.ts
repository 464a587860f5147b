import { fillFrame } from '@/core/frame/placement';
import { newPhoto, photoSize } from '@/core/layers/photo';
import { backPhoto } from '@/core/readings/cover';
import { addLayer, chain, editLayer, editPicture, shelve, type Edit } from '@/core/site/edit';
import type { PhotoLayer, Picture, ShelfItem, Slot } from '@/core/site/model';

export const newId = (): string => crypto.randomUUID();

/** Puts a photo in the slot: in place of the back photo where there is one, behind everything else where there is none. */
export function layPhoto(slot: Slot, picture: Picture, item: ShelfItem): Edit {
  const there = backPhoto(picture);
  if (there) {
    return chain(shelve(item), editLayer<PhotoLayer>(picture.id, there.id, {
      assetId: item.assetId, name: item.name, sourceWidth: item.width, sourceHeight: item.height, ...fillFrame(item, slot),
    }));
  }
  return chain(shelve(item), editPicture(picture.id, (p) => { p.layers.unshift(newPhoto(newId(), item, slot)); }));
}

/** Puts a photo on top of everything, whole, at no more than half the slot's height. */
export function addPhotoOnTop(slot: Slot, picture: Picture, item: ShelfItem): { edit: Edit; id: string } {
  const photo = newPhoto(newId(), item, slot), size = photoSize(photo);
  const scale = Math.min(1, (slot.height * 0.8) / size.height, (slot.width * 0.8) / size.width);
  const placed = { ...photo, scale, x: Math.round((slot.width - size.width * scale) / 2), y: Math.round((slot.height - size.height * scale) / 2) };
  return { edit: chain(shelve(item), addLayer(picture.id, placed)), id: placed.id };
}
