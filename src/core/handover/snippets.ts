import type { Length, Picture, Site, Slot } from '../site/model';
import { fileNameOf, safeName } from './fileName';

export interface Snippets {
  readonly css: string;
  readonly html: string;
}

const escapeHtml = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] ?? c);

/** The colour under the picture, so that the page has its tone before the file has come. */
function underColour(slot: Slot, picture: Picture): string | undefined {
  const colour = picture.ground.type === 'colour' ? picture.ground.colour : slot.beside.left ?? slot.beside.top;
  return colour ?? undefined;
}

const length = (value: Length | 'auto'): string => (value === 'auto' ? value : `${value.value}${value.unit}`);

function rule(selector: string, lines: readonly (string | false | undefined)[]): string {
  return `${selector} {\n${lines.filter(Boolean).map((line) => `  ${line};`).join('\n')}\n}\n`;
}

/**
 * The lines of stylesheet and markup that put a slot's file on the page, following CSS Backgrounds and Borders Level 3.
 * A header or mark is content, an `img`; everything else is a background.
 */
export function snippetsFor(site: Site, slot: Slot, picture: Picture): Snippets {
  const file = fileNameOf(slot, picture.press.format), name = `${safeName(site.name)}-${safeName(slot.name)}`;
  const colour = underColour(slot, picture);
  if (slot.kind === 'header' || slot.kind === 'mark') {
    return {
      css: rule(`.${name}`, ['display: block', `width: ${slot.width}px`, 'max-width: 100%', 'height: auto',
        picture.ground.type === 'colour' && `background-color: ${colour}`]),
      html: `<img class="${name}" src="${file}" width="${slot.width}" height="${slot.height}" alt="${escapeHtml(picture.alt.trim())}">\n`,
    };
  }
  const lines = [
    `background-image: url("${file}")`, `background-repeat: ${slot.repeat}`, `background-position: ${length(slot.position.x)} ${length(slot.position.y)}`,
    `background-size: ${typeof slot.size === 'string' ? slot.size : `${length(slot.size.x)} ${length(slot.size.y)}`}`, slot.attachment === 'fixed' && 'background-attachment: fixed',
  ];
  if (slot.kind === 'background') {
    return { css: rule('body', [colour && `background-color: ${colour}`, ...lines]), html: '<body>\n' };
  }
  if (slot.kind === 'divider') {
    return {
      css: rule(`.${name}`, ['position: relative'])
        + rule(`.${name}::before`, ['content: ""', 'position: absolute', 'left: 0', 'right: 0', 'bottom: calc(100% - 1px)', `height: ${slot.height}px`, ...lines]),
      html: `<section class="${name}">…</section>\n`,
    };
  }
  return {
    css: rule(`.${name}`, [`width: ${slot.width}px`, colour && `background-color: ${colour}`, ...lines]),
    html: `<aside class="${name}">…</aside>\n`,
  };
}
