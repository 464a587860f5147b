import { rgbOf } from '../colour/hex';
import { colourAlong } from '../ownPage/colourRuns';
import type { OwnPlace } from '../site/model/ownPage';
import { firstCopy } from '../measure/background';
import { layoutPage, type LaidArea, type PageLayout, type LaidSlot } from '../measure/layoutPage';
import { drawGradient } from '../raster/gradient';
import type { Raster, Rgb } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { Page } from '../site/model/page';
import type { GradientGround } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Side, Slot } from '../site/model/slot';
import { ownPlaceOf } from '../site/pages';
import { pictureOf } from '../site/picture';

/** An area of a page whose colour can be set. */
export interface PageArea {
  readonly pageId: string;
  readonly role: LaidArea['role'];
  /** Which of the sections. */
  readonly index: number;
}

/** What lies next to a side of a slot, seen along it. */
export interface AdjacentColours {
  /** The colour at a px of the slot, from the side's top or left end. */
  at(i: number): Rgb;
  /** Where it is one colour. */
  readonly colour: Hex | undefined;
  /** What it is: “the bar of Home”. */
  readonly words: string;
  /** The area of the page that has the colour, where it is one. */
  readonly area: PageArea | undefined;
}

/** A screen on which everything that lies beside the content shows, px. */
const wideScreen = (page: Page): number => Math.max(1920, (page.content.px ?? 0) + 400);

const areaWords: Readonly<Record<LaidArea['role'], string>> = {
  ground: 'the page colour',
  bar: 'the bar',
  band: 'the title band',
  body: 'the text area',
  section: 'a section',
};

/** A plain place along a side in px of the page, `by` px outside of it. */
function outside(
  { rect, scale }: LaidSlot,
  side: Side,
  i: number,
  by = 0.5,
): { x: number; y: number } {
  const along = (i + 0.5) * scale;
  switch (side) {
    case 'top':
      return { x: rect.x + along, y: rect.y - by };
    case 'bottom':
      return { x: rect.x + along, y: rect.y + rect.height + by };
    case 'left':
      return { x: rect.x - by, y: rect.y + along };
    case 'right':
      return { x: rect.x + rect.width + by, y: rect.y + along };
  }
}

const drawn = new WeakMap<GradientGround, Map<string, Raster>>();

/** A gradient's px, worked out once for as long as the gradient is there. */
function gradientRaster(ground: GradientGround, { width, height }: Slot): Raster {
  const sizes = drawn.get(ground) ?? new Map<string, Raster>();
  const key = `${width}×${height}`;
  const raster = sizes.get(key) ?? drawGradient(ground, width, height);
  drawn.set(ground, sizes.set(key, raster));
  return raster;
}

const pixel = ({ data, width }: Raster, x: number, y: number): Rgb => {
  const k = (y * width + x) * 4;
  return { r: data[k], g: data[k + 1], b: data[k + 2] };
};

/**
 * The colours of a slot's picture where it is plain: a ground and nothing on it; `under` shows
 * where its copies do not lie.
 */
function plainColours(
  site: Site,
  laid: LaidSlot,
  own: LaidSlot,
  side: Side,
  under: Rgb,
): Pick<AdjacentColours, 'at' | 'colour'> | undefined {
  const { ground, layers } = pictureOf(site, laid.slot);
  if (layers.some((l) => !l.hidden) || ground.type === 'none') {
    return undefined;
  }
  if (ground.type === 'colour') {
    return { at: () => rgbOf(ground.colour), colour: ground.colour };
  }
  const raster = gradientRaster(ground, laid.slot);
  const copy = firstCopy(laid);
  const { repeat } = laid.slot;
  const index = (
    at: number,
    from: number,
    length: number,
    px: number,
    repeats: boolean,
  ): number | undefined => {
    const t = (at - from) / length;
    if (t >= 0 && t < 1) {
      return Math.floor(t * px);
    }
    if (repeats) {
      return Math.floor((t - Math.floor(t)) * px);
    }
    return undefined;
  };
  return {
    colour: undefined,
    at(i) {
      const { x, y } = outside(own, side, i);
      const u = index(
        x,
        copy.x,
        copy.width,
        raster.width,
        repeat === 'repeat' || repeat === 'repeat-x',
      );
      const v = index(
        y,
        copy.y,
        copy.height,
        raster.height,
        repeat === 'repeat' || repeat === 'repeat-y',
      );
      return u === undefined || v === undefined ? under : pixel(raster, u, v);
    },
  };
}

/** What a browser painted beside a place of the owner's own page; its drawing is not asked. */
function measuredAdjacent(
  page: Page,
  { measured }: OwnPlace,
  side: Side,
): AdjacentColours | undefined {
  const runs = measured?.surround?.[side];
  return runs
    ? {
        at: colourAlong(runs),
        colour: runs.length === 1 ? runs[0].colour : undefined,
        words: `your page ${page.name}`,
        area: undefined,
      }
    : undefined;
}

const laidOf = (layout: PageLayout, slotId: string): LaidSlot | undefined =>
  layout.boxes.find((p): p is LaidSlot => p.type === 'slot' && p.slot.id === slotId);

/**
 * The first page that shows a slot, as it is on a wide screen; a second arrangement as it is on the
 * widest that shows it.
 */
function pageWith(
  site: Site,
  slotId: string,
): { page: Page; layout: PageLayout; laid: LaidSlot } | undefined {
  const below = site.slots.find((s) => s.narrow?.slot === slotId)?.narrow?.below;
  for (const page of site.pages) {
    const layout = layoutPage(site, page, below === undefined ? wideScreen(page) : below - 1);
    const laid = laidOf(layout, slotId);
    if (laid) {
      return { page, layout, laid };
    }
  }
  return undefined;
}

/**
 * What the plan has next to a side: the frontmost area or plain picture there. A picture with
 * layers has no colour to speak of; what lies under it counts.
 */
function onPage(site: Site, slot: Slot, side: Side): AdjacentColours | undefined {
  const found = pageWith(site, slot.id);
  if (!found) {
    return undefined;
  }
  const { page, layout, laid } = found;
  const length = side === 'top' || side === 'bottom' ? slot.width : slot.height;
  const { x, y } = outside(laid, side, Math.floor(length / 2));
  for (const p of layout.boxes.toReversed()) {
    if (p.type !== 'area' && p.type !== 'slot') {
      continue;
    }
    if (
      x < p.rect.x ||
      y < p.rect.y ||
      x >= p.rect.x + p.rect.width ||
      y >= p.rect.y + p.rect.height
    ) {
      continue;
    }
    if (p.type === 'area') {
      return {
        at: () => rgbOf(p.colour),
        colour: p.colour,
        words: `${areaWords[p.role]} of ${page.name}`,
        area: { pageId: page.id, role: p.role, index: p.index },
      };
    }
    if (p.slot.id === slot.id) {
      continue;
    }
    const plain = plainColours(site, p, laid, side, rgbOf(page.ground));
    if (plain) {
      return { ...plain, words: `the picture of ${p.slot.name}`, area: undefined };
    }
  }
  return undefined;
}

/**
 * What lies next to a side of a slot.
 * @returns undefined where nothing does, or where it is a picture without one colour or gradient
 */
export function adjacentColours(site: Site, slot: Slot, side: Side): AdjacentColours | undefined {
  const beside = slot.beside[side];
  if (!beside) {
    return undefined;
  }
  if (beside.from === 'page') {
    const own = ownPlaceOf(site, slot.id);
    return own ? measuredAdjacent(own.page, own.place, side) : onPage(site, slot, side);
  }
  if (beside.from === 'colour') {
    const { colour } = beside;
    const rgb = rgbOf(colour);
    return { at: () => rgb, colour, words: colour, area: undefined };
  }
  const other = site.slots.find((s) => s.id === beside.slot);
  const place = pageWith(site, slot.id);
  if (!other) {
    return undefined;
  }
  const alone = (s: Slot): LaidSlot => ({
    type: 'slot',
    slot: s,
    rect: { x: 0, y: 0, width: s.width, height: s.height },
    scale: 1,
    positioning: { x: 0, y: 0, width: s.width, height: s.height },
  });
  const there = place && laidOf(place.layout, other.id);
  const plain = plainColours(
    site,
    there ?? alone(other),
    there ? place.laid : alone(slot),
    side,
    rgbOf(place?.page.ground ?? '#ffffff'),
  );
  return plain && { ...plain, words: `the picture of ${other.name}`, area: undefined };
}

/**
 * What shows through a picture that does not cover its slot: the first colour that lies beside it,
 * or white.
 */
export function backdropOf(site: Site, slot: Slot): Hex {
  for (const side of ['top', 'left', 'right', 'bottom'] as const) {
    const found = adjacentColours(site, slot, side)?.colour;
    if (found) {
      return found;
    }
  }
  return '#ffffff';
}
