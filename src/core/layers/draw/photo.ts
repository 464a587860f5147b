import type { Place } from '../../arrange/box';
import { mipLevelFor } from '../../frame/mipLevels';
import type { PhotoMipLevel } from '../../frame/photos';
import type { Size } from '../../frame/placement';
import { resample } from '../../frame/resample';
import { mirror, rotate } from '../../frame/rotate';
import { drawRoughly, type Affine } from '../../frame/roughly';
import { fittingSharpness, sharpen } from '../../frame/sharpen';
import {
  createRaster,
  crop,
  intersect,
  isEmpty,
  type Raster,
  type Rect,
} from '../../raster/raster';
import type { CutOut, PhotoLayer } from '../../site/model/photoLayer';
import type { Draw, DrawContext, RoughDraw } from '../kind';
import { around, isDrawnWhole, photo, photoPoint, photoSize, usedSize } from '../photo';

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

/** Px of a photo that a cut-out is worked out on at most. */
const mostCutOut = 4e6;

/**
 * How often a photo is halved for the cut-out: as often as it still has more px than are drawn of
 * it, and until they are few enough. A quarter reached by several steps of resizing is a quarter,
 * though its last digit may say less.
 */
const cutOutMipLevel = (scale: number, { width, height }: Size): number =>
  Math.max(
    0,
    Math.floor(Math.log2(1 / Math.max(scale, 1 / 64)) - 1e-6),
    Math.ceil(Math.log2(Math.sqrt((width * height) / mostCutOut))),
  );

/** What it is drawn at, along the side where that is more. */
const largestScale = (layer: PhotoLayer): number => layer.scale * Math.max(1, layer.stretch);

/** Of a cut-out, what its edges are sought in. */
function cutOutSource(layer: PhotoLayer, cutOut: CutOut, context: DrawContext): Raster | undefined {
  const whole = { width: layer.sourceWidth, height: layer.sourceHeight };
  const found = context.photos.exactly(layer.assetId, cutOutMipLevel(largestScale(layer), whole));
  return found && context.cutOut(`${layer.id} ${layer.assetId}`, found, cutOut);
}

/**
 * Pixels to draw the layer from: the part of the photo that is used, cut out where it is, and
 * halved where it is drawn far smaller.
 * @param find the photo, for a scale that it is drawn at
 */
function sourceOf(
  layer: PhotoLayer,
  context: DrawContext,
  find: (assetId: string, scale: number) => PhotoMipLevel | undefined,
): Raster | undefined {
  const raster = layer.cutOut
    ? cutOutSource(layer, layer.cutOut, context)
    : find(layer.assetId, largestScale(layer))?.raster;
  if (!raster || !layer.crop) {
    return raster;
  }
  const kx = raster.width / layer.sourceWidth;
  const ky = raster.height / layer.sourceHeight;
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

/** The part of a slot that a photo is drawn for, px of the slot. */
function drawnPart(layer: PhotoLayer, context: DrawContext): Rect {
  const all = around(layer);
  const { left, top, right, bottom } = context.outsets;
  return isDrawnWhole(layer, context)
    ? all
    : intersect(all, {
        x: -left,
        y: -top,
        width: context.width + left + right,
        height: context.height + top + bottom,
      });
}

/** Photos of which so many px are read, at most, are drawn whole even while they are dragged. */
const quicklyRead = 1.5e6;

/** Px of turned photos that are drawn, at most, for the same. */
const quicklyTurned = 3e5;

/** How often a photo can be halved and still has a px for each that is drawn. */
const roughMipLevel = (scale: number): number =>
  Math.max(0, Math.floor(Math.log2(1 / Math.max(scale, 1e-4))));

/**
 * A photo in hand: only what is in sight of it, drawn roughly.
 * @returns undefined where it is drawn as quickly whole
 */
export const drawPhotoRoughly: RoughDraw<PhotoLayer> = (layer, context, sight) => {
  const drawn = drawnPart(layer, context);
  const part = intersect(drawn, sight);
  const pixels = drawn.width * drawn.height;
  const read = pixels / Math.min(1, layer.scale * 2 ** mipLevelFor(layer.scale)) ** 2;
  if (isEmpty(part) || (layer.turn === 0 ? read <= quicklyRead : pixels <= quicklyTurned)) {
    return undefined;
  }
  const from = sourceOf(layer, context, (id, s) => context.photos.roughly(id, roughMipLevel(s)));
  if (!from) {
    return undefined;
  }
  const { raster, x, y } = inHand(from, layer, part);
  const place = photo.place(layer, context);
  return { type: 'raster', raster, x: x - place.x, y: y - place.y };
};

/** Drawn around what is in sight, px on each side, so that a drag only moves it a while. */
const drawnAround = 300;

interface InHand {
  /** All that makes its pixels. */
  readonly key: string;
  readonly raster: Raster;
  /** Its corner from the layer's point, px of the slot. */
  readonly dx: number;
  readonly dy: number;
}

/** By the pixels that they are drawn from. */
const lastInHand = new WeakMap<Raster, InHand>();

/** Pixels of a photo for a part of the slot and some around it, at whole px of the slot. */
function inHand(
  from: Raster,
  layer: PhotoLayer,
  part: Rect,
): { raster: Raster; x: number; y: number } {
  const { scale, stretch, turn, flipX, flipY } = layer;
  const all = around(layer);
  const key = JSON.stringify([scale, stretch, turn, flipX, flipY, layer.crop]);
  const known = lastInHand.get(from);
  if (known?.key === key) {
    const { raster } = known;
    const at = { x: Math.round(layer.x + known.dx), y: Math.round(layer.y + known.dy) };
    // At the photo's own sides whole px may be one more or less than before.
    const needed = intersect(part, {
      x: all.x + 1,
      y: all.y + 1,
      width: all.width - 2,
      height: all.height - 2,
    });
    const covered = intersect(needed, { ...at, width: raster.width, height: raster.height });
    if (covered.width === needed.width && covered.height === needed.height) {
      return { raster, ...at };
    }
  }
  const { x, y, width, height } = intersect(all, {
    x: part.x - drawnAround,
    y: part.y - drawnAround,
    width: part.width + 2 * drawnAround,
    height: part.height + 2 * drawnAround,
  });
  const raster = drawRoughly(from, mapping(layer, from, { x, y }), width, height);
  lastInHand.set(from, { key, raster, dx: x - layer.x, dy: y - layer.y });
  return { raster, x, y };
}

/** Where the px at a place of the slot, and those beside it, come from in a reduced photo. */
function mapping(layer: PhotoLayer, from: Raster, corner: Place): Affine {
  const used = usedSize(layer);
  const source = (x: number, y: number) => {
    const point = photoPoint(layer, { x: corner.x + x + 0.5, y: corner.y + y + 0.5 });
    return {
      x: ((point.x - (layer.crop?.x ?? 0)) * from.width) / used.width,
      y: ((point.y - (layer.crop?.y ?? 0)) * from.height) / used.height,
    };
  };
  const first = source(0, 0);
  const right = source(1, 0);
  const below = source(0, 1);
  return {
    ...first,
    xByX: right.x - first.x,
    yByX: right.y - first.y,
    xByY: below.x - first.x,
    yByY: below.y - first.y,
  };
}

export const drawPhoto: Draw<PhotoLayer> = (layer, context) => {
  const from = sourceOf(layer, context, (id, s) => context.photos.exactly(id, mipLevelFor(s)));
  if (!from) {
    return undefined;
  }
  const part = drawnPart(layer, context);
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
};
