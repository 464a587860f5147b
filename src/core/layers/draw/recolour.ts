import { colourOf } from '../../colour/parse';
import { hueMap } from '../../recolour/hue';
import { toneMap } from '../../recolour/tone';
import { twoToneMap } from '../../recolour/twoTone';
import type { HueLayer, ToneLayer, TwoToneLayer } from '../../site/model/colourLayers';
import type { Draw } from '../kind';

export const drawTone: Draw<ToneLayer> = (layer) => ({ type: 'adjust', map: toneMap(layer) });

export const drawTwoTone: Draw<TwoToneLayer> = (layer) => ({
  type: 'adjust',
  map: twoToneMap(colourOf(layer.dark), colourOf(layer.light)),
});

export const drawHue: Draw<HueLayer> = (layer) => ({
  type: 'adjust',
  map: hueMap(colourOf(layer.colour)),
});
