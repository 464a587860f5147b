import type { Size } from '@/core/frame/placement';
import { screenHeightAt } from '@/core/measure/layoutPage';
import { intersect } from '@/core/raster/raster';
import { uncovered } from '@/core/ownPage/uncovered';
import { seenOf } from '@/core/ownPage/surround';
import type { PageRect, PageSurvey } from '@/core/ownPage/survey';
import type { MeasuredPlace, OwnPlace, SeenAt } from '@/core/site/model/ownPage';
import type { PageFrame } from './frame';

/** A place of the page that is measured. */
export interface AskedPlace {
  readonly place: Pick<OwnPlace, 'as' | 'selector' | 'pseudo' | 'layer'>;
  /** What lies there is the page's own background. */
  readonly root: boolean;
  /** Of its file; undefined where none lies there yet. */
  readonly key: string | undefined;
  /** Px of what lies there. */
  readonly file: Size;
}

const placeOf = ({ place }: AskedPlace): OwnPlace => ({
  ...place,
  slot: '',
  rect: null,
  measured: null,
  ruled: 'page',
});

/** The usual screen (common practice, no source), or the widest that shows the picture. */
const widthFor = (seen: readonly SeenAt[]): number | undefined =>
  seen.some(({ screen }) => screen === 1280) ? 1280 : seen.at(-1)?.screen;

interface Seen {
  readonly at: SeenAt[];
  words: boolean;
}

/** Screens at which words are looked at, px: the narrowest and the usual (common practice, no source). */
const wordsAt = [360, 1280];

/** What each screen shows of the pictures, in a window as high as that screen. */
async function seenAt(
  frame: PageFrame,
  survey: PageSurvey,
  places: readonly AskedPlace[],
): Promise<ReadonlyMap<AskedPlace, Seen>> {
  const found = new Map(places.map((one): [AskedPlace, Seen] => [one, { at: [], words: false }]));
  for (const { width: screen } of survey.at) {
    await frame.show(screen, screenHeightAt(screen));
    const shown: { one: Seen; place: OwnPlace; root: boolean; area: PageRect }[] = [];
    for (const [asked, one] of found) {
      const { root, file } = asked;
      const place = placeOf(asked);
      const laid = frame.placed(survey, place, file);
      const whole = laid && seenOf(laid, file);
      const part = laid && intersect(laid.copy, laid.area);
      // Another copy shows what this one does not.
      const once = laid && !laid.repeatX && !laid.repeatY;
      const grid = once && part ? frame.covers(place.selector, root, part) : [];
      const seen = whole && uncovered(whole, grid);
      if (seen) {
        one.at.push({ screen, ...seen });
        shown.push({ one, place, root, area: laid.area });
      }
    }
    if (wordsAt.includes(screen)) {
      frame.wordsOver(shown).forEach((over, i) => {
        shown[i].one.words ||= over;
      });
    }
  }
  return found;
}

/**
 * What a browser says of the places of pictures: what each screen shows of them, and what it paints
 * beside them. The page is left as it was shown last.
 * @param onNext told before what lies beside each is looked at
 * @returns in the order of the places
 */
export async function measurePlaces(
  frame: PageFrame,
  survey: PageSurvey,
  asked: readonly AskedPlace[],
  onNext: (index: number) => void,
): Promise<readonly MeasuredPlace[]> {
  const seen = await seenAt(frame, survey, asked);
  const found: MeasuredPlace[] = [];
  let shown: number | undefined;
  for (const [i, one] of asked.entries()) {
    onNext(i);
    const { root, key, file } = one;
    const { at, words } = seen.get(one)!;
    const width = widthFor(at);
    let beside: Pick<MeasuredPlace, 'surround' | 'meets'> | undefined;
    // What lies on the whole page has nothing beside it.
    if (width !== undefined && !root) {
      if (shown !== width) {
        await frame.show(width);
        shown = width;
      }
      const target = { key, selector: one.place.selector };
      // A page that cannot be read is taken over all the same.
      beside = await frame.surround(survey, placeOf(one), target, file).catch(() => undefined);
    }
    found.push({
      surround: beside?.surround ?? null,
      meets: beside?.meets ?? [],
      seen: at.length > 0 ? at : null,
      words,
    });
  }
  return found;
}
