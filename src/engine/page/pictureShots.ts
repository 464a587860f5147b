import type { Size } from '@/core/frame/placement';
import { screenHeightAt } from '@/core/measure/layoutPage';
import type { PageSurvey } from '@/core/ownPage/survey';
import { crop, intersect, type Raster, type Rect } from '@/core/raster/raster';
import type { OwnPlace } from '@/core/site/model/ownPage';
import type { PageFrame, PictureTarget } from './frame';

/** Px of the page that are seen above and below a picture. */
const around = 40;

/** The part of a page around a picture that one window can show, px of the page. */
export function partAround(picture: Rect, page: Size, most: number): Rect {
  const height = Math.min(most, Math.ceil(picture.height) + 2 * around, page.height);
  const middle = picture.y + Math.min(picture.height, height - 2 * around) / 2;
  const y = Math.max(0, Math.min(Math.round(middle - height / 2), page.height - height));
  return { x: 0, y, width: page.width, height };
}

/**
 * A page with one picture after the other in a place of it, as pixels of the part around that.
 * @param onShot told of each, by its number
 * @param wanted asked before each; once it says no, nothing more is done
 */
export async function pictureShots(
  frame: PageFrame,
  survey: PageSurvey,
  { place, target, width }: { place: OwnPlace; target: PictureTarget; width: number },
  pictures: readonly Raster[],
  onShot: (index: number, shot: Raster) => void,
  wanted: () => boolean,
): Promise<void> {
  const height = screenHeightAt(width);
  await frame.show(width, height);
  let settled = () => {};
  const live = frame.live(target, () => settled());
  for (const [i, picture] of pictures.entries()) {
    if (!wanted()) {
      break;
    }
    const there = new Promise<void>((resolve) => {
      settled = resolve;
    });
    live.look(picture);
    await there;
    const laid = frame.placed(survey, place, picture);
    if (!laid) {
      continue;
    }
    const page = { width, height: frame.height() };
    const part = partAround(intersect(laid.copy, laid.area), page, height);
    const top = Math.max(0, Math.min(part.y, page.height - height));
    frame.scrollTo(top);
    const seen = await frame.raster({ top });
    onShot(i, crop(seen, { ...part, y: part.y - top }));
  }
  live.close();
}
