import type { Rect } from '../raster/raster';
import type { Hex, Page, Repeat, Site, Slot } from '../site/model';

/** A piece of the drawn page, from back to front; px of the page at the screen width asked for. */
export type Piece =
  | { readonly type: 'area'; readonly role: 'ground' | 'bar' | 'body' | 'section'; readonly rect: Rect; readonly colour: Hex }
  | { readonly type: 'slot'; readonly slot: Slot; readonly rect: Rect; readonly scale: number; readonly repeat: Repeat; /** What a background is placed in: its element, or the first screenful where it is fixed. */ readonly positioning: Rect }
  | { readonly type: 'heading'; readonly rect: Rect; readonly ink: Hex; readonly words: string; readonly sizePx: number }
  | { readonly type: 'links'; readonly rect: Rect; readonly ink: Hex; readonly words: readonly string[] }
  | { readonly type: 'lines'; readonly rect: Rect; readonly ink: Hex };

/** Height of a screen of that width: upright below 600 px, 16 to 10 above (common practice, no source). */
export const screenHeightAt = (screenWidth: number): number => Math.round(screenWidth < 600 ? screenWidth * 2.1 : screenWidth / 1.6);

export interface PageLayout {
  readonly width: number;
  readonly height: number;
  /** Where the content column lies. */
  readonly content: { readonly x: number; readonly width: number };
  readonly pieces: readonly Piece[];
}

/** A divider overlaps its section by one px, or a line may show between them at a fractional zoom (common practice, no source). */
const hairline = 1;

/** Below this screen width a sidebar goes under the text, and its strip is not shown (common practice, no source). */
const oneColumnBelow = 700;

/**
 * The page at a screen width: where every slot and area lies.
 * @param screenWidth CSS px, 320..3840
 */
export function layoutPage(site: Site, page: Page, screenWidth: number): PageLayout {
  const contentWidth = Math.min(page.contentWidth, screenWidth), x = Math.floor((screenWidth - contentWidth) / 2);
  const find = (id: string | null) => site.slots.find((s) => s.id === id);
  const pieces: Piece[] = [];
  const area = (role: Extract<Piece, { type: 'area' }>['role'], rect: Rect, colour: Hex) => pieces.push({ type: 'area', role, rect, colour });
  const lay = (slot: Slot | undefined, rect: Rect, scale = 1) => { if (slot) pieces.push({ type: 'slot', slot, rect, scale, repeat: slot.repeat, positioning: slot.attachment === 'fixed' ? { x: 0, y: 0, width: screenWidth, height: screenHeightAt(screenWidth) } : rect }); };
  const inset = Math.min(28, contentWidth * 0.06);

  const header = find(page.headerSlot), mark = find(page.bar.markSlot), sidebar = find(page.body.sidebarSlot);
  const divider = find(page.section?.dividerSlot ?? null), background = find(page.backgroundSlot);
  const headerScale = header ? Math.min(1, contentWidth / header.width) : 1;
  const headerHeight = header ? Math.round(header.height * headerScale) : 0;
  const bodyTop = page.bar.height + headerHeight, sectionTop = bodyTop + page.body.height;
  const height = sectionTop + (page.section?.height ?? 0);

  area('ground', { x: 0, y: 0, width: screenWidth, height }, page.ground);
  lay(background, { x: 0, y: 0, width: screenWidth, height });
  area('bar', { x, y: 0, width: contentWidth, height: page.bar.height }, page.bar.colour);
  let linksX = x + inset;
  if (mark) {
    const scale = Math.min(1, (contentWidth - inset * 2) / mark.width), markHeight = Math.round(mark.height * scale);
    lay(mark, { x: x + inset, y: Math.round((page.bar.height - markHeight) / 2), width: Math.round(mark.width * scale), height: markHeight }, scale);
    linksX += mark.width * scale + 28;
  }
  const linksRoom = x + contentWidth - linksX;
  if (linksRoom > 260) pieces.push({ type: 'links', rect: { x: linksX, y: 0, width: linksRoom, height: page.bar.height }, ink: page.bar.ink, words: page.bar.links });
  lay(header, { x, y: page.bar.height, width: Math.round((header?.width ?? 0) * headerScale), height: headerHeight }, headerScale);

  area('body', { x, y: bodyTop, width: contentWidth, height: page.body.height }, page.body.colour);
  const beside = sidebar && screenWidth >= oneColumnBelow ? sidebar.width : 0;
  if (sidebar && beside) lay(sidebar, { x: x + contentWidth - beside, y: bodyTop, width: beside, height: page.body.height });
  const textWidth = contentWidth - beside - inset * 2;
  pieces.push({ type: 'heading', rect: { x: x + inset, y: bodyTop + 22, width: textWidth, height: 36 }, ink: page.body.ink, words: page.body.heading, sizePx: 26 });
  pieces.push({ type: 'lines', rect: { x: x + inset, y: bodyTop + 78, width: textWidth, height: page.body.height - 190 }, ink: page.body.ink });

  if (page.section) {
    area('section', { x: 0, y: sectionTop, width: screenWidth, height: page.section.height }, page.section.colour);
    if (divider) lay(divider, { x: 0, y: sectionTop - divider.height + hairline, width: screenWidth, height: divider.height });
    pieces.push({ type: 'heading', rect: { x: x + inset, y: sectionTop + 34, width: contentWidth - inset * 2, height: 36 }, ink: page.section.ink, words: page.section.heading, sizePx: 26 });
  }
  return { width: screenWidth, height, content: { x, width: contentWidth }, pieces };
}

/** Page background to be seen at each side of the content, px. */
export const marginAt = (page: Page, screenWidth: number): number => Math.max(0, Math.floor((screenWidth - page.contentWidth) / 2));
