import type { PageBorder, PageLook, PageText, PaintedBox } from '@/core/ownPage/look';
import { rectOf, viewOf } from './rect';
import { wordsOn } from './words';

const nothing = /^(?:rgba\(0, 0, 0, 0\)|transparent)$|\/ 0\)$/;
const generic =
  /^(?:serif|sans-serif|monospace|cursive|fantasy|system-ui|ui-\w+|-apple-system|BlinkMacSystemFont|inherit)$/i;
/** Of words that are looked at, the first. */
const fewWords = 60;

/** The families of a computed list, without their quotes. */
const familiesOf = (list: string): string[] =>
  list.split(',').map((name) => name.trim().replace(/^["']|["']$/g, ''));

/** What words are, by the elements around them. */
function kindOf(element: Element): PageText['as'] {
  if (element.closest('h1, h2, h3, h4, h5, h6')) {
    return 'heading';
  }
  return element.closest('a') ? 'link' : 'text';
}

/**
 * What the page looks like as it is laid out now: its grounds, its words, its borders.
 * @param bars that are known, since words and grounds in them are of the bar
 */
export function lookAt(document: Document, bars: readonly Element[]): PageLook {
  const view = viewOf(document);
  const inBar = (element: Element): boolean => bars.some((bar) => bar.contains(element));
  const { documentElement: root, body } = document;
  const grounds = new Map<Element, number>();
  const boxes: PaintedBox[] = [];
  const borders: PageBorder[] = [];
  const rootColour = view.getComputedStyle(root).backgroundColor;
  const bodyColour = view.getComputedStyle(body).backgroundColor;
  const rootPaints =
    !nothing.test(rootColour) || view.getComputedStyle(root).backgroundImage !== 'none';
  const nearest = (element: Element | null): number | undefined => {
    for (let at = element; at; at = at.parentElement) {
      const index = grounds.get(at);
      if (index !== undefined) {
        return index;
      }
    }
    return undefined;
  };
  for (const element of document.querySelectorAll('*')) {
    const style = view.getComputedStyle(element);
    if (style.display === 'none' || style.visibility !== 'visible') {
      continue;
    }
    const rect = rectOf(element, view);
    if (!rect || rect.width <= 0 || rect.height <= 0) {
      continue;
    }
    // The root's background, or else the body's, is the page's (CSS Backgrounds Level 3, section 2.11).
    const isPage = element === root || (element === body && !rootPaints);
    if (!isPage && !nothing.test(style.backgroundColor)) {
      boxes.push({
        rect,
        colour: style.backgroundColor,
        on: nearest(element.parentElement),
        bar: inBar(element),
      });
      grounds.set(element, boxes.length - 1);
    }
    // Most elements have none, which one value tells.
    const sides = style.borderStyle === 'none' ? [] : (['Top', 'Right', 'Bottom', 'Left'] as const);
    for (const side of sides) {
      const width = parseFloat(style[`border${side}Width`]);
      const colour = style[`border${side}Color`];
      if (width > 0 && style[`border${side}Style`] !== 'none' && !nothing.test(colour)) {
        const length = side === 'Top' || side === 'Bottom' ? rect.width : rect.height;
        borders.push({ colour, length });
      }
    }
  }
  const texts = wordsOn(document).map(({ element, text, rect }): PageText => {
    const style = view.getComputedStyle(element);
    const families = familiesOf(style.fontFamily);
    return {
      rect,
      words: text.slice(0, fewWords),
      letters: text.length,
      colour: style.color,
      on: nearest(element),
      size: parseFloat(style.fontSize),
      weight: Number(style.fontWeight),
      family: families.find((name) => !generic.test(name)) ?? families[0] ?? '',
      as: kindOf(element),
      bar: inBar(element),
    };
  });
  return {
    width: root.clientWidth,
    height: Math.max(root.scrollHeight, root.offsetHeight),
    page: rootPaints ? rootColour : bodyColour,
    boxes,
    texts,
    borders,
  };
}
