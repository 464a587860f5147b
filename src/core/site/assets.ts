import { kindOf } from '../layers/registry';
import { filesOfSet } from '../set/paths';
import type { Site } from './model/site';

/** Every asset a site names: its shelf, what its layers draw with, its fonts, its set. */
export const assetsOf = (site: Site): string[] => [
  ...new Set([
    ...site.shelf.map((i) => i.assetId),
    ...site.fonts.map((f) => f.assetId),
    ...Object.values(site.pictures).flatMap((p) =>
      p.layers.flatMap((l) => kindOf(l).assets?.(l) ?? []),
    ),
    ...site.pages.flatMap((p) =>
      p.own ? [p.own.document, p.own.survey, ...p.own.files.map((f) => f.assetId)] : [],
    ),
    ...(site.set ? filesOfSet(site.set).map((f) => f.assetId) : []),
  ]),
];
