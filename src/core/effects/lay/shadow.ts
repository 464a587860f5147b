import { colourOf } from '../../colour/parse';
import { blur } from '../../raster/blur';
import { shiftCover } from '../../raster/cover';
import { signedDistance } from '../../raster/distance';
import type { ShadowEffect } from '../../site/model/effects';
import { coverWithin, layUnder } from '../group';
import type { Lay } from '../kind';
import { sigmaOf } from '../shadow';

export const layShadow: Lay<ShadowEffect> = (group, _body, effect, seenNow) => {
  const seen = seenNow();
  const grown =
    effect.spread === 0
      ? seen
      : coverWithin(signedDistance(seen, Math.abs(effect.spread) + 1), effect.spread);
  layUnder(
    group,
    colourOf(effect.colour),
    shiftCover(blur(grown, sigmaOf(effect)), effect.x, effect.y),
    effect.opacity,
  );
};
