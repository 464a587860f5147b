/*
 * Resampling in linear light, a pixel as four floats: red, green and blue premultiplied, and alpha.
 */

/**
 * Reads pixels of a row as linear light.
 * @param row RGBA levels
 * @param linear 256 floats, the linear light of each level
 * @param line four floats a pixel
 */
function readRow(row: usize, pixels: i32, linear: usize, line: usize): void {
  for (let i = 0; i < pixels; i++, row += 4, line += 16) {
    const px = load<u32>(row);
    const a = <f32>(px >>> 24) / <f32>255;
    const r = load<f32>(linear + ((px & 255) << 2));
    const g = load<f32>(linear + (((px >>> 8) & 255) << 2));
    const b = load<f32>(linear + (((px >>> 16) & 255) << 2));
    v128.store(line, f32x4.mul(f32x4(r, g, b, 1), f32x4.splat(a)));
  }
}

/**
 * One row filtered along itself.
 * @param row RGBA levels, from the first pixel that is read on
 * @param line room for four floats a pixel that is read
 * @param starts of each output pixel the place of the first pixel it reads, i32
 * @param weights `taps` floats for each output pixel
 * @param out four floats for each output pixel
 */
export function filterRow(
  row: usize,
  pixels: i32,
  linear: usize,
  line: usize,
  starts: usize,
  weights: usize,
  taps: i32,
  count: i32,
  out: usize,
): void {
  readRow(row, pixels, linear, line);
  for (let i = 0; i < count; i++, out += 16, starts += 4) {
    let at = line + ((<usize>load<i32>(starts)) << 4);
    let sum = f32x4.splat(0);
    for (const end = weights + ((<usize>taps) << 2); weights < end; weights += 4, at += 16) {
      sum = f32x4.add(sum, f32x4.mul(v128.load(at), v128.load32_splat(weights)));
    }
    v128.store(out, sum);
  }
}

/** The level of each of four linear values. @param levels 65536 bytes, of 0..1 in equal steps */
function levelsOf(linear: v128, levels: usize): u32 {
  const held = f32x4.pmin(f32x4.splat(1), f32x4.pmax(f32x4.splat(0), linear));
  const at = i32x4.trunc_sat_f32x4_s(
    f32x4.add(f32x4.mul(held, f32x4.splat(65535)), f32x4.splat(0.5)),
  );
  return (
    (<u32>load<u8>(levels + i32x4.extract_lane(at, 0))) |
    ((<u32>load<u8>(levels + i32x4.extract_lane(at, 1))) << 8) |
    ((<u32>load<u8>(levels + i32x4.extract_lane(at, 2))) << 16)
  );
}

/**
 * One output row: filtered rows by their weights, as levels.
 * @param rows addresses of the filtered rows, usize
 * @param weights a float for each of the rows
 * @param levels the level of each of 65536 steps of linear light
 * @param out RGBA levels
 */
export function mixRows(
  rows: usize,
  weights: usize,
  taps: i32,
  count: i32,
  levels: usize,
  out: usize,
): void {
  for (let i = 0; i < count; i++, out += 4) {
    const k = (<usize>i) << 4;
    let sum = f32x4.splat(0);
    for (let t = 0; t < taps; t++) {
      const at = load<usize>(rows + ((<usize>t) << 2)) + k;
      sum = f32x4.add(
        sum,
        f32x4.mul(v128.load(at), v128.load32_splat(weights + ((<usize>t) << 2))),
      );
    }
    const a = f32x4.extract_lane(sum, 3);
    if (a < <f32>1 / <f32>510) {
      store<u32>(out, 0);
      continue;
    }
    const straight = f32x4.div(sum, f32x4.splat(a));
    const alpha = <u32>min<i32>(255, <i32>floor<f32>(a * 255 + 0.5));
    store<u32>(out, levelsOf(straight, levels) | (alpha << 24));
  }
}
