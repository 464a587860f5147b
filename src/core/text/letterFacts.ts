/** Proportions of letters that show beside another font's, at the regular weight, as shares of the size. */
export interface LetterFacts {
  /** How thick the upright stroke of a small l is. */
  readonly weight: number;
  /** How far a small letter reaches, on average of the 26. */
  readonly width: number;
}

/** Port: a canvas that has the font. */
export interface LetterMeter {
  /** Px that words take at a size. */
  advance(words: string, sizePx: number): number;
  /** Coverage 0..255 of a letter along a line so far above its base line, px by px. */
  row(letter: string, sizePx: number, above: number): ArrayLike<number>;
}

/** Large enough for strokes of many px. */
const sizePx = 400;
const alphabet = 'abcdefghijklmnopqrstuvwxyz';

const round = (v: number): number => Math.round(v * 1000) / 1000;

/**
 * Measures how bold and how wide a font's letters are.
 * @param xHeight of the font, as a share of its size: strokes are looked at halfway up it
 */
export function letterFactsOf(meter: LetterMeter, xHeight: number): LetterFacts {
  const row = Array.from(meter.row('l', sizePx, Math.round((xHeight / 2) * sizePx)));
  return {
    weight: round(row.reduce((sum, v) => sum + v / 255, 0) / sizePx),
    width: round(meter.advance(alphabet, sizePx) / alphabet.length / sizePx),
  };
}

interface Context {
  font: string;
  fillStyle: unknown;
  clearRect(x: number, y: number, width: number, height: number): void;
  fillText(words: string, x: number, y: number): void;
  measureText(words: string): { width: number };
  getImageData(x: number, y: number, width: number, height: number): { data: ArrayLike<number> };
}

/** A meter by a 2D canvas context of at least 600 × 600 px; the browser's and Skia's both will do. */
export function canvasMeter(context: Context, family: string): LetterMeter {
  const set = (size: number) => {
    context.font = `400 ${size}px "${family}"`;
  };
  return {
    advance: (words, size) => {
      set(size);
      return context.measureText(words).width;
    },
    row: (letter, size, above) => {
      set(size);
      context.clearRect(0, 0, 600, 600);
      context.fillStyle = '#000';
      context.fillText(letter, 200, 500);
      const { data } = context.getImageData(0, 500 - above, 600, 1);
      return Array.from({ length: 600 }, (_, x) => data[x * 4 + 3]);
    },
  };
}
