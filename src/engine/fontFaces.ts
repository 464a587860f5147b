import { faceName, fontOf, fonts, type Font } from '@/core/text/fonts';
import type { TextSpec } from '@/core/text/glyphs';
import { fontFolder } from './vendor';

const source = (font: Font): string => `url(${fontFolder}/${font.file}) format("woff2")`;
const weights = (font: Font): string => `${font.weights[0]} ${font.weights[1]}`;

/** Style sheet for a document: the browser fetches each font when something is set in it. */
export const fontStyles = (): string =>
  fonts.map((font) => `@font-face{font-family:"${faceName(font)}";src:${source(font)};font-weight:${weights(font)};font-display:block}`).join('\n');

/** For a worker, which must have a font before it draws with it: each is fetched once, when first asked for. */
export function fontLoader(target: FontFaceSet): (ids: readonly string[]) => Promise<void> {
  const loaded = new Map<Font, Promise<void>>();
  const load = (font: Font): Promise<void> => {
    const known = loaded.get(font);
    if (known) return known;
    const fetched = new FontFace(faceName(font), source(font), { weight: weights(font) }).load().then((face) => { target.add(face); });
    fetched.catch(() => loaded.delete(font));
    loaded.set(font, fetched);
    return fetched;
  };
  return async (ids) => { await Promise.all(ids.map((id) => load(fontOf(id)))); };
}

/** The weight asked for, brought into what the font has. */
export function cssFont({ font: id, sizePx, weight }: TextSpec): string {
  const font = fontOf(id), [lightest, boldest] = font.weights;
  return `${Math.min(boldest, Math.max(lightest, weight))} ${sizePx}px "${faceName(font)}"`;
}
