import { newWash } from '../layers/fill';
import type { PageWordReport, PageWordsReport } from '../legibility/pageWords';
import type { Veil } from '../legibility/report';
import { addBehindWords, type Edit } from '../site/edit';
import type { Hex } from '../site/model/hex';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import { inkWords, ownPlaceOf } from '../site/pages';
import { freeLayerId } from '../site/picture';
import { contrastVerdict, ratioWords } from './legibility';
import type { Mend, ReadingKind } from './reading';
import { colourName } from './say';

const nameOf = ({ text }: PageWordReport): string =>
  text.length > 40 ? `${text.slice(0, 38).trimEnd()}…` : text;

/** A veil over all of the picture, under words that are part of it. */
export const veilUnderPage = (picture: Picture, { colour, percent }: Veil): Edit =>
  addBehindWords(picture.id, {
    ...newWash(freeLayerId(picture, 'veil'), colour, percent / 100),
    name: 'Veil',
  });

const veilMend = (site: Site, picture: Picture, veil: Veil): Mend => ({
  label: `Veil of ${colourName(site, veil.colour)} at ${veil.percent}%`,
  edit: veilUnderPage(picture, veil),
});

/** Other words for the page, where its files may be changed. */
export function inkMend(
  site: Site,
  slotId: string,
  words: PageWordReport,
  ink: Hex | undefined,
): Mend | undefined {
  const own = ownPlaceOf(site, slotId);
  return own && ink !== undefined && site.handOver.pageFiles
    ? {
        label: `The page’s words in ${colourName(site, ink)}`,
        edit: inkWords(own.page.id, words.selector, ink),
      }
    : undefined;
}

/** The page's own words against what it paints behind them (WCAG 2.2, success criterion 1.4.3). */
export const pageWords: ReadingKind<PageWordsReport> = {
  id: 'page-words',
  question: 5,
  title: 'The page’s words over it',
  applies: ({ over }) => over !== undefined && over.words.length > 0,
  measure: ({ over }) => over,
  judge: ({ words: [worst] }) => contrastVerdict(worst),
  figure: ({ words: [worst] }) => ratioWords(worst.contrast.worst),
  standard: 'WCAG 2.2, success criterion 1.4.3',
  plain: ({ words: [worst] }) =>
    contrastVerdict(worst) === 'holds'
      ? 'The page’s own words read well on it'
      : `Hard to read on it: the page’s “${nameOf(worst)}”`,
  say({ words: [worst] }) {
    const { contrast, wanted } = worst;
    return `“${nameOf(worst)}” has ${ratioWords(contrast.worst)} at its worst spot, ${ratioWords(contrast.fifth)} where nineteen of twenty px are better and ${ratioWords(contrast.median)} in the middle; ${wanted}:1 is wanted.`;
  },
  mend({ words: [worst], veils: [veil] }, { picture, site, slot }) {
    return veil ? veilMend(site, picture, veil) : inkMend(site, slot.id, worst, worst.inks[0]);
  },
  ways: ({ words: [worst], veils }, { picture, site, slot }) => [
    ...veils.map((veil) => veilMend(site, picture, veil)),
    ...worst.inks.flatMap((ink) => inkMend(site, slot.id, worst, ink) ?? []),
  ],
};
