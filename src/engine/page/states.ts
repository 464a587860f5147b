import { viewOf } from './rect';
import { rulesOf } from './rules';

/**
 * Which rules of a document hold follows from its media queries: at two widths with the same
 * answers the same elements have the same pictures, though elsewhere.
 */
export class SheetStates {
  private readonly queries = new Set<string>();
  /** Rules that follow the size of a box may change at any width. */
  private anyWidth = false;
  private readonly view: Window & typeof globalThis;

  constructor(document: Document) {
    this.view = viewOf(document);
    for (const sheet of document.styleSheets) {
      this.queries.add(sheet.media.mediaText);
    }
    for (const rule of rulesOf(document)) {
      if (rule instanceof this.view.CSSImportRule || rule instanceof this.view.CSSMediaRule) {
        this.queries.add(rule.media.mediaText);
      } else if (rule instanceof this.view.CSSContainerRule) {
        this.anyWidth = true;
      }
    }
  }

  /** What tells the state of all rules at the width that the document is laid out at. */
  now(width: number): string {
    return this.anyWidth
      ? `${width}`
      : [...this.queries]
          .map((query) => (this.view.matchMedia(query).matches ? '1' : '0'))
          .join('');
  }
}
