import { turnAbout } from '../arrange/box';
import { createRaster, type Mask, type Raster, type Rgb } from '../raster/raster';
import type { TextLayer } from '../site/model/objectLayers';
import { firstBase } from './lineHeight';
import { breakLines } from './lines';

/**
 * What decides the shapes of a text: everything but its place in whole px, its strength and its
 * effects.
 */
export interface TextSpec extends Pick<
  TextLayer,
  | 'words'
  | 'font'
  | 'sizePx'
  | 'weight'
  | 'italic'
  | 'spacing'
  | 'lineHeight'
  | 'stretchX'
  | 'stretchY'
  | 'align'
  | 'wrap'
  | 'turn'
> {
  /** Where the own point lies within its px, 0..1. */
  readonly offset: { readonly x: number; readonly y: number };
}

/**
 * Coverage of a text; `x`, `y` is where the mask's corner lies from the px of the text's own point.
 */
export interface TextMask {
  readonly mask: Mask;
  readonly x: number;
  readonly y: number;
}

/** Pixels of a text that has colours of its own. */
export interface TextPixels {
  readonly raster: Raster;
  readonly x: number;
  readonly y: number;
}

/** The rectangle that a text's lines fill before it is turned, from its own point, px. */
export interface TextBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Port: the platform's text engine, which shapes and draws. */
export interface GlyphRaster {
  /** The font is there to be drawn with. */
  has(font: string): boolean;
  cover(spec: TextSpec): TextMask;
  /** The same with the colours that glyphs such as emoji bring along. */
  pixels(spec: TextSpec, colour: Rgb): TextPixels;
  box(spec: TextSpec): TextBox;
  /** How far the font reaches above and below a base line at its size, px. */
  reach(spec: TextSpec): { readonly above: number; readonly below: number };
}

const ascent = firstBase;
/** How far the last line's depth goes below its base line, as a share of the size (common practice, no source). */
const depth = 0.25;

/**
 * The part of a 2D canvas context that drawing text needs; the browser's and Skia's for Node both
 * have it.
 */
export interface TextContext {
  font: string;
  textAlign: string;
  textBaseline: string;
  fillStyle: unknown;
  letterSpacing: string;
  direction: string;
  measureText(text: string): {
    width: number;
    actualBoundingBoxLeft: number;
    actualBoundingBoxRight: number;
    actualBoundingBoxAscent: number;
    actualBoundingBoxDescent: number;
    fontBoundingBoxAscent: number;
    fontBoundingBoxDescent: number;
  };
  setTransform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  fillText(text: string, x: number, y: number): void;
  getImageData(x: number, y: number, width: number, height: number): { data: Uint8ClampedArray };
}

/** Glyphs that are pictures with colours of their own (Unicode Technical Standard 51). */
export const hasEmoji = (words: string): boolean =>
  /\p{Emoji_Presentation}|\p{Extended_Pictographic}\uFE0F/u.test(words);

/**
 * Letters of scripts that are written from the right; the first letter with a direction decides
 * (rules P2 and P3 of Unicode Standard Annex 9).
 */
const fromRight =
  /^[^\p{L}]*[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u;

interface Line {
  readonly text: string;
  readonly x: number;
  readonly base: number;
}

interface Layout {
  readonly lines: readonly Line[];
  readonly box: TextBox;
}

/**
 * Sets a context up for a text and lays its lines out, along the text's own axes and before it is
 * stretched.
 */
function layOut(context: TextContext, spec: TextSpec, cssFont: (spec: TextSpec) => string): Layout {
  const gap = spec.spacing * spec.sizePx;
  context.font = cssFont(spec);
  context.textAlign = 'left';
  context.textBaseline = 'alphabetic';
  context.letterSpacing = `${gap}px`;
  // The space after the last letter is no part of a line.
  const widthOf = (line: string) => {
    context.direction = fromRight.test(line) ? 'rtl' : 'ltr';
    return line === '' ? 0 : context.measureText(line).width - gap;
  };
  const most = spec.wrap === null ? undefined : spec.wrap / spec.stretchX;
  const texts = breakLines(spec.words, widthOf, most);
  const widths = texts.map(widthOf);
  const width = most ?? Math.max(0, ...widths);
  const share = { left: 0, centre: 0.5, right: 1 }[spec.align];
  // Upright base lines stand on whole px, so that all lines of a text look alike.
  const whole = (v: number) =>
    spec.turn === 0 ? Math.round(v * spec.stretchY) / spec.stretchY : v;
  const lines = texts.map((text, i) => ({
    text,
    x: -share * widths[i],
    base: whole(spec.sizePx * ascent + i * spec.sizePx * spec.lineHeight),
  }));
  return {
    lines,
    box: {
      x: -share * width * spec.stretchX,
      y: 0,
      width: width * spec.stretchX,
      height: ((texts.length - 1) * spec.lineHeight + ascent + depth) * spec.sizePx * spec.stretchY,
    },
  };
}

const nowhere = { width: 0, height: 0, x: 0, y: 0 } as const;

/**
 * A glyph raster over any canvas.
 * @param contextOf a fresh, see-through context of that size in px
 * @param cssFont the font shorthand for a spec, for a face that is loaded
 * @param has whether a font's face is loaded
 */
export function canvasGlyphs(
  contextOf: (width: number, height: number) => TextContext,
  cssFont: (spec: TextSpec) => string,
  has: (font: string) => boolean = () => true,
): GlyphRaster {
  const probe = contextOf(1, 1);

  /** The rectangle around all ink, with a px to spare, from the px of the text's own point. */
  function inkOf(
    spec: TextSpec,
    { lines }: Layout,
  ): { x: number; y: number; width: number; height: number } {
    let left = Infinity;
    let right = -Infinity;
    let top = Infinity;
    let bottom = -Infinity;
    for (const { text, x, base } of lines) {
      if (!text.trim()) {
        continue;
      }
      probe.direction = fromRight.test(text) ? 'rtl' : 'ltr';
      const m = probe.measureText(text);
      for (const px of [x - m.actualBoundingBoxLeft, x + m.actualBoundingBoxRight]) {
        for (const py of [base - m.actualBoundingBoxAscent, base + m.actualBoundingBoxDescent]) {
          const at = turnAbout(
            { x: px * spec.stretchX, y: py * spec.stretchY },
            { x: 0, y: 0 },
            spec.turn,
          );
          left = Math.min(left, at.x);
          right = Math.max(right, at.x);
          top = Math.min(top, at.y);
          bottom = Math.max(bottom, at.y);
        }
      }
    }
    if (left > right) {
      return nowhere;
    }
    const x = Math.floor(left + spec.offset.x) - 1;
    const y = Math.floor(top + spec.offset.y) - 1;
    return {
      x,
      y,
      width: Math.ceil(right + spec.offset.x) + 1 - x,
      height: Math.ceil(bottom + spec.offset.y) + 1 - y,
    };
  }

  function draw(
    spec: TextSpec,
    fill: string,
  ): { data: Uint8ClampedArray; x: number; y: number; width: number; height: number } {
    const ink = inkOf(spec, layOut(probe, spec, cssFont));
    if (ink.width === 0) {
      return { data: new Uint8ClampedArray(0), ...ink };
    }
    const context = contextOf(ink.width, ink.height);
    const { lines } = layOut(context, spec, cssFont);
    const t = (spec.turn * Math.PI) / 180;
    const c = Math.cos(t);
    const s = Math.sin(t);
    context.fillStyle = fill;
    context.setTransform(
      c * spec.stretchX,
      s * spec.stretchX,
      -s * spec.stretchY,
      c * spec.stretchY,
      spec.offset.x - ink.x,
      spec.offset.y - ink.y,
    );
    for (const line of lines) {
      context.direction = fromRight.test(line.text) ? 'rtl' : 'ltr';
      context.fillText(line.text, line.x, line.base);
    }
    return { data: context.getImageData(0, 0, ink.width, ink.height).data, ...ink };
  }

  return {
    has,
    cover(spec) {
      const { data: pixels, x, y, width, height } = draw(spec, '#000');
      const data = new Uint8Array(width * height);
      for (let i = 0; i < data.length; i++) {
        data[i] = pixels[i * 4 + 3];
      }
      return { mask: { width, height, data }, x, y };
    },
    pixels(spec, { r, g, b }) {
      const { data, x, y, width, height } = draw(spec, `rgb(${r} ${g} ${b})`);
      if (width === 0) {
        return { raster: createRaster(1, 1), x, y };
      }
      return { raster: { width, height, data: new Uint8ClampedArray(data) }, x, y };
    },
    box: (spec) => layOut(probe, spec, cssFont).box,
    reach(spec) {
      layOut(probe, spec, cssFont);
      const { fontBoundingBoxAscent: above, fontBoundingBoxDescent: below } = probe.measureText('');
      return { above, below };
    },
  };
}
