import { isObject, kindOf } from '../layers/registry';
import { editLayers, type Edit } from '../site/edit';
import type { Layer, ObjectLayer } from '../site/model/layer';
import type { Picture } from '../site/model/picture';
import type { Slot } from '../site/model/slot';
import { align, spaceEvenly, type AlignSide } from './align';
import { boundsOf, type Box, type Place } from './box';
import { safeMargin } from './snap';

/** Lies at a place and is not locked. */
export const arrangeable = (layer: Layer): layer is ObjectLayer => isObject(layer) && !layer.locked;

/** What layers are called in the name of a step. */
export const changeNames = (layers: readonly Layer[]): string =>
  layers.length === 1 ? kindOf(layers[0]).name(layers[0]).slice(0, 40) : `${layers.length} layers`;

/** Copies with names of their own, a little to the side where they lie at a place. */
export const copiesOf = (layers: readonly Layer[], by: Place, newId: () => string): Layer[] =>
  layers.map(
    (layer) =>
      ({
        ...layer,
        ...kindOf(layer).moved?.(layer, by.x, by.y),
        id: newId(),
        locked: false,
      }) as Layer,
  );

type Boxes = Readonly<Record<string, Box>>;

/** Moves each layer by its own way, on whole px. */
function moveEach(pictureId: string, layers: readonly Layer[], ways: readonly Place[]): Edit {
  const by = new Map(layers.map((l, i) => [l.id, ways[i]]));
  return editLayers(pictureId, [...by.keys()], (layer) => {
    const way = by.get(layer.id)!;
    return kindOf(layer).moved?.(layer, Math.round(way.x), Math.round(way.y));
  });
}

const placed = (layers: readonly Layer[], boxes: Boxes) =>
  layers.filter((l) => arrangeable(l) && boxes[l.id]);

/** Lines layers up with each other; a single one with the slot. */
export function alignLayers(
  picture: Picture,
  slot: Slot,
  layers: readonly Layer[],
  boxes: Boxes,
  side: AlignSide,
): Edit {
  const list = placed(layers, boxes);
  const within =
    list.length === 1 ? { left: 0, top: 0, right: slot.width, bottom: slot.height } : undefined;
  return moveEach(
    picture.id,
    list,
    align(
      list.map((l) => boxes[l.id]),
      side,
      within,
    ),
  );
}

export function spaceLayers(
  picture: Picture,
  layers: readonly Layer[],
  boxes: Boxes,
  axis: 'x' | 'y',
): Edit {
  const list = placed(layers, boxes);
  return moveEach(
    picture.id,
    list,
    spaceEvenly(
      list.map((l) => boxes[l.id]),
      axis,
    ),
  );
}

/**
 * As wide as the slot within its safe margins, in the middle of it; everything about the layer
 * grows alike.
 */
export function fitToWidth(picture: Picture, slot: Slot, layer: Layer, box: Box): Edit {
  const { left, right } = boundsOf(box);
  const k = (slot.width - 2 * safeMargin(slot).x) / (right - left);
  return editLayers(picture.id, [layer.id], (l) => {
    const resized = {
      ...l,
      ...kindOf(l).resized?.(l, { kx: k, ky: k, pivot: box, turn: box.turn }),
    } as Layer;
    return { ...resized, ...kindOf(l).moved?.(resized, slot.width / 2 - box.x, 0) };
  });
}

/**
 * Where a layer lies at this moment: photos and shapes by their own figures, which are newer than
 * what was drawn last; texts as they were drawn, since only the worker measures words.
 */
const boxNow = (layer: Layer, drawn: Box): Box => kindOf(layer).ownBox?.(layer) ?? drawn;

/**
 * Brings the left or the upper side of a layer's box, as it stands before it is turned, to a place.
 */
export const moveTo = (
  picture: Picture,
  layer: Layer,
  drawn: Box,
  to: { left?: number; top?: number },
): Edit =>
  editLayers(picture.id, [layer.id], (l) => {
    const { x, y, width, height } = boxNow(l, drawn);
    return kindOf(l).moved?.(
      l,
      to.left === undefined ? 0 : to.left - (x - width / 2),
      to.top === undefined ? 0 : to.top - (y - height / 2),
    );
  });

/** Gives a layer another width, height or angle about its middle, from figures that were typed. */
export function reshape(
  picture: Picture,
  layer: Layer,
  drawn: Box,
  to: { width?: number; height?: number; turn?: number; keep: boolean },
): Edit {
  return editLayers(picture.id, [layer.id], (l) => {
    const box = boxNow(l, drawn);
    if (to.turn !== undefined) {
      return kindOf(l).turned?.(l, to.turn - box.turn, box);
    }
    const kx = to.width === undefined ? 1 : to.width / box.width;
    const ky = to.height === undefined ? 1 : to.height / box.height;
    const k = to.width === undefined ? ky : kx;
    return kindOf(l).resized?.(l, {
      kx: to.keep ? k : kx,
      ky: to.keep ? k : ky,
      pivot: box,
      turn: box.turn,
    });
  });
}

/** Shapes that stand upright lie on whole px, so that their edges are sharp. */
export function tidied(
  layer: Layer,
  change: Partial<Layer> | undefined,
): Partial<Layer> | undefined {
  if (!change || layer.kind !== 'shape' || layer.turn !== 0) {
    return change;
  }
  const { x = 0, y = 0, width = 1, height = 1 } = change as Partial<typeof layer>;
  const left = Math.round(x);
  const top = Math.round(y);
  return {
    ...change,
    x: left,
    y: top,
    width: Math.max(1, Math.round(x + width) - left),
    height: Math.max(1, Math.round(y + height) - top),
  } as Partial<Layer>;
}
