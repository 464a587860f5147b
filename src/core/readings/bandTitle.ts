import type { TitleAt, TitleReport } from '../legibility/bandTitle';
import type { Edit } from '../site/edit';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { editPage } from '../site/pages';
import { contrastVerdict, ratioWords, spotAt } from './legibility';
import { veilUnderPage } from './pageWords';
import type { Mend, ReadingContext, ReadingKind } from './reading';
import { colourName } from './say';
import { titleQuestion } from './survey';

const hasTitle = ({ site, slot }: ReadingContext): boolean =>
  (titleQuestion(site, slot)?.band.heading ?? '').trim() !== '';

/** Where some of the screens are, in few words: between the narrowest and the widest of them. */
function screensOf(some: readonly TitleAt[], { at }: TitleReport): string {
  const [from, to] = [some[0].screen, some[some.length - 1].screen];
  if (some.length === at.length) {
    return 'on every screen';
  }
  return from === to ? `at ${from} px` : `at ${from} to ${to} px`;
}

const short = ({ at, wanted }: TitleReport): readonly TitleAt[] =>
  at.filter((one) => one.worst < wanted);

const worstOf = ({ at }: TitleReport): TitleAt => at.reduce((a, b) => (b.worst < a.worst ? b : a));

const editBand = (site: Site, slot: Slot, change: { ink?: string; sizePx?: number }): Edit =>
  editPage(site.pages.find((p) => p.band?.slot === slot.id)!.id, (p) => {
    Object.assign(p.band!, change);
  });

function mends(
  { veils, inks }: TitleReport,
  { site, slot, picture }: { site: Site; slot: Slot; picture: Picture },
): Mend[] {
  return [
    ...veils.map((veil) => ({
      label: `Veil of ${colourName(site, veil.colour)} at ${veil.percent}%`,
      edit: veilUnderPage(picture, veil),
    })),
    ...inks.map((ink) => ({
      label: `The title in ${colourName(site, ink)}`,
      edit: editBand(site, slot, { ink }),
    })),
  ];
}

/** A band's title against the picture behind it, at all widths (WCAG 2.2, success criterion 1.4.3). */
export const bandTitle: ReadingKind<TitleReport> = {
  id: 'band-title',
  question: 5,
  title: 'The page’s title over it',
  standard: 'WCAG 2.2, success criterion 1.4.3',
  applies: hasTitle,
  measure: ({ file }) => file?.title,
  judge(report) {
    const { worst } = worstOf(report);
    const fifth = Math.min(...report.at.map((one) => one.fifth));
    return contrastVerdict({
      contrast: { worst, fifth, median: worst, at: report.spot },
      wanted: report.wanted,
    });
  },
  figure: (report) => ratioWords(worstOf(report).worst),
  plain(report) {
    const bad = short(report);
    return bad.length === 0
      ? 'The title reads well on every screen'
      : `Title hard to read ${screensOf(bad, report)}`;
  },
  spot: (report) => (short(report).length > 0 ? spotAt(report.spot) : undefined),
  say(report) {
    const { screen, worst, fifth } = worstOf(report);
    return `Measured at ${report.at.length} screen widths from ${report.at[0].screen} to ${report.at[report.at.length - 1].screen} px. The title has ${ratioWords(worst)} at its worst spot and ${ratioWords(fifth)} where nineteen of twenty px are better, on a screen of ${screen} px; ${report.wanted}:1 is wanted.`;
  },
  mend: (report, context) => mends(report, context)[0],
  ways: (report, context) => mends(report, context),
};

const cut = ({ at }: TitleReport): readonly TitleAt[] => at.filter((one) => !one.fits);

/** A band's title has room for all its lines at all widths. */
export const bandTitleRoom: ReadingKind<TitleReport> = {
  id: 'band-title-room',
  question: 5,
  title: 'Room for the page’s title',
  applies: hasTitle,
  measure: ({ file }) => file?.title,
  judge: (report) => (cut(report).length === 0 ? 'holds' : 'fails'),
  figure: ({ at }) => {
    const most = Math.max(...at.map((one) => one.lines));
    return most === 1 ? '1 line' : `${most} lines`;
  },
  plain(report) {
    const bad = cut(report);
    return bad.length === 0
      ? 'The title has room on every screen'
      : `Title cut off ${screensOf(bad, report)}`;
  },
  say(report) {
    const most = report.at.reduce((a, b) => (b.lines > a.lines ? b : a));
    return `On a screen of ${most.screen} px the title breaks into ${most.lines === 1 ? 'one line' : `${most.lines} lines`}; all of them are to lie in the band.`;
  },
  mend: ({ fitting }, { site, slot }) =>
    fitting === undefined
      ? undefined
      : { label: `Set it in ${fitting} px`, edit: editBand(site, slot, { sizePx: fitting }) },
};
