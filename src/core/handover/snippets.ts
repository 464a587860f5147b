import { hasOverlap, overlapOf, type Overlap } from '../frame/overlap';
import { narrowed } from '../measure/layoutPage';
import type { TextLayer } from '../site/model/objectLayers';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot, SlotKind } from '../site/model/slot';
import { fontOf } from '../text/fonts';
import { adjacentColours, type PageArea } from '../seam/adjacentColours';
import { isContent } from '../slots/registry';
import { liveTexts, liveWords, type LiveWords } from './liveText';
import { addressOf, escapeHtml } from './escape';
import { safeName } from './fileName';
import type { PlannedFile, SlotFiles } from './filePlan';
import { length, rule, sizeWords, below, indented } from '../theme/cssText';
import { typeOf, fileAt, plainFile, imageMarkup } from './imageMarkup';

export interface Snippets {
  readonly css: string;
  readonly html: string;
}

/** The colour under the picture, so that the page has its tone before the file has come. */
function underColour(site: Site, slot: Slot, picture: Picture): string | undefined {
  const { ground } = picture;
  // Below the end of a gradient the page goes on in its last colour.
  if (ground.type === 'gradient') {
    return ground.stops.reduce((last, stop) => (stop.at >= last.at ? stop : last)).colour;
  }
  return ground.type === 'colour'
    ? ground.colour
    : (adjacentColours(site, slot, 'left')?.colour ?? adjacentColours(site, slot, 'top')?.colour);
}

/**
 * `body` where the background is the site's default, else the body of each page that has it as its
 * own.
 */
function bodySelector(site: Site, slot: Slot): string {
  const own = site.pages.filter(
    (page) => page.background.type === 'own' && page.background.slot === slot.id,
  );
  return site.defaultBackground === slot.id || own.length === 0
    ? 'body'
    : own.map((page) => `body.${safeName(page.name)}`).join(', ');
}

const columnWidth = (site: Site, slot: Slot): number =>
  site.pages.flatMap((page) => page.body.sidebars).find((sidebar) => sidebar.slot === slot.id)
    ?.width ?? slot.width;

/** The second arrangement of a slot's layers, and where it holds. */
function narrowOf(site: Site, slot: Slot): { slot: Slot; below: number } | undefined {
  const other = slot.narrow && site.slots.find((s) => s.id === slot.narrow!.slot);
  return other ? { slot: other, below: slot.narrow!.below } : undefined;
}

/**
 * Words over the picture, in a box as large as it; below the second arrangement's width that has
 * its own words.
 */
function wordsCss(
  site: Site,
  slot: Slot,
  name: string,
  words: readonly TextLayer[],
  place: readonly (string | false)[],
  narrowBelow: number | undefined,
): string {
  const declared = (list: LiveWords['line']) =>
    list.map(([property, value]) => `${property}: ${value}`);
  const own = new Map(site.fonts.map((f) => [f.id, f.family]));
  return (
    rule(`.${name}-box`, [
      'position: relative',
      `width: ${slot.width}px`,
      'max-width: 100%',
      'container-type: inline-size',
      ...place.filter((p) => p !== 'position: relative'),
    ]) +
    words
      .map((word, i) => {
        const { declarations, line, strut } = liveWords(
          slot,
          word,
          own.get(word.font) ?? fontOf(word.font).family,
          site.limits.phoneText,
        );
        const selector = `.${name}-words-${i + 1}`;
        return (
          rule(selector, declared(declarations)) +
          rule(`${selector} span`, declared(line)) +
          (strut.length > 0 ? rule(`${selector} span::before`, declared(strut)) : '')
        );
      })
      .join('') +
    (narrowBelow === undefined
      ? ''
      : `@media ${below(narrowBelow)} {\n${indented(rule(`.${name}-box p`, ['display: none']))}}\n`)
  );
}

/** Where the areas of a page have their colour, when it is handed over. */
const areaSelectors: Readonly<Record<PageArea['role'], string>> = {
  ground: 'body',
  bar: '.page-bar',
  band: '.page-title',
  body: '.page-text',
  section: '.page-section',
};

/**
 * Beyond its place by the same share at every width, over what lies beside it; the page around it
 * stays where it was.
 */
function hangingLines(slot: Slot, { top, right, bottom, left }: Overlap): string[] {
  const share = (px: number) =>
    `calc(min(100%, ${slot.width}px) * ${Math.round((px / slot.width) * 1e6) / 1e6})`;
  return [
    `width: ${share(slot.width + left + right)}`,
    'max-width: none',
    `margin: ${[top, right, bottom, left].map((px) => share(-px)).join(' ')}`,
    'z-index: 1',
  ];
}

/** The colour that the page has taken from a side of the picture. */
function lentColour(site: Site, slot: Slot): string {
  const beside = slot.lends && adjacentColours(site, slot, slot.lends);
  return beside?.area && beside.colour
    ? rule(areaSelectors[beside.area.role], [`background-color: ${beside.colour}`])
    : '';
}

/**
 * A background's picture: the plain file for browsers that know nothing else, then by density and
 * format, as CSS Images Level 4 has it.
 */
function imageLines(files: readonly PlannedFile[], scales: readonly [number, number]): string[] {
  const plain =
    fileAt(files, scales[0], true) ?? fileAt(files, scales[0], false) ?? plainFile(files);
  const set = [false, true].flatMap((fallback) =>
    scales.flatMap((scale, i) => {
      const f = fileAt(files, scale, fallback);
      return f ? [`url("${addressOf(f.path)}") type("${typeOf(f)}") ${i + 1}x`] : [];
    }),
  );
  return [
    `background-image: url("${addressOf(plain.path)}")`,
    ...(set.length > 1 ? [`background-image: image-set(${set.join(', ')})`] : []),
  ];
}

/** The declarations that lay a background, in the words of CSS Backgrounds and Borders Level 3. */
const backgroundLines = (slot: Slot, files: readonly PlannedFile[]): (string | false)[] => [
  ...imageLines(files, [1, 2]),
  `background-repeat: ${slot.repeat}`,
  `background-position: ${length(slot.position.x)} ${length(slot.position.y)}`,
  `background-size: ${sizeWords(slot)}`,
  slot.attachment === 'fixed' && 'background-attachment: fixed',
];

/** Screens up to this width get the half-size background, px (common practice, no source). */
const phoneBelow = 600;

/** Half the px for phones, laid as large as the whole: most of it is under the content there. */
function phoneBackground(slot: Slot, files: readonly PlannedFile[], selector: string): string {
  if (!fileAt(files, 0.5, false)) {
    return '';
  }
  const fixed =
    typeof slot.size !== 'string' &&
    slot.size.x === 'auto' &&
    slot.size.y === 'auto' &&
    `background-size: ${slot.width}px ${slot.height}px`;
  return `@media ${below(phoneBelow)} {\n${indented(rule(selector, [...imageLines(files, [0.5, 1]), fixed]))}}\n`;
}

/** The class name that a slot's lines of the style sheet are for. */
export const className = (site: Pick<Site, 'name'>, slot: Pick<Slot, 'name'>): string =>
  `${safeName(site.name)}-${safeName(slot.name)}`;

/**
 * The lines of stylesheet and markup that put a slot's files on the page. A header, mark or piece
 * is content, an `img`; everything else is a background.
 * @param plan the files of all slots
 */
export function snippetsFor(site: Site, plan: readonly SlotFiles[], slotId: string): Snippets {
  const found = plan.find((p) => p.slot.id === slotId);
  if (!found) {
    return { css: '', html: '' };
  }
  const { slot, picture, files } = found;
  const name = className(site, slot);
  const colour = underColour(site, slot, picture);
  if (isContent(slot.kind)) {
    const { x, y } = slot.offset;
    const moved = x !== 0 || y !== 0;
    const overlap = overlapOf(slot);
    const hangs = hasOverlap(overlap);
    const place = [
      (moved || hangs) && 'position: relative',
      moved && `left: ${x}px`,
      moved && `top: ${y}px`,
    ];
    const words = liveTexts(picture.layers);
    const other = narrowOf(site, slot);
    const otherFiles = other && plan.find((p) => p.slot.id === other.slot.id);
    const narrow = other && otherFiles && { ...other, files: otherFiles };
    const image = imageMarkup(name, slot, found, narrow);
    return {
      css:
        rule(`.${name}`, [
          'display: block',
          ...(hangs ? hangingLines(slot, overlap) : [`width: ${slot.width}px`, 'max-width: 100%']),
          'height: auto',
          ...(words.length === 0 ? place : []),
          picture.ground.type === 'colour' && !hangs && `background-color: ${colour}`,
        ]) +
        (narrow
          ? `@media ${below(narrow.below)} {\n${indented(rule(`.${name}`, [`width: ${narrow.slot.width}px`, hangs && 'max-width: 100%', hangs && 'margin: 0']))}}\n`
          : '') +
        (words.length > 0 ? wordsCss(site, slot, name, words, place, narrow?.below) : '') +
        lentColour(site, slot),
      html:
        words.length > 0
          ? `<div class="${name}-box">\n  ${image}\n${words
              .map(
                (w, i) =>
                  `  <p class="${name}-words-${i + 1}">${liveWords(slot, w, '', 0)
                    .lines.map((l) => `<span>${escapeHtml(l)}</span>`)
                    .join('')}</p>\n`,
              )
              .join('')}</div>\n`
          : `${image}\n`,
    };
  }
  const lines = backgroundLines(slot, files);
  return laid[slot.kind]({ site, slot, files, name, colour, lines });
}

interface Laid {
  readonly site: Site;
  readonly slot: Slot;
  readonly files: readonly PlannedFile[];
  readonly name: string;
  /** Under the picture. */
  readonly colour: string | undefined;
  readonly lines: readonly (string | false)[];
}

function onBody({ site, slot, files, colour, lines }: Laid): Snippets {
  const selector = bodySelector(site, slot);
  const classes = [...selector.matchAll(/body\.([a-z0-9-]+)/g)].map((m) => m[1]);
  return {
    css:
      rule(selector, [colour && `background-color: ${colour}`, ...lines]) +
      phoneBackground(slot, files, selector),
    html: classes.length ? classes.map((c) => `<body class="${c}">\n`).join('') : '<body>\n',
  };
}

/**
 * It hangs above its section, which must let it, and overlaps it by one px: a line would show
 * between them at a fractional zoom.
 */
function aboveSection({ site, slot, name, colour, lines }: Laid): Snippets {
  const { narrowSize } = slot;
  const at = narrowSize && narrowed(slot, narrowSize.below - 1);
  return {
    css:
      rule(`.${name}`, [
        'position: relative',
        'overflow: visible',
        slot.lends === 'bottom' &&
          `background-color: ${adjacentColours(site, slot, 'bottom')?.colour ?? colour}`,
      ]) +
      rule(`.${name}::before`, [
        'content: ""',
        'position: absolute',
        'left: 0',
        'right: 0',
        'bottom: 100%',
        'margin-bottom: -1px',
        `height: ${slot.height}px`,
        'pointer-events: none',
        ...lines,
      ]) +
      (at
        ? `@media ${below(narrowSize.below)} {\n${indented(rule(`.${name}::before`, [`height: ${at.height}px`, `background-size: ${sizeWords(at)}`]))}}\n`
        : ''),
    html: `<section class="${name}">…</section>\n`,
  };
}

const behindTitle = ({ site, slot, name, colour, lines }: Laid): Snippets => ({
  css:
    rule(`.${name}`, [colour && `background-color: ${colour}`, ...lines]) + lentColour(site, slot),
  html: `<div class="${name}"><h1>…</h1></div>\n`,
});

const behindColumn = ({ site, slot, name, colour, lines }: Laid): Snippets => ({
  css:
    rule(`.${name}`, [
      `width: ${columnWidth(site, slot)}px`,
      colour && `background-color: ${colour}`,
      ...lines,
    ]) + lentColour(site, slot),
  html: `<aside class="${name}">…</aside>\n`,
});

const asImage = (): never => {
  throw new Error('Expected a slot that is a background of something.');
};

/** The lines of every kind that is a background; content is an `img` and has none of these. */
const laid: Readonly<Record<SlotKind, (what: Laid) => Snippets>> = {
  background: onBody,
  divider: aboveSection,
  band: behindTitle,
  sidebar: behindColumn,
  header: asImage,
  mark: asImage,
  piece: asImage,
};
