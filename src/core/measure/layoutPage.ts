import type { Rect } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { MeasuredContent, Page, TitleBand } from '../site/model/page';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { backgroundOf } from '../site/pages';

/** A box of the drawn page, from back to front; px of the page at the screen width asked for. */
export type LaidBox =
  | LaidArea
  | LaidSlot
  | {
      readonly type: 'heading';
      readonly rect: Rect;
      readonly ink: Hex;
      readonly words: string;
      readonly sizePx: number;
    }
  | LaidTitle
  | {
      readonly type: 'links';
      readonly rect: Rect;
      readonly ink: Hex;
      readonly words: readonly string[];
    }
  | { readonly type: 'lines'; readonly rect: Rect; readonly ink: Hex };

/** A band's title: words that are broken into lines in the room they have. */
export interface LaidTitle {
  readonly type: 'title';
  readonly rect: Rect;
  readonly title: TitleBand;
}

export interface LaidArea {
  readonly type: 'area';
  readonly role: 'ground' | 'bar' | 'band' | 'body' | 'section';
  /** Which of the sections it is. */
  readonly index: number;
  readonly rect: Rect;
  readonly colour: Hex;
}

export interface LaidSlot {
  readonly type: 'slot';
  readonly slot: Slot;
  /** The part of the page that can show the picture. */
  readonly rect: Rect;
  /** Page px per slot px, where the picture is content and shrinks with the page. */
  readonly scale: number;
  /** What a background is placed in: its element; where it is fixed, the first screenful. */
  readonly positioning: Rect;
}

export interface PageLayout {
  readonly width: number;
  readonly height: number;
  /** Height of the first screenful. */
  readonly fold: number;
  /** Where the content column lies. */
  readonly content: { readonly x: number; readonly width: number };
  readonly boxes: readonly LaidBox[];
}

/**
 * Height of a screen of that width: upright below 600 px, 16 to 10 above (common practice, no
 * source).
 */
export const screenHeightAt = (screenWidth: number): number =>
  Math.round(screenWidth < 600 ? screenWidth * 2.1 : screenWidth / 1.6);

/**
 * A divider overlaps its section by one px, or a line may show between them at a fractional zoom
 * (common practice, no source).
 */
const hairline = 1;

/**
 * Below this screen width sidebars go under the text, and their strips are not shown (common
 * practice, no source).
 */
export const oneColumnBelow = 700;

/** Between two screens that were measured, in proportion; beyond them as at the last one. */
function measuredAt(measured: readonly MeasuredContent[], screenWidth: number): number {
  const after = measured.findIndex((m) => m.screen >= screenWidth);
  const to = measured[after] ?? measured[measured.length - 1];
  const from = measured[after - 1];
  if (after < 0 || !from || to.screen === screenWidth) {
    return Math.round(to.width);
  }
  const share = (screenWidth - from.screen) / (to.screen - from.screen);
  return Math.round(from.width + share * (to.width - from.width));
}

/**
 * Width of the content column, px: the least of what was measured, its px, its percentage of the
 * screen, and the screen.
 */
export const contentWidthAt = ({ content }: Pick<Page, 'content'>, screenWidth: number): number =>
  Math.min(
    screenWidth,
    content.measured === null ? Infinity : measuredAt(content.measured, screenWidth),
    content.px ?? Infinity,
    content.percent === null ? Infinity : Math.floor((screenWidth * content.percent) / 100),
  );

/** Page background to be seen at each side of the content, px. */
export const marginAt = (page: Pick<Page, 'content'>, screenWidth: number): number =>
  Math.floor((screenWidth - contentWidthAt(page, screenWidth)) / 2);

/**
 * A divider as it is at a screen width: where it is sized by shares there, of that height and with
 * copies of that width.
 */
export function narrowed(slot: Slot, screenWidth: number): Slot {
  const { narrowSize } = slot;
  if (!narrowSize || screenWidth >= narrowSize.below) {
    return slot;
  }
  return {
    ...slot,
    height: Math.max(1, Math.round((slot.height * narrowSize.height) / 100)),
    size: { x: { value: narrowSize.width, unit: '%' }, y: { value: 100, unit: '%' } },
  };
}

/** Px that the page's own words keep off the sides of the content column. */
const insetOf = (contentWidth: number): number => Math.min(28, contentWidth * 0.06);

/** Px that a band's title keeps off its upper and lower edge (ours, by looking). */
export const titleMargin = 16;

/**
 * A title band at a screen width: its area, and the room that its title has; px of the page, from
 * the band's top.
 */
export function bandAt(
  page: Pick<Page, 'content'>,
  { boxed, height }: Pick<TitleBand, 'boxed' | 'height'>,
  screenWidth: number,
): { readonly area: Rect; readonly room: Rect } {
  const content = contentWidthAt(page, screenWidth);
  const x = marginAt(page, screenWidth);
  const inset = insetOf(content);
  return {
    area: boxed ? { x, y: 0, width: content, height } : { x: 0, y: 0, width: screenWidth, height },
    room: {
      x: x + inset,
      y: titleMargin,
      width: content - 2 * inset,
      height: Math.max(0, height - 2 * titleMargin),
    },
  };
}

/**
 * The page at a screen width: where every slot and area lies.
 * @param screenWidth CSS px, 320..3840
 */
export function layoutPage(site: Site, page: Page, screenWidth: number): PageLayout {
  const contentWidth = contentWidthAt(page, screenWidth);
  const x = marginAt(page, screenWidth);
  const fold = screenHeightAt(screenWidth);
  const find = (id: string | null | undefined) => site.slots.find((s) => s.id === id);
  const boxes: LaidBox[] = [];
  const area = (role: LaidArea['role'], rect: Rect, colour: Hex, index = 0) =>
    boxes.push({ type: 'area', role, index, rect, colour });
  const lay = (slot: Slot | undefined, rect: Rect, scale = 1) => {
    if (slot) {
      boxes.push({
        type: 'slot',
        slot,
        rect,
        scale,
        positioning:
          slot.attachment === 'fixed' ? { x: 0, y: 0, width: screenWidth, height: fold } : rect,
      });
    }
  };
  /**
   * Content shrinks to the room it has, with its proportions, and then lies as far off its place as
   * it was moved.
   */
  const content = (slot: Slot, room: number, at: { x: number; y: number }) => {
    const scale = Math.min(1, room / slot.width);
    const rect = {
      x: at.x + Math.round(slot.offset.x * scale),
      y: at.y + Math.round(slot.offset.y * scale),
      width: Math.round(slot.width * scale),
      height: Math.round(slot.height * scale),
    };
    return { rect, scale };
  };
  const inset = insetOf(contentWidth);
  const inside = contentWidth - inset * 2;
  const heading = (y: number, width: number, ink: Hex, words: string, atX = x + inset) =>
    boxes.push({
      type: 'heading',
      rect: { x: atX, y, width, height: 36 },
      ink,
      words,
      sizePx: 26,
    });

  /** The slot whose picture is shown at this width: the second arrangement, where there is one. */
  const arranged = (slot: Slot | undefined): Slot | undefined =>
    slot?.narrow && screenWidth < slot.narrow.below ? (find(slot.narrow.slot) ?? slot) : slot;
  const header = arranged(find(page.headerSlot));
  const mark = find(page.bar.markSlot);
  const band = page.band;
  const columns = screenWidth >= oneColumnBelow ? page.body.sidebars : [];
  const headerAt = header && content(header, contentWidth, { x, y: page.bar.height });
  const headerHeight = headerAt ? headerAt.rect.height : 0;
  const bandTop = page.bar.height + headerHeight;
  const bodyTop = bandTop + (band?.height ?? 0);
  const sectionsTop = bodyTop + page.body.height;
  const height = sectionsTop + page.sections.reduce((sum, s) => sum + s.height, 0);

  area('ground', { x: 0, y: 0, width: screenWidth, height }, page.ground);
  lay(find(backgroundOf(site, page)), { x: 0, y: 0, width: screenWidth, height });

  area('bar', { x, y: 0, width: contentWidth, height: page.bar.height }, page.bar.colour);
  let linksX = x + inset;
  if (mark) {
    const { rect, scale } = content(mark, inside, { x: x + inset, y: 0 });
    lay(mark, { ...rect, y: rect.y + Math.round((page.bar.height - rect.height) / 2) }, scale);
    linksX = Math.max(linksX, rect.x + rect.width + 28);
  }
  const linksRoom = x + contentWidth - linksX;
  if (linksRoom > 260) {
    boxes.push({
      type: 'links',
      rect: { x: linksX, y: 0, width: linksRoom, height: page.bar.height },
      ink: page.bar.ink,
      words: page.bar.links,
    });
  }

  if (headerAt) {
    lay(header, headerAt.rect, headerAt.scale);
  }

  if (band) {
    const at = bandAt(page, band, screenWidth);
    const down = (rect: Rect) => ({ ...rect, y: rect.y + bandTop });
    area('band', down(at.area), band.colour);
    lay(find(band.slot), down(at.area));
    boxes.push({ type: 'title', rect: down(at.room), title: band });
  }

  area('body', { x, y: bodyTop, width: contentWidth, height: page.body.height }, page.body.colour);
  let left = x;
  let right = x + contentWidth;
  for (const column of columns) {
    const width = Math.min(column.width, right - left);
    const at = column.side === 'left' ? left : right - width;
    if (column.side === 'left') {
      left += width;
    } else {
      right -= width;
    }
    if (width > 0) {
      lay(find(column.slot), { x: at, y: bodyTop, width, height: page.body.height });
    }
  }
  const textWidth = right - left - inset * 2;
  if (textWidth > 40) {
    heading(bodyTop + 22, textWidth, page.body.ink, page.body.heading, left + inset);
    boxes.push({
      type: 'lines',
      rect: {
        x: left + inset,
        y: bodyTop + 78,
        width: textWidth,
        height: Math.max(0, page.body.height - 190),
      },
      ink: page.body.ink,
    });
  }

  let top = sectionsTop;
  for (const [i, section] of page.sections.entries()) {
    const divider = find(section.dividerSlot);
    area(
      'section',
      { x: 0, y: top, width: screenWidth, height: section.height },
      section.colour,
      i,
    );
    if (divider) {
      const shown = narrowed(divider, screenWidth);
      lay(shown, {
        x: 0,
        y: top - shown.height + hairline,
        width: screenWidth,
        height: shown.height,
      });
    }
    heading(top + 34, inside, section.ink, section.heading);
    top += section.height;
  }

  for (const id of page.pieces) {
    const slot = find(id);
    if (!slot) {
      continue;
    }
    const { rect, scale } = content(slot, contentWidth, { x, y: 0 });
    lay(slot, rect, scale);
  }
  return { width: screenWidth, height, fold, content: { x, width: contentWidth }, boxes };
}
