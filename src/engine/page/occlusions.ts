import { intersect, isEmpty } from '@/core/raster/raster';
import type { CoverGrid } from '@/core/ownPage/uncovered';
import type { Occlusion, PageRect } from '@/core/ownPage/survey';
import type { ShortestSelectors } from './selectors';
import { rectOf, viewOf } from './rect';

/** A picture on the page, and the part of it that is painted. */
export interface Lying {
  readonly id: string;
  readonly element: Element;
  /** It lies under the whole page. */
  readonly root: boolean;
  readonly part: PageRect;
  /** Nothing is seen through it. */
  readonly opaque: boolean;
}

/** Points that a picture is looked at in, along each side. */
const points = 5;
/** What is smaller than this is not looked at, px. */
const least = 40;

/** Elements that let pointers through still cover what is under them. */
const seenByPointers = '*, *::before, *::after { pointer-events: auto !important; }';

/** Nothing is seen through it where it has its ground. */
function hasGround(element: Element, view: Window & typeof globalThis): boolean {
  const { backgroundColor, opacity } = view.getComputedStyle(element);
  return Number(opacity) === 1 && /^rgb\(/.test(backgroundColor);
}

const holds = ({ x, y, width, height }: PageRect, px: number, py: number): boolean =>
  px >= x && py >= y && px < x + width && py < y + height;

/**
 * What lies over pictures so that they are not seen there, as the document is laid out now: the
 * browser is asked for all that it paints at points of each.
 */
export function occlusionsOn(
  document: Document,
  lying: readonly Lying[],
  selectors: ShortestSelectors,
): Map<string, Occlusion> {
  const view = viewOf(document);
  const styles = document.createElement('style');
  styles.textContent = seenByPointers;
  document.head.append(styles);
  const grounds = new Map<Element, boolean>();
  const covers = (element: Element, x: number, y: number): boolean => {
    const ground = grounds.get(element) ?? hasGround(element, view);
    grounds.set(element, ground);
    return ground || lying.some((l) => l.element === element && l.opaque && holds(l.part, x, y));
  };
  const found = new Map<string, Occlusion>();
  for (const { id, element, root, part } of lying) {
    if (part.width < least || part.height < least) {
      continue;
    }
    let looked = 0;
    const over = new Map<Element, number>();
    for (let i = 0; i < points * points; i++) {
      const x = part.x + ((i % points) + 0.5) * (part.width / points);
      const y = part.y + (Math.floor(i / points) + 0.5) * (part.height / points);
      // Only what is in the frame can be asked for.
      view.scrollTo({ left: 0, top: y - view.innerHeight / 2, behavior: 'instant' });
      const painted = document.elementsFromPoint(x, y - view.scrollY);
      const own = root ? painted.length : painted.indexOf(element);
      if (own < 0) {
        continue;
      }
      looked++;
      const above = painted.slice(0, own).filter((e) => e !== element && covers(e, x, y));
      const lowest = above.at(-1);
      if (lowest) {
        over.set(lowest, (over.get(lowest) ?? 0) + 1);
      }
    }
    const most = [...over].sort((a, b) => b[1] - a[1])[0];
    if (most) {
      const all = [...over.values()].reduce((sum, count) => sum + count, 0);
      found.set(id, { share: all / looked, by: selectors.of(most[0]) });
    }
  }
  styles.remove();
  view.scrollTo({ left: 0, top: 0, behavior: 'instant' });
  return found;
}

/** Points of a picture that are asked, along each side. */
const asked = 6;

/** A picture, and the part of the page that shows it. */
export interface ShownPart {
  readonly element: Element;
  /** It lies under the whole page. */
  readonly root: boolean;
  readonly part: PageRect;
}

interface Ground {
  readonly element: Element;
  readonly rect: PageRect;
}

/** Everything that nothing shows through, as the document is laid out now. */
function groundsOn(document: Document): Ground[] {
  const view = viewOf(document);
  return [...document.body.querySelectorAll('*')].flatMap((element) => {
    const rect = hasGround(element, view) ? rectOf(element, view) : undefined;
    return rect ? [{ element, rect }] : [];
  });
}

/** @param near grounds that lie where it is shown: only under them it is asked what is painted */
function coverGrid({ element, part }: ShownPart, near: readonly Ground[]): CoverGrid {
  const { ownerDocument: document } = element;
  const view = viewOf(document);
  const line = Array.from({ length: asked }, (_, i) => (i + 0.5) / asked);
  return line.map((down) =>
    line.map((across) => {
      const x = part.x + across * part.width;
      const y = part.y + down * part.height;
      if (!near.some(({ rect }) => holds(rect, x, y))) {
        return false;
      }
      if (y < view.scrollY || y >= view.scrollY + view.innerHeight) {
        // Only what is in the frame can be asked for.
        view.scrollTo({ left: 0, top: y - view.innerHeight / 2, behavior: 'instant' });
      }
      const painted = document.elementsFromPoint(x, y - view.scrollY);
      const own = painted.indexOf(element);
      return painted.slice(0, Math.max(0, own)).some((above) => hasGround(above, view));
    }),
  );
}

/**
 * Where the parts of pictures that are shown lie under something opaque, as the document is laid out
 * now; nothing of those that nothing lies over.
 */
export function coverGrids(document: Document, parts: readonly ShownPart[]): CoverGrid[] {
  const grounds = groundsOn(document);
  const grids = parts.map((shown): CoverGrid => {
    const { element, root, part } = shown;
    const near = grounds.filter(
      (ground) => !ground.element.contains(element) && !isEmpty(intersect(ground.rect, part)),
    );
    const looked = !root && part.width >= least && part.height >= least;
    return looked && near.length > 0 ? coverGrid(shown, near) : [];
  });
  viewOf(document).scrollTo({ left: 0, top: 0, behavior: 'instant' });
  return grids;
}
