import type { Mask } from '../raster/raster';
import type { TextAlign } from '../site/model';

/** What decides the shapes of a text: everything but its place, colour and strength. */
export interface TextSpec {
  readonly words: string;
  readonly font: string;
  readonly sizePx: number;
  readonly weight: number;
  readonly align: TextAlign;
}

/** Coverage of a text; `x`, `y` is where the mask's corner lies from the text's own point. */
export interface TextMask {
  readonly mask: Mask;
  readonly x: number;
  readonly y: number;
}

/** Port: the platform's text engine. */
export interface GlyphRaster {
  cover(spec: TextSpec): TextMask;
}

/** Distance of base lines, as a share of the size. */
export const lineHeight = 1.2;

/** The part of a 2D canvas context that drawing text needs; the browser's and Skia's for Node both have it. */
export interface TextContext {
  font: string;
  textAlign: string;
  textBaseline: string;
  fillStyle: unknown;
  measureText(text: string): { actualBoundingBoxLeft: number; actualBoundingBoxRight: number; actualBoundingBoxAscent: number; actualBoundingBoxDescent: number };
  fillText(text: string, x: number, y: number): void;
  getImageData(x: number, y: number, width: number, height: number): { data: Uint8ClampedArray };
}

/**
 * A glyph raster over any canvas.
 * @param contextOf a fresh, see-through context of that size in px
 * @param cssFont the font shorthand for a spec, for a face that is loaded
 */
export function canvasGlyphs(contextOf: (width: number, height: number) => TextContext, cssFont: (spec: TextSpec) => string): GlyphRaster {
  const probe = contextOf(1, 1);
  return {
    cover(spec) {
      const lines = spec.words.split('\n');
      const align = spec.align === 'centre' ? 'center' : spec.align;
      // The first base line stands where the font's own ascent would put it in a line box: 0.95 of the size is common practice, no source.
      const base = (i: number) => Math.round(spec.sizePx * 0.95 + i * spec.sizePx * lineHeight);
      const setUp = (c: TextContext) => { c.font = cssFont(spec); c.textAlign = align; c.textBaseline = 'alphabetic'; c.fillStyle = '#000'; };
      setUp(probe);
      let left = Infinity, right = -Infinity, top = Infinity, bottom = -Infinity;
      lines.forEach((line, i) => {
        if (!line.trim()) return;
        const m = probe.measureText(line);
        left = Math.min(left, Math.floor(-m.actualBoundingBoxLeft) - 1);
        right = Math.max(right, Math.ceil(m.actualBoundingBoxRight) + 1);
        top = Math.min(top, base(i) - Math.ceil(m.actualBoundingBoxAscent) - 1);
        bottom = Math.max(bottom, base(i) + Math.ceil(m.actualBoundingBoxDescent) + 1);
      });
      if (left > right) return { mask: { width: 0, height: 0, data: new Uint8Array(0) }, x: 0, y: 0 };
      const width = right - left, height = bottom - top;
      const context = contextOf(width, height);
      setUp(context);
      lines.forEach((line, i) => context.fillText(line, -left, base(i) - top));
      const pixels = context.getImageData(0, 0, width, height).data;
      const data = new Uint8Array(width * height);
      for (let i = 0; i < data.length; i++) data[i] = pixels[i * 4 + 3];
      return { mask: { width, height, data }, x: left, y: top };
    },
  };
}
