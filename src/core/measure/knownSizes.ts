import { slotKinds } from '../slots/registry';
import type { Page } from '../site/model/page';
import type { NamedSize } from '../site/model/site';
import type { ChainPart, SlotKind } from '../site/model/slot';
import { contentWidthAt } from './layoutPage';
import { dividerHeights } from './section';

export interface KnownSize extends NamedSize {
  readonly kind: SlotKind;
  /** The page it was computed from, or the standard that names it. */
  readonly source: string;
}

/** Widest screen that a page is asked for its content's width at, px. */
const widest = 3840;

/** Heights of a header, in parts of its width. */
const headerParts = [3, 4, 5, 6, 8] as const;

const of =
  (source: string) =>
  (kind: SlotKind, name: string, width: number, height: number): KnownSize => ({
    kind,
    name,
    width,
    height,
    source,
  });

/** Screens, as VESA's Display Monitor Timing standard 1.0 revision 13 lists them (from memory). */
const screen = of('VESA DMT');
/** Icons an installed site is shown by (W3C Web Application Manifest; the two sizes are Chromium's). */
const icon = of('web app manifest');
/** `og:image` (Open Graph protocol); the size is common practice, no source. */
const shared = of('Open Graph');

const standards: readonly KnownSize[] = [
  screen('background', 'Screen, widescreen', 1366, 768),
  screen('background', 'Screen, full HD', 1920, 1080),
  screen('background', 'Screen, full HD and taller', 1920, 1200),
  screen('background', 'Screen, large', 2560, 1600),
  icon('piece', 'Icon of a site', 192, 192),
  icon('piece', 'Icon of a site, large', 512, 512),
  shared('piece', 'Picture of a shared link', 1200, 630),
];

/** The page's own content, columns, band, bar and sections as sizes. */
function sizesOf(page: Page): KnownSize[] {
  const here = of(page.name);
  const content = contentWidthAt(page, widest);
  const sizes = headerParts.map((parts) =>
    here('header', `Content, ${parts} to 1`, content, Math.max(1, Math.round(content / parts))),
  );
  for (const { width, side } of page.body.sidebars) {
    sizes.push(here('sidebar', `Column at the ${side}`, width, width));
  }
  if (page.band) {
    sizes.push(here('band', 'Title band', content, page.band.height));
  }
  sizes.push(here('mark', 'Bar, 4 to 1', page.bar.height * 4, page.bar.height));
  for (const [i, section] of page.sections.entries()) {
    const [usual] = dividerHeights(section.height);
    sizes.push(here('divider', `Edge of section ${i + 1}`, 1920, usual.px));
  }
  return sizes;
}

/**
 * Sizes that a page and open standards suggest.
 * @returns those of the kind asked for first, else in the order of the kinds; none twice
 */
export function knownSizes(page: Page, kind: SlotKind): KnownSize[] {
  const order = [kind, ...slotKinds.map((k) => k.kind)];
  const all = [...sizesOf(page), ...standards].toSorted(
    (a, b) => order.indexOf(a.kind) - order.indexOf(b.kind),
  );
  const key = ({ kind: k, width, height }: KnownSize) => `${k} ${width} ${height}`;
  return [...new Map(all.map((size) => [key(size), size])).values()];
}

/** The page's columns beside its text, from the left, to begin a chain with; one at least. */
export function columnsOf(page: Page): ChainPart[] {
  const { sidebars } = page.body;
  const side = sidebars[0]?.side;
  const columns = sidebars
    .filter((s) => s.side === side)
    .map(({ width }): ChainPart => ({ what: 'column', px: width }));
  const [first] = columns;
  return first ? columns : [{ what: 'column', px: Math.round(contentWidthAt(page, widest) / 4) }];
}
