import { lightnessOf } from '../colour/lightness';
import { colourOf } from '../colour/parse';
import type { Size } from '../frame/placement';
import type { Raster, Rect } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { TextAlign } from '../site/model/objectLayers';
import { luminance, ratioOf } from './contrast';

/*
 * Where words go at first: where the picture is calm, in the colour that stands off it best.
 */

/** A place for words, px of the picture. */
export interface TextPlacement {
  /** Upper left corner of the words' box, whole px. */
  readonly x: number;
  readonly y: number;
  /** The side that words which become longer are to hold to. */
  readonly align: TextAlign;
  readonly colour: Hex;
  /** Contrast with the px behind them that stands off them least, 1..21. */
  readonly contrast: number;
}

/** What a place is sought by. */
export interface TextPlacementWish {
  /** What shows through where the picture does not cover the page. */
  readonly backdrop: Hex;
  /** Colours that the words may have, one at least. */
  readonly colours: readonly Hex[];
  /** The part of the picture that words are to lie in: what every screen shows, without margins. */
  readonly within: Rect;
}

/** Finest squares that places are looked at in, px; coarser ones where the picture is large. */
const leastSquare = 4;
/** So many squares tell of a picture, about. */
const mostSquares = 16_000;
/** Taken only where none of the colours asked for is read. */
const spareColours: readonly Hex[] = ['#ffffff', '#000000'];
/** How much being away from the usual place counts against calm (ours, by looking). */
const awayWeight = 0.25;

/** The picture in squares: what each shows at most and at least, and how busy it is. */
interface Squares {
  readonly side: number;
  readonly across: number;
  readonly down: number;
  readonly darkest: Float32Array;
  readonly lightest: Float32Array;
  /** Mean CIE L* of each, and its standard deviation. */
  readonly mean: Float32Array;
  readonly spread: Float32Array;
}

function squaresOf({ width, height, data }: Raster): Squares {
  const side = Math.max(leastSquare, Math.ceil(Math.sqrt((width * height) / mostSquares)));
  const across = Math.max(1, Math.floor(width / side));
  const down = Math.max(1, Math.floor(height / side));
  const made = () => new Float32Array(across * down);
  const squares = {
    side,
    across,
    down,
    darkest: made(),
    lightest: made(),
    mean: made(),
    spread: made(),
  };
  for (let row = 0; row < down; row++) {
    for (let column = 0; column < across; column++) {
      const right = column === across - 1 ? width : (column + 1) * side;
      const bottom = row === down - 1 ? height : (row + 1) * side;
      let darkest = 1;
      let lightest = 0;
      let sum = 0;
      let sumSquares = 0;
      let count = 0;
      for (let y = row * side; y < bottom; y++) {
        for (let x = column * side; x < right; x++) {
          const i = (y * width + x) * 4;
          const [r, g, b] = [data[i], data[i + 1], data[i + 2]];
          const light = luminance({ r, g, b });
          const l = lightnessOf(r, g, b);
          darkest = Math.min(darkest, light);
          lightest = Math.max(lightest, light);
          sum += l;
          sumSquares += l * l;
          count++;
        }
      }
      const at = row * across + column;
      squares.darkest[at] = darkest;
      squares.lightest[at] = lightest;
      squares.mean[at] = sum / count;
      squares.spread[at] = Math.sqrt(Math.max(0, sumSquares / count - (sum / count) ** 2));
    }
  }
  return squares;
}

/** What lies behind a box. */
interface Ground {
  readonly darkest: number;
  readonly lightest: number;
  /** How busy it is, L*: within its squares, and from square to square. */
  readonly busy: number;
}

function groundOf(squares: Squares, x: number, y: number, { width, height }: Size): Ground {
  const { side, across, down } = squares;
  const left = Math.min(across - 1, Math.max(0, Math.floor(x / side)));
  const right = Math.min(across, Math.max(left + 1, Math.ceil((x + width) / side)));
  const top = Math.min(down - 1, Math.max(0, Math.floor(y / side)));
  const bottom = Math.min(down, Math.max(top + 1, Math.ceil((y + height) / side)));
  let darkest = 1;
  let lightest = 0;
  let spread = 0;
  let sum = 0;
  let sumSquares = 0;
  for (let row = top; row < bottom; row++) {
    for (let at = row * across + left; at < row * across + right; at++) {
      darkest = Math.min(darkest, squares.darkest[at]);
      lightest = Math.max(lightest, squares.lightest[at]);
      spread += squares.spread[at];
      sum += squares.mean[at];
      sumSquares += squares.mean[at] ** 2;
    }
  }
  const count = (right - left) * (bottom - top);
  const between = Math.sqrt(Math.max(0, sumSquares / count - (sum / count) ** 2));
  return { darkest, lightest, busy: spread / count + between };
}

/** Contrast of a colour with the luminance of a range that stands off it least; 1 inside of it. */
function leastContrast(own: number, { darkest, lightest }: Ground): number {
  if (own >= darkest && own <= lightest) {
    return 1;
  }
  return Math.min(ratioOf(own, darkest), ratioOf(own, lightest));
}

/** A colour for words, and its luminance. */
interface Ink {
  readonly colour: Hex;
  readonly own: number;
}

interface Third {
  /** Its part of the longer axis, px. */
  readonly from: number;
  readonly to: number;
  readonly align: TextAlign;
}

/** Left, middle and right of a wide picture; top, middle and bottom of a tall one. */
function thirdsOf({ width, height }: Size): Third[] {
  const length = Math.max(width, height);
  const aligns: TextAlign[] =
    width >= height ? ['left', 'centre', 'right'] : ['centre', 'centre', 'centre'];
  return aligns.map((align, i) => ({
    from: (length * i) / 3,
    to: (length * (i + 1)) / 3,
    align,
  }));
}

/** Places along an axis for a thing whose middle is to lie between two, inside the margins. */
function placesAlong(
  length: number,
  own: number,
  margin: number,
  middles: readonly [number, number],
  step: number,
): number[] {
  const least = Math.min(margin, Math.max(0, (length - own) / 2));
  const most = Math.max(least, length - own - least);
  const within = (v: number): number => Math.min(most, Math.max(least, v));
  const from = within(middles[0] - own / 2);
  const to = within(middles[1] - own / 2);
  const places = [from, to, within((length - own) / 2)].filter((v) => v >= from && v <= to);
  for (let at = from + step; at < to; at += step) {
    places.push(at);
  }
  return [...new Set(places.map(Math.round))];
}

/**
 * Where words lie best: in the calmest third of the picture, there at the calmest place near the
 * middle or the margin where one of the colours is read on every px, or white or black where none
 * is; in another third only where no colour is.
 * @param seen the picture as it is seen, opaque
 * @param box of the words
 * @param colours the best is taken of, one at least
 * @param wanted contrast, 3 or 4.5
 * @param margin px kept clear at the sides
 */
export function placeText(
  seen: Raster,
  box: Size,
  colours: readonly Hex[],
  wanted: number,
  margin: number,
): TextPlacement {
  const squares = squaresOf(seen);
  const { width, height } = seen;
  const wide = width >= height;
  const inksOf = (list: readonly Hex[]): Ink[] =>
    list.map((colour) => ({ colour, own: luminance(colourOf(colour)) }));
  const asked = inksOf(colours);
  const spare = inksOf(spareColours);
  const step = Math.max(2, Math.round(Math.min(box.height, box.width) / 4));
  const edge = Math.round(height / 8);
  const thirds = thirdsOf(seen)
    .map((third) => {
      const part = wide
        ? groundOf(squares, third.from, 0, { width: width / 3, height })
        : groundOf(squares, 0, third.from, { width, height: height / 3 });
      return { third, busy: part.busy };
    })
    .toSorted((a, b) => a.busy - b.busy);

  /** The best place of a third, by what it is said to cost. */
  const bestOf = ({ from, to, align }: Third, inks: readonly Ink[]): TextPlacement => {
    const xs = placesAlong(width, box.width, margin, wide ? [from, to] : [0, width], step);
    const ys = placesAlong(height, box.height, edge, wide ? [0, height] : [from, to], step);
    const usual = {
      x: { left: margin, centre: (width - box.width) / 2, right: width - margin - box.width }[
        align
      ],
      y: wide ? (height - box.height) / 2 : (from + to - box.height) / 2,
    };
    const textPlacements = xs.flatMap((x) =>
      ys.map((y) => {
        const ground = groundOf(squares, x - 2, y - 2, {
          width: box.width + 4,
          height: box.height + 4,
        });
        const read = inks.map(({ colour, own }) => ({
          colour,
          contrast: leastContrast(own, ground),
        }));
        const best = read.reduce((a, b) => (b.contrast > a.contrast ? b : a));
        const away = Math.abs(x - usual.x) / width + Math.abs(y - usual.y) / height;
        return { x, y, align, ...best, busy: ground.busy, away };
      }),
    );
    const busiest = Math.max(1, ...textPlacements.map((s) => s.busy));
    const costed = textPlacements.map((s) => ({
      ...s,
      cost: s.busy / busiest + awayWeight * s.away + (s.contrast >= wanted ? 0 : 10 - s.contrast),
    }));
    const { colour, contrast, ...best } = costed.reduce((a, b) => (b.cost < a.cost ? b : a));
    return { x: best.x, y: best.y, align, colour, contrast };
  };

  let best: TextPlacement | undefined;
  for (const { third } of thirds) {
    for (const inks of [asked, spare]) {
      const found = bestOf(third, inks);
      if (found.contrast >= wanted) {
        return found;
      }
      if (!best || found.contrast > best.contrast) {
        best = found;
      }
    }
  }
  return best!;
}
