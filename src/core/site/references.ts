import { slotKinds } from '../slots/registry';
import type { Page } from './model/page';
import type { Site } from './model/site';
import type { Slot } from './model/slot';

/** A place in the site that names something else by its id, and what it names. */
type Reference = readonly [where: string, id: string | null | undefined];

const slotsOfPage = (page: Page): Reference[] => [
  ...(page.own?.places ?? []).map((place): Reference => [
    `a place on the page ${page.name}`,
    place.slot,
  ]),
  ...slotKinds.flatMap(({ title, on }) =>
    on(page).map((id): Reference => [`a ${title.toLowerCase()} of the page ${page.name}`, id]),
  ),
];

const slotsOfSlot = (slot: Slot): Reference[] => [
  ...Object.values(slot.beside).map((beside): Reference => [
    `what lies beside ${slot.name}`,
    beside?.from === 'slot' ? beside.slot : null,
  ]),
  [`the second arrangement of ${slot.name}`, slot.narrow?.slot],
];

/** All pictures of a slot, each once. */
const picturesOf = ({ pictureId, versions }: Slot): string[] =>
  versions.length > 0 ? versions.map((v) => v.pictureId) : [pictureId];

function twice(ids: readonly string[]): string | undefined {
  return ids.find((id, i) => ids.indexOf(id) !== i);
}

/**
 * What a site names that is not in it, or has twice: slots of pages, pictures of slots, ids.
 * @returns the first of it in words, as `Expected …, found …`; undefined where all is there once
 */
export function brokenReference(site: Site): string | undefined {
  const { slots, pages, pictures } = site;
  const lists: readonly (readonly [string, readonly string[]])[] = [
    ['slot', slots.map((s) => s.id)],
    ['page', pages.map((p) => p.id)],
    ['picture of a slot', slots.flatMap(picturesOf)],
    ...Object.values(pictures).map((p) => ['layer', p.layers.map((l) => l.id)] as const),
  ];
  for (const [what, ids] of lists) {
    const id = twice(ids);
    if (id !== undefined) {
      return `Expected each ${what} once, found ${id} twice`;
    }
  }
  const misnamed = Object.entries(pictures).find(([key, p]) => key !== p.id);
  if (misnamed) {
    return `Expected the picture ${misnamed[0]} under its own id, found ${misnamed[1].id}`;
  }
  for (const slot of slots) {
    const gone = picturesOf(slot).find((id) => !Object.hasOwn(pictures, id));
    if (gone !== undefined) {
      return `Expected the picture ${gone} of ${slot.name} in the site, found none`;
    }
    if (slot.versions.length > 0 && !slot.versions.some((v) => v.pictureId === slot.pictureId)) {
      return `Expected the picture ${slot.pictureId} of ${slot.name} among its versions, found others`;
    }
  }
  const there = new Set(slots.map((s) => s.id));
  const named: Reference[] = [
    ['the default background', site.defaultBackground],
    ...pages.flatMap(slotsOfPage),
    ...slots.flatMap(slotsOfSlot),
  ];
  const lost = named.find(([, id]) => id !== null && id !== undefined && !there.has(id));
  return lost && `Expected the slot ${lost[1]} that is ${lost[0]} in the site, found none`;
}
