import { colourOf } from '../../colour/parse';
import type { TextureLayer } from '../../site/model/colourLayers';
import { drawTexture } from '../../texture/textures';
import type { Draw } from '../kind';

export const drawTextureLayer: Draw<TextureLayer> = (layer, { width, height }) => ({
  type: 'mask',
  mask: drawTexture(layer, width, height),
  colour: colourOf(layer.colour),
  x: 0,
  y: 0,
});
