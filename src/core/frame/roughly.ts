import { createRaster, isOpaque, wholePixels, type Raster } from '../raster/raster';

/** Where a px of a drawing comes from: px of the source at 0, 0 and how far one px on takes. */
export interface Affine {
  readonly x: number;
  readonly y: number;
  /** One px to the right. */
  readonly xByX: number;
  readonly yByX: number;
  /** One px down. */
  readonly xByY: number;
  readonly yByY: number;
}

/** Parts of a px that are told apart. */
const parts = 8;
const one = 1 << parts;
const half = one >> 1;

/** Looked at once for as long as a source is there: drawings follow each other. */
const opaque = new WeakMap<Raster, boolean>();

function hasNoAlpha(source: Raster): boolean {
  let known = opaque.get(source);
  if (known === undefined) {
    opaque.set(source, (known = isOpaque(source)));
  }
  return known;
}

/**
 * A part of a turned, mirrored, resized source, quickly: mixed of the four nearest px, in gamma as
 * it is and without what lies between them, so that it stands in for a while for what is drawn
 * whole. What lies outside the source is see-through.
 * @param from where the middle of the first px comes from, px of the source, whose first px has its
 * middle at 0.5, 0.5
 * @param width px, at least 1
 * @param height px, at least 1
 */
export function drawRoughly(source: Raster, from: Affine, width: number, height: number): Raster {
  const out = createRaster(width, height);
  const to = wholePixels(out);
  const px = wholePixels(source);
  const mix = hasNoAlpha(source) ? mixedOpaque : mixed;
  const { width: w, height: h } = source;
  for (let y = 0, i = 0; y < height; y++) {
    let u = from.x + y * from.xByY;
    let v = from.y + y * from.yByY;
    for (let x = 0; x < width; x++, i++, u += from.xByX, v += from.yByX) {
      if (u < 0 || v < 0 || u >= w || v >= h) {
        continue;
      }
      const at = Math.max(0, ((u - 0.5) * one) | 0);
      const down = Math.max(0, ((v - 0.5) * one) | 0);
      const left = at >> parts;
      const top = down >> parts;
      const right = left + 1 < w ? 1 : 0;
      const row = top * w + left;
      const next = top + 1 < h ? row + w : row;
      to[i] = mix(
        px[row],
        px[row + right],
        px[next],
        px[next + right],
        at & (one - 1),
        down & (one - 1),
      );
    }
  }
  return out;
}

/**
 * Four px mixed that have no alpha.
 * @param across share of the right ones, of 256
 * @param down share of the lower ones, of 256
 */
function mixedOpaque(
  a: number,
  b: number,
  c: number,
  d: number,
  across: number,
  down: number,
): number {
  // Two channels at a time, each with room for what it is multiplied by.
  const ofD = (across * down) >> parts;
  const ofC = down - ofD;
  const ofB = across - ofD;
  const ofA = one - across - ofC;
  const even =
    Math.imul(a & 0xff00ff, ofA) +
    Math.imul(b & 0xff00ff, ofB) +
    Math.imul(c & 0xff00ff, ofC) +
    Math.imul(d & 0xff00ff, ofD) +
    half * 0x10001;
  const green =
    Math.imul((a >>> 8) & 0xff, ofA) +
    Math.imul((b >>> 8) & 0xff, ofB) +
    Math.imul((c >>> 8) & 0xff, ofC) +
    Math.imul((d >>> 8) & 0xff, ofD) +
    half;
  return 0xff000000 | ((even >>> parts) & 0xff00ff) | (green & 0xff00);
}

/** Four px mixed; those that are see-through lend no colour. */
function mixed(a: number, b: number, c: number, d: number, across: number, down: number): number {
  if (a === b && a === c && a === d) {
    return a;
  }
  const ofA = (a >>> 24) * (one - across) * (one - down);
  const ofB = (b >>> 24) * across * (one - down);
  const ofC = (c >>> 24) * (one - across) * down;
  const ofD = (d >>> 24) * across * down;
  const all = ofA + ofB + ofC + ofD;
  if (all === 0) {
    return 0;
  }
  const channel = (shift: number) =>
    Math.round(
      (((a >>> shift) & 255) * ofA +
        ((b >>> shift) & 255) * ofB +
        ((c >>> shift) & 255) * ofC +
        ((d >>> shift) & 255) * ofD) /
        all,
    ) << shift;
  return channel(0) | channel(8) | channel(16) | (Math.round(all / (one * one)) << 24);
}
