/** Coverage with fractions, 0 outside to 1 inside; `width * height` values, top row first. */
export interface AlphaMask {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

export const createAlphaMask = (width: number, height: number): AlphaMask => ({
  width,
  height,
  data: new Float32Array(width * height),
});

/**
 * A cover moved by whole px within a frame of the same size; what comes in from outside is 0.
 * @param dx px to the right @param dy px downwards
 */
export function shiftAlphaMask(
  { width, height, data }: AlphaMask,
  dx: number,
  dy: number,
): AlphaMask {
  const out = createAlphaMask(width, height);
  const from = Math.max(0, -dx);
  const to = Math.min(width, width - dx);
  for (let y = Math.max(0, dy); y < Math.min(height, height + dy); y++) {
    if (to > from) {
      out.data.set(
        data.subarray((y - dy) * width + from, (y - dy) * width + to),
        y * width + from + dx,
      );
    }
  }
  return out;
}
