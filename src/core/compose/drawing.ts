import { litLayers } from '../effects/light';
import { hasOverlap, overlapOf } from '../frame/overlap';
import type { Picture } from '../site/model/picture';
import type { Slot } from '../site/model/slot';
import type { Drawing } from './compose';

/** What there is to draw of a picture in its slot. */
export function drawingOf(slot: Slot, picture: Picture): Drawing {
  const overlap = overlapOf(slot);
  const drawing = {
    width: slot.width,
    height: slot.height,
    ground: picture.ground,
    layers: litLayers(picture.layers, picture.light),
  };
  return hasOverlap(overlap) ? { ...drawing, overlap } : drawing;
}
