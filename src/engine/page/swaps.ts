import { rulesOf } from './rules';

const addressAttributes = ['src', 'srcset', 'poster', 'href', 'xlink:href', 'background'] as const;

/**
 * Puts other files in place of those that a document shows, wherever it names them: in attributes,
 * in style sheets, in styles of elements. Nothing is laid out anew but what depends on their sizes.
 */
export class FileSwaps {
  /** By the address that the document came with, what stands there now. */
  private readonly now = new Map<string, string>();

  constructor(private readonly document: Document) {}

  /** @param to the file's own address puts it back */
  put(from: string, to: string): void {
    const before = this.now.get(from) ?? from;
    if (before === to) {
      return;
    }
    this.now.set(from, to);
    for (const element of this.document.querySelectorAll<HTMLElement>('*')) {
      for (const name of addressAttributes) {
        const value = element.getAttribute(name);
        if (value?.includes(before)) {
          element.setAttribute(name, value.replaceAll(before, to));
        }
      }
      if (element.getAttribute('style')?.includes(before)) {
        this.exchange(element.style, before, to);
      }
    }
    for (const rule of rulesOf(this.document)) {
      if ('style' in rule) {
        this.exchange(rule.style as CSSStyleDeclaration, before, to);
      }
    }
  }

  /** As text, since a value with a variable in it has no parts of its own yet. */
  private exchange(style: CSSStyleDeclaration, before: string, to: string): void {
    const { cssText } = style;
    if (cssText.includes(before)) {
      style.cssText = cssText.replaceAll(before, to);
    }
  }
}
