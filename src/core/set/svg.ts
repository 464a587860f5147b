import type { Rgb } from '../raster/raster';
import { colourSpans, patched, writtenLike } from './colourSpans';

const attribute = /\s(fill|stroke|stop-color|flood-color|lighting-color|color|style)\s*=\s*("([^"]*)"|'([^']*)')/g, sheet = /<style[^>]*>([\s\S]*?)<\/style>/g;

/** What stands between a colon and the end of a declaration. */
const declared = /(?:^|[;{\s])(?:fill|stroke|stop-color|flood-color|lighting-color|color|background(?:-color)?|--[\w-]+)\s*:\s*([^;}]+)/g;

/**
 * An SVG with other colours: those of its presentation attributes (SVG 2, section 6.6), its style attributes and its style
 * sheets. Everything else stays as it is written; shapes without a colour stay black.
 */
export function recolourSvg(text: string, becomes: (colour: Rgb) => Rgb): string {
  const changes: { start: number; end: number; to: string }[] = [];
  const take = (value: string, at: number) => { for (const { start, end, text: old, rgb } of colourSpans(value, at)) changes.push({ start, end, to: writtenLike(old, becomes(rgb)) }); };
  const takeDeclared = (css: string, at: number) => { for (const m of css.matchAll(declared)) take(m[1], at + m.index + m[0].length - m[1].length); };
  for (const m of text.matchAll(attribute)) {
    const value = m[3] ?? m[4], at = m.index + m[0].length - 1 - value.length;
    if (m[1] === 'style') takeDeclared(value, at); else take(value, at);
  }
  for (const m of text.matchAll(sheet)) takeDeclared(m[1], m.index + m[0].indexOf('>') + 1);
  return patched(text, changes);
}
