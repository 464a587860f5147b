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
