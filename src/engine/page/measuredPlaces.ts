import type { Size } from '@/core/frame/placement';
import { screenHeightAt } from '@/core/measure/layoutPage';
import { seenOf } from '@/core/ownPage/surround';
import type { PageRect, PageSurvey, PaintedPicture } from '@/core/ownPage/survey';
import type { MeasuredPlace, OwnPlace, SeenAt } from '@/core/site/model/ownPage';
import type { PageFrame } from './frame';

/** A picture of the page whose place is measured. */
export interface AskedPicture {
  readonly picture: PaintedPicture;
  /** Of its file. */
  readonly key: string;
  /** Px of what lies there. */
  readonly file: Size;
}

const placeOf = (picture: PaintedPicture): OwnPlace => ({
  ...picture,
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
  asked: readonly AskedPicture[],
): Promise<ReadonlyMap<AskedPicture, Seen>> {
  const found = new Map(asked.map((one): [AskedPicture, Seen] => [one, { at: [], words: false }]));
  for (const { width: screen } of survey.at) {
    await frame.show(screen, screenHeightAt(screen));
    const shown: { one: Seen; place: OwnPlace; root: boolean; area: PageRect }[] = [];
    for (const [{ picture, file }, one] of found) {
      const place = placeOf(picture);
      const laid = frame.placed(survey, place, file);
      const seen = laid && seenOf(laid, file);
      if (seen) {
        one.at.push({ screen, ...seen });
        shown.push({ one, place, root: picture.root, area: laid.area });
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
 * @returns by the picture's id
 */
export async function measurePlaces(
  frame: PageFrame,
  survey: PageSurvey,
  asked: readonly AskedPicture[],
  onNext: (index: number) => void,
): Promise<ReadonlyMap<string, MeasuredPlace>> {
  const seen = await seenAt(frame, survey, asked);
  const found = new Map<string, MeasuredPlace>();
  let shown: number | undefined;
  for (const [i, one] of asked.entries()) {
    onNext(i);
    const { picture, key, file } = one;
    const { at, words } = seen.get(one)!;
    const width = widthFor(at);
    let beside: Pick<MeasuredPlace, 'surround' | 'meets'> | undefined;
    // What lies on the whole page has nothing beside it.
    if (width !== undefined && !picture.root) {
      if (shown !== width) {
        await frame.show(width);
        shown = width;
      }
      const target = { key, selector: picture.selector };
      // A page that cannot be read is taken over all the same.
      beside = await frame.surround(survey, placeOf(picture), target, file).catch(() => undefined);
    }
    found.set(picture.id, {
      surround: beside?.surround ?? null,
      meets: beside?.meets ?? [],
      seen: at.length > 0 ? at : null,
      words,
    });
  }
  return found;
}
