import { oklabPlane } from '../colour/oklab';
import type { Raster } from '../raster/raster';
import { softened } from '../raster/soften';
import { integral, interestOf, type Interest } from './interest';
import { centred, coverScale, type Framing, type Size } from './placement';

/*
 * Which part of a photo a slot shows at first: as much of it as fits, moved along the side that is
 * too long, so that what matters lies inside and whole, with calm room for words where there is
 * some.
 */

/** Detail below so many times the mean is ground and not a thing. */
const ground = 1.2;
/** How much detail counts against colours that stand off their surround. */
const detailShare = 0.25;
/** Distance in OKLab from which a colour stands off what surrounds it. */
const apart = 0.06;
/** How much more skin counts than other things: people are looked at first. */
const skinWeight = 1.5;
/** Px of the small picture that colours are evened out over, so that grain is no thing. */
const even = 3;
/** Px of the small picture on both sides of a cut that tell whether it goes through a thing. */
const band = 3;
/** Shapes wide enough for words beside a thing. */
const wide = 1.6;

/** What cuts, calm and distance from the middle count against what is kept (ours, by looking). */
const weights = { cut: 0.25, calm: 0.15, away: 0.05 } as const;

/** Colours of skin in YCbCr (D. Chai and K. N. Ngan, IEEE CSVT 9(4), 1999; from memory). */
function isSkin(r: number, g: number, b: number): boolean {
  const cb = 128 - 0.168736 * r - 0.331264 * g + 0.5 * b;
  const cr = 128 + 0.5 * r - 0.418688 * g - 0.081312 * b;
  return cb >= 77 && cb <= 127 && cr >= 133 && cr <= 173;
}

/**
 * How far each px stands off all four borders of the picture, each met straight on, as what lies
 * around a thing mostly reaches them (after the boundary prior of Y. Wei and others, ECCV 2012; from
 * memory): distances in OKLab, 0 for what goes on to a border.
 */
function standingOff({ small, width, height }: Interest): Float64Array {
  const labs = oklabPlane(softened(small, even, 'none').data);
  const off = new Float64Array(width * height);
  const squared = (p: number, q: number): number => {
    const l = labs[p * 3] - labs[q * 3];
    const a = labs[p * 3 + 1] - labs[q * 3 + 1];
    const b = labs[p * 3 + 2] - labs[q * 3 + 2];
    return l * l + a * a + b * b;
  };
  const last = (height - 1) * width;
  for (let row = 0; row <= last; row += width) {
    for (let x = 0; x < width; x++) {
      const p = row + x;
      const least = Math.min(
        squared(p, row),
        squared(p, row + width - 1),
        squared(p, x),
        squared(p, last + x),
      );
      off[p] = Math.max(0, Math.sqrt(least) - apart);
    }
  }
  return off;
}

/** How much each px of the small picture matters; 0 for ground. */
function mattering(interest: Interest): Float64Array {
  const { values, small } = interest;
  const { data } = small;
  let mean = 0;
  for (let p = 0; p < values.length; p++) {
    mean += values[p] / values.length;
  }
  const matters = standingOff(interest);
  for (let p = 0, i = 0; p < matters.length; p++, i += 4) {
    const thing = matters[p] * (isSkin(data[i], data[i + 1], data[i + 2]) ? skinWeight : 1);
    matters[p] = thing + detailShare * Math.max(0, values[p] - ground * mean);
  }
  return matters;
}

/**
 * The part of a photo that a slot shows at first.
 * @param photo may be halved
 * @param frame px of the slot
 * @param size of the photo, px
 * @returns a framing that fills it with as much of the photo as fits
 */
export function firstFrame(photo: Raster, frame: Size, size: Size = photo): Framing {
  const interest = interestOf(photo);
  const { width, height, values } = interest;
  const matters = mattering(interest);
  const sum = integral(matters, width, height);
  const detail = integral(values, width, height);
  const cover = coverScale({ width, height }, frame);
  const w = Math.min(width, Math.max(1, Math.round(frame.width / cover)));
  const h = Math.min(height, Math.max(1, Math.round(frame.height / cover)));
  const total = sum(0, 0, width, height) || 1;
  const mean = total / (width * height);
  const along = w < width ? 'x' : 'y';
  const range = along === 'x' ? width - w : height - h;

  /** How far a side of the frame goes through things, against how much there is of them. */
  const cutAt = (at: number): number => {
    const length = along === 'x' ? width : height;
    if (at <= 0 || at >= length) {
      return 0;
    }
    let through = 0;
    const across = along === 'x' ? height : width;
    const before = Math.min(band, at);
    const behind = Math.min(band, length - at);
    for (let i = 0; i < across; i++) {
      const [inside, outside] =
        along === 'x'
          ? [sum(at - before, i, at, i + 1), sum(at, i, at + behind, i + 1)]
          : [sum(i, at - before, i + 1, at), sum(i, at, i + 1, at + behind)];
      through += Math.min(inside / before, outside / behind);
    }
    return through / (across * mean);
  };

  /** How much calmer than the whole the calmest third of the frame is, 0..1. */
  const calmOf = (x: number, y: number): number => {
    if (frame.width / frame.height < wide) {
      return 0;
    }
    const third = Math.max(1, Math.floor(w / 3));
    const least = Math.min(
      ...[0, (w - third) >> 1, w - third].map((left) =>
        detail(x + left, y, x + left + third, y + h),
      ),
    );
    const all = detail(x, y, x + w, y + h) || 1;
    return Math.max(0, 1 - (least * w) / (third * all));
  };

  const scoreOf = (offset: number): number => {
    const [x, y] = along === 'x' ? [offset, 0] : [0, offset];
    const length = along === 'x' ? w : h;
    const kept = sum(x, y, x + w, y + h) / total;
    const cut = cutAt(offset) + cutAt(offset + length);
    const away = range === 0 ? 0 : Math.abs(offset / range - 0.5);
    return kept - weights.cut * cut + weights.calm * calmOf(x, y) - weights.away * away;
  };

  const middle = Math.round(range / 2);
  let best = middle;
  let most = scoreOf(middle);
  for (let offset = 0; offset <= range; offset++) {
    const score = scoreOf(offset);
    if (score > most + 1e-9) {
      most = score;
      best = offset;
    }
  }
  const framing = centred(coverScale(size, frame), size, frame);
  if (range === 0) {
    return framing;
  }
  const share = best / range;
  return along === 'x'
    ? { ...framing, x: (frame.width - size.width * framing.scale) * share }
    : { ...framing, y: (frame.height - size.height * framing.scale) * share };
}
