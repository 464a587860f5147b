import type { PointedBox } from '@/core/ownPage/pointing';
import { rectOf, viewOf } from './rect';

/** What an element is called on its page: its tag with its id, or with its first classes. */
function nameOf(element: Element): string {
  const tag = element.localName;
  return element.id
    ? `${tag}#${element.id}`
    : [tag, ...[...element.classList].slice(0, 2)].join('.');
}

/** Everything that can be pointed at as the document is laid out now, from back to front. */
export function boxesOn(document: Document): PointedBox[] {
  const view = viewOf(document);
  const boxes: PointedBox[] = [];
  document.querySelectorAll('*').forEach((element, id) => {
    const style = view.getComputedStyle(element);
    const line = style.display === 'inline' && element.localName !== 'img';
    if (line || style.display === 'contents' || style.visibility !== 'visible') {
      return;
    }
    const rect = rectOf(element, view);
    if (rect && rect.width > 0 && rect.height > 0 && document.body.contains(element)) {
      boxes.push({ id, rect, name: nameOf(element) });
    }
  });
  return boxes;
}
