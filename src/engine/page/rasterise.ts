import type { Size } from '@/core/frame/placement';
import type { Raster, Rgb } from '@/core/raster/raster';
import { MainThreadTurns } from '../yieldToMain';
import { viewOf } from './rect';

/*
 * A page as pixels. No interface of a browser gives them; but a picture may be an SVG that holds a
 * document, and that can be drawn and read. Such a document loads nothing, its root is the SVG's and
 * it cannot be scrolled, so everything it needs is put into it, and what depends on the root is told
 * it.
 */

const dataAddress = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error ?? new Error('A file of the page cannot be read.'));
    reader.readAsDataURL(blob);
  });

const blobAddress = /blob:[^\s"'()<>&,\\]+/g;

/** A picture of nothing, or of one colour, so large. */
const nothing = ({ width, height, colour }: Omit<LeftPicture, 'address'>): string => {
  const fill = colour
    ? `<rect width="100%" height="100%" fill="rgb(${colour.r},${colour.g},${colour.b})"/>`
    : '';
  return `data:image/svg+xml,${encodeURIComponent(`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${fill}</svg>`)}`;
};

const wrapped = (css: string, rule: string): string => (rule === '' ? css : `${rule} {\n${css}\n}`);

/** A sheet as it is now, with those that it imports in their places. */
function sheetText(sheet: CSSStyleSheet, view: Window & typeof globalThis): string {
  const rules = [...sheet.cssRules].map((rule) => {
    if (!(rule instanceof view.CSSImportRule)) {
      return rule instanceof view.CSSNamespaceRule ? '' : rule.cssText;
    }
    const inside = rule.styleSheet ? sheetText(rule.styleSheet, view) : '';
    const layered = wrapped(inside, rule.layerName === null ? '' : `@layer ${rule.layerName}`);
    const { mediaText } = rule.media;
    const queried = wrapped(layered, mediaText === '' ? '' : `@media ${mediaText}`);
    return wrapped(queried, rule.supportsText === null ? '' : `@supports (${rule.supportsText})`);
  });
  return rules.join('\n');
}

/** What every browser has for links, which in pictures are none; before all that the page says. */
const links =
  '@layer browser { :where(a[href], area[href]) { color: -webkit-link; text-decoration: underline } }\n';

/** Margins that do not show at the top of a body or cell in quirks mode (Quirks Mode Standard). */
const quirks =
  '@layer browser { :where(body, td, th) > :where(h1, h2, h3, h4, h5, h6, p, ul, ol, dl, form, blockquote, pre):first-child { margin-top: 0 } :where(table) { font-size: medium; font-weight: normal; font-style: normal; line-height: normal; text-align: start; white-space: normal } }\n';

function allStyles(document: Document): string {
  const view = viewOf(document);
  const texts = [...document.styleSheets].flatMap((sheet) => {
    try {
      const { mediaText } = sheet.media;
      const text = sheetText(sheet, view);
      return sheet.disabled ? [] : [wrapped(text, mediaText === '' ? '' : `@media ${mediaText}`)];
    } catch {
      return [];
    }
  });
  return (
    (document.compatMode === 'BackCompat' ? quirks : '') +
    links +
    texts
      .join('\n')
      // As specific as before.
      .replace(/:root\b/g, ':is(html,:root)')
      .replace(/:(?:any-link|-webkit-any-link|link)\b/g, '[href]')
  );
}

const background = [
  'background-color',
  'background-image',
  'background-repeat',
  'background-position',
  'background-size',
  'background-origin',
  'background-clip',
] as const;

const declared = (list: Readonly<Record<string, string>>): string =>
  Object.entries(list)
    .map(([name, value]) => `${name}:${value} !important`)
    .join(';');

const paintsNothing = (style: CSSStyleDeclaration): boolean =>
  style.backgroundImage === 'none' && /^(transparent|rgba\(.*, 0\))$/.test(style.backgroundColor);

/**
 * What the root or the body paints on all of the page: CSS Backgrounds Level 3, section 2.11.1. One
 * that is fixed is laid by the window.
 */
function canvasStyle(document: Document, top: number): string {
  const view = viewOf(document);
  const root = document.documentElement;
  const own = view.getComputedStyle(root);
  const style = paintsNothing(own) && document.body ? view.getComputedStyle(document.body) : own;
  const fixed = style.backgroundAttachment.startsWith('fixed');
  const { left, width, height } = root.getBoundingClientRect();
  return declared({
    position: 'absolute',
    'z-index': '-2147483647',
    left: fixed ? '0' : `${left}px`,
    top: fixed ? '0' : `${root.getBoundingClientRect().top + view.scrollY - top}px`,
    width: fixed ? '100%' : `${width}px`,
    height: fixed ? '100%' : `${Math.max(height, view.innerHeight)}px`,
    ...Object.fromEntries(background.map((name) => [name, style.getPropertyValue(name)])),
  });
}

const addStyle = (element: Element, list: Readonly<Record<string, string>>) =>
  element.setAttribute('style', `${element.getAttribute('style') ?? ''};${declared(list)}`);

/** What an image really shows, which the browser chose for this width, as large as it is. */
function settleImages(document: Document, copy: Element): void {
  const view = viewOf(document);
  const shown = [...document.querySelectorAll('img')];
  copy.querySelectorAll('img').forEach((image, i) => {
    if (shown[i].srcset || shown[i].closest('picture')) {
      const { width, height } = view.getComputedStyle(shown[i]);
      addStyle(image, { width, height });
    }
    for (const name of ['srcset', 'sizes', 'loading', 'decoding']) {
      image.removeAttribute(name);
    }
    if (shown[i].currentSrc) {
      image.setAttribute('src', shown[i].currentSrc);
    }
  });
}

/** Films are their posters: in a picture they would have the browser's own controls. */
function settleFilms(document: Document, copy: Element): void {
  const view = viewOf(document);
  const shown = [...document.querySelectorAll('video')];
  copy.querySelectorAll('video').forEach((film, i) => {
    const poster = document.createElement('img');
    for (const name of ['id', 'class', 'style']) {
      poster.setAttribute(name, film.getAttribute(name) ?? '');
    }
    if (film.poster) {
      poster.setAttribute('src', film.poster);
    }
    const { width, height, display, margin, objectFit } = view.getComputedStyle(shown[i]);
    addStyle(poster, { width, height, display, margin, 'object-fit': objectFit });
    film.replaceWith(poster);
  });
}

/** In quirks mode cells are as high as they say with their padding in it (Quirks Mode Standard). */
function settleCells(document: Document, copy: Element): void {
  if (document.compatMode !== 'BackCompat') {
    return;
  }
  const view = viewOf(document);
  const shown = [...document.querySelectorAll('td, th')];
  copy.querySelectorAll('td, th').forEach((cell, i) => {
    const { height } = view.getComputedStyle(shown[i]);
    cell.removeAttribute('height');
    addStyle(cell, { height, 'box-sizing': 'content-box' });
  });
}

const left = 'script, style, link, meta, base, noscript, template, source, title';

/**
 * The document by itself, as it stands at a place of the window.
 * @param more rules after all of its own
 */
function standing(document: Document, top: number, more: string): string {
  const view = viewOf(document);
  const copy = document.documentElement.cloneNode(true) as HTMLElement;
  settleImages(document, copy);
  settleFilms(document, copy);
  settleCells(document, copy);
  copy.querySelectorAll(left).forEach((element) => element.remove());
  const root = view.getComputedStyle(document.documentElement);
  const body = copy.querySelector('body');
  const plain = { overflow: 'visible', background: 'none' };
  addStyle(copy, {
    ...plain,
    'font-size': root.fontSize,
    'color-scheme': root.colorScheme,
    'margin-top': `${parseFloat(root.marginTop) - top}px`,
  });
  if (body) {
    addStyle(body, paintsNothing(root) ? plain : { overflow: 'visible' });
  }
  const sheet = document.createElement('style');
  sheet.textContent = `${allStyles(document)}\n${more}`;
  copy.prepend(sheet);
  const canvas = document.createElement('div');
  canvas.setAttribute('style', canvasStyle(document, top));
  const write = new XMLSerializer();
  return (
    write.serializeToString(canvas) +
    write
      .serializeToString(copy)
      // What XML has no way to write.
      // eslint-disable-next-line no-control-regex
      .replace(/[\x00-\x08\x0b\x0c\x0e-\x1f\ufffe\uffff]/g, '')
  );
}

/** A picture by the address it has in the page, and its size. */
export interface LeftPicture extends Size {
  readonly address: string;
  /** Stands in its place; nothing where none is said. */
  readonly colour?: Rgb;
}

export interface RasterWanted {
  /** Px of the page that the window begins at. */
  readonly top: number;
  /** Of the window, px. */
  readonly width: number;
  readonly height: number;
  /** Pictures that are left out. */
  readonly without?: readonly LeftPicture[];
  /** What all letters are in; as the page has them where nothing is said. */
  readonly letters?: 'nothing' | 'black' | 'white';
  /** Files that were read before, by their addresses. */
  readonly read?: FilesRead;
}

/** Files of a page as `data:` addresses, so that none is read twice. */
export type FilesRead = Map<string, Promise<string>>;

const inks = { nothing: 'transparent', black: '#000', white: '#fff' } as const;

/** All letters in one colour; whatever else takes its colour from the words keeps it. */
const lettersIn = (ink: keyof typeof inks): string =>
  `*, ::before, ::after { ${declared({
    '-webkit-text-fill-color': inks[ink],
    'text-decoration-color': inks[ink],
    '-webkit-text-stroke-color': inks[ink],
    'text-emphasis-color': inks[ink],
  })} }`;

/** Px that are drawn and read before the thread does what else it has to do. */
const drawnAtOnce = 1 << 19;

/** Patterns that colours are dithered by repeat after fewer rows. */
const wholeRows = 16;

/** A picture on white, read in bands. */
async function pixelsOf(image: HTMLImageElement, { width, height }: Size): Promise<Raster> {
  const fitting = Math.max(1, Math.floor(drawnAtOnce / width / wholeRows)) * wholeRows;
  const rows = Math.min(height, fitting);
  const canvas = new OffscreenCanvas(width, rows);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.fillStyle = '#fff';
  const data = new Uint8ClampedArray(width * height * 4);
  const breath = new MainThreadTurns(16);
  for (let y = 0; y < height; y += rows) {
    context.fillRect(0, 0, width, rows);
    context.drawImage(image, 0, -y);
    const band = context.getImageData(0, 0, width, Math.min(rows, height - y));
    data.set(band.data, y * width * 4);
    await breath.yieldToMain();
  }
  return { width, height, data };
}

/**
 * What a window shows of a page as it is laid out now.
 * @returns opaque pixels of the window
 */
export async function rasterise(
  document: Document,
  { top, width, height, without = [], letters, read = new Map() }: RasterWanted,
): Promise<Raster> {
  const rootSize = viewOf(document).getComputedStyle(document.documentElement).fontSize;
  const text = standing(document, top, letters ? lettersIn(letters) : '');
  const addresses = [...new Set(text.match(blobAddress) ?? [])];
  const files = new Map(
    await Promise.all(
      addresses.map(async (address): Promise<[string, string]> => {
        const gone = without.find((one) => one.address === address);
        if (gone) {
          return [address, nothing(gone)];
        }
        const file =
          read.get(address) ??
          fetch(address)
            .then(async (r) => dataAddress(await r.blob()))
            .catch(() => nothing({ width: 1, height: 1 }));
        read.set(address, file);
        return [address, await file];
      }),
    ),
  );
  // A picture that is worked on is another file with each of its states.
  for (const address of read.keys()) {
    if (!files.has(address)) {
      read.delete(address);
    }
  }
  const whole = text.replace(blobAddress, (address) => files.get(address) ?? address);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" style="font-size:${rootSize}"><foreignObject width="100%" height="100%">${whole}</foreignObject></svg>`;
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  return pixelsOf(image, { width, height });
}
