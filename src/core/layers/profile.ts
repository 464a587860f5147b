import { array, number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import { mostPoints } from '../divider/ownLine';
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
  // A line of one's own is as wide as it was drawn.
  count: profile === 'own' ? 1 : Math.max(1, Math.round(width / 240)),
  rise: profile === 'own' ? 1 : 0.7,
  depths: 1,
  points: [],
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
    points: array()
      .of(
        object({ at: number().min(0).max(1).required(), level: number().min(0).max(1).required() }),
      )
      .max(mostPoints)
      .test('in-order', 'Expected the points of a line in order, no two at one place', (points) =>
        points!.every((p, i) => i === 0 || p.at > points![i - 1].at),
      )
      .defined(),
  }),
  key: (layer) =>
    JSON.stringify([
      layer.profile,
      layer.colour,
      layer.seed,
      layer.count,
      layer.rise,
      layer.depths,
      layer.points,
    ]),
  place: () => ({ x: 0, y: 0 }),
  figure: ({ count, depths }) => (depths > 1 ? `${count} × ${depths} deep` : `${count}`),
  name: (layer) =>
    layer.name ||
    (layer.profile === 'own' ? 'Own line' : '') ||
    `${layer.profile[0].toUpperCase()}${layer.profile.slice(1)}`,
};
