import { html, parse, serialize } from 'parse5';
import { parseSrcset, stringifySrcset } from 'srcset';
import type { FrozenPage, LeftKind, LeftOut } from './frozen';
import { fileAttributes, lateBackground, lateFile, lateSet } from './addressAttributes';
import { FrozenFiles, nowhere } from './frozenFiles';
import { boundedSheet } from '../theme/boundedSheet';
import { DrawnElements, mostDrawn, namedByUrl, type DrawnElement } from '../measure/drawnElements';
import { PageError } from './pageError';
import type { Source } from './source';
import { attribute, elementsOf, isElement, type Element, type ParentNode, type Tree } from './tree';

/** A page as text, and where its addresses are relative to. */
export interface PageText {
  /** Of the file, for people. */
  readonly name: string;
  readonly text: string;
  /** Path or address of the page itself. */
  readonly base: string;
  /** Encoding that it was served in, for style sheets that say nothing of theirs. */
  readonly charset?: string;
}

const isDrawn = (element: Element): boolean => element.namespaceURI === html.NS.SVG;

const words = (text: string | undefined): string[] =>
  (text ?? '').toLowerCase().split(/\s+/).filter(Boolean);

/** Elements that go, with what they are to people. */
const gone: Readonly<Record<string, LeftKind>> = {
  script: 'script',
  noscript: 'script',
};

/** Elements that stay as empty boxes, since they are laid out. */
const emptied: Readonly<Record<string, LeftKind>> = {
  iframe: 'frame',
  frame: 'frame',
  fencedframe: 'frame',
  portal: 'frame',
  object: 'plug-in',
  embed: 'plug-in',
  applet: 'plug-in',
};

/** Attributes by which those would load something. */
const loading = new Set(['src', 'srcdoc', 'data', 'code', 'codebase', 'archive', 'classid']);

/** Elements of SVG whose `href` is a file and not a link. */
const drawnHref = new Set([
  'image',
  'use',
  'feimage',
  'mpath',
  'textpath',
  'lineargradient',
  'radialgradient',
  'pattern',
  'filter',
]);

/** Links whose file is shown or laid on the page. */
const shownLink = new Set(['stylesheet', 'icon', 'shortcut', 'apple-touch-icon', 'mask-icon']);

const runs = (address: string): boolean =>
  // Browsers pass over spaces, tabs and line ends inside the name.
  /^(?:javascript|vbscript|livescript):/i.test(address.replace(/[\u0000-\u0020]+/g, ''));

class Freezing {
  readonly files: FrozenFiles;
  readonly left: LeftOut[];

  constructor(
    source: Source,
    private readonly base: string,
    private readonly charset: string | undefined,
  ) {
    this.files = new FrozenFiles(source);
    this.left = this.files.left;
  }

  children(parent: ParentNode): void {
    parent.childNodes = parent.childNodes.filter((node) => !isElement(node) || !this.drops(node));
    for (const node of parent.childNodes) {
      if (isElement(node)) {
        this.element(node);
        this.children('content' in node ? node.content : node);
      }
    }
  }

  /** Leaves out the drawings in the page where they come to more than a browser can follow. */
  drawings(tree: Tree): void {
    if (countDrawn(tree) > mostDrawn) {
      for (const { element } of elementsOf(tree)) {
        if (isDrawn(element) && element.tagName === 'svg') {
          element.childNodes = [];
        }
      }
      this.leave('drawing', 'in the page');
    }
  }

  private leave(what: LeftKind, name: string): void {
    this.left.push({ what, name: name.trim().slice(0, 200) });
  }

  /** Whether an element goes as a whole. */
  private drops(element: Element): boolean {
    const tag = element.tagName.toLowerCase();
    if (gone[tag]) {
      if (tag === 'script') {
        this.leave('script', attribute(element, 'src') ?? 'a script in the page');
      }
      return true;
    }
    if (tag === 'base') {
      return true;
    }
    if (tag === 'meta') {
      const said = attribute(element, 'http-equiv')?.toLowerCase();
      if (said === 'refresh') {
        this.leave('refresh', attribute(element, 'content') ?? '');
      }
      return said !== undefined || attribute(element, 'charset') !== undefined;
    }
    // A link may be changed to a script while it is shown.
    if (
      (tag === 'set' || tag.startsWith('animate')) &&
      /^(?:xlink:)?href$/i.test(attribute(element, 'attributeName') ?? '')
    ) {
      this.leave('script', 'a link that changes');
      return true;
    }
    if (tag === 'link') {
      const rel = words(attribute(element, 'rel'));
      if (!rel.some((word) => shownLink.has(word))) {
        if (rel.some((word) => /^(?:pre|dns-|module)/.test(word))) {
          this.leave('hint', attribute(element, 'href') ?? '');
        }
        return true;
      }
    }
    return false;
  }

  private element(element: Element): void {
    const tag = element.tagName.toLowerCase();
    if (emptied[tag]) {
      const what = element.attrs.find((a) => loading.has(a.name));
      this.leave(emptied[tag], what && what.name !== 'srcdoc' ? what.value : tag);
      element.attrs = element.attrs.filter((a) => !loading.has(a.name));
    }
    this.settle(element);
    element.attrs = element.attrs.flatMap((a) => {
      const name = a.name.toLowerCase();
      if (name.startsWith('on')) {
        this.leave('handler', `${tag} ${name}`);
        return [];
      }
      const value = this.attribute(element, tag, name, a.value);
      return value === undefined ? [] : [{ ...a, value }];
    });
    if (tag === 'style') {
      for (const node of element.childNodes) {
        if ('value' in node) {
          node.value = this.files.css(node.value, this.base, this.charset);
        }
      }
    }
  }

  /** What scripts would have put in place while the page was looked at is put in place. */
  private settle(element: Element): void {
    const late = (names: readonly string[]) =>
      names.map((name) => attribute(element, name)).find((value) => value?.trim());
    const set = (name: string, value: string) => {
      element.attrs = [...element.attrs.filter((a) => a.name !== name), { name, value }];
    };
    const tag = element.tagName.toLowerCase();
    if (tag === 'img' || tag === 'source') {
      const src = attribute(element, 'src')?.trim() ?? '';
      const waiting = src === '' || /^data:image\/(?:gif|svg\+xml|png)/i.test(src);
      const [file, sizes] = [late(lateFile), late(lateSet)];
      if (file && waiting && tag === 'img') {
        set('src', file);
      }
      if (sizes && !attribute(element, 'srcset')?.trim() && (waiting || tag === 'source')) {
        set('srcset', sizes);
      }
    }
    const background = late(lateBackground);
    if (background && !/background/i.test(attribute(element, 'style') ?? '')) {
      const address = /^\s*url\(/i.test(background)
        ? background
        : `url(${JSON.stringify(background)})`;
      set('style', `${attribute(element, 'style') ?? ''};background-image:${address}`);
    }
  }

  /** @returns undefined where the attribute goes */
  private attribute(
    element: Element,
    tag: string,
    name: string,
    value: string,
  ): string | undefined {
    switch (name) {
      case 'style':
        return this.files.css(value, this.base, this.charset);
      case 'srcset':
      case 'imagesrcset':
        return this.srcset(value);
      case 'href':
      case 'xlink:href':
        return this.href(element, tag, value);
      case 'action':
      case 'formaction':
      case 'ping':
      case 'manifest':
      case 'nonce':
      case 'integrity':
      case 'crossorigin':
      case 'autofocus':
      case 'autoplay':
        return undefined;
      case 'loading':
        return value.toLowerCase() === 'lazy' ? undefined : value;
      case 'media':
      case 'sizes':
        return boundedSheet(value).cut === undefined ? value : undefined;
      default:
        // What of a drawing is a style may stand as an attribute (SVG 2, section 6.6).
        if (isDrawn(element) && boundedSheet(value).cut !== undefined) {
          this.leave('style', `${tag} ${name}`);
          return undefined;
        }
        if (fileAttributes.has(name) && value.trim() !== '') {
          return tag === 'video' || tag === 'audio' || tag === 'track'
            ? this.media(name, value)
            : this.files.file(value, this.base);
        }
        return runs(value) && !name.startsWith('data-') && !name.startsWith('aria-')
          ? undefined
          : value;
    }
  }

  /** Films and sounds are not kept; a film's first picture is. */
  private media(name: string, value: string): string | undefined {
    if (name === 'poster') {
      return this.files.file(value, this.base);
    }
    this.leave('plug-in', value);
    return undefined;
  }

  private href(element: Element, tag: string, value: string): string | undefined {
    if (tag === 'link') {
      const sheet = words(attribute(element, 'rel')).includes('stylesheet');
      return sheet
        ? this.files.sheet(value, this.base, attribute(element, 'charset') ?? this.charset)
        : this.files.file(value, this.base);
    }
    if (runs(value)) {
      this.leave('script', 'a link');
      return nowhere;
    }
    if (drawnHref.has(tag) && !value.trim().startsWith('#')) {
      return this.files.file(value, this.base);
    }
    // Links stay, since style sheets ask for them; whoever shows the page lets none be followed.
    return value;
  }

  private srcset(value: string): string | undefined {
    const kept = parseSrcset(value).flatMap((candidate) => {
      const url = this.files.file(candidate.url, this.base);
      return url === nowhere ? [] : [{ ...candidate, url }];
    });
    return kept.length > 0 ? stringifySrcset(kept) : undefined;
  }
}

/** Elements that drawings in a page come to, whichever of them they use. */
function countDrawn(tree: Tree): number {
  const elements = new DrawnElements();
  for (const { element, depth } of elementsOf(tree)) {
    while (elements.depth > depth) {
      elements.closes();
    }
    elements.opens(isDrawn(element) ? drawnElement(element) : notDrawn, false);
  }
  return elements.all();
}

const notDrawn: DrawnElement = { name: '', id: undefined, names: [] };

const drawnElement = (element: Element): DrawnElement => ({
  name: element.tagName,
  id: attribute(element, 'id'),
  names: element.attrs.flatMap(({ name, value }) =>
    name === 'href' ? (/^\s*#(.*)/.exec(value)?.slice(1) ?? []) : namedByUrl(value),
  ),
});

/** Doctypes that put a browser into the mode that the page was shown in (HTML, section 13.2.6.4.1). */
const doctypes: Readonly<Record<string, string>> = {
  [html.DOCUMENT_MODE.NO_QUIRKS]: '<!DOCTYPE html>',
  [html.DOCUMENT_MODE.LIMITED_QUIRKS]:
    '<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.0 Transitional//EN" "http://www.w3.org/TR/xhtml1/DTD/xhtml1-transitional.dtd">',
  [html.DOCUMENT_MODE.QUIRKS]: '',
};

const textOf = (element: Element): string =>
  element.childNodes.map((node) => ('value' in node ? node.value : '')).join('');

/** A browser's parser puts what lies deeper beside each other (Chromium's own bound). */
const deepest = 512;

/** What is looked for in a page before anything is made of it. */
interface Overview {
  readonly title: string;
  readonly base: string | undefined;
}

/** @throws PageError where the document is none that can be shown */
function overview(name: string, tree: Tree): Overview {
  let title: string | undefined;
  let base: string | undefined;
  let frames = 0;
  let passwords = 0;
  let shown = 0;
  for (const { element, depth } of elementsOf(tree)) {
    if (depth > deepest) {
      throw new PageError(
        `${name}: expected at most ${deepest} elements inside each other, found more.`,
      );
    }
    const tag = element.tagName;
    if (tag === 'title') {
      title ??= textOf(element).replace(/\s+/g, ' ').trim();
    } else if (tag === 'base') {
      base ??= attribute(element, 'href');
    } else if (/^(?:i?frame|embed|object)$/.test(tag)) {
      frames++;
    } else if (tag === 'input' && attribute(element, 'type')?.toLowerCase() === 'password') {
      passwords++;
    } else if (/^(?:img|picture|svg|video|canvas|main|article|h[1-6]|p|li|td)$/.test(tag)) {
      shown++;
    }
  }
  const words = bodyText(tree).length;
  if (frames > 0 && shown === 0 && words < 80) {
    throw new PageError(
      `${name}: expected a page, found only a frame around another. Open the page inside the frame by itself and save that.`,
    );
  }
  if (passwords > 0 && words < 400) {
    throw new PageError(
      `${name}: expected a page, found one that asks for a password. Save the page as you see it once you are let in.`,
    );
  }
  return { title: title ?? '', base };
}

/** Words of the page that can be read, as one line. */
function bodyText(tree: Tree): string {
  const texts: string[] = [];
  for (const { element } of elementsOf(tree)) {
    if (!/^(?:script|style|noscript|title|template)$/.test(element.tagName)) {
      texts.push(textOf(element));
    }
  }
  return texts.join(' ').replace(/\s+/g, ' ').trim();
}

/**
 * Makes of a saved page one document that asks for nothing and runs nothing, and gathers the files
 * it uses. What is laid out stays as it is; scripts, handlers, frames' and plug-ins' contents,
 * refreshes and everything from elsewhere go and are told.
 * @throws PageError where it is no page that can be shown
 */
export function freezePage({ name, text, base, charset }: PageText, source: Source): FrozenPage {
  const tree = parse(text);
  const { title, base: ownBase } = overview(name, tree);
  const from = ownBase === undefined ? base : basedOn(ownBase, base);
  const freezing = new Freezing(source, from, charset);
  freezing.children(tree);
  freezing.drawings(tree);
  tree.childNodes = tree.childNodes.filter((node) => node.nodeName !== '#documentType');
  return {
    title,
    html: doctypes[tree.mode] + serialize(tree),
    files: freezing.files.list,
    left: freezing.left,
    missing: [...freezing.files.missing],
  };
}

/** What the addresses of a document are relative to. @param base path or address of itself */
export function baseOfPage(text: string, base: string): string {
  for (const { element } of elementsOf(parse(text))) {
    const href = element.tagName === 'base' ? attribute(element, 'href') : undefined;
    if (href !== undefined) {
      return basedOn(href, base);
    }
  }
  return base;
}

/** Where `base` leads; the document itself where it leads elsewhere than its own files. */
function basedOn(href: string, base: string): string {
  try {
    // A document with an address of its own.
    return new URL(href, base).href;
  } catch {
    return /^[a-z][a-z0-9+.-]*:|^[/\\]{2}/i.test(href)
      ? base
      : base.slice(0, base.lastIndexOf('/') + 1) + href;
  }
}
