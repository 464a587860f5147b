/*
 * What the measure of likeness does for each px. Quads are four floats a px; a plane has one float a
 * px, and rows of whole fours.
 */

/** Light of levels over a ground. @param table light of each of the 256 levels, f32 */
export function lightOfLevels(
  levels: usize,
  pixels: i32,
  table: usize,
  red: f32,
  green: f32,
  blue: f32,
  out: usize,
): void {
  const ground = f32x4(red, green, blue, 0);
  for (const end = levels + ((<usize>pixels) << 2); levels < end; levels += 4, out += 16) {
    const light = f32x4(
      load<f32>(table + ((<usize>load<u8>(levels)) << 2)),
      load<f32>(table + ((<usize>load<u8>(levels, 1)) << 2)),
      load<f32>(table + ((<usize>load<u8>(levels, 2)) << 2)),
      0,
    );
    const alpha = load<u8>(levels, 3);
    if (alpha == 255) {
      v128.store(out, light);
      continue;
    }
    const share = f32x4.splat(<f32>alpha / 255);
    v128.store(out, f32x4.add(ground, f32x4.mul(share, f32x4.sub(light, ground))));
  }
}

/**
 * Blurs along rows of floats.
 * @param floats of a row, whole fours
 * @param step bytes from one px to the next: 4 of a plane, 16 of quads
 * @param weights radius + 1 floats from the middle on
 * @param shares for each float of a row the reciprocal of the weights inside
 * @param line room for a row with radius px more at either end
 */
export function blurAcross(
  from: usize,
  to: usize,
  floats: i32,
  rows: i32,
  step: usize,
  radius: i32,
  weights: usize,
  shares: usize,
  line: usize,
): void {
  const bytes = (<usize>floats) << 2;
  const pad = <usize>radius * step;
  memory.fill(line, 0, pad);
  const first = line + pad;
  memory.fill(first + bytes, 0, pad);
  for (let y = 0; y < rows; y++, from += bytes, to += bytes) {
    memory.copy(first, from, bytes);
    for (let x: usize = 0; x < bytes; x += 16) {
      const at = first + x;
      let sum = f32x4.mul(v128.load(at), v128.load32_splat(weights));
      let weight = weights;
      for (let far = step; far <= pad; far += step) {
        weight += 4;
        const both = f32x4.add(v128.load(at - far), v128.load(at + far));
        sum = f32x4.add(sum, f32x4.mul(v128.load32_splat(weight), both));
      }
      v128.store(to + x, f32x4.mul(sum, v128.load(shares + x)));
    }
  }
}

/** Blurs along columns. @param shares one for each row */
export function blurDown(
  from: usize,
  to: usize,
  floats: i32,
  rows: i32,
  radius: i32,
  weights: usize,
  shares: usize,
): void {
  const bytes = (<usize>floats) << 2;
  for (let y = 0; y < rows; y++) {
    const share = v128.load32_splat(shares + ((<usize>y) << 2));
    const above = min(radius, y);
    const below = min(radius, rows - 1 - y);
    const both = min(above, below);
    for (let x: usize = 0; x < bytes; x += 16) {
      const at = from + <usize>y * bytes + x;
      let sum = f32x4.mul(v128.load(at), v128.load32_splat(weights));
      let k = 1;
      let far = bytes;
      for (; k <= both; k++, far += bytes) {
        const pair = f32x4.add(v128.load(at - far), v128.load(at + far));
        sum = f32x4.add(sum, f32x4.mul(v128.load32_splat(weights + ((<usize>k) << 2)), pair));
      }
      for (; k <= above; k++, far += bytes) {
        const w = v128.load32_splat(weights + ((<usize>k) << 2));
        sum = f32x4.add(sum, f32x4.mul(w, v128.load(at - far)));
      }
      for (; k <= below; k++, far += bytes) {
        const w = v128.load32_splat(weights + ((<usize>k) << 2));
        sum = f32x4.add(sum, f32x4.mul(w, v128.load(at + far)));
      }
      v128.store(to + <usize>y * bytes + x, f32x4.mul(sum, share));
    }
  }
}

/** Natural logarithms of positive values, to a millionth. */
function logarithm(v: v128): v128 {
  const one = f32x4.splat(1);
  // A mantissa from 0.71 to 1.41 and its exponent.
  const shifted = i32x4.sub(v, i32x4.splat(0x3f3504f3));
  const exponent = i32x4.shr_s(shifted, 23);
  const mantissa = i32x4.sub(v, i32x4.shl(exponent, 23));
  const t = f32x4.div(f32x4.sub(mantissa, one), f32x4.add(mantissa, one));
  const square = f32x4.mul(t, t);
  let series = f32x4.splat(<f32>(1.0 / 7.0));
  series = f32x4.add(f32x4.mul(series, square), f32x4.splat(0.2));
  series = f32x4.add(f32x4.mul(series, square), f32x4.splat(<f32>(1.0 / 3.0)));
  series = f32x4.add(f32x4.mul(series, square), one);
  return f32x4.add(
    f32x4.mul(f32x4.mul(t, series), f32x4.splat(2)),
    f32x4.mul(f32x4.convert_i32x4_s(exponent), f32x4.splat(<f32>Math.LN2)),
  );
}

function mixed(light: v128, table: usize): v128 {
  const red = v128.shuffle<f32>(light, light, 0, 0, 0, 0);
  const green = v128.shuffle<f32>(light, light, 1, 1, 1, 1);
  const blue = v128.shuffle<f32>(light, light, 2, 2, 2, 2);
  return f32x4.add(
    f32x4.add(f32x4.mul(red, v128.load(table)), f32x4.mul(green, v128.load(table, 16))),
    f32x4.add(f32x4.mul(blue, v128.load(table, 32)), v128.load(table, 48)),
  );
}

/**
 * Red against green, lightness and blue out of light.
 * @param around the same light blurred; the result stands here afterwards
 * @param table four floats each: what red, green and blue count for each response, and the dark
 */
export function opponentOfLight(
  light: usize,
  around: usize,
  pixels: i32,
  table: usize,
  gain: f32,
  offset: f32,
  base: f32,
): void {
  const signs = f32x4(-1, 1, 0, 0);
  const whole = f32x4(1, 1, 1, 0);
  for (const end = light + ((<usize>pixels) << 4); light < end; light += 16, around += 16) {
    const here = mixed(v128.load(light), table);
    const far = mixed(v128.load(around), table);
    const felt = f32x4.sub(
      f32x4.mul(f32x4.splat(gain), logarithm(f32x4.add(far, f32x4.splat(offset)))),
      f32x4.splat(base),
    );
    const v = f32x4.div(f32x4.mul(here, felt), far);
    const first = f32x4.mul(v128.shuffle<f32>(v, v, 0, 0, 2, 3), whole);
    v128.store(around, f32x4.add(first, f32x4.mul(v128.shuffle<f32>(v, v, 1, 1, 0, 0), signs)));
  }
}

/** What is left of quads without others. */
export function withoutQuads(from: usize, other: usize, pixels: i32, out: usize): void {
  for (const end = from + ((<usize>pixels) << 4); from < end; from += 16, other += 16, out += 16) {
    v128.store(out, f32x4.sub(v128.load(from), v128.load(other)));
  }
}

/**
 * Fine detail: what is left without the middle, hue hidden where lightness changes, and how busy it
 * makes each px.
 * @param rest the detail stands here afterwards
 * @param busy a plane
 */
export function detailOf(
  rest: usize,
  middle: usize,
  width: i32,
  rows: i32,
  busy: usize,
  busyFloats: i32,
  kept: f32,
  hidden: f32,
  hue: f32,
  light: f32,
  gain: f32,
  base: f32,
): void {
  const root = Mathf.sqrt(base);
  for (let y = 0; y < rows; y++) {
    let to = busy + ((<usize>y * <usize>busyFloats) << 2);
    for (let x = 0; x < width; x++, rest += 16, middle += 16, to += 4) {
      const v = f32x4.sub(v128.load(rest), v128.load(middle));
      const b = f32x4.extract_lane(v, 1);
      const a = f32x4.extract_lane(v, 0) * (kept + ((1 - kept) * hidden) / (b * b + hidden));
      v128.store(rest, f32x4.replace_lane(v, 0, a));
      const p = hue * a;
      const q = light * b;
      store<f32>(to, Mathf.sqrt(gain * Mathf.sqrt(p * p + q * q) + base) - root);
    }
  }
}

/**
 * Puts the bands in order: detail becomes finest x, finest y, fine x, fine y; coarse loses the blue
 * that goes with lightness and is given how busy it is.
 */
export function orderBands(
  detail: usize,
  smooth: usize,
  coarse: usize,
  middle: usize,
  width: i32,
  rows: i32,
  busy: usize,
  busyFloats: i32,
  blueWithLight: f32,
): void {
  for (let y = 0; y < rows; y++) {
    let from = busy + ((<usize>y * <usize>busyFloats) << 2);
    for (let x = 0; x < width; x++) {
      const s = v128.load(smooth);
      const d = f32x4.sub(v128.load(detail), s);
      v128.store(detail, v128.shuffle<f32>(d, s, 0, 1, 4, 5));
      const c = v128.load(coarse);
      const b = f32x4.extract_lane(c, 2) - blueWithLight * f32x4.extract_lane(c, 1);
      v128.store(coarse, f32x4.replace_lane(f32x4.replace_lane(c, 2, b), 3, load<f32>(from)));
      store<f32>(middle, 0, 12);
      detail += 16;
      smooth += 16;
      coarse += 16;
      middle += 16;
      from += 4;
    }
  }
}

/**
 * Differences of the fine and the middle bands, into rooms with a border.
 * @param limits four floats: where differences of each fine band count half
 */
export function differQuads(
  fine: usize,
  otherFine: usize,
  middle: usize,
  otherMiddle: usize,
  width: i32,
  rows: i32,
  limits: usize,
  wideFine: usize,
  wideMiddle: usize,
  wideBytes: usize,
): void {
  const one = f32x4.splat(1);
  const shares = v128.load(limits);
  for (let y = 0; y < rows; y++) {
    for (let x: usize = 0, end = (<usize>width) << 4; x < end; x += 16) {
      const p = v128.load(fine);
      const q = v128.load(otherFine);
      const full = f32x4.add(one, f32x4.mul(shares, f32x4.add(f32x4.abs(p), f32x4.abs(q))));
      v128.store(wideFine + x, f32x4.div(f32x4.sub(p, q), full));
      v128.store(wideMiddle + x, f32x4.sub(v128.load(middle), v128.load(otherMiddle)));
      fine += 16;
      otherFine += 16;
      middle += 16;
      otherMiddle += 16;
    }
    wideFine += wideBytes;
    wideMiddle += wideBytes;
  }
}

/** Squared sums along the lines through a px, of all four. */
function alongLines(at: usize, lines: usize, count: i32): v128 {
  let total = f32x4.splat(0);
  const middle = v128.load(at);
  for (let line = 0; line < count; line++) {
    let sum = middle;
    const last = lines + 4 + load<i32>(lines);
    for (lines += 4; lines < last; lines += 4) {
      const far = <isize>load<i32>(lines);
      sum = f32x4.add(sum, f32x4.add(v128.load(at + far), v128.load(at - far)));
    }
    total = f32x4.add(total, f32x4.mul(sum, sum));
  }
  return total;
}

function sumOf(v: v128): f32 {
  return (
    f32x4.extract_lane(v, 0) +
    f32x4.extract_lane(v, 1) +
    (f32x4.extract_lane(v, 2) + f32x4.extract_lane(v, 3))
  );
}

/**
 * The square of what is seen at each px.
 * @param lines of each half line the bytes that its offsets take, and its offsets in bytes
 * @param weights four floats each: fine along lines, fine, middle along lines, middle, coarse; then
 * lost, grown, busy, kept, bare, hides, bareCoarse, hidesCoarse
 */
export function seenOfQuads(
  wideFine: usize,
  wideMiddle: usize,
  wideBytes: usize,
  fine: usize,
  otherFine: usize,
  coarse: usize,
  otherCoarse: usize,
  hiding: usize,
  hidingFloats: i32,
  width: i32,
  rows: i32,
  lines: usize,
  count: i32,
  weights: usize,
  out: usize,
): void {
  const fineLines = v128.load(weights);
  const fineAlone = v128.load(weights, 16);
  const middleLines = v128.load(weights, 32);
  const middleAlone = v128.load(weights, 48);
  const coarseAlone = v128.load(weights, 64);
  const lost = load<f32>(weights, 80);
  const grown = load<f32>(weights, 84);
  const busy = load<f32>(weights, 88);
  const kept = load<f32>(weights, 92);
  const bare = load<f32>(weights, 96);
  const hides = load<f32>(weights, 100);
  const bareCoarse = load<f32>(weights, 104);
  const hidesCoarse = load<f32>(weights, 108);
  for (let y = 0; y < rows; y++) {
    let hid = hiding + ((<usize>y * <usize>hidingFloats) << 2);
    for (let x: usize = 0, end = (<usize>width) << 4; x < end; x += 16) {
      const f = v128.load(wideFine + x);
      const m = v128.load(wideMiddle + x);
      let sum = f32x4.mul(fineLines, alongLines(wideFine + x, lines, count));
      sum = f32x4.add(sum, f32x4.mul(middleLines, alongLines(wideMiddle + x, lines, count)));
      sum = f32x4.add(sum, f32x4.mul(fineAlone, f32x4.mul(f, f)));
      sum = f32x4.add(sum, f32x4.mul(middleAlone, f32x4.mul(m, m)));
      let was = load<f32>(fine, 12);
      let is = load<f32>(otherFine, 12);
      if (was < 0) {
        was = -was;
        is = -is;
      }
      const less = max<f32>(0, kept * was - is);
      const more = max<f32>(0, is - was);
      const c = f32x4.sub(v128.load(coarse), v128.load(otherCoarse));
      const d = f32x4.extract_lane(c, 3);
      const small = sumOf(sum) + lost * less * less + grown * more * more + busy * d * d;
      const large = sumOf(f32x4.mul(coarseAlone, f32x4.mul(c, c)));
      const h = load<f32>(hid);
      const shown = <f32>1 + bare / (<f32>1 + hides * h);
      const shownCoarse = <f32>1 + bareCoarse / (<f32>1 + hidesCoarse * h);
      store<f32>(out, small * shown * shown + large * shownCoarse * shownCoarse);
      fine += 16;
      otherFine += 16;
      coarse += 16;
      otherCoarse += 16;
      hid += 4;
      out += 4;
    }
    wideFine += wideBytes;
    wideMiddle += wideBytes;
  }
}

/**
 * How much is hidden at each px of a plane.
 * @param busy within a border of three rows, and four floats at either side, of huge values
 * @param shares four floats: of the place itself and of the three calmest around it
 */
export function hidingOfPlane(
  busy: usize,
  busyFloats: i32,
  width: i32,
  rows: i32,
  shares: usize,
  out: usize,
  outFloats: i32,
): void {
  const bytes = (<usize>busyFloats) << 2;
  const own = v128.load32_splat(shares);
  const first = v128.load32_splat(shares + 4);
  const second = v128.load32_splat(shares + 8);
  const third = v128.load32_splat(shares + 12);
  for (let y = 0; y < rows; y++) {
    for (let x: usize = 0, end = (<usize>width) << 2; x < end; x += 16) {
      const middle = busy + x;
      const here = v128.load(middle);
      let a = f32x4.add(here, here);
      let b = a;
      let c = a;
      for (let v = middle - 3 * bytes - 12; v <= middle + 3 * bytes - 12; v += 3 * bytes) {
        for (let u = v; u <= v + 24; u += 12) {
          const value = v128.load(u);
          const overA = f32x4.pmax(a, value);
          a = f32x4.pmin(a, value);
          const overB = f32x4.pmax(b, overA);
          b = f32x4.pmin(b, overA);
          c = f32x4.pmin(c, overB);
        }
      }
      v128.store(
        out + x,
        f32x4.add(
          f32x4.add(f32x4.mul(own, here), f32x4.mul(first, a)),
          f32x4.add(f32x4.mul(second, b), f32x4.mul(third, c)),
        ),
      );
    }
    busy += bytes;
    out += (<usize>outFloats) << 2;
  }
}
