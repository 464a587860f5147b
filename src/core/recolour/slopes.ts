import { wholePixels, type Raster } from '../raster/raster';

/** Neighbours that differ by no more than this in any channel are one slope, levels. */
const slopeStep = 3;

/** Px of one row of a strip that differ by no more than this are even, levels. */
const evenStep = 2;

const apart = (a: number, b: number): number =>
  Math.max(
    Math.abs((a & 255) - (b & 255)),
    Math.abs(((a >>> 8) & 255) - ((b >>> 8) & 255)),
    Math.abs(((a >>> 16) & 255) - ((b >>> 16) & 255)),
  );

/** Nothing can be seen of a px. */
const isHidden = (px: number): boolean => px >>> 24 === 0;

/**
 * A raster that is one slope: each row is even and goes over into the next without a step, or each
 * column. A gradient strip is one, and a plane too.
 */
export const isOneSlope = (raster: Raster): boolean => slopeOf(raster) !== undefined;

/** Down its rows, or along its columns; a plane is both. */
function slopeOf(raster: Raster): 'down' | 'across' | undefined {
  const { width, height } = raster;
  const px = wholePixels(raster);
  const along = (count: number, length: number, by: number, across: number): boolean => {
    for (let line = 0; line < count; line++) {
      const first = px[line * by];
      for (let i = 1; i < length; i++) {
        if (apart(px[line * by + i * across], first) > evenStep) {
          return false;
        }
      }
      if (line > 0 && apart(px[(line - 1) * by], first) > 2 * slopeStep) {
        return false;
      }
    }
    return true;
  };
  if (along(height, width, width, 1)) {
    return 'down';
  }
  return along(width, height, 1, width) ? 'across' : undefined;
}

/** Lines on either side that a line of a slope is made even with, one try after the other. */
const reaches = [1, 2, 4, 8, 16];

/**
 * Makes a slope that was changed even again: changes that stretch its levels, and round them more
 * than once, leave steps that were not there. Each line becomes the mean of those around it, as few
 * as do, until no step is larger than one more than before. What is no slope stays as it is.
 * @param before the slope as it was
 * @param after the same changed; its alpha stays
 */
export function evenSlope(before: Raster, after: Raster): void {
  const slope = slopeOf(before);
  if (!slope) {
    return;
  }
  const { width, height } = before;
  const [lines, length, by, across] =
    slope === 'down' ? [height, width, width, 1] : [width, height, 1, width];
  const first = (data: Raster['data'], line: number, c: number) => data[line * by * 4 + c];
  const largest = (data: Raster['data']): number => {
    let most = 0;
    for (let line = 1; line < lines; line++) {
      for (let c = 0; c < 3; c++) {
        most = Math.max(most, Math.abs(first(data, line, c) - first(data, line - 1, c)));
      }
    }
    return most;
  };
  const wanted = largest(before.data) + 1;
  const made = after.data.slice();
  for (const reach of reaches) {
    if (largest(after.data) <= wanted) {
      return;
    }
    for (let line = 0; line < lines; line++) {
      // As many on one side as on the other, so that the ends stay what they are.
      const near = Math.min(reach, line, lines - 1 - line);
      for (let c = 0; c < 3; c++) {
        let sum = 0;
        for (let l = line - near; l <= line + near; l++) {
          sum += first(made, l, c);
        }
        const level = Math.floor(sum / (2 * near + 1) + 0.5);
        for (let i = 0; i < length; i++) {
          after.data[(line * by + i * across) * 4 + c] = level;
        }
      }
    }
  }
}

/**
 * Shares by which px follow a change of colours, raised where a slope would be torn: from one px to
 * the next of a slope the share falls no faster than makes one level of the change; a raster that
 * is one slope follows as one. Only px that nothing of is seen of stay out of it.
 * @param before the colours that shares are of
 * @param shares one for each px, 0..1; changed in place
 * @param change the most that any channel is changed by, levels
 */
export function keepSlopes(before: Raster, shares: Float32Array, change: number): void {
  let least = 1;
  let most = 0;
  for (const share of shares) {
    least = Math.min(least, share);
    most = Math.max(most, share);
  }
  if (most - least < 1e-3 || change < 1) {
    return;
  }
  if (isOneSlope(before)) {
    shares.fill(most);
    return;
  }
  const { width, height } = before;
  const px = wholePixels(before);
  const fall = 1 / change;
  const raise = (to: number, from: number): boolean => {
    const share = shares[from] - fall;
    if (
      share <= shares[to] ||
      isHidden(px[from]) ||
      isHidden(px[to]) ||
      apart(px[from], px[to]) > slopeStep
    ) {
      return false;
    }
    shares[to] = share;
    return true;
  };
  // Down and to the right, then back; again for as long as something is raised round a corner.
  for (let turns = 0, raised = true; raised && turns < 6; turns++) {
    raised = false;
    for (let y = 0, i = 0; y < height; y++) {
      for (let x = 0; x < width; x++, i++) {
        raised = (x > 0 && raise(i, i - 1)) || raised;
        raised = (y > 0 && raise(i, i - width)) || raised;
      }
    }
    for (let y = height - 1, i = width * height - 1; y >= 0; y--) {
      for (let x = width - 1; x >= 0; x--, i--) {
        raised = (x < width - 1 && raise(i, i + 1)) || raised;
        raised = (y < height - 1 && raise(i, i + width)) || raised;
      }
    }
  }
}
