import { liveTexts } from './liveText';
import {
  fontOf,
  fonts,
  needsExtended,
  ownAssetId,
  extendedRange,
  type FontFile,
} from '../text/fonts';
import { addressOf, cssString } from './escape';
import type { Site } from '../site/model/site';

/** A font file that goes along with a hand-over. */
export interface HandedFont {
  readonly path: string;
  /** A file that ships, or an asset of the owner's. */
  readonly source: { readonly shipped: FontFile } | { readonly assetId: string };
  /** Its `@font-face` rule, for a style sheet at the archive's root. */
  readonly css: string;
}

const folder = 'fonts';

const face = (
  family: string,
  path: string,
  weight: string,
  style: 'normal' | 'italic',
  range?: string,
): string =>
  `@font-face {
  font-family: ${cssString(family)};
  src: url("${addressOf(path)}") format("${formatOf(path)}");
  font-weight: ${weight};
  font-style: ${style};
  font-display: swap;${range ? `\n  unicode-range: ${range};` : ''}
}
`;

/** What CSS Fonts calls the format of a font file, by its ending. */
function formatOf(path: string): string {
  const ending = path.slice(path.lastIndexOf('.') + 1);
  const named: Readonly<Record<string, string>> = {
    woff: 'woff',
    ttf: 'truetype',
    otf: 'opentype',
  };
  return named[ending] ?? 'woff2';
}

/**
 * Kind of a font file by its first bytes, as a file ending; both outlines of OpenType, and WOFF 1
 * and 2.
 */
export function fontEnding(bytes: Uint8Array): string {
  const tag = String.fromCharCode(...bytes.subarray(0, 4));
  if (tag === 'wOF2') {
    return 'woff2';
  }
  if (tag === 'wOFF') {
    return 'woff';
  }
  if (tag === 'OTTO') {
    return 'otf';
  }
  return 'ttf';
}

/**
 * The fonts of words that are handed over as text, and of the pages' headings and links.
 * @param ending of an own font's file
 */
export function handedFonts(site: Site, ending: (assetId: string) => string): HandedFont[] {
  const texts = site.slots.flatMap((slot) =>
    liveTexts(site.pictures[slot.pictureId]?.layers ?? []),
  );
  const headings = site.pages
    .flatMap((p) => [
      p.body.heading,
      ...p.sections.map((s) => s.heading),
      p.band?.font === null ? p.band.heading : '',
    ])
    .join('');
  const wanted = new Map<string, { font: string; italic: boolean; extended: boolean }>();
  const want = (font: string, italic: boolean, words: string) => {
    const key = `${font} ${italic}`;
    const extended = needsExtended(words) || (wanted.get(key)?.extended ?? false);
    wanted.set(key, { font, italic, extended });
  };
  want(site.theme.headingFont, false, headings);
  want(site.theme.bodyFont, false, site.pages.flatMap((p) => p.bar.links).join(''));
  for (const { band } of site.pages) {
    if (band && band.font !== null) {
      want(band.font, false, band.heading);
    }
  }
  for (const text of texts) {
    want(text.font, text.italic, text.words);
  }
  return [...wanted.values()].flatMap(({ font: id, italic, extended }): HandedFont[] => {
    const own = ownAssetId(id);
    const font = fontOf(id, site.fonts);
    if (own !== undefined) {
      const path = `${folder}/${own.slice(0, 12)}.${ending(own)}`;
      return [{ path, source: { assetId: own }, css: face(font.family, path, '1 1000', 'normal') }];
    }
    const shipped = fonts.find((f) => f.id === font.id)!;
    const slanted = italic && shipped.slanted;
    const files = slanted || shipped.upright;
    return [files.latin, ...(extended ? [files.extended] : [])].map((file, i) => {
      const path = `${folder}/${file.file}`;
      return {
        path,
        source: { shipped: file },
        css: face(
          font.family,
          path,
          font.weights.join(' '),
          slanted ? 'italic' : 'normal',
          i === 1 ? extendedRange : undefined,
        ),
      };
    });
  });
}
