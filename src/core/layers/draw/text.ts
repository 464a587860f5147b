import { colourOf } from '../../colour/parse';
import type { TextLayer } from '../../site/model/objectLayers';
import { hasEmoji } from '../../text/glyphs';
import type { Draw } from '../kind';
import { specOf } from '../text';

export const drawText: Draw<TextLayer> = (layer, { glyphs }) => {
  if (!glyphs.has(layer.font)) {
    return undefined;
  }
  const colour = colourOf(layer.colour);
  return hasEmoji(layer.words)
    ? { type: 'raster', ...glyphs.pixels(specOf(layer), colour) }
    : { type: 'mask', ...glyphs.cover(specOf(layer)), colour };
};
