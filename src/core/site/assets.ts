import { kindOf } from '../layers/registry';
import { filesOfSet } from '../set/paths';
import type { OwnPage } from './model/ownPage';
import type { Site } from './model/site';

/** Everything that an own page is made of. */
export const assetsOfPage = ({ document, original, survey, files }: OwnPage): string[] =>
  [document, original, survey, ...files.flatMap((f) => [f.assetId, f.original])].filter(
    (id) => id !== null,
  );

/** Every asset a site names: its shelf, what its layers draw with, its fonts, its set. */
export const assetsOf = (site: Site): string[] => [
  ...new Set([
    ...site.shelf.map((i) => i.assetId),
    ...site.fonts.map((f) => f.assetId),
    ...Object.values(site.pictures).flatMap((p) =>
      p.layers.flatMap((l) => kindOf(l).assets?.(l) ?? []),
    ),
    ...site.pages.flatMap((p) => (p.own ? assetsOfPage(p.own) : [])),
    ...(site.set ? filesOfSet(site.set).map((f) => f.assetId) : []),
  ]),
];
