/** Sums of two pixels beside each other, out of four: the first two of `low`, the others of `high`. */
function besides(low: v128, high: v128): v128 {
  return i16x8.add(v128.shuffle<i64>(low, high, 0, 2), v128.shuffle<i64>(low, high, 1, 3));
}

/** Two means out of four pixels above and four below. */
function twoMeans(above: usize, below: usize): v128 {
  const a = v128.load(above);
  const b = v128.load(below);
  const low = i16x8.add(i16x8.extend_low_i8x16_u(a), i16x8.extend_low_i8x16_u(b));
  const high = i16x8.add(i16x8.extend_high_i8x16_u(a), i16x8.extend_high_i8x16_u(b));
  return i16x8.shr_u(i16x8.add(besides(low, high), i16x8.splat(2)), 2);
}

/**
 * Rows half as wide, each of two: every pixel the mean of four, rounded.
 * @param from RGBA levels, and room for 32 bytes beyond them
 * @param width pixels of a row that is read, 2 at least
 * @param rows how many are written
 * @param out as many pixels a row as are whole halves, and room for 16 bytes beyond them
 */
export function meanOfFour(from: usize, width: i32, rows: i32, out: usize): void {
  const stride = (<usize>width) << 2;
  const half = (<usize>(width >> 1)) << 2;
  for (let y = 0; y < rows; y++, from += 2 * stride, out += half) {
    let above = from;
    for (let x: usize = 0; x < half; x += 16, above += 32) {
      const below = above + stride;
      const first = twoMeans(above, below);
      const second = twoMeans(above + 16, below + 16);
      v128.store(out + x, i8x16.narrow_i16x8_u(first, second));
    }
  }
}
