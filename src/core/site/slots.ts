import { layersAlong, type DrawnBoxes } from '../layers/alongSlot';
import { castDraft, current, type Draft } from 'immer';
import { noOverlap } from '../frame/overlap';
import { firstEncodeSettings, plainPicture } from '../encode/settings';
import { acceptedBy } from './accepted';
import { editSlot, type Edit } from './edit';
import type { Picture } from './model/picture';
import type { Site } from './model/site';
import type { AdjacentColour, Side, Slot } from './model/slot';
import type { SlotKindDefinition } from '../slots/kind';
import { firstBudget } from '../slots/budget';
import { isContent, slotKind } from '../slots/registry';
import { freeName } from './pages';
import { versionsOf } from './versions';

/** What lies beside a new slot: the page, at the sides where its kind meets it. */
const besideOf = ({ meets }: SlotKindDefinition): Record<Side, AdjacentColour | null> => {
  const at = (side: Side): AdjacentColour | null =>
    meets.includes(side) ? { from: 'page' } : null;
  return { top: at('top'), right: at('right'), bottom: at('bottom'), left: at('left') };
};

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

const fileNameFrom = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'picture';

/** The slot with an empty see-through picture, on no page yet. */
export function slotFrom(site: Pick<Site, 'slots'>, part: NewSlot): Slot {
  const kind = slotKind(part.kind);
  const name = freeName(site, part.name ?? kind.title);
  return {
    ...kind.usual,
    budgetBytes: firstBudget(kind, part),
    size: { x: 'auto', y: 'auto' },
    attachment: 'scroll',
    offset: { x: 0, y: 0 },
    measured: null,
    replaces: null,
    beside: besideOf(kind),
    overlap: noOverlap,
    narrowSize: null,
    narrow: null,
    accepts: acceptedBy(site),
    lends: null,
    fileName: fileNameFrom(name),
    pictureId: `picture-${part.id}`,
    versions: [],
    meant: [],
    ...part,
    name,
  };
}

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
      ...plainPicture(firstEncodeSettings(slot.accepts)),
      sized: [],
    };
    if (page) {
      slotKind(slot.kind).put(page, slot);
    }
  };

/** Says of a reading that it is meant so, or takes that back. */
export const setMeant = (slotId: string, readingId: string, isMeant: boolean): Edit =>
  editSlot(slotId, (slot) => {
    const others = slot.meant.filter((id) => id !== readingId);
    slot.meant = isMeant ? [...others, readingId] : others;
  });

/** Lays a slot that is there already on a page. */
export const placeSlot =
  (pageId: string, slotId: string): Edit =>
  (site) => {
    const page = site.pages.find((p) => p.id === pageId);
    const slot = site.slots.find((s) => s.id === slotId);
    if (page && slot) {
      slotKind(slot.kind).put(page, slot);
    }
  };

/**
 * Gives a slot another size, and with it what is made for it: its pictures, its column on the page,
 * or its title band.
 * @param size px; what is left out stays
 * @param drawn where texts of its picture lie, where that is known
 */
export const resizeSlot =
  (
    slotId: string,
    size: { width?: number; height?: number },
    measured: Slot['measured'] = null,
    drawn?: DrawnBoxes,
  ): Edit =>
  (site) => {
    editSlot(slotId, (slot) => {
      const from = { width: slot.width, height: slot.height };
      Object.assign(slot, size, { measured });
      for (const { pictureId } of versionsOf(slot as Slot)) {
        const picture = site.pictures[pictureId];
        const { layers } = current(picture) as Picture;
        picture.layers = castDraft([...layersAlong(layers, from, slot, drawn)]);
      }
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
