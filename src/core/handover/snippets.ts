import type { Length, Picture, Site, Slot } from '../site/model';
import { isContent } from '../site/pages';
import { escapeHtml } from './escape';
import { fileNameOf, safeName } from './fileName';

export interface Snippets {
  readonly css: string;
  readonly html: string;
}

/** The colour under the picture, so that the page has its tone before the file has come. */
function underColour(slot: Slot, picture: Picture): string | undefined {
  const { ground } = picture;
  // Below the end of a gradient the page goes on in its last colour.
  if (ground.type === 'gradient') return ground.stops.reduce((last, stop) => (stop.at >= last.at ? stop : last)).colour;
  return (ground.type === 'colour' ? ground.colour : slot.beside.left ?? slot.beside.top) ?? undefined;
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

/** The declarations that lay a background, in the words of CSS Backgrounds and Borders Level 3. */
const backgroundLines = (slot: Slot, file: string): (string | false)[] => [
  `background-image: url("${file}")`, `background-repeat: ${slot.repeat}`, `background-position: ${length(slot.position.x)} ${length(slot.position.y)}`,
  `background-size: ${typeof slot.size === 'string' ? slot.size : `${length(slot.size.x)} ${length(slot.size.y)}`}`, slot.attachment === 'fixed' && 'background-attachment: fixed',
];

/**
 * The lines of stylesheet and markup that put a slot's file on the page.
 * A header, mark or piece is content, an `img`; everything else is a background.
 */
export function snippetsFor(site: Site, slot: Slot, picture: Picture): Snippets {
  const file = fileNameOf(slot, picture.press.format), name = `${safeName(site.name)}-${safeName(slot.name)}`;
  const colour = underColour(slot, picture);
  if (isContent(slot.kind)) {
    const { x, y } = slot.offset, moved = x !== 0 || y !== 0;
    return {
      css: rule(`.${name}`, ['display: block', `width: ${slot.width}px`, 'max-width: 100%', 'height: auto', moved && 'position: relative', moved && `left: ${x}px`, moved && `top: ${y}px`,
        picture.ground.type === 'colour' && `background-color: ${colour}`]),
      html: `<img class="${name}" src="${file}" width="${slot.width}" height="${slot.height}" alt="${escapeHtml(picture.alt.trim())}">\n`,
    };
  }
  const lines = backgroundLines(slot, file);
  switch (slot.kind) {
    case 'background': {
      const selector = bodySelector(site, slot), classes = [...selector.matchAll(/body\.([a-z0-9-]+)/g)].map((m) => m[1]);
      return { css: rule(selector, [colour && `background-color: ${colour}`, ...lines]), html: classes.length ? classes.map((c) => `<body class="${c}">\n`).join('') : '<body>\n' };
    }
    case 'divider': return {
      css: rule(`.${name}`, ['position: relative'])
        + rule(`.${name}::before`, ['content: ""', 'position: absolute', 'left: 0', 'right: 0', 'bottom: calc(100% - 1px)', `height: ${slot.height}px`, ...lines]),
      html: `<section class="${name}">…</section>\n`,
    };
    case 'band': return {
      css: rule(`.${name}`, [colour && `background-color: ${colour}`, ...lines]),
      html: `<div class="${name}"><h1>…</h1></div>\n`,
    };
    default: return {
      css: rule(`.${name}`, [`width: ${columnWidth(site, slot)}px`, colour && `background-color: ${colour}`, ...lines]),
      html: `<aside class="${name}">…</aside>\n`,
    };
  }
}
