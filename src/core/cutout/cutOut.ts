import { oklabPlane } from '../colour/oklab';
import type { PhotoMipLevel } from '../frame/photos';
import { nearestMark } from '../raster/nearestMark';
import type { Raster } from '../raster/raster';
import type { CutOut } from '../site/model/photoLayer';
import { strokeMask } from './brush';
import { takeOff } from './edge';
import { awayFromGround, groundOf } from './loop';
import { differences, surroundOf } from './surround';

/**
 * A photo at the size it is cut out at, and how its colours lie; both stay while only the cut-out's
 * settings change.
 */
interface Prepared {
  readonly raster: Raster;
  readonly lab: Float32Array;
}

const prepare = (raster: Raster): Prepared => ({ raster, lab: oklabPlane(raster.data) });

function brush(out: Raster, source: Raster, { strokes }: CutOut, scale: number): void {
  for (const stroke of strokes) {
    const cover = strokeMask(stroke, scale, out.width, out.height);
    if (!cover) {
      continue;
    }
    const { area, data } = cover;
    for (let y = 0, i = 0; y < area.height; y++) {
      for (
        let x = 0, k = ((area.y + y) * out.width + area.x) * 4;
        x < area.width;
        x++, i++, k += 4
      ) {
        const c = data[i];
        if (c <= 0) {
          continue;
        }
        if (stroke.mode === 'away') {
          out.data[k + 3] = Math.round(out.data[k + 3] * (1 - c));
          continue;
        }
        for (let n = 0; n < 4; n++) {
          out.data[k + n] = Math.round(
            out.data[k + n] + (source.data[k + n] - out.data[k + n]) * c,
          );
        }
      }
    }
  }
}

/** Everything but the brush's strokes. */
function withoutSurround({ raster, lab }: Prepared, cutOut: CutOut, scale: number): Raster {
  const out: Raster = { ...raster, data: raster.data.slice() };
  const { width, height } = raster;
  if (cutOut.area) {
    const ground = groundOf(cutOut.area, width, height, scale);
    const nearest = nearestMark(ground, width, height);
    const away = awayFromGround(lab, width, height, ground, nearest);
    takeOff(out, ground, away, cutOut.softness * scale);
  }
  if (cutOut.samples.length > 0) {
    const away = differences(lab, cutOut.samples);
    takeOff(out, surroundOf(away, width, height, cutOut, scale), away, cutOut.softness * scale);
  }
  return out;
}

/** The strokes over it. */
function brushed(base: Raster, { raster }: Prepared, cutOut: CutOut, scale: number): Raster {
  if (cutOut.strokes.length === 0) {
    return base;
  }
  const out: Raster = { ...base, data: base.data.slice() };
  brush(out, raster, cutOut, scale);
  return out;
}

/**
 * A photo without its plain surround: what is near a sample's colour is taken off, its edge
 * cleaned, and then the brush's strokes take away or bring back.
 * @param mipLevel how often the raster is halved; the cut-out's places are px of what it was before
 */
export function cutOutPhoto(raster: Raster, cutOut: CutOut, mipLevel = 0): Raster {
  const prepared = prepare(raster);
  const scale = 2 ** -mipLevel;
  return brushed(withoutSurround(prepared, cutOut, scale), prepared, cutOut, scale);
}

interface Kept {
  readonly photo: PhotoMipLevel;
  readonly prepared: Prepared;
  /** The surround's settings as text, and what they made. */
  readonly surround: string;
  readonly base: Raster;
  readonly settings: string;
  readonly result: Raster;
}

/** Keeps what can be used again from one drawing to the next. `key` names whose cut-out it is. */
export function createCutOuts(): (key: string, photo: PhotoMipLevel, cutOut: CutOut) => Raster {
  const kept = new Map<string, Kept>();
  const most = 8;
  return (key, photo, cutOut) => {
    const before = kept.get(key);
    const { raster, mipLevel: mipLevel } = photo;
    const isSame = before?.photo.raster === raster && before.photo.mipLevel === mipLevel;
    const same = isSame ? before : undefined;
    const settings = JSON.stringify(cutOut);
    if (same?.settings === settings) {
      return same.result;
    }
    const prepared = same?.prepared ?? prepare(raster);
    const scale = 2 ** -mipLevel;
    const surround = JSON.stringify({ ...cutOut, strokes: [] });
    // While the brush goes over it, all else stays as it is.
    const base = same?.surround === surround ? same.base : withoutSurround(prepared, cutOut, scale);
    const result = brushed(base, prepared, cutOut, scale);
    kept.delete(key);
    kept.set(key, { photo, prepared, surround, base, settings, result });
    for (const oldest of kept.keys()) {
      if (kept.size <= most) {
        break;
      }
      kept.delete(oldest);
    }
    return result;
  };
}
