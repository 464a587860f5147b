/** Fonts that ship with Soyez for words on pictures. Files are the Latin subsets of the named packages, all under the Open Font License. */
export interface Font {
  readonly id: string;
  readonly family: string;
  readonly character: string;
  /** Lightest and boldest weight the file holds. */
  readonly weights: readonly [number, number];
  readonly file: string;
  /** Where the file comes from, below node_modules. */
  readonly origin: string;
}

const variable = (id: string, family: string, character: string, lightest: number, boldest: number): Font => ({
  id, family, character, weights: [lightest, boldest], file: `${id}.woff2`,
  origin: `@fontsource-variable/${id}/files/${id}-latin-wght-normal.woff2`,
});

const single = (id: string, family: string, character: string): Font => ({
  id, family, character, weights: [400, 400], file: `${id}.woff2`, origin: `@fontsource/${id}/files/${id}-latin-400-normal.woff2`,
});

export const fonts: readonly Font[] = [
  variable('fraunces', 'Fraunces', 'soft old style', 100, 900),
  variable('newsreader', 'Newsreader', 'text serif', 200, 800),
  variable('lora', 'Lora', 'brushed serif', 400, 700),
  variable('playfair-display', 'Playfair Display', 'high contrast', 400, 900),
  variable('bitter', 'Bitter', 'slab', 100, 900),
  variable('archivo', 'Archivo', 'grotesque', 100, 900),
  variable('dm-sans', 'DM Sans', 'geometric', 100, 1000),
  variable('nunito-sans', 'Nunito Sans', 'rounded', 200, 1000),
  variable('josefin-sans', 'Josefin Sans', 'vintage', 100, 700),
  variable('oswald', 'Oswald', 'narrow', 200, 700),
  variable('caveat', 'Caveat', 'handwritten', 400, 700),
  single('dm-serif-display', 'DM Serif Display', 'display serif'),
  single('abril-fatface', 'Abril Fatface', 'fat face'),
];

/** The font of that id, or the first one where it is not known any more. */
export const fontOf = (id: string): Font => fonts.find((f) => f.id === id) ?? fonts[0];

/** Name under which a font's file is registered, so that an installed font of the same name is never used instead. */
export const faceName = (font: Font): string => `Soyez ${font.family}`;
