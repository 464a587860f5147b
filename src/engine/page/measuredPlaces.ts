import type { Size } from '@/core/frame/placement';
import { screenHeightAt } from '@/core/measure/layoutPage';
import { intersect } from '@/core/raster/raster';
import { uncovered } from '@/core/ownPage/uncovered';
import { measuredSides } from '@/core/ownPage/colourRuns';
import { seenOf } from '@/core/ownPage/surround';
import type { PageRect, PageSurvey } from '@/core/ownPage/survey';
import type { MeasuredPlace, OwnPlace, SeenAt, SurroundAt } from '@/core/site/model/ownPage';
import type { AdjacentPixelsRequest, AdjacentPixels, PageFrame } from './frame';

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
  wanted: () => boolean,
): Promise<ReadonlyMap<AskedPlace, Seen>> {
  const found = new Map(places.map((one): [AskedPlace, Seen] => [one, { at: [], words: false }]));
  for (const { width: screen } of survey.at) {
    if (!wanted()) {
      break;
    }
    await frame.show(screen, screenHeightAt(screen));
    const shown: { one: Seen; place: OwnPlace; root: boolean; area: PageRect }[] = [];
    const asked = [...found.keys()].map((one) => ({ place: placeOf(one), file: one.file }));
    const now = frame.placedAll(survey, asked);
    const lying = [...found].flatMap(([{ root, file }, one], i) => {
      const { place } = asked[i];
      const laid = now[i];
      return laid ? [{ one, place, root, file, laid }] : [];
    });
    // Of one that is repeated, another copy shows what this one does not.
    const once = lying.filter(({ laid }) => !laid.repeatX && !laid.repeatY);
    const grids = frame.covers(
      once.map(({ place, root, laid }) => ({
        selector: place.selector,
        root,
        part: intersect(laid.copy, laid.area),
      })),
    );
    for (const lies of lying) {
      const { one, place, root, file, laid } = lies;
      const whole = seenOf(laid, file);
      const seen = whole && uncovered(whole, grids[once.indexOf(lies)] ?? []);
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

/** Screens at which edges are looked at where they scale a picture, px (common practice, no source). */
const edgesAt = [360, 768, 1280, 1920];

/** A picture that is off its size by less is not scaled: a fraction of a px of a page. */
const sameSize = 0.002;

const scales = ({ screen, scale }: SeenAt): boolean =>
  edgesAt.includes(screen) && Math.abs(scale - 1) > sameSize;

const adjacentPixelsRequest = (one: AskedPlace): AdjacentPixelsRequest => ({
  place: placeOf(one),
  target: { key: one.key, selector: one.place.selector },
  file: one.file,
});

/** What lies beside pictures at the screens that scale them. */
async function scaledAdjacent(
  frame: PageFrame,
  survey: PageSurvey,
  seen: ReadonlyMap<AskedPlace, Seen>,
  wanted: () => boolean,
): Promise<ReadonlyMap<AskedPlace, SurroundAt[]>> {
  const found = new Map([...seen.keys()].map((one): [AskedPlace, SurroundAt[]] => [one, []]));
  for (const screen of edgesAt) {
    const here = [...seen]
      .filter(([one, { at }]) => !one.root && at.some((s) => s.screen === screen && scales(s)))
      .map(([one]) => one);
    if (here.length === 0 || !wanted()) {
      continue;
    }
    await frame.show(screen);
    // A page that cannot be read is taken over all the same.
    const read = await frame
      .scaledSurrounds(survey, here.map(adjacentPixelsRequest))
      .catch(() => []);
    read.forEach((one, i) => {
      if (one && measuredSides(one.surround).length > 0) {
        found.get(here[i])!.push({ screen, ...one });
      }
    });
  }
  return found;
}

/**
 * What a browser says of the places of pictures: what each screen shows of them, and what it paints
 * beside them. The page is left as it was shown last.
 * @param wanted asked before each step; once it says no, nothing more is done
 * @returns in the order of the places; undefined when it was not wanted any more
 */
export async function measurePlaces(
  frame: PageFrame,
  survey: PageSurvey,
  places: readonly AskedPlace[],
  wanted: () => boolean = () => true,
): Promise<readonly MeasuredPlace[] | undefined> {
  const seen = await seenAt(frame, survey, places, wanted);
  const beside = new Map<AskedPlace, AdjacentPixels>();
  // What lies on the whole page has nothing beside it.
  const read = places.filter(({ root }) => !root);
  const widths = new Set(read.flatMap((one) => widthFor(seen.get(one)!.at) ?? []));
  for (const width of widths) {
    if (!wanted()) {
      return undefined;
    }
    const here = read.filter((one) => widthFor(seen.get(one)!.at) === width);
    await frame.show(width);
    // A page that cannot be read is taken over all the same.
    const found = await frame.surrounds(survey, here.map(adjacentPixelsRequest)).catch(() => []);
    found.forEach((one, i) => {
      if (one) {
        beside.set(here[i], one);
      }
    });
  }
  const scaled = await scaledAdjacent(frame, survey, seen, wanted);
  if (!wanted()) {
    return undefined;
  }
  return places.map((one): MeasuredPlace => {
    const { at, words } = seen.get(one)!;
    return {
      surround: beside.get(one)?.surround ?? null,
      scaled: scaled.get(one)!,
      meets: beside.get(one)?.meets ?? [],
      over: beside.get(one)?.over ?? null,
      seen: at.length > 0 ? at : null,
      words,
    };
  });
}
