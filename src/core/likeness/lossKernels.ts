import type { Kernels } from '../../kernels/kernels';
import { colourOf } from '../colour/parse';
import { linearOfLevel } from '../colour/transfer';
import type { Raster } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import {
  blueWithLight,
  busyBase,
  busyGain,
  busyHue,
  busyLight,
  busyOver,
  coarseOver,
  fineOver,
  hueHidden,
  hueKept,
  middleOver,
} from './bands';
import { hidingShares, hidingStep } from './hiding';
import { halfLines, lineReach, lineScale } from './lines';
import { adaptedOver, base, gain, mixes, offset, white } from './opponent';
import { gaussianWeights, shareInside } from './quads';
import { fullAt, kept, type LossWeights } from './weights';

/*
 * The same as loss.ts does, in strips of rows, so that little memory is needed. A strip has as many
 * rows more on either side as its own depend on.
 */

/** Px of a strip, about. */
const stripPx = 360_000;
/** Rows that a row depends on: all blurs one after the other, and what is looked at around a px. */
const margin = 40;

/** Rows of the picture, and which of them are the strip's own. */
interface Strip {
  readonly top: number;
  readonly rows: number;
  readonly from: number;
  readonly to: number;
}

function stripsOf(width: number, height: number): Strip[] {
  const most = Math.max(64, Math.floor(stripPx / width) - 2 * margin);
  const count = height * width <= stripPx ? 1 : Math.ceil(height / most);
  return Array.from({ length: count }, (_, k) => {
    const from = Math.round((k * height) / count);
    const to = Math.round(((k + 1) * height) / count);
    const top = Math.max(0, from - margin);
    return { top, rows: Math.min(height, to + margin) - top, from, to };
  });
}

/** Room for weights, before what comes behind them. */
const smallBytes = 256;
/** Nothing is calmer than what lies beyond the border. */
const huge = 1e9;

const fours = (n: number): number => (n + 3) & ~3;

/** What is kept of a strip of the picture that others are compared with. */
interface StripBands {
  readonly strip: Strip;
  readonly coarse: Float32Array;
  readonly middle: Float32Array;
  readonly fine: Float32Array;
  readonly hiding: Float32Array;
}

export interface KernelReference {
  readonly width: number;
  readonly height: number;
  readonly strips: readonly StripBands[];
}

const lightTable = (): Float32Array => Float32Array.from(linearOfLevel, (v) => v * white);

const mixTable = (): Float32Array =>
  Float32Array.from(
    [0, 1, 2, 3].flatMap((part) => [...mixes.map((mix) => mix[part]), part > 2 ? 1 : 0]),
  );

/** The weights as the kernel takes them. */
const weighed = (w: LossWeights): Float32Array =>
  Float32Array.from([
    ...w.fineLines.map((v) => v * lineScale),
    ...w.fine,
    ...w.middleLines.map((v) => v * lineScale),
    0,
    ...w.middle,
    0,
    ...w.coarse,
    0,
    w.lost,
    w.grown,
    w.busy,
    kept,
    w.bare,
    w.hides,
    w.bareCoarse,
    w.hidesCoarse,
  ]);

/** Where in the kernels' memory a strip is worked on. */
class Room {
  /** Quads. */
  readonly first: number;
  readonly second: number;
  readonly third: number;
  readonly fourth: number;
  readonly fifth: number;
  /** Planes. */
  readonly plane: number;
  readonly hiding: number;
  readonly busy: number;
  /** Quads with a border as wide as a line reaches. */
  readonly wideFine: number;
  readonly wideMiddle: number;
  private readonly line: number;
  private readonly small: number;
  readonly planeFloats: number;
  private readonly busyFloats: number;
  readonly wideBytes: number;
  private readonly table: number;
  private readonly mix: number;

  constructor(
    readonly k: Kernels,
    readonly width: number,
    readonly rows: number,
    comparing: boolean,
  ) {
    this.table = k.table('likeness light', lightTable);
    this.mix = k.table('likeness mixes', mixTable);
    const quads = width * rows * 16;
    this.planeFloats = fours(width);
    this.busyFloats = this.planeFloats + 8;
    this.wideBytes = (width + 2 * lineReach) * 16;
    const plane = this.planeFloats * rows * 4;
    const wide = comparing ? this.wideBytes * (rows + 2 * lineReach) : 0;
    [
      this.first,
      this.second,
      this.third,
      this.fourth,
      this.fifth,
      this.plane,
      this.hiding,
      this.busy,
      this.line,
      this.small,
      this.wideFine,
      this.wideMiddle,
    ] = k.rooms(
      quads,
      quads,
      quads,
      quads,
      quads,
      plane,
      plane,
      this.busyFloats * (rows + 2 * hidingStep) * 4,
      (width + 64) * 16,
      smallBytes + Math.max(width * 16 + 64, rows * 4, smallBytes),
      wide,
      wide,
    );
  }

  /** Where the plane of how busy it is begins, inside of its border. */
  private get busyInside(): number {
    return this.busy + (hidingStep * this.busyFloats + 4) * 4;
  }

  /** Blurs quads, or a plane. @param across room for as much, as is `to` */
  private blur(from: number, across: number, to: number, sigma: number, step: 4 | 16): void {
    const { k, width, rows, planeFloats, small } = this;
    const floats = step === 16 ? width * 4 : planeFloats;
    const weights = gaussianWeights(sigma);
    const radius = weights.length - 1;
    const inside = shareInside(width, weights);
    const shares = small + smallBytes;
    k.put(small, weights);
    k.put(
      shares,
      step === 16 ? Float32Array.from({ length: floats }, (_, i) => inside[i >> 2]) : inside,
    );
    k.call.blurAcross(from, across, floats, rows, step, radius, small, shares, this.line);
    k.put(shares, shareInside(rows, weights));
    k.call.blurDown(across, to, floats, rows, radius, small, shares);
  }

  /**
   * The bands of rows of a picture. Afterwards fine stands in `second`, coarse in `third`, middle in
   * `fourth`.
   */
  bands(raster: Raster, top: number, under: Hex): void {
    const { k, width, rows, first, second, third, fourth, fifth, plane, hiding } = this;
    const pixels = width * rows;
    const [red, green, blue] = Object.values(colourOf(under)).map(
      (level) => linearOfLevel[level] * white,
    );
    k.put(third, raster.data.subarray(top * width * 4, (top + rows) * width * 4));
    k.call.lightOfLevels(third, pixels, this.table, red, green, blue, first);
    this.blur(first, third, second, adaptedOver, 16);
    k.call.opponentOfLight(first, second, pixels, this.mix, gain, offset, base);
    this.blur(second, first, third, coarseOver, 16);
    k.call.withoutQuads(second, third, pixels, second);
    this.blur(second, first, fourth, middleOver, 16);
    // Its padding at the end of a row is no picture and counts as nothing.
    k.floats(plane, this.planeFloats * rows).fill(0);
    k.call.detailOf(
      second,
      fourth,
      width,
      rows,
      plane,
      this.planeFloats,
      hueKept,
      hueHidden,
      busyHue,
      busyLight,
      busyGain,
      busyBase,
    );
    this.blur(plane, first, hiding, busyOver, 4);
    k.floats(this.busy, this.busyFloats * (rows + 2 * hidingStep)).fill(huge);
    for (let y = 0; y < rows; y++) {
      const at = hiding + y * this.planeFloats * 4;
      k.bytes.copyWithin(this.busyInside + y * this.busyFloats * 4, at, at + width * 4);
    }
    this.blur(second, first, fifth, fineOver, 16);
    k.call.orderBands(
      second,
      fifth,
      third,
      fourth,
      width,
      rows,
      this.busyInside,
      this.busyFloats,
      blueWithLight,
    );
  }

  /** How much is hidden, out of the bands that were taken; it stands in `hiding`. */
  hide(): void {
    this.k.put(this.small, Float32Array.from(hidingShares));
    this.k.call.hidingOfPlane(
      this.busyInside,
      this.busyFloats,
      this.width,
      this.rows,
      this.small,
      this.hiding,
      this.planeFloats,
    );
  }

  /** Compares the bands that were taken with those of the same rows; it is seen in `plane`. */
  compare({ fine, coarse, middle, hiding }: StripBands, weights: LossWeights): void {
    const { k, width, rows, first, second, third, fourth, fifth, small } = this;
    const { wideFine, wideMiddle, wideBytes } = this;
    k.put(first, fine);
    k.put(fifth, middle);
    k.put(this.hiding, hiding);
    const floats = (wideBytes >> 2) * (rows + 2 * lineReach);
    k.floats(wideFine, floats).fill(0);
    k.floats(wideMiddle, floats).fill(0);
    const inside = lineReach * wideBytes + lineReach * 16;
    k.put(small, Float32Array.from([...fullAt.map((at) => 1 / (2 * at)), 0, 0]));
    k.call.differQuads(
      first,
      second,
      fifth,
      fourth,
      width,
      rows,
      small,
      wideFine + inside,
      wideMiddle + inside,
      wideBytes,
    );
    k.put(fifth, coarse);
    k.put(small, weighed(weights));
    const lines = small + smallBytes;
    k.put(
      lines,
      Int32Array.from(
        halfLines.flatMap((line) => [
          line.length * 4,
          ...line.map(([x, y]) => y * wideBytes + x * 16),
        ]),
      ),
    );
    k.call.seenOfQuads(
      wideFine + inside,
      wideMiddle + inside,
      wideBytes,
      first,
      second,
      fifth,
      third,
      this.hiding,
      this.planeFloats,
      width,
      rows,
      lines,
      halfLines.length,
      small,
      this.plane,
    );
  }
}

/** Prepares a picture. @param under colour of the page, seen where it is see-through */
export function referenceByKernels(k: Kernels, raster: Raster, under: Hex): KernelReference {
  const { width, height } = raster;
  return {
    width,
    height,
    strips: stripsOf(width, height).map((strip) => {
      const room = new Room(k, width, strip.rows, false);
      room.bands(raster, strip.top, under);
      const quads = (at: number) => k.floats(at, width * strip.rows * 4).slice();
      const bands = {
        fine: quads(room.second),
        coarse: quads(room.third),
        middle: quads(room.fourth),
      };
      room.hide();
      return {
        strip,
        ...bands,
        hiding: k.floats(room.hiding, room.planeFloats * strip.rows).slice(),
      };
    }),
  };
}

/** The square of what is seen, at each px. @param raster of the same size */
export function seenByKernels(
  k: Kernels,
  { width, height, strips }: KernelReference,
  raster: Raster,
  under: Hex,
  weights: LossWeights,
): Float32Array {
  const out = new Float32Array(width * height);
  for (const bands of strips) {
    const { top, rows, from, to } = bands.strip;
    const room = new Room(k, width, rows, true);
    room.bands(raster, top, under);
    room.compare(bands, weights);
    const first = room.plane + (from - top) * width * 4;
    out.set(k.floats(first, (to - from) * width), from * width);
  }
  return out;
}
