import { colourOf } from '../../colour/parse';
import { blur } from '../../raster/blur';
import { shiftAlphaMask } from '../../raster/alphaMask';
import { signedDistance } from '../../raster/distance';
import type { ShadowEffect } from '../../site/model/effects';
import { alphaMaskWithin, compositeUnder } from '../effectShape';
import type { ApplyEffect } from '../kind';
import { sigmaOf } from '../shadow';

export const applyShadow: ApplyEffect<ShadowEffect> = (group, _body, effect, seenNow) => {
  const seen = seenNow();
  const grown =
    effect.spread === 0
      ? seen
      : alphaMaskWithin(signedDistance(seen, Math.abs(effect.spread) + 1), effect.spread);
  compositeUnder(
    group,
    colourOf(effect.colour),
    shiftAlphaMask(blur(grown, sigmaOf(effect)), effect.x, effect.y),
    effect.opacity,
  );
};
