import type { Hex } from './model/hex';
import type { Site } from './model/site';

/** Colours of the theme and of the page's areas: palettes keep them. */
export const siteColours = ({ theme, pages }: Pick<Site, 'theme' | 'pages'>): Hex[] => [
  ...new Set([
    ...theme.colours.map((c) => c.hex),
    ...pages.flatMap((p) => [
      p.ground,
      p.bar.colour,
      p.body.colour,
      ...p.sections.map((s) => s.colour),
    ]),
  ]),
];
