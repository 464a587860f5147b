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
    this.view = document.defaultView! as Window & typeof globalThis;
    for (const sheet of document.styleSheets) {
      this.queries.add(sheet.media.mediaText);
      this.read(sheet);
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

  private read(owner: { readonly cssRules: CSSRuleList }): void {
    let rules: CSSRuleList;
    try {
      rules = owner.cssRules;
    } catch {
      // A sheet that could not be read has no rules that hold.
      return;
    }
    for (const rule of rules) {
      if (rule instanceof this.view.CSSImportRule) {
        this.queries.add(rule.media.mediaText);
        if (rule.styleSheet) {
          this.read(rule.styleSheet);
        }
      } else if (rule instanceof this.view.CSSMediaRule) {
        this.queries.add(rule.media.mediaText);
      } else if (rule instanceof this.view.CSSContainerRule) {
        this.anyWidth = true;
      }
      if ('cssRules' in rule && rule.cssRules) {
        this.read(rule as CSSGroupingRule);
      }
    }
  }
}
