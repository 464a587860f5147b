import type { Draft } from 'immer';
import { noOverlap } from '../frame/overlap';
import { plainPicture, pressAs, pressFormats } from '../press/settings';
import { editSlot, type Edit } from './edit';
import type { Page } from './model/page';
import type { Site } from './model/site';
import type { Beside, Side, Slot, SlotKind } from './model/slot';
import { freeName, isContent, kindTitle } from './pages';

/** Sides of a slot of that kind that the page meets with a colour. */
function besideOf(kind: SlotKind): Record<Side, Beside | null> {
  const none = { top: null, right: null, bottom: null, left: null };
  const page: Beside = { from: 'page' };
  switch (kind) {
    case 'header':
      return { ...none, top: page, left: page, right: page };
    case 'mark':
      return { top: page, right: page, bottom: page, left: page };
    case 'sidebar':
      return { ...none, left: page };
    case 'divider':
      return { ...none, bottom: page };
    default:
      return none;
  }
}

export interface NewSlot
  extends
    Pick<Slot, 'kind' | 'width' | 'height'>,
    Partial<
      Pick<
        Slot,
        | 'name'
        | 'fileName'
        | 'measured'
        | 'repeat'
        | 'position'
        | 'size'
        | 'attachment'
        | 'replaces'
        | 'offset'
      >
    > {
  readonly id: string;
}

const percent = (value: number) => ({ value, unit: '%' as const });

/**
 * How a kind usually behaves on the page, and the bytes that are usual for it (common practice, no
 * source).
 */
const usual: Readonly<Record<SlotKind, Pick<Slot, 'repeat' | 'position' | 'budgetBytes'>>> = {
  header: { repeat: 'no-repeat', position: { x: percent(0), y: percent(0) }, budgetBytes: 60_000 },
  background: {
    repeat: 'no-repeat',
    position: { x: percent(50), y: percent(0) },
    budgetBytes: 300_000,
  },
  sidebar: { repeat: 'repeat-y', position: { x: percent(0), y: percent(0) }, budgetBytes: 20_000 },
  divider: {
    repeat: 'repeat-x',
    position: { x: percent(50), y: percent(100) },
    budgetBytes: 20_000,
  },
  mark: { repeat: 'no-repeat', position: { x: percent(0), y: percent(0) }, budgetBytes: 12_000 },
  band: { repeat: 'no-repeat', position: { x: percent(50), y: percent(50) }, budgetBytes: 80_000 },
  piece: { repeat: 'no-repeat', position: { x: percent(0), y: percent(0) }, budgetBytes: 10_000 },
};

const fileNameFrom = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '') || 'picture';

/** The slot with an empty see-through picture, on no page yet. */
export function slotFrom(site: Pick<Site, 'slots'>, part: NewSlot): Slot {
  const name = freeName(site, part.name ?? kindTitle[part.kind]);
  return {
    ...usual[part.kind],
    size: { x: 'auto', y: 'auto' },
    attachment: 'scroll',
    offset: { x: 0, y: 0 },
    measured: null,
    replaces: null,
    beside: besideOf(part.kind),
    overlap: noOverlap,
    narrowSize: null,
    narrow: null,
    accepts: pressFormats,
    lends: null,
    fileName: fileNameFrom(name),
    pictureId: `picture-${part.id}`,
    ...part,
    name,
  };
}

/**
 * Where a slot of each kind goes on a page; what was there before stays in the site, on no page.
 */
const put: Readonly<Record<SlotKind, (page: Draft<Page>, slot: Slot) => void>> = {
  header: (page, { id }) => {
    page.headerSlot = id;
  },
  background: (page, { id }) => {
    page.background = { type: 'own', slot: id };
  },
  sidebar(page, { id, width }) {
    const free =
      page.body.sidebars.find((s) => s.slot === null) ??
      (page.body.sidebars.length === 2 ? page.body.sidebars[1] : undefined);
    if (free) {
      free.slot = id;
      free.width = width;
    } else {
      page.body.sidebars.push({ side: 'right', width, slot: id });
    }
  },
  divider(page, { id }) {
    if (page.sections.length === 0) {
      page.sections.push({
        height: 240,
        colour: page.bar.colour,
        ink: page.bar.ink,
        heading: 'A section',
        dividerSlot: id,
      });
    } else {
      (page.sections.find((s) => s.dividerSlot === null) ?? page.sections[0]).dividerSlot = id;
    }
  },
  mark: (page, { id }) => {
    page.bar.markSlot = id;
  },
  band(page, { id, height }) {
    page.band ??= {
      height,
      colour: page.bar.colour,
      ink: page.bar.ink,
      heading: page.body.heading,
      boxed: true,
      slot: id,
    };
    page.band.slot = id;
  },
  piece: (page, { id }) => {
    page.pieces.push(id);
  },
};

/**
 * Adds a slot with an empty see-through picture and lays it on a page where slots of its kind go;
 * on none where no page is named.
 */
export const addSlot =
  (pageId: string | undefined, part: NewSlot): Edit =>
  (site) => {
    const page = site.pages.find((p) => p.id === pageId);
    const slot = slotFrom(site, part);
    site.slots.push(slot as Draft<Slot>);
    site.pictures[slot.pictureId] = {
      id: slot.pictureId,
      ground: { type: 'none' },
      layers: [],
      ...plainPicture(pressAs('webp')),
    };
    if (page) {
      put[slot.kind](page, slot);
    }
  };

/** Lays a slot that is there already on a page. */
export const placeSlot =
  (pageId: string, slotId: string): Edit =>
  (site) => {
    const page = site.pages.find((p) => p.id === pageId);
    const slot = site.slots.find((s) => s.id === slotId);
    if (page && slot) {
      put[slot.kind](page, slot);
    }
  };

/**
 * Gives a slot another size, and with it what on the page is made for it: its column, or its title
 * band.
 * @param size px; what is left out stays
 */
export const resizeSlot =
  (
    slotId: string,
    size: { width?: number; height?: number },
    measured: Slot['measured'] = null,
  ): Edit =>
  (site) => {
    editSlot(slotId, (slot) => {
      Object.assign(slot, size, { measured });
    })(site);
    for (const page of site.pages) {
      for (const sidebar of page.body.sidebars) {
        if (sidebar.slot === slotId && size.width !== undefined) {
          sidebar.width = size.width;
        }
      }
      if (page.band?.slot === slotId && size.height !== undefined) {
        page.band.height = size.height;
      }
    }
  };

/**
 * Moves a slot by whole px: content off its place, a background by its position, which becomes one
 * in px.
 * @param from where the background's first copy lies in its positioning area, px
 */
export const moveSlot = (
  slotId: string,
  by: { x: number; y: number },
  from: { x: number; y: number },
): Edit =>
  editSlot(slotId, (slot) => {
    if (isContent(slot.kind)) {
      slot.offset.x += by.x;
      slot.offset.y += by.y;
      return;
    }
    slot.position = {
      x: { value: Math.round(from.x + by.x), unit: 'px' },
      y: { value: Math.round(from.y + by.y), unit: 'px' },
    };
  });

/** Puts a strip's column on the other side of the text. */
export const turnSidebar =
  (pageId: string, slotId: string, side: 'left' | 'right'): Edit =>
  (site) => {
    for (const sidebar of site.pages.find((p) => p.id === pageId)?.body.sidebars ?? []) {
      if (sidebar.slot === slotId) {
        sidebar.side = side;
      }
    }
  };

/**
 * Hangs a divider above another section of the page; the two change places where that one has a
 * divider too.
 */
export const hangDivider =
  (pageId: string, slotId: string, section: number): Edit =>
  (site) => {
    const sections = site.pages.find((p) => p.id === pageId)?.sections;
    const from = sections?.find((s) => s.dividerSlot === slotId);
    const to = sections?.[section];
    if (!from || !to || from === to) {
      return;
    }
    from.dividerSlot = to.dividerSlot;
    to.dividerSlot = slotId;
  };
