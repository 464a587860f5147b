import { editLayers, type Edit } from '../site/edit';
import type { CutOut } from '../site/model/photoLayer';

/**
 * Nothing sampled and nothing brushed; the tolerance takes a plain surround with its grain (ours,
 * by looking).
 */
export const plainCutOut: CutOut = {
  samples: [],
  tolerance: 8,
  softness: 0,
  joined: true,
  strokes: [],
  area: null,
};

export const setCutOut = (
  pictureId: string,
  layerId: string,
  change: (cutOut: CutOut) => CutOut,
): Edit =>
  editLayers(pictureId, [layerId], (layer) =>
    layer.kind === 'photo' ? { cutOut: change(layer.cutOut ?? plainCutOut) } : undefined,
  );
