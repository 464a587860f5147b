import { fileSize, hasOverlap, overlapOf, type Overlap } from '../frame/overlap';
import { narrowed } from '../measure/layoutPage';
import type { Length, Picture, Site, Slot, TextLayer } from '../site/model';
import { fontOf } from '../text/fonts';
import { besideColours, type PageArea } from '../seam/beside';
import { isContent } from '../site/pages';
import { liveTexts, liveWords, type LiveWords } from './liveText';
import { escapeHtml } from './escape';
import { fileNameOf, safeName } from './fileName';

export interface Snippets {
  readonly css: string;
  readonly html: string;
}

/** The colour under the picture, so that the page has its tone before the file has come. */
function underColour(site: Site, slot: Slot, picture: Picture): string | undefined {
  const { ground } = picture;
  // Below the end of a gradient the page goes on in its last colour.
  if (ground.type === 'gradient') return ground.stops.reduce((last, stop) => (stop.at >= last.at ? stop : last)).colour;
  return ground.type === 'colour' ? ground.colour : besideColours(site, slot, 'left')?.colour ?? besideColours(site, slot, 'top')?.colour;
}

const length = (value: Length | 'auto'): string => (value === 'auto' ? value : `${value.value}${value.unit}`);

function rule(selector: string, lines: readonly (string | false | undefined)[]): string {
  return `${selector} {\n${lines.filter(Boolean).map((line) => `  ${line};`).join('\n')}\n}\n`;
}

/** `body` where the background is the site's default, else the body of each page that has it as its own. */
function bodySelector(site: Site, slot: Slot): string {
  const own = site.pages.filter((page) => page.background.type === 'own' && page.background.slot === slot.id);
  return site.defaultBackground === slot.id || own.length === 0 ? 'body' : own.map((page) => `body.${safeName(page.name)}`).join(', ');
}

const columnWidth = (site: Site, slot: Slot): number =>
  site.pages.flatMap((page) => page.body.sidebars).find((sidebar) => sidebar.slot === slot.id)?.width ?? slot.width;

const sizeWords = ({ size }: Pick<Slot, 'size'>): string => (typeof size === 'string' ? size : `${length(size.x)} ${length(size.y)}`);

/** Narrower than a width; browsers count fractions of a px. */
const below = (width: number): string => `(max-width: ${width - 0.02}px)`;

const indented = (css: string): string => css.replace(/^(?=.)/gm, '  ');

/** The second arrangement of a slot's layers, and where it holds. */
function narrowOf(site: Site, slot: Slot): { slot: Slot; picture: Picture; below: number } | undefined {
  const other = slot.narrow && site.slots.find((s) => s.id === slot.narrow!.slot), picture = other && site.pictures[other.pictureId];
  return other && picture ? { slot: other, picture, below: slot.narrow!.below } : undefined;
}

/** Words over the picture, in a box as large as it; below the second arrangement's width that has its own words. */
function wordsCss(site: Site, slot: Slot, name: string, words: readonly TextLayer[], place: readonly (string | false)[], narrowBelow: number | undefined): string {
  const declared = (list: LiveWords['line']) => list.map(([property, value]) => `${property}: ${value}`), own = new Map(site.fonts.map((f) => [f.id, f.family]));
  return rule(`.${name}-box`, ['position: relative', `width: ${slot.width}px`, 'max-width: 100%', 'container-type: inline-size', ...place.filter((p) => p !== 'position: relative')])
    + words.map((word, i) => {
      const { declarations, line, strut } = liveWords(slot, word, own.get(word.font) ?? fontOf(word.font).family, site.limits.phoneText), selector = `.${name}-words-${i + 1}`;
      return rule(selector, declared(declarations)) + rule(`${selector} span`, declared(line)) + (strut.length > 0 ? rule(`${selector} span::before`, declared(strut)) : '');
    }).join('')
    + (narrowBelow === undefined ? '' : `@media ${below(narrowBelow)} {\n${indented(rule(`.${name}-box p`, ['display: none']))}}\n`);
}

/** Where the areas of a page have their colour, when it is handed over. */
const areaSelectors: Readonly<Record<PageArea['role'], string>> = { ground: 'body', bar: '.page-bar', band: '.page-title', body: '.page-text', section: '.page-section' };

/** Beyond its place by the same share at every width, over what lies beside it; the page around it stays where it was. */
function hangingLines(slot: Slot, { top, right, bottom, left }: Overlap): string[] {
  const share = (px: number) => `calc(min(100%, ${slot.width}px) * ${Math.round((px / slot.width) * 1e6) / 1e6})`;
  return [`width: ${share(slot.width + left + right)}`, 'max-width: none', `margin: ${[top, right, bottom, left].map((px) => share(-px)).join(' ')}`, 'z-index: 1'];
}

/** The colour that the page has taken from a side of the picture. */
function lentColour(site: Site, slot: Slot): string {
  const beside = slot.lends && besideColours(site, slot, slot.lends);
  return beside?.area && beside.colour ? rule(areaSelectors[beside.area.role], [`background-color: ${beside.colour}`]) : '';
}

/** The declarations that lay a background, in the words of CSS Backgrounds and Borders Level 3. */
const backgroundLines = (slot: Slot, file: string): (string | false)[] => [
  `background-image: url("${file}")`, `background-repeat: ${slot.repeat}`, `background-position: ${length(slot.position.x)} ${length(slot.position.y)}`,
  `background-size: ${sizeWords(slot)}`, slot.attachment === 'fixed' && 'background-attachment: fixed',
];

/**
 * The lines of stylesheet and markup that put a slot's file on the page.
 * A header, mark or piece is content, an `img`; everything else is a background.
 */
export function snippetsFor(site: Site, slot: Slot, picture: Picture): Snippets {
  const file = fileNameOf(slot, picture.press.format), name = `${safeName(site.name)}-${safeName(slot.name)}`;
  const colour = underColour(site, slot, picture);
  if (isContent(slot.kind)) {
    const { x, y } = slot.offset, moved = x !== 0 || y !== 0;
    const overlap = overlapOf(slot), hangs = hasOverlap(overlap), whole = fileSize(slot, overlap);
    const place = [(moved || hangs) && 'position: relative', moved && `left: ${x}px`, moved && `top: ${y}px`], words = liveTexts(picture.layers), narrow = narrowOf(site, slot);
    const img = `<img class="${name}" src="${file}" width="${whole.width}" height="${whole.height}" alt="${escapeHtml(picture.alt.trim())}">`;
    const image = narrow ? `<picture><source media="${below(narrow.below)}" srcset="${fileNameOf(narrow.slot, narrow.picture.press.format)}" width="${narrow.slot.width}" height="${narrow.slot.height}">${img}</picture>` : img;
    return {
      css: rule(`.${name}`, ['display: block', ...(hangs ? hangingLines(slot, overlap) : [`width: ${slot.width}px`, 'max-width: 100%']), 'height: auto', ...(words.length === 0 ? place : []), picture.ground.type === 'colour' && !hangs && `background-color: ${colour}`])
        + (narrow ? `@media ${below(narrow.below)} {\n${indented(rule(`.${name}`, [`width: ${narrow.slot.width}px`, hangs && 'max-width: 100%', hangs && 'margin: 0']))}}\n` : '')
        + (words.length > 0 ? wordsCss(site, slot, name, words, place, narrow?.below) : '') + lentColour(site, slot),
      html: words.length > 0 ? `<div class="${name}-box">\n  ${image}\n${words.map((w, i) => `  <p class="${name}-words-${i + 1}">${liveWords(slot, w, '', 0).lines.map((l) => `<span>${escapeHtml(l)}</span>`).join('')}</p>\n`).join('')}</div>\n` : `${image}\n`,
    };
  }
  const lines = backgroundLines(slot, file);
  switch (slot.kind) {
    case 'background': {
      const selector = bodySelector(site, slot), classes = [...selector.matchAll(/body\.([a-z0-9-]+)/g)].map((m) => m[1]);
      return { css: rule(selector, [colour && `background-color: ${colour}`, ...lines]), html: classes.length ? classes.map((c) => `<body class="${c}">\n`).join('') : '<body>\n' };
    }
    case 'divider': {
      const { narrowSize } = slot, at = narrowSize && narrowed(slot, narrowSize.below - 1);
      return {
        // It hangs above its section, which must let it, and overlaps it by one px: a line would show between them at a fractional zoom.
        css: rule(`.${name}`, ['position: relative', 'overflow: visible', slot.lends === 'bottom' && `background-color: ${besideColours(site, slot, 'bottom')?.colour ?? colour}`])
          + rule(`.${name}::before`, ['content: ""', 'position: absolute', 'left: 0', 'right: 0', 'bottom: 100%', 'margin-bottom: -1px', `height: ${slot.height}px`, 'pointer-events: none', ...lines])
          + (at ? `@media ${below(narrowSize.below)} {\n${indented(rule(`.${name}::before`, [`height: ${at.height}px`, `background-size: ${sizeWords(at)}`]))}}\n` : ''),
        html: `<section class="${name}">…</section>\n`,
      };
    }
    case 'band': return {
      css: rule(`.${name}`, [colour && `background-color: ${colour}`, ...lines]) + lentColour(site, slot),
      html: `<div class="${name}"><h1>…</h1></div>\n`,
    };
    default: return {
      css: rule(`.${name}`, [`width: ${columnWidth(site, slot)}px`, colour && `background-color: ${colour}`, ...lines]) + lentColour(site, slot),
      html: `<aside class="${name}">…</aside>\n`,
    };
  }
}
