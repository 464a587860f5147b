import type { Size } from '@/core/frame/placement';
import type { FrozenPage } from '@/core/ownPage/frozen';
import type { PageSurvey } from '@/core/ownPage/survey';
import type { MeasuredPlace } from '@/core/site/model/ownPage';
import { openPageFrame } from '@/engine/page/frame';
import { measurePlaces } from '@/engine/page/measuredPlaces';
import { hiddenHost } from './hiddenHost';

/**
 * What a browser says of an element that was pointed at, at all widths that the page was surveyed at;
 * the page that is looked at stays as it is.
 * @param file px of the picture that it is to have
 * @returns null where the page cannot be laid out
 */
export async function measurePointed(
  page: FrozenPage,
  survey: PageSurvey,
  selector: string,
  { width, height }: Size,
): Promise<MeasuredPlace | null> {
  const host = hiddenHost();
  try {
    const frame = await openPageFrame(host, page);
    const place = { as: 'background', selector, pseudo: '', layer: 0 };
    const asked = { place, root: false, key: undefined, file: { width, height } };
    const measured = await measurePlaces(frame, survey, [asked]);
    frame.close();
    return measured?.[0] ?? null;
  } catch {
    return null;
  } finally {
    host.remove();
  }
}
