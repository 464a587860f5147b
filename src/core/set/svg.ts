import { hexOf } from '../colour/hex';
import type { Rgb } from '../raster/raster';
import { patched, type TextPatch } from '../files/textPatch';
import { colourSpans, writtenLike } from './colourSpans';

const attribute =
  /\s(fill|stroke|stop-color|flood-color|lighting-color|color|style)\s*=\s*("([^"]*)"|'([^']*)')/g;
const sheet = /<style[^<>]*>([\s\S]*?)(?:<\/style>|$)/g;

/** What stands between a colon and the end of a declaration. */
const declared =
  /(?:^|[;{\s])(?:fill|stroke|stop-color|flood-color|lighting-color|color|background(?:-color)?|--[\w-]+)\s*:\s*([^;}]+)/g;

const mask = /<mask[\s>][\s\S]*?(?:<\/mask\s*>|$)/g;
const black: Rgb = { r: 0, g: 0, b: 0 };

/** The start tag of the root, which may have quoted > in its attributes. */
const root = /<svg(?=[\s>])(?:[^>"']|"[^"]*"|'[^']*')*>/;

/**
 * Shapes without a fill are black, and what says `currentColor` is so too (SVG 2, section 13.2):
 * where black becomes another colour, the root says so, from where they inherit it. Masks go on
 * from black.
 */
function inherited(text: string, to: Rgb): TextPatch[] {
  const tag = root.exec(text);
  if (!tag || hexOf(to) === hexOf(black)) {
    return [];
  }
  const at = tag.index + '<svg'.length;
  const has = (name: string) =>
    new RegExp(`\\s${name}\\s*=`).test(tag[0]) ||
    new RegExp(`\\sstyle\\s*=\\s*["'](?:[^"']*[;\\s])?${name}\\s*:`).test(tag[0]);
  const names = ['fill', ...(/currentcolor/i.test(text) ? ['color'] : [])].filter(
    (name) => !has(name),
  );
  const put = (colour: Rgb) => names.map((name) => ` ${name}="${hexOf(colour)}"`).join('');
  if (names.length === 0) {
    return [];
  }
  return [
    { from: at, to: at, text: put(to) },
    ...[...text.matchAll(mask)]
      .filter((m) => !/^<mask[^>]*\sfill\s*=/.test(m[0]))
      .map((m) => ({
        from: m.index + '<mask'.length,
        to: m.index + '<mask'.length,
        text: put(black),
      })),
  ];
}

/**
 * An SVG with other colours: those of its presentation attributes (SVG 2, section 6.6), its style
 * attributes and its style sheets, and the black of what says none. Everything else stays as it is
 * written, masks too, whose colours are how much shows through.
 */
export function recolourSvg(text: string, becomes: (colour: Rgb) => Rgb): string {
  const changes = inherited(text, becomes(black));
  const masks = [...text.matchAll(mask)].map((m) => ({
    start: m.index,
    end: m.index + m[0].length,
  }));
  const take = (value: string, at: number) => {
    for (const { start, end, text: old, rgb } of colourSpans(value, at)) {
      changes.push({ from: start, to: end, text: writtenLike(old, becomes(rgb)) });
    }
  };
  const takeDeclared = (css: string, at: number) => {
    for (const m of css.matchAll(declared)) {
      take(m[1], at + m.index + m[0].length - m[1].length);
    }
  };
  for (const m of text.matchAll(attribute)) {
    const value = m[3] ?? m[4];
    const at = m.index + m[0].length - 1 - value.length;
    if (m[1] === 'style') {
      takeDeclared(value, at);
    } else {
      take(value, at);
    }
  }
  for (const m of text.matchAll(sheet)) {
    takeDeclared(m[1], m.index + m[0].indexOf('>') + 1);
  }
  return patched(
    text,
    changes.filter(
      (c) => c.from === c.to || !masks.some((m) => c.from >= m.start && c.to <= m.end),
    ),
  );
}
