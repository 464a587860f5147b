import { safeMargin } from '../arrange/snap';
import { firstCopy } from '../measure/background';
import { layoutPage, type LaidSlot } from '../measure/layoutPage';
import { intersect, wholeRaster, type Rect } from '../raster/raster';
import type { OwnPlace, SeenAt } from '../site/model/ownPage';
import type { Page } from '../site/model/page';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { ownPlaceOf } from '../site/pages';
import { isContent } from '../slots/registry';

/**
 * Screen widths that are looked at beside those of the owner's visitors, px (common practice, no
 * source).
 */
const usualWidths = [360, 768, 1280, 1920] as const;

/** A phone's width, px: the narrowest that is common (common practice, no source). */
export const phone = 360;

export interface Visible {
  readonly width: number;
  /** Px of the slot that the page shows at that screen width. */
  readonly part: Rect;
  /** Page px per slot px, sideways. */
  readonly scale: number;
  /** Share of it that lies under something else, as far as that was measured. */
  readonly covered: number;
}

/** The page that shows a slot, the first if several do. */
export const pageWithSlot = (
  site: Site,
  slotId: string,
  screenWidth: number,
): { page: Page; laid: LaidSlot } | undefined => {
  for (const page of site.pages) {
    const laid = layoutPage(site, page, screenWidth).boxes.find(
      (p): p is LaidSlot => p.type === 'slot' && p.slot.id === slotId,
    );
    if (laid) {
      return { page, laid };
    }
  }
  return undefined;
};

/** Whole px that lie inside a span; a hair's breadth is none. */
const wholePx = (from: number, length: number): readonly [number, number] => {
  const first = Math.ceil(from - 1e-6);
  return [first, Math.max(0, Math.floor(from + length + 1e-6) - first)];
};

/** What a browser measured of a place of the owner's own page, at the screen that is nearest. */
function measuredAt(slot: Slot, { measured }: OwnPlace, screenWidth: number): Visible | undefined {
  const off = ({ screen }: SeenAt) => Math.abs(screen - screenWidth);
  const nearest = measured?.seen?.toSorted((a, b) => off(a) - off(b))[0];
  if (!nearest) {
    return undefined;
  }
  const [x, width] = wholePx(nearest.x, nearest.width);
  const [y, height] = wholePx(nearest.y, nearest.height);
  const part = intersect(wholeRaster(slot), { x, y, width, height });
  return { width: screenWidth, part, scale: nearest.scale, covered: nearest.covered };
}

/**
 * What of a slot's picture is shown at a screen width: content is scaled and shown whole, a
 * background is cut by its element.
 */
export function visibleAt(site: Site, slot: Slot, screenWidth: number): Visible | undefined {
  const own = ownPlaceOf(site, slot.id);
  if (own) {
    return measuredAt(slot, own.place, screenWidth);
  }
  const laid = pageWithSlot(site, slot.id, screenWidth)?.laid;
  if (!laid) {
    return undefined;
  }
  const whole = wholeRaster(slot);
  const copy = firstCopy(laid);
  const kx = copy.width / slot.width;
  const ky = copy.height / slot.height;
  if (isContent(slot.kind)) {
    return { width: screenWidth, part: whole, scale: laid.scale, covered: 0 };
  }
  const x = Math.ceil((laid.rect.x - copy.x) / kx - 1e-6);
  const y = Math.ceil((laid.rect.y - copy.y) / ky - 1e-6);
  const right = Math.floor((laid.rect.x + laid.rect.width - copy.x) / kx + 1e-6);
  const bottom = Math.floor((laid.rect.y + laid.rect.height - copy.y) / ky + 1e-6);
  return {
    width: screenWidth,
    part: intersect(whole, {
      x,
      y,
      width: Math.max(0, right - x),
      height: Math.max(0, bottom - y),
    }),
    scale: kx,
    covered: 0,
  };
}

/**
 * Screen widths that count for a slot: the visitors' and the usual ones; those below which another
 * arrangement is shown are left out.
 */
export function widthsOf(site: Site, slot: Slot): number[] {
  const all = new Set([...usualWidths, ...site.visitors.map((v) => v.width)]);
  return [...all].filter((w) => !slot.narrow || w >= slot.narrow.below).sort((a, b) => a - b);
}

export interface SafeArea {
  /** Px of the slot that are shown at every screen width, without the side margin. */
  readonly part: Rect;
  /** What is shown at each. */
  readonly at: readonly Visible[];
}

/** The part of a slot that words should stay in. */
export function safeArea(site: Site, slot: Slot): SafeArea {
  const at = widthsOf(site, slot).flatMap((width) => visibleAt(site, slot, width) ?? []);
  const margin = safeMargin(slot, site.limits.sideMargin).x;
  const common = at.reduce((part, v) => intersect(part, v.part), wholeRaster(slot));
  return {
    at,
    part: { ...common, x: common.x + margin, width: Math.max(0, common.width - 2 * margin) },
  };
}
