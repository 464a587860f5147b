import { number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import { colourOf } from '../colour/parse';
import { areaBelow, profileNames, profilesOf } from '../divider/profile';
import { fillPolygon } from '../raster/polygon';
import type { ProfileLayer, ProfileName } from '../site/model/blendLayers';
import type { Hex } from '../site/model/hex';
import { baseDefaults, baseFields } from './base';
import type { DefinitionOf } from './kind';

export const newProfile = (
  id: string,
  profile: ProfileName,
  colour: Hex,
  width: number,
): ProfileLayer => ({
  ...baseDefaults(id),
  kind: 'profile',
  profile,
  colour,
  seed: 1,
  count: Math.max(1, Math.round(width / 240)),
  rise: 0.7,
  depths: 1,
});

export const profile: DefinitionOf<ProfileLayer> = {
  kind: 'profile',
  role: 'paint',
  title: 'Profile',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['profile']).required(),
    profile: string().oneOf(profileNames).required(),
    colour: hexField(),
    seed: number().integer().min(0).required(),
    count: number().integer().min(1).max(400).required(),
    rise: number().min(0).max(1).required(),
    depths: number().integer().min(1).max(3).required(),
  }),
  key: (layer) =>
    JSON.stringify([
      layer.profile,
      layer.colour,
      layer.seed,
      layer.count,
      layer.rise,
      layer.depths,
    ]),
  draw(layer, { width, height }) {
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
  },
  place: () => ({ x: 0, y: 0 }),
  figure: ({ count, depths }) => (depths > 1 ? `${count} × ${depths} deep` : `${count}`),
  name: (layer) => layer.name || `${layer.profile[0].toUpperCase()}${layer.profile.slice(1)}`,
};
