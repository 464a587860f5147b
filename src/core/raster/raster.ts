/**
 * Pixels: RGBA, eight bits a channel, straight alpha, sRGB, top row first; `data.length` is `width
 * * height * 4`.
 */
export interface Raster {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray<ArrayBuffer>;
}

/** Coverage alone: one byte a pixel, 0 outside to 255 inside, top row first. */
export interface Mask {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** Whole pixels; `x`, `y` is the upper left corner and may be negative. */
export interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface Rgb {
  readonly r: number;
  readonly g: number;
  readonly b: number;
}

/**
 * A fully see-through raster.
 * @param width px, a whole number of at least 1
 * @param height px, a whole number of at least 1
 * @throws RangeError when a side is not a whole number of at least 1
 */
export function createRaster(width: number, height: number): Raster {
  if (!Number.isInteger(width) || !Number.isInteger(height) || width < 1 || height < 1) {
    throw new RangeError(
      `Expected a raster of whole pixels, at least 1×1, found ${width}×${height}`,
    );
  }
  return { width, height, data: new Uint8ClampedArray(width * height * 4) };
}

/** Pixels that come row by row from the top, as files are decoded. */
export interface Rows {
  readonly width: number;
  readonly height: number;
  /** All of them, where they are there. */
  readonly raster?: Raster;
  /**
   * RGBA of a row, which holds until the next one is asked for.
   * @param y as large as the last time, or larger
   */
  row(y: number): Uint8ClampedArray;
}

/** The rows of a raster that is there: the same memory. */
export function rowsOf(raster: Raster): Rows {
  const { width, height, data } = raster;
  const row = (y: number) => data.subarray(y * width * 4, (y + 1) * width * 4);
  return { width, height, raster, row };
}

/** All rows together; none may have been asked for before. */
export function wholeOf(rows: Rows): Raster {
  if (rows.raster) {
    return rows.raster;
  }
  const out = createRaster(rows.width, rows.height);
  for (let y = 0; y < rows.height; y++) {
    out.data.set(rows.row(y), y * rows.width * 4);
  }
  return out;
}

/**
 * Its pixels as whole numbers, red in the lowest byte, which is how all machines that browsers run
 * on order them; the same memory.
 */
export const wholePixels = ({ data }: Raster): Int32Array =>
  new Int32Array(data.buffer, data.byteOffset, data.length >> 2);

/** Nothing of it is see-through. */
export const isOpaque = (raster: Raster): boolean => {
  const pixels = wholePixels(raster);
  for (let i = 0; i < pixels.length; i++) {
    if (pixels[i] >>> 24 !== 255) {
      return false;
    }
  }
  return true;
};

export const wholeRaster = (raster: { width: number; height: number }): Rect => ({
  x: 0,
  y: 0,
  width: raster.width,
  height: raster.height,
});

export const isEmpty = (rect: Rect): boolean => rect.width <= 0 || rect.height <= 0;

/** The part two rectangles share; its width or height is 0 where they share none. */
export function intersect(a: Rect, b: Rect): Rect {
  const x = Math.max(a.x, b.x);
  const y = Math.max(a.y, b.y);
  return {
    x,
    y,
    width: Math.max(0, Math.min(a.x + a.width, b.x + b.width) - x),
    height: Math.max(0, Math.min(a.y + a.height, b.y + b.height) - y),
  };
}

/** The least rectangle that holds both; an empty one adds nothing. */
export function unite(a: Rect, b: Rect): Rect {
  if (isEmpty(a)) {
    return b;
  }
  if (isEmpty(b)) {
    return a;
  }
  const x = Math.min(a.x, b.x);
  const y = Math.min(a.y, b.y);
  return {
    x,
    y,
    width: Math.max(a.x + a.width, b.x + b.width) - x,
    height: Math.max(a.y + a.height, b.y + b.height) - y,
  };
}

/** Copies `rect` of `source` over the same place of `target`; both have the same size. */
export function copyRect(target: Raster, source: Raster, rect: Rect): void {
  const { x, y, width, height } = intersect(rect, wholeRaster(target));
  if (width === target.width) {
    target.data.set(source.data.subarray(y * width * 4, (y + height) * width * 4), y * width * 4);
    return;
  }
  for (let row = y; row < y + height; row++) {
    const from = (row * target.width + x) * 4;
    target.data.set(source.data.subarray(from, from + width * 4), from);
  }
}

/** `rect` of a raster as a raster of its own; the part outside is see-through. */
export function crop(source: Raster, rect: Rect): Raster {
  const out = createRaster(rect.width, rect.height);
  const inside = intersect(rect, wholeRaster(source));
  for (let row = 0; row < inside.height; row++) {
    const from = ((inside.y + row) * source.width + inside.x) * 4;
    out.data.set(
      source.data.subarray(from, from + inside.width * 4),
      ((inside.y + row - rect.y) * rect.width + inside.x - rect.x) * 4,
    );
  }
  return out;
}
