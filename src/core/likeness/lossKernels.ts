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
import { gaussianWeights, shareInside } from './fourChannelImage';
import { fullAt, kept, type LossWeights } from './weights';

/*
 * The same as loss.ts does, in strips of rows, so that little memory is needed. A strip has as many
 * rows more on either side as its own depend on.
 */

/** Px of a strip, about. */
const stripPx = 360_000;

const reachOf = (sigma: number): number => gaussianWeights(sigma).length - 1;

/** Rows around those that are wanted of which each is needed, from the last one to the first. */
const bandRows = Math.max(lineReach, hidingStep);
const detailRows = bandRows + Math.max(reachOf(fineOver), reachOf(busyOver));
const restRows = detailRows + reachOf(middleOver);
const opponentRows = restRows + reachOf(coarseOver);
const lightRows = opponentRows + reachOf(adaptedOver);

/** Rows of the picture, and which of them are wanted, both counted in the picture. */
interface Strip {
  readonly top: number;
  readonly rows: number;
  readonly from: number;
  readonly to: number;
}

/** Rows of a strip, from the first up to the one behind the last, counted in the strip. */
interface Rows {
  readonly first: number;
  readonly last: number;
  readonly count: number;
}

/** The rows that are wanted, with so many around as there are. */
function rowsAround({ top, rows, from, to }: Strip, around: number): Rows {
  const first = Math.max(0, from - top - around);
  const last = Math.min(rows, to - top + around);
  return { first, last, count: last - first };
}

function stripsOf(width: number, height: number): Strip[] {
  const most = Math.max(64, Math.floor(stripPx / width) - 2 * lightRows);
  const count = height * width <= stripPx ? 1 : Math.ceil(height / most);
  return Array.from({ length: count }, (_, k) => {
    const from = Math.round((k * height) / count);
    const to = Math.round(((k + 1) * height) / count);
    const top = Math.max(0, from - lightRows);
    return { top, rows: Math.min(height, to + lightRows) - top, from, to };
  });
}

/** Room for weights, and for lines. */
const smallBytes = 256;
/** Lines are followed for four px at a time, and the last four may lie beyond the border. */
const beyond = 64;
/** Nothing is calmer than what lies beyond the border. */
const huge = 1e9;

const fours = (n: number): number => (n + 3) & ~3;

/**
 * What is kept of a strip of the picture that others are compared with: of its rows with those that
 * lines reach.
 */
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

/** A blur of rows of one width. */
interface Blur {
  readonly weights: Float32Array;
  /** For each float of a row the reciprocal of the weights inside. */
  readonly across: Float32Array;
}

/** What all strips of a picture are blurred by. */
type Blurs = Readonly<Record<'adapted' | 'coarse' | 'middle' | 'busy' | 'fine', Blur>>;

function blursOf(width: number): Blurs {
  const plane = (sigma: number): Blur => {
    const weights = gaussianWeights(sigma);
    const across = new Float32Array(fours(width));
    across.set(shareInside(width, weights));
    return { weights, across };
  };
  const quads = (sigma: number): Blur => {
    const { weights, across } = plane(sigma);
    return { weights, across: new Float32Array(width * 4).map((_, i) => across[i >> 2]) };
  };
  return {
    adapted: quads(adaptedOver),
    coarse: quads(coarseOver),
    middle: quads(middleOver),
    busy: plane(busyOver),
    fine: quads(fineOver),
  };
}

/** Where in the kernels' memory a strip is worked on. */
class Room {
  /** Quads. */
  private readonly first: number;
  readonly second: number;
  readonly third: number;
  readonly fourth: number;
  private readonly fifth: number;
  /** Planes. */
  readonly plane: number;
  readonly hiding: number;
  private readonly busy: number;
  /** Quads with a border as wide as a line reaches. */
  private readonly wideFine: number;
  private readonly wideMiddle: number;
  private readonly line: number;
  private readonly weights: number;
  private readonly across: number;
  private readonly down: number;
  private readonly lines: number;
  private readonly planeFloats: number;
  private readonly busyFloats: number;
  private readonly wideBytes: number;
  private readonly table: number;
  private readonly mix: number;
  private readonly wanted: Rows;
  readonly band: Rows;

  constructor(
    private readonly k: Kernels,
    private readonly width: number,
    private readonly strip: Strip,
    comparing: boolean,
  ) {
    const { rows } = strip;
    this.wanted = rowsAround(strip, 0);
    this.band = rowsAround(strip, bandRows);
    this.table = k.table('likeness light', lightTable);
    this.mix = k.table('likeness mixes', mixTable);
    const quads = width * rows * 16;
    this.planeFloats = fours(width);
    this.busyFloats = this.planeFloats + 8;
    this.wideBytes = (width + 2 * lineReach) * 16;
    const plane = this.planeFloats * rows * 4;
    const wide = comparing ? this.wideBytes * (this.band.count + 2 * lineReach) + beyond : 0;
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
      this.weights,
      this.across,
      this.down,
      this.lines,
      this.wideFine,
      this.wideMiddle,
    ] = k.rooms(
      quads,
      quads,
      quads,
      quads,
      comparing ? quads : 0,
      plane,
      plane,
      this.busyFloats * (rows + 2 * hidingStep) * 4,
      2 * (width + 64) * 16,
      smallBytes,
      width * 16,
      rows * 4,
      smallBytes,
      wide,
      wide,
    );
  }

  /** Where a row of quads, or of a plane, begins. */
  quadsAt(room: number, row: number): number {
    return room + row * this.width * 16;
  }

  private planeAt(room: number, row: number): number {
    return room + row * this.planeFloats * 4;
  }

  /** Where a row of the plane of how busy it is begins, inside of its border. */
  private busyAt(row: number): number {
    return this.busy + ((hidingStep + row) * this.busyFloats + 4) * 4;
  }

  /** Blurs quads, or a plane, in some rows. */
  private blur(
    from: number,
    to: number,
    { weights, across }: Blur,
    step: 4 | 16,
    { first, last }: Rows,
  ): void {
    const { k } = this;
    const { rows } = this.strip;
    k.put(this.weights, weights);
    k.put(this.across, across);
    k.put(this.down, shareInside(rows, weights));
    k.call.blurRows(
      from,
      to,
      across.length,
      rows,
      first,
      last,
      step,
      weights.length - 1,
      this.weights,
      this.down,
      this.across,
      this.line,
    );
  }

  /**
   * The bands of rows of a picture. Afterwards fine stands in `second`, coarse in `third`, middle in
   * `fourth`, in the rows of `band`.
   */
  bands(raster: Raster, blurs: Blurs, under: Hex): void {
    const { k, width, strip, band, first, second, third, fourth, plane, hiding } = this;
    const { top, rows } = strip;
    const [red, green, blue] = Object.values(colourOf(under)).map(
      (level) => linearOfLevel[level] * white,
    );
    k.put(third, raster.data.subarray(top * width * 4, (top + rows) * width * 4));
    k.call.lightOfLevels(third, width * rows, this.table, red, green, blue, first);
    const opponent = rowsAround(strip, opponentRows);
    this.blur(first, second, blurs.adapted, 16, opponent);
    k.call.opponentOfLight(
      this.quadsAt(first, opponent.first),
      this.quadsAt(second, opponent.first),
      width * opponent.count,
      this.mix,
      gain,
      offset,
      base,
    );
    const rest = rowsAround(strip, restRows);
    this.blur(second, third, blurs.coarse, 16, rest);
    const restAt = this.quadsAt(second, rest.first);
    k.call.withoutQuads(restAt, this.quadsAt(third, rest.first), width * rest.count, restAt);
    const detail = rowsAround(strip, detailRows);
    this.blur(second, fourth, blurs.middle, 16, detail);
    // Its padding at the end of a row is no picture and counts as nothing.
    k.floats(plane, this.planeFloats * rows).fill(0);
    k.call.detailOf(
      this.quadsAt(second, detail.first),
      this.quadsAt(fourth, detail.first),
      width,
      detail.count,
      this.planeAt(plane, detail.first),
      this.planeFloats,
      hueKept,
      hueHidden,
      busyHue,
      busyLight,
      busyGain,
      busyBase,
    );
    this.blur(plane, hiding, blurs.busy, 4, band);
    k.floats(this.busy, this.busyFloats * (rows + 2 * hidingStep)).fill(huge);
    for (let y = band.first; y < band.last; y++) {
      const at = this.planeAt(hiding, y);
      k.bytes.copyWithin(this.busyAt(y), at, at + width * 4);
    }
    this.blur(second, first, blurs.fine, 16, band);
    k.call.orderBands(
      this.quadsAt(second, band.first),
      this.quadsAt(first, band.first),
      this.quadsAt(third, band.first),
      this.quadsAt(fourth, band.first),
      width,
      band.count,
      this.busyAt(band.first),
      this.busyFloats,
      blueWithLight,
    );
  }

  /** How much is hidden in the rows that are wanted, out of the bands that were taken. */
  hidden(): Float32Array {
    const { k, wanted, planeFloats, hiding } = this;
    k.put(this.weights, Float32Array.from(hidingShares));
    k.call.hidingOfPlane(
      this.busyAt(wanted.first),
      this.busyFloats,
      this.width,
      wanted.count,
      this.weights,
      hiding,
      planeFloats,
    );
    return k.floats(hiding, planeFloats * wanted.count).slice();
  }

  /**
   * Compares the bands that were taken with those of the same rows.
   * @returns what is seen in the rows that are wanted; it lasts until the room is used again
   */
  compared({ fine, coarse, middle, hiding }: StripBands, by: LossWeights): Float32Array {
    const { k, width, band, wanted, first, second, third, fourth, fifth } = this;
    const { wideFine, wideMiddle, wideBytes, lines, weights } = this;
    const bandAt = (room: number) => this.quadsAt(room, band.first);
    k.put(bandAt(first), fine);
    k.put(bandAt(fifth), middle);
    k.put(this.hiding, hiding);
    const inside = lineReach * wideBytes + lineReach * 16;
    k.put(weights, Float32Array.from([...fullAt.map((at) => 1 / (2 * at)), 0, 0]));
    k.call.differQuads(
      bandAt(first),
      bandAt(second),
      bandAt(fifth),
      bandAt(fourth),
      width,
      band.count,
      weights,
      wideFine + inside,
      wideMiddle + inside,
      lineReach,
    );
    k.put(bandAt(fifth), coarse);
    k.put(weights, weighed(by));
    k.put(
      lines,
      Int32Array.from(
        halfLines.flatMap((line) => [
          line.length * 4,
          ...line.map(([x, y]) => y * wideBytes + x * 16),
        ]),
      ),
    );
    const wantedInside = inside + (wanted.first - band.first) * wideBytes;
    k.call.seenOfQuads(
      wideFine + wantedInside,
      wideMiddle + wantedInside,
      wideBytes,
      this.quadsAt(first, wanted.first),
      this.quadsAt(second, wanted.first),
      this.quadsAt(fifth, wanted.first),
      this.quadsAt(third, wanted.first),
      this.hiding,
      this.planeFloats,
      width,
      wanted.count,
      lines,
      halfLines.length,
      weights,
      this.line,
      this.plane,
    );
    return k.floats(this.plane, wanted.count * width);
  }
}

/** Prepares a picture. @param under colour of the page, seen where it is see-through */
export function referenceByKernels(k: Kernels, raster: Raster, under: Hex): KernelReference {
  const { width, height } = raster;
  const blurs = blursOf(width);
  return {
    width,
    height,
    strips: stripsOf(width, height).map((strip) => {
      const room = new Room(k, width, strip, false);
      room.bands(raster, blurs, under);
      const quads = (at: number) =>
        k.floats(room.quadsAt(at, room.band.first), width * room.band.count * 4).slice();
      return {
        strip,
        fine: quads(room.second),
        coarse: quads(room.third),
        middle: quads(room.fourth),
        hiding: room.hidden(),
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
  const blurs = blursOf(width);
  for (const bands of strips) {
    const room = new Room(k, width, bands.strip, true);
    room.bands(raster, blurs, under);
    out.set(room.compared(bands, weights), bands.strip.from * width);
  }
  return out;
}
