import { faceName, fontOf, fonts } from '@/core/text/fonts';
import type { TextSpec } from '@/core/text/glyphs';
import { fontFolder } from './vendor';

/** Registers the fonts that ship with Soyez, in a document or in a worker, and waits until all can be drawn with. */
export async function loadFonts(target: FontFaceSet): Promise<void> {
  await Promise.all(fonts.map(async (font) => {
    const face = new FontFace(faceName(font), `url(${fontFolder}/${font.file}) format("woff2")`, { weight: `${font.weights[0]} ${font.weights[1]}` });
    target.add(await face.load());
  }));
}

/** The weight asked for, brought into what the font has. */
export function cssFont({ font: id, sizePx, weight }: TextSpec): string {
  const font = fontOf(id), [lightest, boldest] = font.weights;
  return `${Math.min(boldest, Math.max(lightest, weight))} ${sizePx}px "${faceName(font)}"`;
}
