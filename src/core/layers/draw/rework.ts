import { softened } from '../../raster/soften';
import { joined } from '../../seam/makeJoin';
import type { BlurLayer, JoinLayer } from '../../site/model/blendLayers';
import type { Draw } from '../kind';

export const drawJoin: Draw<JoinLayer> = (layer) => ({
  type: 'rework',
  rework: (source) => joined(source, layer),
});

export const drawBlur: Draw<BlurLayer> = ({ radius, wraps }) => ({
  type: 'rework',
  rework: (source) => softened(source, radius, wraps),
});
