import type { Layer, LayerKindName } from '../../site/model/layer';
import type { Draw, RoughDraw } from '../kind';
import { drawFade } from './fade';
import { drawFill } from './fill';
import { drawPhoto, drawPhotoRoughly } from './photo';
import { drawProfile } from './profile';
import { drawRecipe } from './recipe';
import { drawHue, drawTone, drawTwoTone } from './recolour';
import { drawBlur, drawJoin } from './rework';
import { drawShape } from './shape';
import { drawText } from './text';
import { drawTextureLayer } from './texture';

const draws: { readonly [K in LayerKindName]: Draw<Extract<Layer, { kind: K }>> } = {
  photo: drawPhoto,
  fill: drawFill,
  tone: drawTone,
  twotone: drawTwoTone,
  hue: drawHue,
  texture: drawTextureLayer,
  text: drawText,
  shape: drawShape,
  fade: drawFade,
  join: drawJoin,
  blur: drawBlur,
  profile: drawProfile,
  recipe: drawRecipe,
};

/** How a layer is drawn; safe because its `kind` picks the way written for it. */
export const drawOf = (layer: Layer): Draw => draws[layer.kind] as unknown as Draw;

const roughDraws: { readonly [K in LayerKindName]?: RoughDraw<Extract<Layer, { kind: K }>> } = {
  photo: drawPhotoRoughly,
};

/** How a layer is drawn while it is in hand, for kinds that can take long. */
export const roughDrawOf = (layer: Layer): RoughDraw | undefined =>
  roughDraws[layer.kind] as RoughDraw | undefined;
