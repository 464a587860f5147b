import type { Raster } from '../raster/raster';
import { integral, interestOf } from './interest';
import { coverScale, type Framing, type Size } from './placement';

export interface Suggestion extends Framing {
  /**
   * How much there is to see inside, against the picture's mean; above 1 is more than everywhere.
   */
  readonly score: number;
}

/** How many parts are suggested. */
const most = 3;

/** Sizes of a part, against the largest that fits; smaller ones must show clearly more. */
const sizes = [1, 0.82, 0.66] as const;

interface Candidate {
  x: number;
  y: number;
  width: number;
  height: number;
  score: number;
}

const overlap = (a: Candidate, b: Candidate): number => {
  const w = Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x));
  const h = Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));
  return (w * h) / (a.width * a.height + b.width * b.height - w * h);
};

/**
 * The best parts of a photo for a frame's shape, by where detail and contrast lie: much inside,
 * little cut by its edges, and not the same part twice. Parts that would leave fewer photo px than
 * frame px are taken only where no others are.
 * @param photo may be halved
 * @param frame px of the slot
 * @param photoSize of the photo, px
 */
export function suggestFrames(photo: Raster, frame: Size, photoSize: Size = photo): Suggestion[] {
  const { width, height, k: ofRaster, values } = interestOf(photo);
  /** Px of the looked-at picture for each of the photo. */
  const k = (ofRaster * photo.width) / photoSize.width;
  const sum = integral(values, width, height);
  const mean = sum(0, 0, width, height) / (width * height) || 1;
  const cover = coverScale({ width, height }, frame);
  const candidates: Candidate[] = [];
  for (const size of sizes) {
    // Px of the looked-at picture that the frame covers.
    const w = Math.min(width, Math.max(2, Math.round((frame.width / cover) * size)));
    const h = Math.min(height, Math.max(2, Math.round((frame.height / cover) * size)));
    const soft = w / k < frame.width * 0.98 && size < 1;
    const stepX = Math.max(1, Math.round((width - w) / 24));
    const stepY = Math.max(1, Math.round((height - h) / 24));
    if (soft) {
      continue;
    }
    for (let y = 0; y <= height - h; y += stepY) {
      for (let x = 0; x <= width - w; x += stepX) {
        const inside = sum(x, y, x + w, y + h) / (w * h);
        const rim = Math.max(1, Math.round(Math.min(w, h) * 0.06));
        const core = sum(x + rim, y + rim, x + w - rim, y + h - rim);
        const edge =
          (sum(x, y, x + w, y + h) - core) / Math.max(1, w * h - (w - 2 * rim) * (h - 2 * rim));
        candidates.push({
          x,
          y,
          width: w,
          height: h,
          score: (inside - 0.35 * edge) / mean + 0.12 * size,
        });
      }
    }
  }
  candidates.sort((a, b) => b.score - a.score);
  const chosen: Candidate[] = [];
  for (const limit of [0.5, 0.8]) {
    for (const c of candidates) {
      if (chosen.length === most) {
        break;
      }
      if (chosen.every((o) => overlap(o, c) < limit)) {
        chosen.push(c);
      }
    }
  }
  return chosen.map(({ x, y, width: w, score }) => {
    const scale = Math.max(frame.width / (w / k), coverScale(photoSize, frame));
    const framing = { scale, x: -(x / k) * scale, y: -(y / k) * scale };
    return {
      scale,
      score,
      x: Math.min(0, Math.max(frame.width - photoSize.width * scale, framing.x)),
      y: Math.min(0, Math.max(frame.height - photoSize.height * scale, framing.y)),
    };
  });
}
