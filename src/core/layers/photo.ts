import { boolean, lazy, number, object, string } from 'yup';
import {
  boundsOf,
  normalTurn,
  pointOf,
  resizePoint,
  turnAbout,
  type Box,
  type Place,
} from '../arrange/box';
import { cutOutField } from '../cutout/field';
import { reachOf } from '../effects/dress';
import { effectsField } from '../effects/registry';
import { mirror, rotate } from '../frame/rotate';
import { resample } from '../frame/resample';
import { halved, halvingsFor } from '../frame/halved';
import { fittingSharpness, sharpen } from '../frame/sharpen';
import { fillFrame, type Size } from '../frame/placement';
import { createRaster, crop, intersect, isEmpty, type Raster, type Rect } from '../raster/raster';
import type { Crop, PhotoLayer } from '../site/model/photoLayer';
import type { ShelfItem } from '../site/model/shelf';
import { baseDefaults, baseFields } from './base';
import type { DrawContext, DefinitionOf } from './kind';

/** Size of the part of the photo that is used, px of the photo. */
export const usedSize = ({
  crop: part,
  sourceWidth,
  sourceHeight,
}: Pick<PhotoLayer, 'sourceWidth' | 'sourceHeight' | 'crop'>): Size =>
  part ?? { width: sourceWidth, height: sourceHeight };

/** The photo's size as its geometry counts it: cropped and stretched, where it is. */
export function photoSize(
  layer: Pick<PhotoLayer, 'sourceWidth' | 'sourceHeight' | 'stretch' | 'crop'>,
): Size {
  const { width, height } = usedSize(layer);
  return { width, height: height * layer.stretch };
}

/** A photograph that fills the slot from its middle. */
export const newPhoto = (
  id: string,
  item: Pick<ShelfItem, 'name' | 'assetId' | 'width' | 'height'>,
  slot: Size,
): PhotoLayer => ({
  ...baseDefaults(id),
  kind: 'photo',
  name: item.name,
  assetId: item.assetId,
  sourceWidth: item.width,
  sourceHeight: item.height,
  crop: null,
  cutOut: null,
  ...fillFrame(item, slot),
  stretch: 1,
  turn: 0,
  flipX: false,
  flipY: false,
  sharpen: 'fitting',
  effects: [],
  hangs: false,
});

export function photoBox(layer: PhotoLayer): Box {
  const size = photoSize(layer);
  const width = size.width * layer.scale;
  const height = size.height * layer.scale;
  return { x: layer.x + width / 2, y: layer.y + height / 2, width, height, turn: layer.turn };
}

/** The px of the photo that lies at a place of the slot; it may be outside the photo. */
export function photoPoint(layer: PhotoLayer, at: Place): Place {
  const box = photoBox(layer);
  const p = turnAbout(at, box, -layer.turn);
  const { width, height } = usedSize(layer);
  const u = (p.x - box.x) / box.width + 0.5;
  const v = (p.y - box.y) / box.height + 0.5;
  return {
    x: (layer.crop?.x ?? 0) + (layer.flipX ? 1 - u : u) * width,
    y: (layer.crop?.y ?? 0) + (layer.flipY ? 1 - v : v) * height,
  };
}

/** Where a px of the photo lies on the slot. */
export function slotPoint(layer: PhotoLayer, { x, y }: Place): Place {
  const box = photoBox(layer);
  const { width, height } = usedSize(layer);
  const u = (x - (layer.crop?.x ?? 0)) / width;
  const v = (y - (layer.crop?.y ?? 0)) / height;
  return pointOf(box, layer.flipX ? 1 - u : u, layer.flipY ? 1 - v : v);
}

/**
 * Uses another part of the photo, and leaves what is still used where it lies.
 * @param crop px of the photo; null for all of it
 */
export function recropped(layer: PhotoLayer, crop: Crop | null): Partial<PhotoLayer> {
  const next = { ...layer, crop };
  const { width, height } = usedSize(next);
  const middle = slotPoint(layer, {
    x: (crop?.x ?? 0) + width / 2,
    y: (crop?.y ?? 0) + height / 2,
  });
  return { crop, ...centredAt(next, middle.x, middle.y) };
}

/** The photo's middle brought to a place. */
function centredAt(layer: PhotoLayer, x: number, y: number): Pick<PhotoLayer, 'x' | 'y'> {
  const { width, height } = photoBox(layer);
  return { x: x - width / 2, y: y - height / 2 };
}

/**
 * The photo drawn along its own axes, as if it were not turned; flipping mirrors it about its own
 * middle.
 */
function straight(
  source: Raster,
  { x, y, scale, stretch, flipX, flipY }: PhotoLayer,
  width: number,
  height: number,
): Raster {
  const w = source.width * scale;
  const h = source.height * scale * stretch;
  const placement = {
    x: flipX ? width - x - w : x,
    y: flipY ? height - y - h : y,
    scaleX: scale,
    scaleY: scale * stretch,
  };
  const raster = resample(source, placement, width, height);
  if (flipX) {
    mirror(raster, 'x');
  }
  if (flipY) {
    mirror(raster, 'y');
  }
  return raster;
}

/** Px of photo drawn beyond what shows, for the filter of the turn to reach into. */
const margin = 3;

/**
 * The part that shows is drawn along the photo's axes first, at the size it has in the end, and
 * then turned.
 */
function turned(source: Raster, layer: PhotoLayer, width: number, height: number): Raster {
  const { x, y, scale, stretch, turn } = layer;
  const middle = {
    x: x + (source.width * scale) / 2,
    y: y + (source.height * scale * stretch) / 2,
  };
  const c = Math.cos((turn * Math.PI) / 180);
  const s = Math.sin((turn * Math.PI) / 180);
  const corners = [
    [0, 0],
    [width, 0],
    [0, height],
    [width, height],
  ].map(([cx, cy]) => {
    const dx = cx - middle.x;
    const dy = cy - middle.y;
    return [dx * c + dy * s + middle.x, -dx * s + dy * c + middle.y];
  });
  const left = Math.floor(Math.max(x, Math.min(...corners.map((p) => p[0])))) - margin;
  const top = Math.floor(Math.max(y, Math.min(...corners.map((p) => p[1])))) - margin;
  const right =
    Math.ceil(Math.min(x + source.width * scale, Math.max(...corners.map((p) => p[0])))) + margin;
  const bottom =
    Math.ceil(
      Math.min(y + source.height * scale * stretch, Math.max(...corners.map((p) => p[1]))),
    ) + margin;
  const box = { width: Math.max(1, right - left), height: Math.max(1, bottom - top) };
  const along = straight(source, { ...layer, x: x - left, y: y - top }, box.width, box.height);
  return rotate(along, turn, { x: middle.x - left, y: middle.y - top }, middle, width, height);
}

/** Whole px around the photo as it lies. */
function around(layer: PhotoLayer): Rect {
  const { left, top, right, bottom } = boundsOf(photoBox(layer));
  const slack = layer.turn === 0 ? 0 : 1;
  const x = Math.floor(left) - slack;
  const y = Math.floor(top) - slack;
  return { x, y, width: Math.ceil(right) + slack - x, height: Math.ceil(bottom) + slack - y };
}

/**
 * A photo no larger than the slot is drawn as a whole, so that it need not be drawn again while it
 * is moved; of others only what can be seen is.
 */
const isDrawnWhole = (layer: PhotoLayer, slot: Size): boolean => {
  const { width, height } = around(layer);
  return width <= slot.width && height <= slot.height;
};

/** Px of a photo that a cut-out is worked out on at most. */
const mostCutOut = 4e6;

/**
 * How often a photo is halved for the cut-out: as often as it still has more px than are drawn of
 * it, and until they are few enough. A quarter reached by several steps of resizing is a quarter,
 * though its last digit may say less.
 */
const cutOutHalvings = (scale: number, { width, height }: Size): number =>
  Math.max(
    0,
    Math.floor(Math.log2(1 / Math.max(scale, 1 / 64)) - 1e-6),
    Math.ceil(Math.log2(Math.sqrt((width * height) / mostCutOut))),
  );

/**
 * Pixels to draw the layer from: the part of the photo that is used, cut out where it is, and
 * halved where it is drawn far smaller.
 */
function sourceOf(layer: PhotoLayer, context: DrawContext): Raster | undefined {
  const whole = context.photo(layer.assetId);
  if (!whole) {
    return undefined;
  }
  const largest = layer.scale * Math.max(1, layer.stretch);
  const raster = layer.cutOut
    ? context.cutOut(
        `${layer.id} ${layer.assetId}`,
        whole,
        layer.cutOut,
        cutOutHalvings(largest, whole),
      )
    : halved(whole, halvingsFor(largest));
  if (!layer.crop) {
    return raster;
  }
  const kx = raster.width / whole.width;
  const ky = raster.height / whole.height;
  const { x, y, width, height } = layer.crop;
  const left = Math.round(x * kx);
  const top = Math.round(y * ky);
  return crop(raster, {
    x: left,
    y: top,
    width: Math.max(1, Math.round((x + width) * kx) - left),
    height: Math.max(1, Math.round((y + height) * ky) - top),
  });
}

export const photo: DefinitionOf<PhotoLayer> = {
  kind: 'photo',
  role: 'thing',
  title: 'Photo',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['photo']).required(),
    assetId: string().min(1).required(),
    sourceWidth: number().integer().min(1).required(),
    sourceHeight: number().integer().min(1).required(),
    crop: object({
      x: number().integer().min(0).required(),
      y: number().integer().min(0).required(),
      width: number().integer().min(1).required(),
      height: number().integer().min(1).required(),
    })
      .nullable()
      .defined()
      .default(undefined),
    cutOut: cutOutField(),
    x: number().required(),
    y: number().required(),
    scale: number().positive().required(),
    stretch: number().positive().required(),
    turn: number().min(-360).max(360).required(),
    flipX: boolean().required(),
    flipY: boolean().required(),
    sharpen: lazy((value: unknown) =>
      typeof value === 'string'
        ? string().oneOf(['fitting']).required()
        : number().min(0).max(1).required(),
    ),
    effects: effectsField(),
    hangs: boolean().required(),
  }),
  key(layer, slot) {
    const {
      assetId,
      crop: part,
      cutOut,
      x,
      y,
      scale,
      stretch,
      turn,
      flipX,
      flipY,
      sharpen: sharp,
      effects,
    } = layer;
    const whole = isDrawnWhole(layer, slot);
    const at = around(layer);
    return JSON.stringify([
      assetId,
      part,
      cutOut,
      whole ? [x - at.x, y - at.y] : [x, y, reachOf(effects)],
      scale,
      stretch,
      turn,
      flipX,
      flipY,
      sharp,
    ]);
  },
  draw(layer, context) {
    const from = sourceOf(layer, context);
    if (!from) {
      return undefined;
    }
    const all = around(layer);
    const { left, top, right, bottom } = context.reach;
    const part = isDrawnWhole(layer, context)
      ? all
      : intersect(all, {
          x: -left,
          y: -top,
          width: context.width + left + right,
          height: context.height + top + bottom,
        });
    const place = photo.place(layer, context);
    if (isEmpty(part)) {
      return { type: 'raster', raster: createRaster(1, 1), x: 0, y: 0 };
    }
    // The reduced photo's sides are whole px of its own: each axis has the scale that brings it to
    // the size wanted.
    const size = photoSize(layer);
    const scale = (size.width * layer.scale) / from.width;
    const stretch = (size.height * layer.scale) / from.height / scale;
    const here = { ...layer, x: layer.x - part.x, y: layer.y - part.y, scale, stretch };
    const raster =
      layer.turn === 0
        ? straight(from, here, part.width, part.height)
        : turned(from, here, part.width, part.height);
    sharpen(raster, layer.sharpen === 'fitting' ? fittingSharpness(layer.scale) : layer.sharpen);
    return { type: 'raster', raster, x: part.x - place.x, y: part.y - place.y };
  },
  place(layer, slot) {
    if (!isDrawnWhole(layer, slot)) {
      return { x: 0, y: 0 };
    }
    const { x, y } = around(layer);
    return { x, y };
  },
  assets: ({ assetId }) => [assetId],
  figure: (layer) => (layer.cutOut ? 'cut-out' : `${Math.round(layer.opacity * 100)}%`),
  name: (layer) => layer.name || 'Photo',
  ownBox: photoBox,
  box: photoBox,
  moved: (layer, dx, dy) => ({ x: layer.x + dx, y: layer.y + dy }),
  resized(layer, resize) {
    const middle = resizePoint(photoBox(layer), resize);
    const larger = {
      ...layer,
      scale: layer.scale * resize.kx,
      stretch: (layer.stretch * resize.ky) / resize.kx,
    };
    return {
      scale: larger.scale,
      stretch: Math.abs(larger.stretch - 1) < 1e-9 ? 1 : larger.stretch,
      ...centredAt(larger, middle.x, middle.y),
    };
  },
  turned(layer, degrees, pivot) {
    const middle = turnAbout(photoBox(layer), pivot, degrees);
    return { turn: normalTurn(layer.turn + degrees), ...centredAt(layer, middle.x, middle.y) };
  },
};
