import { oneColumnBelow, titleMargin } from '../measure/layoutPage';
import type { Page, Section, Sidebar, TitleBand } from '../site/model/page';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { backgroundOf } from '../site/pages';
import { fontOf, themeFace } from '../text/fonts';
import { titleFont, titleLeading, titleStands, titleWeight } from '../text/titleLook';
import { cssString, escapeHtml } from './escape';
import { safeName } from './fileName';
import type { SlotFiles } from './filePlan';
import { className, snippetsFor } from './snippets';

/*
 * The pages of the plan as documents: the theme's areas as boxes of the same sizes and colours,
 * with the hand-over's own lines laying the pictures. What the plan draws at a screen width lies at
 * the same px here.
 */

/** File name of each page, no two alike. */
export function pageFiles(site: Pick<Site, 'pages'>): ReadonlyMap<string, string> {
  const taken = new Set<string>();
  const names = new Map<string, string>();
  for (const page of site.pages) {
    const stem = safeName(page.name);
    let name = stem;
    for (let n = 2; taken.has(name); n++) {
      name = `${stem}-${n}`;
    }
    taken.add(name);
    names.set(page.id, `${name}.html`);
  }
  return names;
}

const inset = 'min(28px, 6%)';

const contentWidth = ({ content: { px, percent } }: Page): string => {
  if (px !== null && percent !== null) {
    return `min(${px}px, ${percent}%)`;
  }
  if (px !== null) {
    return `${px}px`;
  }
  return `${percent}%`;
};

/**
 * Below this screen width a bar has no room for its links: as much as the plan wants for them
 * beside the mark.
 */
const linksRoom = (mark: Slot | undefined): number => 260 + (mark ? mark.width + 28 * 3 : 28);

/** A theme's font as CSS writes it. */
function fontLine(site: Site, of: 'headings' | 'text') {
  const { font, weight } = themeFace(site, of);
  return { family: cssString(font.family), weight };
}

function furniture(site: Site, page: Page): string {
  const heading = fontLine(site, 'headings');
  const text = fontLine(site, 'text');
  const mark = site.slots.find((s) => s.id === page.bar.markSlot);
  return `body { margin: 0; background-color: ${page.ground}; }
${backgroundOf(site, page) === null ? `body.${safeName(page.name)} { background-image: none; }\n` : ''}.page-column { position: relative; width: ${contentWidth(page)}; max-width: 100%; margin: 0 auto; }
.page-bar { position: relative; height: ${page.bar.height}px; background-color: ${page.bar.colour}; color: ${page.bar.ink}; display: flex; align-items: center; overflow: visible; }
.page-mark { flex: none; max-width: calc(100% - 2 * ${inset}); margin-left: ${inset}; align-self: flex-start; ${mark ? `margin-top: ${Math.round((page.bar.height - mark.height) / 2)}px; ` : ''}}
.page-links { display: flex; gap: 28px; margin: 0 0 0 ${mark ? '28px' : inset}; padding: 0; list-style: none; white-space: nowrap; overflow: hidden; align-items: center; height: 100%; font: ${text.weight} 15px ${text.family}, sans-serif; }
@media (max-width: ${linksRoom(mark) - 0.02}px) { .page-links { display: none; } }
.page-heading { position: absolute; left: ${inset}; right: ${inset}; height: 36px; margin: 0; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; font: ${heading.weight} 26px/1.3 ${heading.family}, serif; }
.page-lines { position: absolute; left: ${inset}; right: ${inset}; top: 78px; height: ${Math.max(0, page.body.height - 190)}px; display: flex; flex-direction: column; gap: 14px; overflow: hidden; }
.page-lines i { flex: none; height: 9px; background: ${page.body.ink}; opacity: 0.14; }
.page-text { display: flex; height: ${page.body.height}px; background-color: ${page.body.colour}; color: ${page.body.ink}; }
.page-text aside { flex: none; }
.page-words { position: relative; flex: 1; min-width: 0; }
@media (max-width: ${oneColumnBelow - 0.02}px) { .page-text aside { display: none; } }
${page.band ? titleRules(site, page.band) : ''}${page.sections.map(({ height, colour, ink }, i) => `.page-section-${i + 1} { position: relative; height: ${height}px; background-color: ${colour}; color: ${ink}; }\n`).join('')}.page-pieces { position: absolute; left: 0; top: 0; width: 100%; z-index: 1; }
.page-piece { position: absolute; left: 0; top: 0; width: 100%; }
`;
}

/** A band's title breaks into lines where it has no room for one. */
function titleRules(site: Site, band: TitleBand): string {
  const { alignContent, textAlign } = titleStands(band);
  const family = cssString(fontOf(titleFont(band, site), site.fonts).family);
  return `.page-title { position: relative; height: ${band.height}px; background-color: ${band.colour}; color: ${band.ink}; }
.page-title .page-column { height: 100%; }
.page-title h1 { position: absolute; left: ${inset}; right: ${inset}; top: ${titleMargin}px; bottom: ${titleMargin}px; margin: 0; display: grid; align-content: ${alignContent}; text-align: ${textAlign}; overflow: hidden; overflow-wrap: anywhere; font: ${titleWeight(band, site)} ${band.sizePx}px/${titleLeading} ${family}, serif; }
`;
}

const headingAt = (words: string, top: number, tag: 'h1' | 'h2'): string =>
  `<${tag} class="page-heading" style="top: ${top}px">${escapeHtml(words)}</${tag}>`;

/** The lines of a slot's hand-over, where it has a picture. */
const markupOf = (
  site: Site,
  plan: readonly SlotFiles[],
  slotId: string | null | undefined,
): string => (slotId ? snippetsFor(site, plan, slotId).html.trim() : '');

/** The class that a slot's background is laid on. */
function classOf(site: Site, plan: readonly SlotFiles[], slotId: string | null): string {
  const found = plan.find((p) => p.slot.id === slotId);
  return found ? className(site, found.slot) : '';
}

const classes = (...names: string[]): string => `class="${names.filter(Boolean).join(' ')}"`;

function band({ heading, boxed, slot }: TitleBand, site: Site, plan: readonly SlotFiles[]): string {
  const title = `<h1>${escapeHtml(heading)}</h1>`;
  const names = classes('page-title', classOf(site, plan, slot));
  const label = `aria-label="${escapeHtml(heading)}"`;
  return boxed
    ? `<section ${label} class="page-column"><div ${names}>${title}</div></section>`
    : `<section ${label} ${names}><div class="page-column">${title}</div></section>`;
}

function section(
  { heading, dividerSlot }: Section,
  i: number,
  site: Site,
  plan: readonly SlotFiles[],
): string {
  return `<section aria-label="${escapeHtml(heading)}" ${classes('page-section', `page-section-${i + 1}`, classOf(site, plan, dividerSlot))}><div class="page-column">${headingAt(heading, 34, 'h2')}</div></section>`;
}

/** A column without a picture keeps its place. */
const sidebar = ({ slot, width }: Sidebar, site: Site, plan: readonly SlotFiles[]): string =>
  `<aside ${classes(classOf(site, plan, slot))} style="width: ${width}px"></aside>`;

/**
 * A page as a document that links the hand-over's style sheet.
 * @param styleSheet address of it
 * @param credits markup for the foot of the page
 */
export function pageDocument(
  site: Site,
  page: Page,
  plan: readonly SlotFiles[],
  styleSheet: string,
  credits = '',
): string {
  const { bar, body } = page;
  const columns = (side: Sidebar['side']) =>
    body.sidebars
      .filter((s) => s.side === side && s.slot !== null)
      .map((s) => sidebar(s, site, plan));
  // A mark that is still to be made keeps its place.
  const mark = markupOf(site, plan, bar.markSlot);
  const markSlot = site.slots.find((s) => s.id === bar.markSlot);
  const pieces = page.pieces.map((id) => markupOf(site, plan, id)).filter(Boolean);
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapeHtml(`${page.name} – ${site.name}`)}</title>
<style>
${furniture(site, page)}</style>
<link rel="stylesheet" href="${styleSheet}">
</head>
<body class="${safeName(page.name)}">
<header class="page-column">
<div class="page-bar">
${markSlot ? `<div class="page-mark" style="width: ${markSlot.width}px">${mark}</div>\n` : ''}<ul class="page-links">${bar.links.map((l) => `<li>${escapeHtml(l)}</li>`).join('')}</ul>
</div>
${markupOf(site, plan, page.headerSlot)}
${pieces.length > 0 ? `<div class="page-pieces">${pieces.map((p) => `<div class="page-piece">${p}</div>`).join('\n')}</div>\n` : ''}</header>
${page.band ? `${band(page.band, site, plan)}\n` : ''}<div class="page-column">
<main class="page-text">
${columns('left').join('')}<div class="page-words">${headingAt(body.heading, 22, page.band ? 'h2' : 'h1')}<div class="page-lines">${[100, 96, 100, 62].map((w) => `<i style="width: ${w}%"></i>`).join('')}</div></div>${columns('right').reverse().join('')}
</main>
</div>
${page.sections.map((s, i) => section(s, i, site, plan)).join('\n')}
${credits ? `<footer>\n${credits}</footer>\n` : ''}</body>
</html>
`;
}
