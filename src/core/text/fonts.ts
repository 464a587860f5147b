import type { Site } from '../site/model/site';
import type { FontFacts, OwnFont } from '../site/model/theme';
import facts from './fontFacts.json';
import type { LetterFacts } from './letterFacts';

/** A file of a font, and where it comes from, below node_modules. */
export interface FontFile {
  readonly file: string;
  readonly origin: string;
}

/** The licence that a font file is under, as a file that goes along with it. */
export function licenceOf({ origin }: FontFile): FontFile {
  const [scope, name] = origin.split('/');
  return { file: `${name}-licence.txt`, origin: `${scope}/${name}/LICENSE` };
}

/** Something words can be set in. */
export interface Font extends FontFacts {
  readonly id: string;
  readonly family: string;
  readonly character: string;
  /** Lightest and boldest weight it has. */
  readonly weights: readonly [number, number];
  readonly italic: boolean;
  /** Undefined for fonts of the owner's, which are measured when it is asked. */
  readonly letters: LetterFacts | undefined;
}

/**
 * Files of one slant: the letters of western Europe, and those of the other languages written in
 * Latin letters.
 */
export interface FontFiles {
  readonly latin: FontFile;
  readonly extended: FontFile;
}

/**
 * A font that ships with Soyez. Files are the two Latin subsets of the named packages, all under
 * the Open Font License.
 */
export interface ShippedFont extends Font {
  readonly upright: FontFiles;
  readonly slanted: FontFiles | undefined;
}

/**
 * Letters that are in the second file, as CSS writes ranges (those of the packages' own style
 * sheets).
 */
export const extendedRange =
  'U+0100-0130,U+0132-0151,U+0154-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+1D00-1DBF,U+1E00-1E9F,U+1EF2-1EFF,U+20A0-20AB,U+20AD-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF';

/** Words that need the second file. */
export const needsExtended = (words: string): boolean =>
  /[\u0100-\u0130\u0132-\u0151\u0154-\u02ba\u02bd-\u02c5\u02c7-\u02cc\u02ce-\u02d7\u02dd-\u02ff\u1d00-\u1dbf\u1e00-\u1e9f\u1ef2-\u1eff\u20a0-\u20ab\u20ad-\u20c0\u2113\u2c60-\u2c7f\ua720-\ua7ff]/.test(
    words.normalize('NFC'),
  );

function factsOf(id: string): Pick<Font, 'xHeight' | 'contrast' | 'letters'> {
  const known = (facts as Readonly<Record<string, FontFacts & LetterFacts>>)[id];
  return known
    ? { xHeight: known.xHeight, contrast: known.contrast, letters: known }
    : { xHeight: 0, contrast: 0, letters: undefined };
}

function shipped(
  id: string,
  family: string,
  character: string,
  weights: readonly [number, number],
  italic: boolean,
  path: (subset: string, style: string) => string,
): ShippedFont {
  const files = (style: 'normal' | 'italic', suffix: string): FontFiles => ({
    latin: { file: `${id}${suffix}.woff2`, origin: path('latin', style) },
    extended: { file: `${id}${suffix}-ext.woff2`, origin: path('latin-ext', style) },
  });
  return {
    id,
    family,
    character,
    weights,
    italic,
    ...factsOf(id),
    upright: files('normal', ''),
    slanted: italic ? files('italic', '-italic') : undefined,
  };
}

const variable = (
  id: string,
  family: string,
  character: string,
  lightest: number,
  boldest: number,
  italic: boolean,
): ShippedFont =>
  shipped(
    id,
    family,
    character,
    [lightest, boldest],
    italic,
    (subset, style) => `@fontsource-variable/${id}/files/${id}-${subset}-wght-${style}.woff2`,
  );

const single = (id: string, family: string, character: string, italic: boolean): ShippedFont =>
  shipped(
    id,
    family,
    character,
    [400, 400],
    italic,
    (subset, style) => `@fontsource/${id}/files/${id}-${subset}-400-${style}.woff2`,
  );

export const fonts: readonly ShippedFont[] = [
  variable('fraunces', 'Fraunces', 'soft old style', 100, 900, true),
  variable('newsreader', 'Newsreader', 'text serif', 200, 800, true),
  variable('lora', 'Lora', 'brushed serif', 400, 700, true),
  variable('playfair-display', 'Playfair Display', 'high contrast', 400, 900, true),
  variable('bitter', 'Bitter', 'slab', 100, 900, true),
  variable('archivo', 'Archivo', 'grotesque', 100, 900, true),
  variable('dm-sans', 'DM Sans', 'geometric', 100, 1000, true),
  variable('nunito-sans', 'Nunito Sans', 'rounded', 200, 1000, true),
  variable('josefin-sans', 'Josefin Sans', 'vintage', 100, 700, true),
  variable('oswald', 'Oswald', 'narrow', 200, 700, false),
  variable('caveat', 'Caveat', 'handwritten', 400, 700, false),
  single('dm-serif-display', 'DM Serif Display', 'display serif', true),
  single('abril-fatface', 'Abril Fatface', 'fat face', false),
];

const ownPrefix = 'own:';

/** Identifier of a font of the owner's. */
export const ownFontId = (assetId: string): string => `${ownPrefix}${assetId}`;

/** The asset that holds a font of the owner's; undefined for fonts that ship. */
export const ownAssetId = (fontId: string): string | undefined =>
  fontId.startsWith(ownPrefix) ? fontId.slice(ownPrefix.length) : undefined;

const ownFont = ({ id, family, weights, xHeight, contrast }: OwnFont): Font => ({
  id,
  family,
  character: 'your own',
  weights,
  italic: false,
  xHeight,
  contrast,
  letters: undefined,
});

/** All fonts that a site can set words in: the owner's first. */
export const fontsOf = (own: readonly OwnFont[]): readonly Font[] => [
  ...own.map(ownFont),
  ...fonts,
];

/** The font of that id, or the first that ships where it is not known any more. */
export const fontOf = (id: string, own: readonly OwnFont[] = []): Font =>
  fonts.find((f) => f.id === id) ?? own.filter((f) => f.id === id).map(ownFont)[0] ?? fonts[0];

/**
 * The weight of a font that is shown where that one is asked for: the nearest that it has, so that
 * nothing is thickened by guess.
 */
export const weightIn = ({ weights: [lightest, boldest] }: Pick<Font, 'weights'>, asked: number) =>
  Math.min(boldest, Math.max(lightest, asked));

/** What a site's headings, or its text, are set in. */
export interface ThemeFace {
  readonly font: Font;
  readonly weight: number;
}

export function themeFace(
  { theme, fonts: own }: Pick<Site, 'theme' | 'fonts'>,
  of: 'headings' | 'text',
): ThemeFace {
  const headings = of === 'headings';
  const font = fontOf(headings ? theme.headingFont : theme.bodyFont, own);
  return { font, weight: weightIn(font, headings ? theme.headingWeight : theme.bodyWeight) };
}

/**
 * Name under which a font's file is registered, so that an installed font of the same name is never
 * used instead.
 */
export const faceName = (id: string): string => `Soyez ${ownAssetId(id) ?? fontOf(id).family}`;
