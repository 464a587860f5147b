import { number, object, string } from 'yup';
import { resample } from '../frame/resample';
import { fillFrame, type Size } from '../frame/placement';
import type { PhotoLayer, ShelfItem } from '../site/model';
import { baseDefaults, baseFields } from './base';
import type { LayerKind } from './kind';

export const photoSize = (layer: PhotoLayer): Size => ({ width: layer.sourceWidth, height: layer.sourceHeight });

/** A photograph that fills the slot from its middle. */
export const newPhoto = (id: string, item: ShelfItem, slot: Size): PhotoLayer => ({
  ...baseDefaults(id), kind: 'photo', name: item.name, assetId: item.assetId,
  sourceWidth: item.width, sourceHeight: item.height, ...fillFrame(item, slot),
});

export const photo: LayerKind<PhotoLayer> = {
  kind: 'photo',
  title: 'Photo',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['photo']).required(),
    assetId: string().min(1).required(),
    sourceWidth: number().integer().min(1).required(),
    sourceHeight: number().integer().min(1).required(),
    x: number().required(), y: number().required(), scale: number().positive().required(),
  }),
  key: (layer) => `${layer.assetId} ${layer.x} ${layer.y} ${layer.scale}`,
  draw(layer, context) {
    const source = context.photo(layer.assetId);
    if (!source) return undefined;
    const placement = { x: layer.x, y: layer.y, scaleX: layer.scale, scaleY: layer.scale };
    return { type: 'raster', raster: resample(source, placement, context.width, context.height), x: 0, y: 0 };
  },
  place: () => ({ x: 0, y: 0 }),
  figure: (layer) => `${Math.round(layer.opacity * 100)}%`,
  name: (layer) => layer.name || 'Photo',
  moved: (layer, dx, dy) => ({ x: layer.x + dx, y: layer.y + dy }),
};
