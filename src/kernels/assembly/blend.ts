/*
 * Blend modes of W3C Compositing and Blending Level 1 on rows of RGBA levels, source over target.
 * Over opaque pixels, which is nearly all there is, in whole numbers, as the loops in TypeScript do
 * it; over others in double precision, step by step as there.
 */

const half: f64 = 0.5 + 1e-7;
const half16: i32 = (1 << 15) + 256;
const half22: i32 = (1 << 21) + (1 << 15);

/** Levels of one channel of four pixels, as whole numbers. */
function channel(pixels: v128, shift: i32): v128 {
  return v128.and(i32x4.shr_u(pixels, shift), i32x4.splat(255));
}

/** The same as floats. */
function level(pixels: v128, shift: i32): v128 {
  return f32x4.convert_i32x4_s(channel(pixels, shift));
}

/** What the table has for the alpha of each of four pixels. */
function lookedUp(pixels: v128, table: usize): v128 {
  return i32x4(
    load<i32>(table + (((<usize>i32x4.extract_lane(pixels, 0)) >>> 24) << 2)),
    load<i32>(table + (((<usize>i32x4.extract_lane(pixels, 1)) >>> 24) << 2)),
    load<i32>(table + (((<usize>i32x4.extract_lane(pixels, 2)) >>> 24) << 2)),
    load<i32>(table + (((<usize>i32x4.extract_lane(pixels, 3)) >>> 24) << 2)),
  );
}

/** The nearest whole number to 0 to 2^22: what a float of 2^23 and more has no place for falls away. */
function nearestWhole(v: v128): v128 {
  return v128.and(f32x4.add(v, f32x4.splat(8388608)), i32x4.splat(0x7fffff));
}

/**
 * What the alpha of each of four pixels comes to.
 * @param by what each step of alpha comes to, where that is all there is to it; else 0
 */
function alphasOf(pixels: v128, table: usize, by: f32): v128 {
  if (by === 0) {
    return lookedUp(pixels, table);
  }
  const alpha = f32x4.convert_i32x4_s(i32x4.shr_u(pixels, 24));
  return nearestWhole(f32x4.mul(alpha, f32x4.splat(by)));
}

function joined(r: v128, g: v128, b: v128, a: v128): v128 {
  return v128.or(v128.or(r, i32x4.shl(g, 8)), v128.or(i32x4.shl(b, 16), i32x4.shl(a, 24)));
}

/** old + a·(new − old), where 65536 stands for all of the new. */
function mixed(old: v128, next: v128, a: v128): v128 {
  return i32x4.shr_u(
    i32x4.add(
      i32x4.add(i32x4.shl(old, 16), i32x4.mul(a, i32x4.sub(next, old))),
      i32x4.splat(half16),
    ),
    16,
  );
}

function isOpaque(pixels: v128): bool {
  return i32x4.all_true(i32x4.eq(i32x4.shr_u(pixels, 24), i32x4.splat(255)));
}

/** One pixel over one that is not opaque. */
function overSeeThrough(target: usize, source: usize, opacity: f64): void {
  const as = <f64>load<u8>(source + 3) * (opacity / 255);
  const rest = (<f64>load<u8>(target + 3) / 255) * (1 - as);
  const ao = as + rest;
  for (let c: usize = 0; c < 3; c++) {
    const v = (as * <f64>load<u8>(source + c) + rest * <f64>load<u8>(target + c)) / ao + half;
    store<u8>(target + c, <u8>(<i32>v));
  }
  store<u8>(target + 3, <u8>(<i32>(ao * 255 + half)));
}

function normalPixel(target: usize, source: usize, alphas: usize, opacity: f64): void {
  const a = load<i32>(alphas + ((<usize>load<u8>(source + 3)) << 2));
  if (a === 0) {
    return;
  }
  if (a === 65536) {
    store<u32>(target, load<u32>(source) | 0xff000000);
  } else if (load<u8>(target + 3) === 255) {
    for (let c: usize = 0; c < 3; c++) {
      const old = <i32>load<u8>(target + c);
      const next = <i32>load<u8>(source + c);
      store<u8>(target + c, <u8>(((old << 16) + a * (next - old) + half16) >> 16));
    }
  } else {
    overSeeThrough(target, source, opacity);
  }
}

/**
 * Source over target.
 * @param alphas of each alpha of a source what it comes to at this opacity, 256 i32 up to 65536
 * @param by the same for one step, where every step comes to as much; else 0
 */
export function blendNormal(
  target: usize,
  source: usize,
  pixels: i32,
  alphas: usize,
  by: f32,
  opacity: f64,
): void {
  const end = target + ((<usize>pixels) << 2);
  for (; target + 16 <= end; target += 16, source += 16) {
    const t = v128.load(target);
    if (!isOpaque(t)) {
      for (let p: usize = 0; p < 16; p += 4) {
        normalPixel(target + p, source + p, alphas, opacity);
      }
      continue;
    }
    const s = v128.load(source);
    const a = alphasOf(s, alphas, by);
    v128.store(
      target,
      joined(
        mixed(channel(t, 0), channel(s, 0), a),
        mixed(channel(t, 8), channel(s, 8), a),
        mixed(channel(t, 16), channel(s, 16), a),
        i32x4.splat(255),
      ),
    );
  }
  for (; target < end; target += 4, source += 4) {
    normalPixel(target, source, alphas, opacity);
  }
}

function tablePixel(target: usize, source: usize, alphas: usize, table: usize, opacity: f64): void {
  const sa = load<u8>(source + 3);
  const a = load<i32>(alphas + ((<usize>sa) << 2));
  if (a === 0) {
    return;
  }
  const ta = load<u8>(target + 3);
  if (ta === 255) {
    for (let c: usize = 0; c < 3; c++) {
      const old = <i32>load<u8>(target + c);
      const m = <i32>(
        load<u16>(table + ((((<usize>old) << 8) | (<usize>load<u8>(source + c))) << 1))
      );
      store<u8>(target + c, <u8>(((old << 22) + a * (m - (old << 7)) + half22) >> 22));
    }
    return;
  }
  const as = <f64>sa * (opacity / 255);
  const abf = <f64>ta / 255;
  const rest = abf * (1 - as);
  const ao = as + rest;
  const own = (1 - abf) * as;
  const mix = (abf * as) / 128;
  for (let c: usize = 0; c < 3; c++) {
    const old = load<u8>(target + c);
    const next = load<u8>(source + c);
    const m = <f64>load<u16>(table + ((((<usize>old) << 8) | (<usize>next)) << 1));
    const v = (own * <f64>next + mix * m + rest * <f64>old) / ao + half;
    store<u8>(target + c, <u8>(<i32>v));
  }
  store<u8>(target + 3, <u8>(<i32>(ao * 255 + half)));
}

/** Levels with what a mode makes of them, in 1/128, laid over at an alpha of up to 32768. */
function laidOver(t: v128, made: v128, a: v128): v128 {
  const by = i32x4.sub(made, i32x4.shl(t, 7));
  const sum = i32x4.add(i32x4.shl(t, 22), i32x4.mul(a, by));
  return i32x4.shr_u(i32x4.add(sum, i32x4.splat(half22)), 22);
}

/** What the table has for four levels over four. */
function fromTable(t: v128, s: v128, table: usize): v128 {
  const at = i32x4.shl(v128.or(i32x4.shl(t, 8), s), 1);
  return i32x4(
    <i32>load<u16>(table + <usize>i32x4.extract_lane(at, 0)),
    <i32>load<u16>(table + <usize>i32x4.extract_lane(at, 1)),
    <i32>load<u16>(table + <usize>i32x4.extract_lane(at, 2)),
    <i32>load<u16>(table + <usize>i32x4.extract_lane(at, 3)),
  );
}

/**
 * A mode that works on each channel alone. Looking results up is no slower than working them out:
 * neighbours are alike, and what they need of the table is at hand.
 * @param alphas as above, up to 32768
 * @param by as above
 * @param table 65536 u16: the mode's results in 1/128 of a level, row the target's level
 */
export function blendByTable(
  target: usize,
  source: usize,
  pixels: i32,
  alphas: usize,
  by: f32,
  table: usize,
  opacity: f64,
): void {
  const end = target + ((<usize>pixels) << 2);
  for (; target + 16 <= end; target += 16, source += 16) {
    const t = v128.load(target);
    if (!isOpaque(t)) {
      for (let p: usize = 0; p < 16; p += 4) {
        tablePixel(target + p, source + p, alphas, table, opacity);
      }
      continue;
    }
    const s = v128.load(source);
    const a = alphasOf(s, alphas, by);
    const tr = channel(t, 0);
    const tg = channel(t, 8);
    const tb = channel(t, 16);
    v128.store(
      target,
      joined(
        laidOver(tr, fromTable(tr, channel(s, 0), table), a),
        laidOver(tg, fromTable(tg, channel(s, 8), table), a),
        laidOver(tb, fromTable(tb, channel(s, 16), table), a),
        i32x4.splat(255),
      ),
    );
  }
  for (; target < end; target += 4, source += 4) {
    tablePixel(target, source, alphas, table, opacity);
  }
}

/* Section 10.2: modes that work on the three channels together, four pixels at a time. */

const enum Together {
  hue,
  saturation,
  color,
  luminosity,
}

function lum(r: v128, g: v128, b: v128): v128 {
  return f32x4.add(
    f32x4.add(f32x4.mul(r, f32x4.splat(0.3)), f32x4.mul(g, f32x4.splat(0.59))),
    f32x4.mul(b, f32x4.splat(0.11)),
  );
}

/** Channels are numbers throughout, so that one instruction will do: `min` looks for what is none. */
function least(r: v128, g: v128, b: v128): v128 {
  return f32x4.pmin(r, f32x4.pmin(g, b));
}

function most(r: v128, g: v128, b: v128): v128 {
  return f32x4.pmax(r, f32x4.pmax(g, b));
}

/** l + (v − l)·k */
function towards(l: v128, v: v128, k: v128): v128 {
  return f32x4.add(l, f32x4.mul(f32x4.sub(v, l), k));
}

/** The nearest level; what is at a half goes up, as the loops have it. */
function nearestLevel(v: v128): v128 {
  return nearestWhole(f32x4.add(v, f32x4.splat(0.00001)));
}

/** Levels 0..255 of a result at an alpha, over a target. */
function laid(old: v128, own: v128, next: v128, mix: v128, m: v128, rest: v128, ao: v128): v128 {
  const sum = f32x4.add(f32x4.add(f32x4.mul(own, next), f32x4.mul(mix, m)), f32x4.mul(rest, old));
  return nearestLevel(f32x4.div(sum, ao));
}

/** The same over an opaque pixel. */
function over(old: v128, m: v128, as: v128): v128 {
  return nearestLevel(towards(old, m, as));
}

/**
 * Four pixels over those that are not opaque.
 * @param r what the mode makes of them
 * @param as their alphas, 0..1
 */
function overSeeThroughFour(t: v128, s: v128, r: v128, g: v128, b: v128, as: v128): v128 {
  const white = f32x4.splat(255);
  const one = f32x4.splat(1);
  const ab = f32x4.div(f32x4.convert_i32x4_s(i32x4.shr_u(t, 24)), white);
  const rest = f32x4.mul(ab, f32x4.sub(one, as));
  const ao = f32x4.add(as, rest);
  const own = f32x4.mul(f32x4.sub(one, ab), as);
  const mix = f32x4.mul(ab, as);
  const made = joined(
    laid(level(t, 0), own, level(s, 0), mix, r, rest, ao),
    laid(level(t, 8), own, level(s, 8), mix, g, rest, ao),
    laid(level(t, 16), own, level(s, 16), mix, b, rest, ao),
    nearestLevel(f32x4.mul(ao, white)),
  );
  return v128.bitselect(made, t, f32x4.gt(as, f32x4.splat(0)));
}

/**
 * Four pixels. SetSat and SetLum come to one step: of a colour with lightness y, least n and span w,
 * (c − n)·k with the wanted span over w as k has the lightness (y − n)·k, so that with the lightness l
 * it is l + (c − y)·k. ClipColor makes k smaller, so that the least channel comes to 0 or the largest
 * to 255; never both, since no wanted span is above 255. One division is enough for all of it.
 */
function togetherFour(target: usize, source: usize, mode: i32, opacity: f32): void {
  const white = f32x4.splat(255);
  const one = f32x4.splat(1);
  const t = v128.load(target);
  const s = v128.load(source);
  const tr = level(t, 0);
  const tg = level(t, 8);
  const tb = level(t, 16);
  const sr = level(s, 0);
  const sg = level(s, 8);
  const sb = level(s, 16);
  const ofSource = mode === <i32>Together.hue || mode === <i32>Together.color;
  let r = ofSource ? sr : tr;
  let g = ofSource ? sg : tg;
  let b = ofSource ? sb : tb;
  const y = lum(r, g, b);
  let l = y;
  if (mode === <i32>Together.luminosity) {
    l = lum(sr, sg, sb);
  } else if (ofSource) {
    l = lum(tr, tg, tb);
  }
  const n = least(r, g, b);
  const x = most(r, g, b);
  const below = f32x4.sub(y, n);
  const above = f32x4.sub(x, y);
  const room = f32x4.sub(white, l);
  let k = one;
  if (mode === <i32>Together.hue || mode === <i32>Together.saturation) {
    const whole = f32x4.sub(x, n);
    // Levels are whole: a span below 1 is none. Without one there is no hue, and nothing to scale.
    const span = f32x4.pmax(whole, one);
    const wanted = v128.and(
      mode === <i32>Together.hue
        ? f32x4.sub(most(tr, tg, tb), least(tr, tg, tb))
        : f32x4.sub(most(sr, sg, sb), least(sr, sg, sb)),
      f32x4.ge(whole, one),
    );
    const low = f32x4.lt(f32x4.mul(l, span), f32x4.mul(below, wanted));
    const high = f32x4.lt(f32x4.mul(room, span), f32x4.mul(above, wanted));
    k = f32x4.div(
      v128.bitselect(l, v128.bitselect(room, wanted, high), low),
      v128.bitselect(below, v128.bitselect(above, span, high), low),
    );
  } else {
    const low = f32x4.lt(l, below);
    const high = f32x4.lt(room, above);
    if (v128.any_true(v128.or(low, high))) {
      k = f32x4.div(
        v128.bitselect(l, v128.bitselect(room, one, high), low),
        v128.bitselect(below, v128.bitselect(above, one, high), low),
      );
    }
  }
  r = f32x4.add(l, f32x4.mul(f32x4.sub(r, y), k));
  g = f32x4.add(l, f32x4.mul(f32x4.sub(g, y), k));
  b = f32x4.add(l, f32x4.mul(f32x4.sub(b, y), k));
  const as = f32x4.mul(f32x4.convert_i32x4_s(i32x4.shr_u(s, 24)), f32x4.splat(opacity / <f32>255));
  if (isOpaque(t)) {
    v128.store(target, joined(over(tr, r, as), over(tg, g, as), over(tb, b, as), i32x4.splat(255)));
    return;
  }
  v128.store(target, overSeeThroughFour(t, s, r, g, b, as));
}

/**
 * Hue, saturation, colour or luminosity. Rows have room for whole fours of pixels; what lies in the
 * target's beyond its own stays.
 * @param mode which, in this order
 */
export function blendTogether(
  target: usize,
  source: usize,
  pixels: i32,
  mode: i32,
  opacity: f32,
): void {
  const end = target + ((<usize>pixels) << 2);
  for (; target + 16 <= end; target += 16, source += 16) {
    togetherFour(target, source, mode, opacity);
  }
  if (target < end) {
    const beyond = v128.load(target);
    togetherFour(target, source, mode, opacity);
    const own = i32x4.lt_s(i32x4(0, 1, 2, 3), i32x4.splat(<i32>((end - target) >>> 2)));
    v128.store(target, v128.bitselect(v128.load(target), beyond, own));
  }
}

/**
 * A row of one colour, each pixel with its own alpha.
 * @param cover a byte a pixel
 * @param colour red first, no alpha
 */
export function coverRow(cover: usize, colour: u32, pixels: i32, row: usize): void {
  for (let i = 0; i < pixels; i++, cover++, row += 4) {
    store<u32>(row, colour | ((<u32>load<u8>(cover)) << 24));
  }
}
