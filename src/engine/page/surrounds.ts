import type { Size } from '@/core/frame/placement';
import type { PageSurvey, PaintedPicture } from '@/core/ownPage/survey';
import type { Surround } from '@/core/site/model/ownPage';
import type { PageFrame } from './frame';

/** A picture of the page whose surround is asked for. */
export interface AskedPicture {
  readonly picture: PaintedPicture;
  /** Of its file, and its px. */
  readonly key: string;
  readonly file: Size;
}

/** The usual screen (common practice, no source), or the widest that shows the picture. */
function widthFor({ at }: Pick<PageSurvey, 'at'>, { id }: PaintedPicture): number | undefined {
  const widths = at.filter(({ placed }) => placed.has(id)).map(({ width }) => width);
  return widths.includes(1280) ? 1280 : widths.at(-1);
}

/**
 * What the page paints beside some of its pictures, one after the other; the page is left as it was
 * shown last.
 * @param onNext told before each
 */
export async function surroundsOf(
  frame: PageFrame,
  survey: PageSurvey,
  asked: readonly AskedPicture[],
  onNext: (index: number) => void,
): Promise<ReadonlyMap<string, Surround>> {
  const found = new Map<string, Surround>();
  let shown: number | undefined;
  for (const [i, { picture, key, file }] of asked.entries()) {
    onNext(i);
    const width = widthFor(survey, picture);
    // What lies on the whole page has nothing beside it.
    if (width === undefined || picture.root) {
      continue;
    }
    if (shown !== width) {
      await frame.show(width);
      shown = width;
    }
    const place = { ...picture, slot: '', rect: null, surround: null };
    const target = { key, selector: picture.selector };
    // A page that cannot be read is taken over all the same.
    const surround = await frame.surround(survey, place, target, file).catch(() => undefined);
    if (surround) {
      found.set(picture.id, surround);
    }
  }
  return found;
}
