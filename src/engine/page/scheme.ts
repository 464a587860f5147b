import { viewOf } from './rect';
import { rulesOf } from './rules';

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
    const view = viewOf(document);
    for (const sheet of document.styleSheets) {
      this.media(sheet.media);
    }
    for (const rule of rulesOf(document)) {
      if (rule instanceof view.CSSImportRule || rule instanceof view.CSSMediaRule) {
        this.media(rule.media);
      } else if (rule instanceof view.CSSStyleRule) {
        this.style(rule.style);
      }
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

  private style(style: CSSStyleDeclaration): void {
    const value = style.getPropertyValue('color-scheme');
    if (value) {
      const importance = style.getPropertyPriority('color-scheme');
      this.kept.push({
        put: (scheme) => style.setProperty('color-scheme', chosen(value, scheme), importance),
      });
    }
  }
}
