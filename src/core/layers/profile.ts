import { number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import { profileNames } from '../divider/profileNames';
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
  place: () => ({ x: 0, y: 0 }),
  figure: ({ count, depths }) => (depths > 1 ? `${count} × ${depths} deep` : `${count}`),
  name: (layer) => layer.name || `${layer.profile[0].toUpperCase()}${layer.profile.slice(1)}`,
};
