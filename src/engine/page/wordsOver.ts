import { intersect, isEmpty } from '@/core/raster/raster';
import type { PageRect } from '@/core/ownPage/survey';
import { viewOf } from './rect';
import type { Words } from './words';

/** Nothing of what lies behind it shows through, or it has a picture of its own. */
function covers(element: Element): boolean {
  const { backgroundColor, backgroundImage } = viewOf(element.ownerDocument).getComputedStyle(
    element,
  );
  const seeThrough = /^transparent$|^rgba\(|\/ /.test(backgroundColor);
  return !seeThrough || backgroundImage.includes('url(');
}

/**
 * The words that lie on a picture of the page with nothing opaque between them.
 * @param element that has the picture
 * @param whole it is the page's own background
 * @param area that shows the picture
 * @param words of the page, as it is laid out now
 */
export function wordsLyingOver(
  element: Element,
  whole: boolean,
  area: PageRect,
  words: readonly Words[],
): Words[] {
  const { body, documentElement } = element.ownerDocument;
  return words.filter(({ element: holder, rect }) => {
    const inside = element.contains(holder);
    const later =
      (element.compareDocumentPosition(holder) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;
    if (isEmpty(intersect(rect, area)) || (!inside && !later)) {
      return false;
    }
    for (let at: Element | null = holder; at && !at.contains(element); at = at.parentElement) {
      if (whole && (at === body || at === documentElement)) {
        return true;
      }
      if (covers(at)) {
        return false;
      }
    }
    return true;
  });
}
