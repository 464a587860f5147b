import { number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import type { Corner, FadeCurve, FadeLayer } from '../site/model/blendLayers';
import type { Hex } from '../site/model/hex';
import type { Side } from '../site/model/slot';
import { baseDefaults, baseFields } from './base';
import type { DefinitionOf } from './kind';

const noSides: Readonly<Record<Side, number>> = { top: 0, right: 0, bottom: 0, left: 0 };
const noCorners: Readonly<Record<Corner, number>> = {
  topLeft: 0,
  topRight: 0,
  bottomRight: 0,
  bottomLeft: 0,
};

export const newFade = (
  id: string,
  into: Hex | null,
  sides: Partial<Record<Side, number>>,
): FadeLayer => ({
  ...baseDefaults(id),
  kind: 'fade',
  sides: { ...noSides, ...sides },
  corners: noCorners,
  curve: 'smooth',
  into,
});

/** How much of the picture is left at a share of the way inwards: 0 at the edge, 1 at the end. */
export const fadeCurves: Readonly<Record<FadeCurve, (t: number) => number>> = {
  linear: (t) => t,
  smooth: (t) => t * t * (3 - 2 * t),
  late: (t) => t * t * t,
  early: (t) => 1 - (1 - t) ** 3,
};

const times = <K extends string>(
  lengths: Readonly<Record<K, number>>,
  k: number,
): Record<K, number> =>
  Object.fromEntries(Object.entries<number>(lengths).map(([key, v]) => [key, v * k])) as Record<
    K,
    number
  >;

const px = () => number().min(0).max(4000).required();

export const fade: DefinitionOf<FadeLayer> = {
  kind: 'fade',
  role: 'change',
  title: 'Edge fade',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['fade']).required(),
    sides: object({ top: px(), right: px(), bottom: px(), left: px() }).required(),
    corners: object({
      topLeft: px(),
      topRight: px(),
      bottomRight: px(),
      bottomLeft: px(),
    }).required(),
    curve: string().oneOf(Object.keys(fadeCurves)).required(),
    into: hexField().nullable().defined(),
  }),
  key: ({ sides, corners, curve, into }) => JSON.stringify([sides, corners, curve, into]),
  place: () => ({ x: 0, y: 0 }),
  scaled: ({ sides, corners }, k) => ({ sides: times(sides, k), corners: times(corners, k) }),
  figure: ({ sides, corners }) =>
    `${Math.max(...Object.values(sides), ...Object.values(corners))} px`,
  name: (layer) => layer.name || 'Edge fade',
};
