import { halved, halvingsFor } from '../../frame/halved';
import type { Size } from '../../frame/placement';
import { resample } from '../../frame/resample';
import { mirror, rotate } from '../../frame/rotate';
import { fittingSharpness, sharpen } from '../../frame/sharpen';
import { createRaster, crop, intersect, isEmpty, type Raster } from '../../raster/raster';
import type { PhotoLayer } from '../../site/model/photoLayer';
import type { Draw, DrawContext } from '../kind';
import { around, isDrawnWhole, photo, photoSize } from '../photo';

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

export const drawPhoto: Draw<PhotoLayer> = (layer, context) => {
  const from = sourceOf(layer, context);
  if (!from) {
    return undefined;
  }
  const all = around(layer);
  const { left, top, right, bottom } = context.outsets;
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
};
