import { litLayers } from '../effects/light';
import { overlapOf } from '../frame/overlap';
import type { Picture } from './model/picture';
import type { Site } from './model/site';
import type { Slot } from './model/slot';

export const slotOf = (site: Site, slotId: string): Slot | undefined =>
  site.slots.find((s) => s.id === slotId);

/** @throws RangeError when the slot names a picture the site does not have */
export function pictureOf(site: Site, slot: Slot): Picture {
  const picture = site.pictures[slot.pictureId];
  if (!picture) {
    throw new RangeError(`Expected the picture ${slot.pictureId} of slot ${slot.name} in the site`);
  }
  return picture;
}

/** An identifier that none of the layers has. */
export function freeLayerId(picture: Pick<Picture, 'layers'>, word: string): string {
  const taken = new Set(picture.layers.map((l) => l.id));
  for (let n = 1; ; n++) {
    if (!taken.has(`${word}-${n}`)) {
      return `${word}-${n}`;
    }
  }
}

/** Nothing lies in the slot yet: no layer to be seen on a see-through ground. */
export const isBlank = (picture: Picture): boolean =>
  picture.ground.type === 'none' && picture.layers.every((l) => l.hidden);

/**
 * The picture as its file shows it: words that are handed over as text of the page are no part of
 * it.
 */
export function asFiled(picture: Picture): Picture {
  const isLive = (l: Picture['layers'][number]) => l.kind === 'text' && l.live;
  return picture.layers.some(isLive)
    ? { ...picture, layers: picture.layers.filter((l) => !isLive(l)) }
    : picture;
}

/**
 * Equal for pictures that draw the same pixels: names, locks, alternative text and press settings
 * left out.
 */
export const drawingKey = (picture: Picture, slot: Slot): string =>
  JSON.stringify([
    slot.width,
    slot.height,
    overlapOf(slot),
    picture.ground,
    litLayers(picture.layers, picture.light)
      .filter((l) => !l.hidden)
      .map((l) => ({ ...l, name: '', locked: false })),
  ]);
