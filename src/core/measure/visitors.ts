import type { Page } from '../site/model/page';
import type { VisitorWidth } from '../site/model/site';
import { contentWidthAt, marginAt } from './layoutPage';

/** Parts of the whole, 0..1, by width; empty where nobody visits. */
export function shares(visitors: readonly VisitorWidth[]): VisitorWidth[] {
  const total = visitors.reduce((sum, v) => sum + v.share, 0);
  return total > 0 ? visitors.map((v) => ({ width: v.width, share: v.share / total })) : [];
}

/**
 * Share of the visitors for whose screen width something holds, 0..1; undefined where nobody
 * visits.
 */
export function shareWhere(
  visitors: readonly VisitorWidth[],
  holds: (width: number) => boolean,
): number | undefined {
  const parts = shares(visitors);
  return parts.length
    ? parts.filter((v) => holds(v.width)).reduce((sum, v) => sum + v.share, 0)
    : undefined;
}

/** Share of the visitors who see none of the page's background beside the content, 0..1. */
export const hiddenShare = (
  page: Pick<Page, 'content'>,
  visitors: readonly VisitorWidth[],
): number | undefined => shareWhere(visitors, (width) => marginAt(page, width) <= 0);

/** The page's content at most so wide. */
export const narrowedTo = (page: Pick<Page, 'content'>, px: number): Pick<Page, 'content'> => ({
  content: { ...page.content, px },
});

/**
 * The mean of what is to be seen at each side, px, over all visitors; undefined where nobody
 * visits.
 */
export function meanMargin(
  page: Pick<Page, 'content'>,
  visitors: readonly VisitorWidth[],
): number | undefined {
  const parts = shares(visitors);
  return parts.length
    ? parts.reduce((sum, v) => sum + v.share * ((v.width - contentWidthAt(page, v.width)) / 2), 0)
    : undefined;
}
