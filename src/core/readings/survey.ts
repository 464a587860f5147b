import type { CalmReport } from '../calm/calm';
import { liveTexts } from '../handover/liveText';
import { titleScreens, type TitleQuestion, type TitleReport } from '../legibility/bandTitle';
import type { LiveScales } from '../legibility/liveSizes';
import type { TextReport } from '../legibility/report';
import { backdropOf } from '../seam/adjacentColours';
import { siteColours } from '../site/colours';
import type { Axes } from '../site/model/blendLayers';
import type { Hex } from '../site/model/hex';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { pagesWith } from '../site/pages';
import { drawingKey, isBlank } from '../site/picture';
import { titleFont, titleWeight } from '../text/titleLook';
import { isContent } from '../slots/registry';
import { visibleAt } from '../widths/visible';
import { isUnderContent, wrapsOf } from './repeats';

/** What is measured of a drawing and not of its file: how words stand off it, how calm it is. */
export interface SurveyQuestions {
  /** What shows through where the picture does not cover the page. */
  readonly backdrop: Hex;
  /** Colours for veils and for words. */
  readonly colours: readonly Hex[];
  /**
   * Wanted where words of the page lie over the picture: the largest local contrast, the veil's
   * colour, and how it is repeated.
   */
  readonly calm: {
    readonly limit: number;
    readonly veil: Hex;
    readonly wraps: Axes | 'none';
  } | null;
  /** Wanted where words of the picture are handed over as text of the page. */
  readonly live: LiveScales | null;
  /** Wanted of a band that has its page's title over it. */
  readonly title: TitleQuestion | null;
}

export interface Survey {
  /** How each text stands off what lies behind it. */
  readonly texts: Readonly<Record<string, TextReport>>;
  readonly calm: CalmReport | undefined;
  /** How its page's title stands over it. */
  readonly title: TitleReport | undefined;
}

/** Of a picture that nothing was to be measured of. */
export const noSurvey: Survey = { texts: {}, calm: undefined, title: undefined };

const hasWords = (picture: Picture): boolean =>
  picture.layers.some((l) => l.kind === 'text' && !l.hidden);

/** Colours that a veil or the words themselves may take: the theme's, and black and white. */
export const offeredColours = ({ theme }: Pick<Site, 'theme'>): Hex[] => [
  ...new Set([...theme.colours.map((c) => c.hex), '#000000', '#ffffff']),
];

/** The title that the plan lays over a band, where its picture goes along with the page. */
export function titleQuestion(site: Site, slot: Slot): TitleQuestion | null {
  const page = site.pages.find((p) => p.band?.slot === slot.id && p.own === null);
  if (!page?.band || slot.attachment === 'fixed') {
    return null;
  }
  const { repeat, position, size } = slot;
  return {
    page: { content: page.content },
    band: { ...page.band, slot: null },
    font: titleFont(page.band, site),
    weight: titleWeight(page.band, site),
    rules: { repeat, position, size },
  };
}

/** How large a picture is shown on all screens, where words lie over it as text. */
function liveScales(site: Site, slot: Slot, picture: Picture): LiveScales | null {
  if (!isContent(slot.kind) || liveTexts(picture.layers).length === 0) {
    return null;
  }
  const at = titleScreens.flatMap((screen) => {
    const shown = visibleAt(site, slot, screen);
    return shown && screen >= (slot.narrow?.below ?? 0) ? [{ screen, scale: shown.scale }] : [];
  });
  return { least: site.limits.phoneText, at };
}

/** What is to be asked of a picture; undefined where there are no words to be read on it. */
export function surveyQuestions(
  site: Site,
  slot: Slot,
  picture: Picture,
): SurveyQuestions | undefined {
  const under = isUnderContent(slot);
  if (!under && !hasWords(picture)) {
    return undefined;
  }
  const backdrop = backdropOf(site, slot);
  const veil = pagesWith(site, slot)[0]?.ground ?? backdrop;
  const calm = under ? { limit: site.limits.calm, veil, wraps: wrapsOf(slot) } : null;
  return {
    backdrop,
    colours: offeredColours(site),
    calm,
    live: liveScales(site, slot, picture),
    title: titleQuestion(site, slot),
  };
}

/**
 * Equal for states of a picture that press to the same file and read alike; empty where there is
 * nothing to press.
 */
export function fileKey(site: Site, slot: Slot, picture: Picture): string {
  if (isBlank(picture)) {
    return '';
  }
  const questions = surveyQuestions(site, slot, picture);
  return [
    drawingKey(picture, slot),
    JSON.stringify(picture.press),
    ...(picture.press.colours === null ? [] : siteColours(site)),
    ...(questions ? [JSON.stringify(questions)] : []),
  ].join(' ');
}
