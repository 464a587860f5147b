import {
  extendedRange,
  faceName,
  fontOf,
  fonts,
  needsExtended,
  ownAssetId,
  type FontFile,
  type FontFiles,
  type ShippedFont,
} from '@/core/text/fonts';
import type { TextSpec } from '@/core/text/glyphs';
import { served } from '@/served/address';
import { fontFolder } from './vendor';

const source = ({ file }: FontFile): string =>
  `url(${served(`${fontFolder}/${file}`)}) format("woff2")`;
const weights = (font: ShippedFont): string => `${font.weights[0]} ${font.weights[1]}`;

interface Face {
  readonly file: FontFile;
  readonly style: 'normal' | 'italic';
  /** Letters it is for; all that no other face has where there is none. */
  readonly range?: string;
}

const facesOf = (files: FontFiles, style: Face['style']): [Face, Face] => [
  { file: files.latin, style },
  { file: files.extended, style, range: extendedRange },
];

/** Style sheet for a document: the browser fetches each font when something is set in it. */
export const fontStyles = (): string =>
  fonts
    .flatMap((font) =>
      [
        ...facesOf(font.upright, 'normal'),
        ...(font.slanted ? facesOf(font.slanted, 'italic') : []),
      ].map(
        ({ file, style, range }) =>
          `@font-face{font-family:"${faceName(font.id)}";src:${source(file)};font-weight:${weights(font)};font-style:${style};font-display:block${range ? `;unicode-range:${range}` : ''}}`,
      ),
    )
    .join('\n');

/**
 * For a worker, which must have a font before it draws with it: each file is fetched once, when
 * first asked for.
 */
export function fontLoader(
  target: FontFaceSet,
): (specs: readonly Pick<TextSpec, 'font' | 'italic' | 'words'>[]) => Promise<void> {
  const loaded = new Map<string, Promise<void>>();
  const load = (font: ShippedFont, { file, style, range }: Face): Promise<void> => {
    const known = loaded.get(file.file);
    if (known) {
      return known;
    }
    const fetched = new FontFace(faceName(font.id), source(file), {
      weight: weights(font),
      style,
      ...(range && { unicodeRange: range }),
    })
      .load()
      .then((face) => {
        target.add(face);
      });
    fetched.catch(() => loaded.delete(file.file));
    loaded.set(file.file, fetched);
    return fetched;
  };
  return async (specs) => {
    await Promise.all(
      specs
        .filter((s) => ownAssetId(s.font) === undefined)
        .flatMap((s) => {
          const font = fontOf(s.font) as ShippedFont;
          const [latin, extended] =
            s.italic && font.slanted
              ? facesOf(font.slanted, 'italic')
              : facesOf(font.upright, 'normal');
          return [load(font, latin), ...(needsExtended(s.words) ? [load(font, extended)] : [])];
        }),
    );
  };
}

/**
 * Registers a font of the owner's for every weight: the file's own are used, and none is made up.
 */
export async function addOwnFace(
  target: FontFaceSet,
  fontId: string,
  bytes: Uint8Array<ArrayBuffer>,
): Promise<void> {
  target.add(await new FontFace(faceName(fontId), bytes, { weight: '1 1000' }).load());
}

/**
 * The weight asked for, brought into what the font has; slanted only where the font has an italic.
 */
export function cssFont({ font: id, sizePx, weight, italic }: TextSpec): string {
  const own = ownAssetId(id) !== undefined;
  const font = fontOf(id);
  const [lightest, boldest] = own ? [1, 1000] : font.weights;
  return `${!own && italic && font.italic ? 'italic ' : ''}${Math.min(boldest, Math.max(lightest, weight))} ${sizePx}px "${faceName(id)}", sans-serif`;
}
