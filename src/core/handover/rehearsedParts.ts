import type { Site } from '../site/model/site';
import { asFiled, drawingKey, pictureOf } from '../site/picture';

/** What tells a part of a site that a visitor may see, by the part's name. */
export type RehearsedParts = Readonly<Record<string, string>>;

/** Every part of a site that a visitor may see, with all that it depends on. */
export function rehearsedParts(site: Site): RehearsedParts {
  const { pages, theme, slots, handOver, defaultBackground, set } = site;
  return Object.fromEntries([
    ...slots.map((slot) => {
      const picture = pictureOf(site, slot);
      const { layers, press, fallback, alt, decorative } = picture;
      return [
        slot.name,
        JSON.stringify([
          drawingKey(asFiled(picture), slot),
          layers.filter((layer) => layer.kind === 'text' && layer.live),
          press,
          fallback,
          alt,
          decorative,
          slot,
        ]),
      ];
    }),
    ...pages.map((page) => [
      `the page ${page.name}`,
      JSON.stringify([
        page,
        [theme.headingFont, theme.headingWeight, theme.bodyFont, theme.bodyWeight],
        defaultBackground,
      ]),
    ]),
    ['what is handed over', JSON.stringify(handOver)],
    ...(set
      ? [
          [
            `the recoloured theme ${set.name}`,
            JSON.stringify([set.recipe, set.follows, set.lines, set.pieces, set.sheets]),
          ],
        ]
      : []),
  ]);
}

/** Names of parts that came, went or changed since a rehearsal, each once. */
export const changedParts = (now: RehearsedParts, then: RehearsedParts): string[] =>
  [...new Set([...Object.keys(now), ...Object.keys(then)])].filter(
    (name) => now[name] !== then[name],
  );
