import type { Size } from '../frame/placement';
import { createRaster, type Raster } from '../raster/raster';
import type { Side } from '../site/model/slot';

/** Px of a picture and the share of each that falls into a range of it. */
function sharesOf(from: number, to: number, px: number): { at: number; share: number }[] {
  const shares: { at: number; share: number }[] = [];
  for (let at = Math.floor(from); at < Math.min(px, Math.ceil(to)); at++) {
    shares.push({ at, share: Math.min(at + 1, to) - Math.max(at, from) });
  }
  return shares;
}

/**
 * The outermost px of a side as the picture is shown at another size: of each the mean of the area
 * of the picture that falls into it, in gamma-encoded sRGB and weighed by alpha, as browsers scale.
 * How exactly they filter is theirs; with the grain of photographs it comes to the same within three levels.
 * @param shown px that it is shown at
 * @returns one row or one column of px
 */
export function scaledEdge(raster: Raster, side: Side, shown: Size): Raster {
  const level = side === 'top' || side === 'bottom';
  const kx = raster.width / shown.width;
  const ky = raster.height / shown.height;
  const across = {
    top: sharesOf(0, ky, raster.height),
    bottom: sharesOf(raster.height - ky, raster.height, raster.height),
    left: sharesOf(0, kx, raster.width),
    right: sharesOf(raster.width - kx, raster.width, raster.width),
  }[side];
  const length = level ? shown.width : shown.height;
  const [k, px] = level ? [kx, raster.width] : [ky, raster.height];
  const out = createRaster(level ? length : 1, level ? 1 : length);
  for (let i = 0; i < length; i++) {
    const sum = [0, 0, 0, 0];
    let all = 0;
    for (const along of sharesOf(i * k, (i + 1) * k, px)) {
      for (const deep of across) {
        const p =
          (level ? deep.at * raster.width + along.at : along.at * raster.width + deep.at) * 4;
        const share = along.share * deep.share;
        const alpha = raster.data[p + 3] * share;
        sum[0] += raster.data[p] * alpha;
        sum[1] += raster.data[p + 1] * alpha;
        sum[2] += raster.data[p + 2] * alpha;
        sum[3] += alpha;
        all += share;
      }
    }
    out.data.set(
      sum[3] === 0
        ? [0, 0, 0, 0]
        : [sum[0] / sum[3], sum[1] / sum[3], sum[2] / sum[3], sum[3] / all],
      i * 4,
    );
  }
  return out;
}
