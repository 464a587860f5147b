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
import { outsetsOf } from '../effects/outsets';
import { effectsField } from '../effects/registry';
import { fillFrame, type Size } from '../frame/placement';
import type { Rect } from '../raster/raster';
import type { Crop, PhotoLayer } from '../site/model/photoLayer';
import type { ShelfItem } from '../site/model/shelf';
import { baseDefaults, baseFields } from './base';
import type { DefinitionOf } from './kind';

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

/** Whole px around the photo as it lies. */
export function around(layer: PhotoLayer): Rect {
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
export const isDrawnWhole = (layer: PhotoLayer, slot: Size): boolean => {
  const { width, height } = around(layer);
  return width <= slot.width && height <= slot.height;
};

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
      whole ? [x - at.x, y - at.y] : [x, y, outsetsOf(effects)],
      scale,
      stretch,
      turn,
      flipX,
      flipY,
      sharp,
    ]);
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
