import type { PageRect } from '@/core/ownPage/survey';
import { rectOf, viewOf } from './rect';
import { rulesOf } from './rules';

type Part = '::before' | '::after';

const parts = /::?(?:before|after)\b/gi;

/**
 * Elements that rules may give parts before or after their content, whatever the conditions they
 * stand under; undefined where it cannot be told and any may have them.
 */
export function elementsWithParts(document: Document): ReadonlySet<Element> | undefined {
  const found = new Set<Element>();
  for (const rule of rulesOf(document)) {
    const selector = 'selectorText' in rule ? (rule.selectorText as string) : '';
    if (selector.search(parts) < 0) {
      continue;
    }
    try {
      // One that stands inside another selects by what is around it.
      if (selector.includes('&')) {
        return undefined;
      }
      const bare = selector
        .replace(/(^|[\s>+~,])::?(?:before|after)\b/gi, '$1*')
        .replace(parts, '');
      document.querySelectorAll(bare).forEach((element) => found.add(element));
    } catch {
      return undefined;
    }
  }
  return found;
}

/** Attributes of an element whose parts give way to their doubles. */
const attribute: Readonly<Record<Part, string>> = {
  '::before': 'data-soyez-before',
  '::after': 'data-soyez-after',
};
const giveWay = (['::before', '::after'] as const)
  .map((part) => `[${attribute[part]}]${part}{content:none!important}`)
  .join('');

/** Rules for all elements must not reach the double in what its box depends on. */
const ofTheBox = [
  'box-sizing',
  'display',
  'position',
  'float',
  'min-width',
  'min-height',
  'max-width',
  'max-height',
  'vertical-align',
] as const;

/** These may follow the width of the screen while the same rules hold. */
const ofTheWidth = ['width', 'height', 'margin', 'padding', 'font-size', 'line-height'] as const;

const addressed = /(?:^|[\s,(])url\(/;

interface Double {
  readonly of: Element;
  readonly part: Part;
  readonly element: HTMLElement;
}

/**
 * Measures parts before and after the content of elements, which no interface does: in place of each
 * an element with the very same values is put for a moment, all of them at once.
 */
export class PseudoElementStandIns {
  private readonly asked: { readonly double: Double; then(rect: PageRect): void }[] = [];
  private readonly known = new Map<string, Double>();

  constructor(private readonly document: Document) {}

  /**
   * @param key the same where the same rules give the same part its values
   * @param then is called when all are measured, where the part takes up room
   */
  add(
    key: string,
    of: Element,
    part: Part,
    style: CSSStyleDeclaration,
    then: (rect: PageRect) => void,
  ): void {
    const double = this.known.get(key) ?? this.doubleOf(of, part, style);
    this.known.set(key, double);
    for (const name of ofTheWidth) {
      double.element.style.setProperty(name, style.getPropertyValue(name), 'important');
    }
    this.asked.push({ double, then });
  }

  /** Measures all that were asked for, and leaves the document as it was. */
  measure(): void {
    if (this.asked.length === 0) {
      return;
    }
    const asked = this.asked.splice(0);
    const styles = this.document.createElement('style');
    styles.textContent = giveWay;
    this.document.head.append(styles);
    for (const { of, part, element } of asked.map((one) => one.double)) {
      of.setAttribute(attribute[part], '');
      of[part === '::before' ? 'prepend' : 'append'](element);
    }
    const view = viewOf(this.document);
    const rects = asked.map(({ double }) => rectOf(double.element, view));
    for (const { of, part, element } of asked.map((one) => one.double)) {
      element.remove();
      of.removeAttribute(attribute[part]);
    }
    styles.remove();
    asked.forEach(({ then }, i) => {
      const rect = rects[i];
      if (rect) {
        then(rect);
      }
    });
  }

  private doubleOf(of: Element, part: Part, style: CSSStyleDeclaration): Double {
    const element = this.document.createElement('soyez-part');
    // Not every browser writes computed values out in one piece.
    element.style.cssText =
      style.cssText ||
      [...style].map((name) => `${name}:${style.getPropertyValue(name)}`).join(';');
    for (const name of ofTheBox) {
      element.style.setProperty(name, style.getPropertyValue(name), 'important');
    }
    const { content } = style;
    // A picture as content is one of an element's too; words are not.
    if (!addressed.test(content)) {
      element.style.setProperty('content', 'normal', 'important');
    }
    const words = /^"((?:[^"\\]|\\.)*)"$/.exec(content)?.[1] ?? '';
    element.textContent = words.replace(/\\(.)/g, '$1');
    return { of, part, element };
  }
}
