import type { Ink } from '@/core/legibility/measure';
import type { PageWords } from '@/core/legibility/pageWords';
import type { PageRect } from '@/core/ownPage/survey';
import { rectOf, viewOf } from './rect';

/** Words of a page that stand together, with the element that has them. */
export interface Words {
  readonly element: Element;
  readonly text: string;
  readonly rect: PageRect;
}

/** All words that are shown as the document is laid out, in its own order. */
export function wordsOn(document: Document): Words[] {
  const view = viewOf(document);
  const { NodeFilter } = view;
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  const range = document.createRange();
  const found: Words[] = [];
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const element = node.parentElement;
    const text = (node.nodeValue ?? '').replace(/\s+/g, ' ').trim();
    if (!element || text === '') {
      continue;
    }
    range.selectNodeContents(node);
    const rect = rectOf(range, view);
    if (rect && view.getComputedStyle(element).visibility === 'visible') {
      found.push({ element, text, rect });
    }
  }
  return found;
}

/** How see-through an element is with all that it lies in, 0 to 1. */
function opacityOf(element: Element, view: Window & typeof globalThis): number {
  let opacity = 1;
  for (let at: Element | null = element; at; at = at.parentElement) {
    opacity *= Number(view.getComputedStyle(at).opacity);
  }
  return opacity;
}

/** The levels of a colour as a browser computes it, and how much of it covers what is behind. */
function levelsOf(colour: string): Ink {
  const [r = 0, g = 0, b = 0, alpha = 1] = (colour.match(/[\d.]+/g) ?? []).map(Number);
  return { colour: { r: Math.round(r), g: Math.round(g), b: Math.round(b) }, opacity: alpha };
}

/**
 * What words look like and where their lines are.
 * @param top px of the page that the window begins at
 */
export function lookOf({ element, text }: Words, selector: string, top: number): PageWords {
  const view = viewOf(element.ownerDocument);
  const style = view.getComputedStyle(element);
  const range = element.ownerDocument.createRange();
  const nodes = [...element.childNodes].filter((node) => node.nodeType === view.Node.TEXT_NODE);
  const own = nodes.find((node) => (node.nodeValue ?? '').replace(/\s+/g, ' ').trim() === text);
  range.selectNodeContents(own ?? element);
  const { colour, opacity } = levelsOf(style.webkitTextFillColor);
  return {
    text: text.slice(0, 80),
    selector,
    ink: { colour, opacity: opacity * opacityOf(element, view) },
    sizePx: parseFloat(style.fontSize),
    weight: Number(style.fontWeight),
    lines: [...range.getClientRects()].map(({ x, y, width, height }) => ({
      x,
      y: y + view.scrollY - top,
      width,
      height,
    })),
  };
}
