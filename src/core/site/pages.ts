import type { Draft } from 'immer';
import { drawnKinds } from '../slots/registry';
import type { Edit } from './edit';
import type { Hex } from './model/hex';
import type { OwnPlace, RuledBy } from './model/ownPage';
import type { Page } from './model/page';
import type { Site } from './model/site';
import type { Slot } from './model/slot';

/** The slot of a page's background: its own, or the site's default. */
export function backgroundOf(site: Site, page: Page): string | null {
  if (page.background.type === 'own') {
    return page.background.slot;
  }
  return page.background.type === 'default' ? site.defaultBackground : null;
}

/**
 * The slots of a page in the order of its drawing, which is also the order of their numbers; those
 * that are gone are left out.
 */
export function slotsOn(site: Site, page: Page): Slot[] {
  const ids = drawnKinds.flatMap((kind) =>
    kind.kind === 'background' ? [backgroundOf(site, page)] : kind.on(page),
  );
  const own = (page.own?.places ?? []).map((place) => place.slot);
  const placed = [...new Set([...ids, ...own])]
    .map((id) => site.slots.find((s) => s.id === id))
    .filter((s) => s !== undefined);
  // Second arrangements come after all others, so that no number changes with them.
  return [
    ...placed,
    ...placed.flatMap((slot) => site.slots.filter((s) => s.id === slot.narrow?.slot)),
  ];
}

/** A name none of the slots has yet: the one wanted, or that with the next free number. */
export function freeName(site: Pick<Site, 'slots'>, wanted: string): string {
  const taken = new Set(site.slots.map((s) => s.name));
  for (let n = 1; ; n++) {
    const name = n === 1 ? wanted : `${wanted} ${n}`;
    if (!taken.has(name)) {
      return name;
    }
  }
}

export const pagesWith = (site: Site, slot: Slot): Page[] =>
  site.pages.filter((page) => slotsOn(site, page).some((s) => s.id === slot.id));

/** A place of the owner's own page that a slot is, with that page. */
export function ownPlaceOf(
  site: Site,
  slotId: string,
): { readonly page: Page; readonly place: OwnPlace } | undefined {
  for (const page of site.pages) {
    const place = page.own?.places.find((p) => p.slot === slotId);
    if (place) {
      return { page, place };
    }
  }
  return undefined;
}

/** Says what a slot's picture is laid by on an own page. */
export const ruleBy = (pageId: string, slotId: string, ruled: RuledBy): Edit =>
  editPage(pageId, (page) => {
    for (const place of page.own?.places ?? []) {
      if (place.slot === slotId) {
        place.ruled = ruled;
      }
    }
  });

/** Gives words of an own page another colour. */
export const inkWords = (pageId: string, selector: string, colour: Hex): Edit =>
  editPage(pageId, (page) => {
    if (page.own) {
      const others = page.own.inks.filter((ink) => ink.selector !== selector);
      page.own.inks = [...others, { selector, colour }];
    }
  });

/** Slots that lie on no page. */
export function slotsAside(site: Site): Slot[] {
  const placed = new Set(site.pages.flatMap((page) => slotsOn(site, page)));
  return site.slots.filter((slot) => !placed.has(slot));
}

export const editPage =
  (pageId: string, change: (page: Draft<Page>) => void): Edit =>
  (site) => {
    const page = site.pages.find((p) => p.id === pageId);
    if (page) {
      change(page);
    }
  };

/**
 * Adds a page that is laid out as another one and shares its slots; its background is the site's
 * default.
 */
export const addPage =
  (likePageId: string, id: string, name: string): Edit =>
  (site) => {
    const like = site.pages.find((p) => p.id === likePageId);
    if (!like) {
      return;
    }
    site.pages.push({ ...plainCopy(like), id, name, background: { type: 'default' }, own: null });
  };

/** A draft is not to be had twice in one tree; plain data is copied through JSON. */
const plainCopy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** The last page stays. */
export const removePage =
  (pageId: string): Edit =>
  (site) => {
    if (site.pages.length > 1) {
      site.pages = site.pages.filter((p) => p.id !== pageId);
    }
  };

/**
 * Makes a background the default of the site: every page that had it as its own takes the default
 * from then on.
 */
export const makeDefaultBackground =
  (slotId: string): Edit =>
  (site) => {
    site.defaultBackground = slotId;
    for (const page of site.pages) {
      if (page.background.type === 'own' && page.background.slot === slotId) {
        page.background = { type: 'default' };
      }
    }
  };
