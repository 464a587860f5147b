/*
 * Gaussian blur of a plane of floats, four lines at a time, so that a value of each stands in a
 * vector. Lines stand in a buffer with enough zeros on either side that no place is outside of it.
 */

/** A box of 2·radius + 1 values, and the next ones on either side by the share `end`. */
function boxLine(line: usize, out: usize, n: i32, radius: i32, end: f32, scale: f32): void {
  const ends = f32x4.splat(end);
  const scales = f32x4.splat(scale);
  const ahead = (<usize>radius) << 4;
  const behind = (<usize>radius + 1) << 4;
  let sum = f32x4.splat(0);
  for (let i: usize = 0; i < ahead; i += 16) {
    sum = f32x4.add(sum, v128.load(line + i));
  }
  for (const last = line + ((<usize>n) << 4); line < last; line += 16, out += 16) {
    const goes = v128.load(line - behind);
    const next = v128.load(line + behind);
    sum = f32x4.sub(f32x4.add(sum, v128.load(line + ahead)), goes);
    v128.store(out, f32x4.mul(f32x4.add(sum, f32x4.mul(ends, f32x4.add(goes, next))), scales));
  }
}

/** Values by the weights of a symmetric kernel. @param weights from the middle on, f32 */
function weighLine(line: usize, out: usize, n: i32, radius: i32, weights: usize): void {
  for (const last = line + ((<usize>n) << 4); line < last; line += 16, out += 16) {
    let sum = f32x4.mul(v128.load(line), v128.load32_splat(weights));
    for (let k = 1; k <= radius; k++) {
      const far = (<usize>k) << 4;
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

/**
 * Blurs a plane along its columns, or along its rows.
 * @param width floats of a row, whole fours
 * @param height rows, whole fours
 * @param n values of a line that count; what is beyond is padding
 * @param line room for the longer side and 2·(radius + 1) more, four floats each, all zero
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
  const pad = (<usize>radius + 1) << 4;
  const from = line + pad;
  const to = other + pad;
  const row = (<usize>width) << 2;
  const groups = (along ? height : width) >> 2;
  for (let g = 0; g < groups; g++) {
    const first = along ? data + ((<usize>g) << 2) * row : data + ((<usize>g) << 4);
    let any = i32x4.splat(0);
    for (let i = 0, at = first, into = from; i < n; i++, into += 16) {
      let v: v128;
      if (along) {
        v = f32x4(
          load<f32>(at),
          load<f32>(at + row),
          load<f32>(at + 2 * row),
          load<f32>(at + 3 * row),
        );
        at += 4;
      } else {
        v = v128.load(at);
        at += row;
      }
      any = v128.or(any, v);
      v128.store(into, v);
    }
    if (!v128.any_true(any)) {
      continue;
    }
    const made = blurred(from, to, n, passes, radius, end, scale, weights);
    for (let i = 0, at = first, result = made; i < n; i++, result += 16) {
      const v = v128.load(result);
      if (along) {
        store<f32>(at, f32x4.extract_lane(v, 0));
        store<f32>(at + row, f32x4.extract_lane(v, 1));
        store<f32>(at + 2 * row, f32x4.extract_lane(v, 2));
        store<f32>(at + 3 * row, f32x4.extract_lane(v, 3));
        at += 4;
      } else {
        v128.store(at, v);
        at += row;
      }
    }
  }
}
