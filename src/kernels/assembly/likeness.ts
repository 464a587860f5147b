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

/** Bytes that are blurred together: what is added up for one px is not waited for by the next. */
const together: usize = 64;

/**
 * The weighed sum around a place, of as much before and after it as is there.
 * @param step bytes from one to the next
 */
function weigh(at: usize, step: usize, above: i32, below: i32, weights: usize): v128 {
  let sum = f32x4.mul(v128.load(at), v128.load32_splat(weights));
  let before = at;
  let after = at;
  for (let k = 1, last = max(above, below); k <= last; k++) {
    before -= step;
    after += step;
    weights += 4;
    let value = v128.load(k <= above ? before : after);
    if (k <= above && k <= below) {
      value = f32x4.add(value, v128.load(after));
    }
    sum = f32x4.add(sum, f32x4.mul(v128.load32_splat(weights), value));
  }
  return sum;
}

/**
 * Weighed sums around all places of a row, where all of them are there.
 * @param step bytes from one place to the next that counts
 * @param shares what each float is multiplied with, or 0 where all are with `share`
 */
function weighRow(
  at: usize,
  out: usize,
  bytes: usize,
  step: usize,
  radius: i32,
  weights: usize,
  shares: usize,
  share: v128,
): void {
  const end = at + bytes;
  const middle = v128.load32_splat(weights);
  for (; at + together <= end; at += together, out += together) {
    let sum0 = f32x4.mul(v128.load(at), middle);
    let sum1 = f32x4.mul(v128.load(at, 16), middle);
    let sum2 = f32x4.mul(v128.load(at, 32), middle);
    let sum3 = f32x4.mul(v128.load(at, 48), middle);
    let before = at;
    let after = at;
    let weight = weights;
    for (let k = 0; k < radius; k++) {
      before -= step;
      after += step;
      weight += 4;
      const w = v128.load32_splat(weight);
      const both0 = f32x4.add(v128.load(before), v128.load(after));
      const both1 = f32x4.add(v128.load(before, 16), v128.load(after, 16));
      const both2 = f32x4.add(v128.load(before, 32), v128.load(after, 32));
      const both3 = f32x4.add(v128.load(before, 48), v128.load(after, 48));
      sum0 = f32x4.add(sum0, f32x4.mul(w, both0));
      sum1 = f32x4.add(sum1, f32x4.mul(w, both1));
      sum2 = f32x4.add(sum2, f32x4.mul(w, both2));
      sum3 = f32x4.add(sum3, f32x4.mul(w, both3));
    }
    if (shares) {
      v128.store(out, f32x4.mul(sum0, v128.load(shares)));
      v128.store(out, f32x4.mul(sum1, v128.load(shares, 16)), 16);
      v128.store(out, f32x4.mul(sum2, v128.load(shares, 32)), 32);
      v128.store(out, f32x4.mul(sum3, v128.load(shares, 48)), 48);
      shares += together;
    } else {
      v128.store(out, f32x4.mul(sum0, share));
      v128.store(out, f32x4.mul(sum1, share), 16);
      v128.store(out, f32x4.mul(sum2, share), 32);
      v128.store(out, f32x4.mul(sum3, share), 48);
    }
  }
  for (; at < end; at += 16, out += 16) {
    const by = shares ? v128.load(shares) : share;
    v128.store(out, f32x4.mul(weigh(at, step, radius, radius, weights), by));
    shares += shares ? 16 : 0;
  }
}

/**
 * Blurs rows of floats: each down its columns, then along itself.
 * @param from the first of the rows that there are
 * @param floats of a row, whole fours
 * @param rows that there are
 * @param first row that is wanted, and the one behind the last
 * @param step bytes from one px to the next: 4 of a plane, 16 of quads
 * @param weights radius + 1 floats from the middle on
 * @param down for each row the reciprocal of the weights inside, across for each float of a row
 * @param line room for a row with radius px more at either end
 */
export function blurRows(
  from: usize,
  to: usize,
  floats: i32,
  rows: i32,
  first: i32,
  last: i32,
  step: usize,
  radius: i32,
  weights: usize,
  down: usize,
  across: usize,
  line: usize,
): void {
  const bytes = (<usize>floats) << 2;
  const pad = <usize>radius * step;
  const middle = line + pad;
  memory.fill(line, 0, pad);
  memory.fill(middle + bytes, 0, pad);
  for (let y = first; y < last; y++) {
    const share = v128.load32_splat(down + ((<usize>y) << 2));
    const above = min(radius, y);
    const below = min(radius, rows - 1 - y);
    const row = from + <usize>y * bytes;
    if (above == radius && below == radius) {
      weighRow(row, middle, bytes, bytes, radius, weights, 0, share);
    } else {
      for (let x: usize = 0; x < bytes; x += 16) {
        const sum = weigh(row + x, bytes, above, below, weights);
        v128.store(middle + x, f32x4.mul(sum, share));
      }
    }
    weighRow(middle, to + <usize>y * bytes, bytes, step, radius, weights, across, share);
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
 * Differences of the fine and the middle bands, into rooms with a border of zeros.
 * @param limits four floats: where differences of each fine band count half
 * @param wideFine where the first row begins, inside of the border
 * @param reach px of the border
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
  reach: i32,
): void {
  const one = f32x4.splat(1);
  const shares = v128.load(limits);
  const end = (<usize>width) << 4;
  const side = (<usize>reach) << 4;
  const wideBytes = end + 2 * side;
  const outside = <usize>reach * wideBytes + side;
  memory.fill(wideFine - outside, 0, outside);
  memory.fill(wideMiddle - outside, 0, outside);
  for (let y = 0; y < rows; y++) {
    for (let x: usize = 0; x < end; x += 16) {
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
    // To the end of this row and the beginning of the next.
    memory.fill(wideFine + end, 0, 2 * side);
    memory.fill(wideMiddle + end, 0, 2 * side);
    wideFine += wideBytes;
    wideMiddle += wideBytes;
  }
  memory.fill(wideFine, 0, outside - 2 * side);
  memory.fill(wideMiddle, 0, outside - 2 * side);
}

/** Squared sums along the lines through each of four px. @param out four floats for each px */
function alongLines(at: usize, lines: usize, count: i32, out: usize): void {
  let total0 = f32x4.splat(0);
  let total1 = f32x4.splat(0);
  let total2 = f32x4.splat(0);
  let total3 = f32x4.splat(0);
  for (let line = 0; line < count; line++) {
    let sum0 = v128.load(at);
    let sum1 = v128.load(at, 16);
    let sum2 = v128.load(at, 32);
    let sum3 = v128.load(at, 48);
    const last = lines + 4 + load<i32>(lines);
    for (lines += 4; lines < last; lines += 4) {
      const far = <isize>load<i32>(lines);
      const after = at + far;
      const before = at - far;
      sum0 = f32x4.add(sum0, f32x4.add(v128.load(after), v128.load(before)));
      sum1 = f32x4.add(sum1, f32x4.add(v128.load(after, 16), v128.load(before, 16)));
      sum2 = f32x4.add(sum2, f32x4.add(v128.load(after, 32), v128.load(before, 32)));
      sum3 = f32x4.add(sum3, f32x4.add(v128.load(after, 48), v128.load(before, 48)));
    }
    total0 = f32x4.add(total0, f32x4.mul(sum0, sum0));
    total1 = f32x4.add(total1, f32x4.mul(sum1, sum1));
    total2 = f32x4.add(total2, f32x4.mul(sum2, sum2));
    total3 = f32x4.add(total3, f32x4.mul(sum3, sum3));
  }
  v128.store(out, total0);
  v128.store(out, total1, 16);
  v128.store(out, total2, 32);
  v128.store(out, total3, 48);
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
 * @param row room for four floats for each of `width` px and three more, twice
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
  row: usize,
  out: usize,
): void {
  const other = row + ((<usize>width + 3) << 4);
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
    const end = (<usize>width) << 4;
    // Of the last four some may lie in the border.
    for (let x: usize = 0; x < end; x += 64) {
      alongLines(wideFine + x, lines, count, row + x);
      alongLines(wideMiddle + x, lines, count, other + x);
    }
    for (let x: usize = 0; x < end; x += 16) {
      const f = v128.load(wideFine + x);
      const m = v128.load(wideMiddle + x);
      let sum = f32x4.mul(fineLines, v128.load(row + x));
      sum = f32x4.add(sum, f32x4.mul(middleLines, v128.load(other + x)));
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
