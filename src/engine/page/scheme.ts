/**
 * A frame's colour scheme is the system's, whatever the owner wants to see: so the questions for it
 * are answered in the style sheets themselves, and what they were is kept.
 */

type Scheme = 'light' | 'dark';

interface Kept {
  put(scheme: Scheme): void;
}

const asked = /\(\s*prefers-color-scheme\s*:\s*(light|dark)\s*\)/gi;
/** Holds at every width, and at none. */
const always = '(min-width: 0px)';
const never = '(max-width: -1px)';

const answered = (media: string, scheme: Scheme): string =>
  media.replace(asked, (_, wanted: string) => (wanted.toLowerCase() === scheme ? always : never));

/** Where a page takes either scheme, the one that is wanted. */
const chosen = (value: string, scheme: Scheme): string =>
  /\blight\b/.test(value) && /\bdark\b/.test(value) ? `only ${scheme}` : value;

const asks = (media: string): boolean => media.search(asked) >= 0;

/** Everything in a document that depends on the scheme. */
export class PageScheme {
  private readonly kept: Kept[] = [];

  constructor(document: Document) {
    const view = document.defaultView! as Window & typeof globalThis;
    for (const sheet of document.styleSheets) {
      this.media(sheet.media);
      this.rules(sheet, view);
    }
    for (const source of document.querySelectorAll<HTMLSourceElement>('source[media]')) {
      const { media } = source;
      if (asks(media)) {
        this.kept.push({ put: (scheme) => (source.media = answered(media, scheme)) });
      }
    }
    const meta = document.querySelector<HTMLMetaElement>('meta[name="color-scheme" i]');
    if (meta) {
      const { content } = meta;
      this.kept.push({ put: (scheme) => (meta.content = chosen(content, scheme)) });
    }
  }

  put(scheme: Scheme): void {
    for (const kept of this.kept) {
      kept.put(scheme);
    }
  }

  private media(list: MediaList): void {
    const { mediaText } = list;
    if (asks(mediaText)) {
      this.kept.push({ put: (scheme) => (list.mediaText = answered(mediaText, scheme)) });
    }
  }

  private rules(
    owner: CSSStyleSheet | CSSGroupingRule | CSSStyleRule,
    view: Window & typeof globalThis,
  ): void {
    let list: CSSRuleList;
    try {
      list = owner.cssRules;
    } catch {
      // A sheet that could not be read has no rules to ask.
      return;
    }
    for (const rule of list) {
      if (rule instanceof view.CSSImportRule) {
        this.media(rule.media);
        if (rule.styleSheet) {
          this.rules(rule.styleSheet, view);
        }
      } else if (rule instanceof view.CSSMediaRule) {
        this.media(rule.media);
      }
      if (rule instanceof view.CSSStyleRule) {
        const value = rule.style.getPropertyValue('color-scheme');
        if (value) {
          const { style } = rule;
          const importance = style.getPropertyPriority('color-scheme');
          this.kept.push({
            put: (scheme) => style.setProperty('color-scheme', chosen(value, scheme), importance),
          });
        }
      }
      if ('cssRules' in rule && rule.cssRules) {
        this.rules(rule as CSSGroupingRule, view);
      }
    }
  }
}
