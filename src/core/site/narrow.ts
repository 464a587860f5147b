import { castDraft, type Draft } from 'immer';
import { noOverlap } from '../frame/overlap';
import { isObject, kindOf, scaledLayer } from '../layers/registry';
import { dropSlot } from './dropSlot';
import type { Edit } from './edit';
import type { Layer } from './model/layer';
import type { Picture } from './model/picture';
import type { Slot } from './model/slot';
import { freeName } from './pages';

/**
 * Px of a phone's picture: as wide as the widest phones, so that it is never enlarged (common
 * practice, no source).
 */
const narrowWidth = 480;

/**
 * Gives a slot a second arrangement of its layers, shown below a screen width: a slot of its own
 * with a copy of the picture, in proportions nearer to a phone's, the words larger and below each
 * other in its middle.
 * @param below screen width, px
 */
export const arrangeForNarrow =
  (slotId: string, below: number): Edit =>
  (site) => {
    const slot = site.slots.find((s) => s.id === slotId);
    const picture = slot && site.pictures[slot.pictureId];
    if (!slot || !picture || slot.narrow) {
      return;
    }
    const width = Math.min(narrowWidth, slot.width);
    const height = Math.max(
      Math.round(width * 0.5),
      Math.round((slot.height * width) / slot.width),
    );
    const k = height / slot.height;
    const id = `${slot.id}-narrow`;
    const name = freeName(site, `${slot.name}, narrow`);
    // Everything keeps its height in the slot and its middle stays in the middle; words then shrink
    // to the width that is left.
    const shift = (width - slot.width * k) / 2;
    let top = Math.round(height * 0.14);
    const layers = (picture.layers as readonly Layer[]).map((layer): Layer => {
      const next = isObject(layer) ? scaledLayer(layer, k) : layer;
      if (next.kind !== 'text') {
        return isObject(next)
          ? ({ ...next, ...kindOf(next).moved?.(next, shift, 0) } as Layer)
          : next;
      }
      // Letters are about half as wide as they are high.
      const longest = Math.max(1, ...next.words.split('\n').map((line) => line.length));
      const room = width * 0.88;
      const sizePx = Math.max(
        16,
        Math.min(Math.round(next.sizePx * 1.1), Math.floor(room / (longest * 0.52))),
      );
      const placed = {
        ...next,
        sizePx,
        wrap: room,
        align: 'centre' as const,
        x: Math.round(width / 2),
        y: top,
      };
      top +=
        Math.round(sizePx * next.lineHeight * Math.ceil((longest * sizePx * 0.52) / room)) + 10;
      return placed;
    });
    site.slots.push({
      ...(slot as Slot),
      id,
      name,
      width,
      height,
      pictureId: `picture-${id}`,
      fileName: `${slot.fileName}-narrow`,
      overlap: noOverlap,
      narrow: null,
      measured: null,
      replaces: null,
      offset: { x: 0, y: 0 },
    } as Draft<Slot>);
    site.pictures[`picture-${id}`] = castDraft({
      ...(picture as Picture),
      id: `picture-${id}`,
      layers,
    });
    slot.narrow = { slot: id, below };
  };

/** Takes the second arrangement away, with its picture. */
export const removeNarrow =
  (slotId: string): Edit =>
  (site) => {
    const slot = site.slots.find((s) => s.id === slotId);
    const second = slot?.narrow?.slot;
    if (slot && second !== undefined) {
      slot.narrow = null;
      dropSlot(second)(site);
    }
  };
