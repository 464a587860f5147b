import { boolean, lazy, number, object, string } from 'yup';
import { mirror, rotate } from '../frame/rotate';
import { resample } from '../frame/resample';
import { fittingSharpness, sharpen } from '../frame/sharpen';
import { fillFrame, type Size } from '../frame/placement';
import type { Raster } from '../raster/raster';
import type { PhotoLayer, ShelfItem } from '../site/model';
import { baseDefaults, baseFields } from './base';
import type { LayerKind } from './kind';

/** The photo's size as its geometry counts it: stretched, where it is. */
export const photoSize = (layer: Pick<PhotoLayer, 'sourceWidth' | 'sourceHeight' | 'stretch'>): Size => ({ width: layer.sourceWidth, height: layer.sourceHeight * layer.stretch });

/** A photograph that fills the slot from its middle. */
export const newPhoto = (id: string, item: Pick<ShelfItem, 'name' | 'assetId' | 'width' | 'height'>, slot: Size): PhotoLayer => ({
  ...baseDefaults(id), kind: 'photo', name: item.name, assetId: item.assetId,
  sourceWidth: item.width, sourceHeight: item.height, ...fillFrame(item, slot), stretch: 1, turn: 0, flipX: false, flipY: false, sharpen: 'fitting',
});

/** The photo drawn along its own axes, as if it were not turned; flipping mirrors it about its own middle. */
function straight(source: Raster, { x, y, scale, stretch, flipX, flipY }: PhotoLayer, width: number, height: number): Raster {
  const w = source.width * scale, h = source.height * scale * stretch;
  const placement = { x: flipX ? width - x - w : x, y: flipY ? height - y - h : y, scaleX: scale, scaleY: scale * stretch };
  const raster = resample(source, placement, width, height);
  if (flipX) mirror(raster, 'x');
  if (flipY) mirror(raster, 'y');
  return raster;
}

/** Px of photo drawn beyond what shows, for the filter of the turn to reach into. */
const margin = 3;

/** The part that shows is drawn along the photo's axes first, at the size it has in the end, and then turned. */
function turned(source: Raster, layer: PhotoLayer, width: number, height: number): Raster {
  const { x, y, scale, stretch, turn } = layer, middle = { x: x + (source.width * scale) / 2, y: y + (source.height * scale * stretch) / 2 };
  const c = Math.cos((turn * Math.PI) / 180), s = Math.sin((turn * Math.PI) / 180);
  const corners = [[0, 0], [width, 0], [0, height], [width, height]].map(([cx, cy]) => {
    const dx = cx - middle.x, dy = cy - middle.y;
    return [dx * c + dy * s + middle.x, -dx * s + dy * c + middle.y];
  });
  const left = Math.floor(Math.max(x, Math.min(...corners.map((p) => p[0])))) - margin, top = Math.floor(Math.max(y, Math.min(...corners.map((p) => p[1])))) - margin;
  const right = Math.ceil(Math.min(x + source.width * scale, Math.max(...corners.map((p) => p[0])))) + margin, bottom = Math.ceil(Math.min(y + source.height * scale * stretch, Math.max(...corners.map((p) => p[1])))) + margin;
  const box = { width: Math.max(1, right - left), height: Math.max(1, bottom - top) };
  const along = straight(source, { ...layer, x: x - left, y: y - top }, box.width, box.height);
  return rotate(along, turn, { x: middle.x - left, y: middle.y - top }, middle, width, height);
}

export const photo: LayerKind<PhotoLayer> = {
  kind: 'photo',
  title: 'Photo',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['photo']).required(),
    assetId: string().min(1).required(),
    sourceWidth: number().integer().min(1).required(),
    sourceHeight: number().integer().min(1).required(),
    x: number().required(), y: number().required(), scale: number().positive().required(), stretch: number().positive().required(), turn: number().min(-360).max(360).required(),
    flipX: boolean().required(), flipY: boolean().required(),
    sharpen: lazy((value: unknown) => (typeof value === 'string' ? string().oneOf(['fitting']).required() : number().min(0).max(1).required())),
  }),
  key: ({ assetId, x, y, scale, stretch, turn, flipX, flipY, sharpen: sharp }) => JSON.stringify([assetId, x, y, scale, stretch, turn, flipX, flipY, sharp]),
  draw(layer, context) {
    const source = context.photo(layer.assetId);
    if (!source) return undefined;
    const raster = layer.turn === 0 ? straight(source, layer, context.width, context.height) : turned(source, layer, context.width, context.height);
    sharpen(raster, layer.sharpen === 'fitting' ? fittingSharpness(layer.scale) : layer.sharpen);
    return { type: 'raster', raster, x: 0, y: 0 };
  },
  place: () => ({ x: 0, y: 0 }),
  figure: (layer) => `${Math.round(layer.opacity * 100)}%`,
  name: (layer) => layer.name || 'Photo',
  moved: (layer, dx, dy) => ({ x: layer.x + dx, y: layer.y + dy }),
};
