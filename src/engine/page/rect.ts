import type { PageRect } from '@/core/ownPage/survey';

/** The view of a document that is shown. */
export const viewOf = (document: Document): Window & typeof globalThis =>
  document.defaultView! as Window & typeof globalThis;

/**
 * The border box of an element on its page; of what is laid in lines, around all of its pieces.
 * @returns undefined for what takes up no room
 */
export function rectOf(element: Element | Range, view: Window): PageRect | undefined {
  const { left, top, width, height } = element.getBoundingClientRect();
  return width > 0 || height > 0
    ? { x: left + view.scrollX, y: top + view.scrollY, width, height }
    : undefined;
}

/** Of all of a page, px. */
export const heightOf = ({ documentElement: root }: Document): number =>
  Math.max(root.scrollHeight, root.offsetHeight);
