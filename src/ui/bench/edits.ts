import { align, spaceEvenly, type AlignSide } from '@/core/arrange/align';
import { boundsOf, type Box, type Place } from '@/core/arrange/box';
import { safeMargin } from '@/core/arrange/snap';
import { fillFrame } from '@/core/frame/placement';
import { newPhoto, photoSize } from '@/core/layers/photo';
import { isObject, kindOf } from '@/core/layers/registry';
import { newShape } from '@/core/layers/shape';
import { newText } from '@/core/layers/text';
import { backPhoto } from '@/core/readings/cover';
import {
  addLayer,
  addLayerBehind,
  chain,
  editLayer,
  editLayers,
  shelve,
  type Edit,
} from '@/core/site/edit';
import type { GlyphRaster } from '@/core/text/glyphs';
import type { Hex } from '@/core/site/model/hex';
import type { Layer, ObjectLayer } from '@/core/site/model/layer';
import type { ShapeName } from '@/core/site/model/objectLayers';
import type { CutOut, PhotoLayer } from '@/core/site/model/photoLayer';
import type { Picture } from '@/core/site/model/picture';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';

export const newId = (): string => crypto.randomUUID();

/**
 * Puts a photo in the slot: in place of the back photo where there is one, behind everything else
 * where there is none.
 */
export function layPhoto(slot: Slot, picture: Picture, item: ShelfItem): Edit {
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
        ...fillFrame(item, slot),
      }),
    );
  }
  return chain(shelve(item), addLayerBehind(picture.id, newPhoto(newId(), item, slot)));
}

/** Puts a photo on top of everything, whole, at no more than four fifths of the slot. */
export function addPhotoOnTop(
  slot: Slot,
  picture: Picture,
  item: ShelfItem,
): { edit: Edit; id: string } {
  const photo = newPhoto(newId(), item, slot);
  const size = photoSize(photo);
  const scale = Math.min(1, (slot.height * 0.8) / size.height, (slot.width * 0.8) / size.width);
  const placed = {
    ...photo,
    scale,
    x: Math.round((slot.width - size.width * scale) / 2),
    y: Math.round((slot.height - size.height * scale) / 2),
  };
  return { edit: chain(shelve(item), addLayer(picture.id, placed)), id: placed.id };
}

/**
 * Colours that stand off each other: the theme's first is nearly always its ground, the second what
 * is written on it.
 */
export const themeDark = (site: Site): Hex => site.theme.colours[0]?.hex ?? '#222222';
export const themeLight = (site: Site): Hex => site.theme.colours[1]?.hex ?? '#ffffff';

/** A text that fits the slot, in the site's heading font. */
export const textFor = (site: Site, slot: Slot): ObjectLayer =>
  newText(
    newId(),
    'Your words',
    site.theme.headingFont,
    Math.min(48, Math.round(slot.height * 0.4)),
    themeLight(site),
    Math.round(slot.width / 2),
    Math.round(slot.height * 0.3),
  );

export const shapeFor = (site: Site, slot: Slot, shape: ShapeName): ObjectLayer =>
  newShape(newId(), shape, site.theme.colours[2]?.hex ?? themeLight(site), slot);

/** Lies at a place and is not locked. */
export const arrangeable = (layer: Layer): layer is ObjectLayer => isObject(layer) && !layer.locked;

/** What layers are called in the name of a step. */
export const changeNames = (layers: readonly Layer[]): string =>
  layers.length === 1 ? kindOf(layers[0]).name(layers[0]).slice(0, 40) : `${layers.length} layers`;

/**
 * Nothing sampled and nothing brushed; the tolerance takes a plain surround with its grain (ours,
 * by looking).
 */
const plainCutOut: CutOut = { samples: [], tolerance: 8, softness: 0, joined: true, strokes: [] };

export const setCutOut = (
  pictureId: string,
  layerId: string,
  change: (cutOut: CutOut) => CutOut,
): Edit =>
  editLayers(pictureId, [layerId], (layer) =>
    layer.kind === 'photo' ? { cutOut: change(layer.cutOut ?? plainCutOut) } : undefined,
  );

/** Copies with names of their own, a little to the side where they lie at a place. */
export const copiesOf = (layers: readonly Layer[], by: Place): Layer[] =>
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
const boxNow = (layer: Layer, slot: Slot, drawn: Box): Box =>
  (layer.kind === 'photo' || layer.kind === 'shape'
    ? kindOf(layer).box?.(layer, { ...slot, glyphs: noGlyphs })
    : undefined) ?? drawn;

const notHere = (): never => {
  throw new Error('Words are measured in the worker.');
};
const noGlyphs: GlyphRaster = { has: notHere, cover: notHere, pixels: notHere, box: notHere };

/**
 * Brings the left or the upper side of a layer's box, as it stands before it is turned, to a place.
 */
export const moveTo = (
  picture: Picture,
  slot: Slot,
  layer: Layer,
  drawn: Box,
  to: { left?: number; top?: number },
): Edit =>
  editLayers(picture.id, [layer.id], (l) => {
    const { x, y, width, height } = boxNow(l, slot, drawn);
    return kindOf(l).moved?.(
      l,
      to.left === undefined ? 0 : to.left - (x - width / 2),
      to.top === undefined ? 0 : to.top - (y - height / 2),
    );
  });

/** Gives a layer another width, height or angle about its middle, from figures that were typed. */
export function reshape(
  picture: Picture,
  slot: Slot,
  layer: Layer,
  drawn: Box,
  to: { width?: number; height?: number; turn?: number; keep: boolean },
): Edit {
  return editLayers(picture.id, [layer.id], (l) => {
    const box = boxNow(l, slot, drawn);
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
