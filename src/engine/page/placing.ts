import type { Size } from '@/core/frame/placement';
import { firstCopyIn, type LaidCopies } from '@/core/ownPage/paintedPart';
import { intersect } from '@/core/raster/raster';
import type { LaidPicture } from '@/core/ownPage/surround';
import type { PageRect, PaintedPicture, PlacedPicture } from '@/core/ownPage/survey';
import { heightOf, rectOf, viewOf } from './rect';

/** Where a picture lies as the page is laid out now. */
export type PictureNow = LaidPicture;

/** The part of the page that a picture paints. */
export const paintedBy = ({ copy, area, repeatX, repeatY }: PictureNow): PageRect =>
  repeatX || repeatY ? area : intersect(copy, area);

const alone = { repeatX: false, repeatY: false } as const;

const sides = ['Left', 'Top', 'Right', 'Bottom'] as const;
type Edge = (typeof sides)[number];

/** A rectangle without so many px at each of its edges. */
function inset({ x, y, width, height }: PageRect, px: (edge: Edge) => number): PageRect {
  const [left, top, right, bottom] = sides.map(px);
  return { x: x + left, y: y + top, width: width - left - right, height: height - top - bottom };
}

/** The box that a background is positioned by: `background-origin` of CSS Backgrounds Level 3. */
function originBox(border: PageRect, style: CSSStyleDeclaration, origin: string): PageRect {
  const padding = (edge: Edge) => parseFloat(style[`padding${edge}`]);
  const rim = (edge: Edge) => parseFloat(style[`border${edge}Width`]);
  switch (origin) {
    case 'border-box':
      return border;
    case 'content-box':
      return inset(border, (edge) => rim(edge) + padding(edge));
    default:
      return inset(border, rim);
  }
}

const sizeOfFit: Readonly<Record<string, string>> = {
  none: 'auto',
  contain: 'contain',
  cover: 'cover',
  fill: '100% 100%',
};

/** `object-fit` in the words of backgrounds. */
function fitted(style: CSSStyleDeclaration, box: Size, file: Size): LaidCopies {
  const small = file.width <= box.width && file.height <= box.height;
  const scaledDown = small ? 'none' : 'contain';
  const fit = style.objectFit === 'scale-down' ? scaledDown : style.objectFit;
  return { repeat: 'no-repeat', position: style.objectPosition, size: sizeOfFit[fit] };
}

function copyIn(laid: LaidCopies, box: PageRect, file: Size): Omit<PictureNow, 'area'> {
  const { x, y, width, height, repeatX, repeatY } = firstCopyIn(laid, box, file);
  return { copy: { x: box.x + x, y: box.y + y, width, height }, repeatX, repeatY };
}

/** What a root element's background paints is the whole page, and it is placed by that element. */
const rootBox = (document: Document): PageRect =>
  rectOf(document.documentElement, viewOf(document)) ?? { x: 0, y: 0, width: 0, height: 0 };

function wholePage(document: Document): PageRect {
  const { clientWidth } = document.documentElement;
  return { x: 0, y: 0, width: clientWidth, height: heightOf(document) };
}

/** The part of the page that the window shows. */
function screenOf(view: Window): PageRect {
  return { x: view.scrollX, y: view.scrollY, width: view.innerWidth, height: view.innerHeight };
}

/**
 * Where a picture lies that the page paints.
 * @param placed its box, as measured now
 * @param file px of what lies there
 */
export function paintedNow(
  element: Element,
  picture: Pick<PaintedPicture, 'as' | 'pseudo' | 'root'>,
  placed: PlacedPicture,
  file: Size,
): PictureNow {
  const document = element.ownerDocument;
  const view = viewOf(document);
  const { rect, laid } = placed;
  const style = view.getComputedStyle(element, picture.pseudo || null);
  if (picture.as === 'background' && laid) {
    const border = picture.root ? rootBox(document) : rect;
    const area = picture.root ? wholePage(document) : rect;
    const box =
      laid.attachment === 'fixed' ? screenOf(view) : originBox(border, style, laid.origin);
    return { ...copyIn(laid, box, file), area };
  }
  if (picture.as === 'image' || picture.as === 'poster') {
    return { ...copyIn(fitted(style, rect, file), rect, file), area: rect };
  }
  if (picture.as === 'content') {
    // In a line of its box, which may be higher.
    return { ...alone, copy: { ...rect, width: file.width, height: file.height }, area: rect };
  }
  return { ...alone, copy: rect, area: rect };
}

/** Where a picture lies that fills an element which has none of its own. */
export function filledNow(element: Element): PictureNow | undefined {
  const view = viewOf(element.ownerDocument);
  const rect = rectOf(element, view);
  if (!rect) {
    return undefined;
  }
  const copy = originBox(rect, view.getComputedStyle(element), 'padding-box');
  return { ...alone, copy, area: rect };
}
