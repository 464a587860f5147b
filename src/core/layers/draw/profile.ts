import { colourOf } from '../../colour/parse';
import { areaBelow, profilesOf } from '../../divider/profile';
import { fillPolygon } from '../../raster/polygon';
import type { ProfileLayer } from '../../site/model/blendLayers';
import type { Draw } from '../kind';

export const drawProfile: Draw<ProfileLayer> = (layer, { width, height }) => {
  const slot = { width, height };
  const data = new Uint8Array(width * height);
  const left = new Float32Array(width * height).fill(1);
  for (const { line, opacity } of profilesOf(layer, slot)) {
    const cover = fillPolygon(areaBelow(line, slot), width, height).data;
    for (let i = 0; i < left.length; i++) {
      left[i] *= 1 - cover[i] * opacity;
    }
  }
  for (let i = 0; i < data.length; i++) {
    data[i] = Math.round(255 * (1 - left[i]));
  }
  return {
    type: 'mask',
    mask: { width, height, data },
    colour: colourOf(layer.colour),
    x: 0,
    y: 0,
  };
};
