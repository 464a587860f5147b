/*
 * Gaussian blur of a plane of floats, eight lines at a time, so that a value of each stands in two
 * vectors: sums of two are worked out while those of the others are waited for. Lines stand in a
 * buffer with enough zeros on either side that no place is outside of it.
 */

/** A box of 2·radius + 1 values, and the next ones on either side by the share `end`. */
function boxLine(line: usize, out: usize, n: i32, radius: i32, end: f32, scale: f32): void {
  const ends = f32x4.splat(end);
  const scales = f32x4.splat(scale);
  const ahead = (<usize>radius) << 5;
  const behind = (<usize>radius + 1) << 5;
  let sum0 = f32x4.splat(0);
  let sum1 = f32x4.splat(0);
  for (let i: usize = 0; i < ahead; i += 32) {
    sum0 = f32x4.add(sum0, v128.load(line + i));
    sum1 = f32x4.add(sum1, v128.load(line + i, 16));
  }
  for (const last = line + ((<usize>n) << 5); line < last; line += 32, out += 32) {
    const goes0 = v128.load(line - behind);
    const goes1 = v128.load(line - behind, 16);
    const next0 = v128.load(line + behind);
    const next1 = v128.load(line + behind, 16);
    sum0 = f32x4.add(sum0, f32x4.sub(v128.load(line + ahead), goes0));
    sum1 = f32x4.add(sum1, f32x4.sub(v128.load(line + ahead, 16), goes1));
    const both0 = f32x4.add(sum0, f32x4.mul(ends, f32x4.add(goes0, next0)));
    const both1 = f32x4.add(sum1, f32x4.mul(ends, f32x4.add(goes1, next1)));
    v128.store(out, f32x4.mul(both0, scales));
    v128.store(out, f32x4.mul(both1, scales), 16);
  }
}

/** Values by the weights of a symmetric kernel. @param weights from the middle on, f32 */
function weighLine(line: usize, out: usize, n: i32, radius: i32, weights: usize): void {
  for (const last = line + ((<usize>n) << 5); line < last; line += 16, out += 16) {
    let sum = f32x4.mul(v128.load(line), v128.load32_splat(weights));
    for (let k = 1; k <= radius; k++) {
      const far = (<usize>k) << 5;
      const w = v128.load32_splat(weights + ((<usize>k) << 2));
      const both = f32x4.add(v128.load(line - far), v128.load(line + far));
      sum = f32x4.add(sum, f32x4.mul(w, both));
    }
    v128.store(out, sum);
  }
}

/** Blurs the lines that stand in a buffer; the result stands in the one that is returned. */
function blurred(
  line: usize,
  other: usize,
  n: i32,
  passes: i32,
  radius: i32,
  end: f32,
  scale: f32,
  weights: usize,
): usize {
  if (weights) {
    weighLine(line, other, n, radius, weights);
    return other;
  }
  for (let p = 0; p < passes; p++) {
    boxLine(line, other, n, radius, end, scale);
    const from = line;
    line = other;
    other = from;
  }
  return line;
}

/** Takes a value of each of four rows apart. */
function spread(v: v128, at: usize, row: usize): void {
  store<f32>(at, f32x4.extract_lane(v, 0));
  store<f32>(at + row, f32x4.extract_lane(v, 1));
  store<f32>(at + 2 * row, f32x4.extract_lane(v, 2));
  store<f32>(at + 3 * row, f32x4.extract_lane(v, 3));
}

/** A value of each of four rows. */
function gathered(at: usize, row: usize): v128 {
  return f32x4(
    load<f32>(at),
    load<f32>(at + row),
    load<f32>(at + 2 * row),
    load<f32>(at + 3 * row),
  );
}

/**
 * Blurs a plane along its columns, or along its rows.
 * @param width floats of a row, whole eights
 * @param height rows, whole eights
 * @param n values of a line that count; what is beyond is padding
 * @param line room for the longer side and 2·(radius + 1) more, eight floats each, all zero
 * @param other the same again
 * @param weights 0 for boxes, else radius + 1 floats from the middle on
 */
export function blurPlane(
  data: usize,
  width: i32,
  height: i32,
  n: i32,
  along: bool,
  line: usize,
  other: usize,
  passes: i32,
  radius: i32,
  end: f32,
  scale: f32,
  weights: usize,
): void {
  const pad = (<usize>radius + 1) << 5;
  const from = line + pad;
  const to = other + pad;
  const row = (<usize>width) << 2;
  const groups = (along ? height : width) >> 3;
  const step: usize = along ? 4 : row;
  for (let g = 0; g < groups; g++) {
    const first = along ? data + ((<usize>g) << 3) * row : data + ((<usize>g) << 5);
    let any = i32x4.splat(0);
    for (let i = 0, at = first, into = from; i < n; i++, into += 32, at += step) {
      const v0 = along ? gathered(at, row) : v128.load(at);
      const v1 = along ? gathered(at + 4 * row, row) : v128.load(at, 16);
      any = v128.or(any, v128.or(v0, v1));
      v128.store(into, v0);
      v128.store(into, v1, 16);
    }
    if (!v128.any_true(any)) {
      continue;
    }
    const made = blurred(from, to, n, passes, radius, end, scale, weights);
    for (let i = 0, at = first, result = made; i < n; i++, result += 32, at += step) {
      const v0 = v128.load(result);
      const v1 = v128.load(result, 16);
      if (along) {
        spread(v0, at, row);
        spread(v1, at + 4 * row, row);
      } else {
        v128.store(at, v0);
        v128.store(at, v1, 16);
      }
    }
  }
}
