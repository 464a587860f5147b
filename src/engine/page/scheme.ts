import { viewOf } from './rect';
import { rulesOfSheet } from './rules';

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

/** To look through all rules takes longer than to read them. */
const mayAsk = (text: string): boolean => /color-scheme/i.test(text);

/** Everything in a document that depends on the scheme. */
export class PageScheme {
  /** By the sheet it is in; what is in the document itself under null. */
  private readonly kept = new Map<CSSStyleSheet | null, Kept[]>();
  private scheme: Scheme = 'light';

  /** @param texts of it, and of all its style sheets */
  constructor(
    private readonly document: Document,
    texts: readonly string[],
  ) {
    for (const sheet of texts.some(mayAsk) ? document.styleSheets : []) {
      this.kept.set(sheet, this.ofSheet(sheet));
    }
    const own: Kept[] = [];
    for (const source of document.querySelectorAll<HTMLSourceElement>('source[media]')) {
      const { media } = source;
      if (asks(media)) {
        own.push({ put: (scheme) => (source.media = answered(media, scheme)) });
      }
    }
    const meta = document.querySelector<HTMLMetaElement>('meta[name="color-scheme" i]');
    if (meta) {
      const { content } = meta;
      own.push({ put: (scheme) => (meta.content = chosen(content, scheme)) });
    }
    this.kept.set(null, own);
  }

  put(scheme: Scheme): void {
    this.scheme = scheme;
    for (const kept of this.kept.values()) {
      kept.forEach((one) => one.put(scheme));
    }
  }

  /**
   * A sheet came, in place of another or none.
   * @param text of it
   */
  renew(sheet: CSSStyleSheet, text: string, old: CSSStyleSheet | undefined): void {
    if (old) {
      this.forget(old);
    }
    if (!mayAsk(text) && !mayAsk(sheet.media.mediaText)) {
      return;
    }
    const kept = this.ofSheet(sheet);
    this.kept.set(sheet, kept);
    kept.forEach((one) => one.put(this.scheme));
  }

  /** A sheet went. */
  forget(sheet: CSSStyleSheet): void {
    this.kept.delete(sheet);
  }

  private ofSheet(sheet: CSSStyleSheet): Kept[] {
    const view = viewOf(this.document);
    const kept = mediaKept(sheet.media);
    for (const rule of rulesOfSheet(sheet, this.document)) {
      if (rule instanceof view.CSSImportRule || rule instanceof view.CSSMediaRule) {
        kept.push(...mediaKept(rule.media));
      } else if (rule instanceof view.CSSStyleRule) {
        kept.push(...styleKept(rule.style));
      }
    }
    return kept;
  }
}

function mediaKept(list: MediaList): Kept[] {
  const { mediaText } = list;
  return asks(mediaText)
    ? [{ put: (scheme) => (list.mediaText = answered(mediaText, scheme)) }]
    : [];
}

function styleKept(style: CSSStyleDeclaration): Kept[] {
  const value = style.getPropertyValue('color-scheme');
  const importance = style.getPropertyPriority('color-scheme');
  return value
    ? [{ put: (scheme) => style.setProperty('color-scheme', chosen(value, scheme), importance) }]
    : [];
}
