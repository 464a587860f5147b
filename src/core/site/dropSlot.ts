import type { Draft } from 'immer';
import { slotKinds } from '../slots/registry';
import type { Edit } from './edit';
import type { Side, Slot } from './model/slot';

/** Takes a slot off one page; it stays in the site. */
export const takeOff =
  (pageId: string, slotId: string): Edit =>
  (site) => {
    const page = site.pages.find((p) => p.id === pageId);
    if (!page) {
      return;
    }
    if (page.background.type === 'default' && site.defaultBackground === slotId) {
      page.background = { type: 'none' };
    }
    for (const kind of slotKinds) {
      kind.takeOff(page, slotId);
    }
    if (page.own) {
      page.own.places = page.own.places.filter((place) => place.slot !== slotId);
    }
  };

function forgetBeside(slot: Draft<Slot>, goneId: string): void {
  for (const [side, beside] of Object.entries(slot.beside)) {
    if (beside?.from === 'slot' && beside.slot === goneId) {
      slot.beside[side as Side] = null;
    }
  }
}

/** Takes one slot and its picture out of the site, and every mention of it. */
export const dropSlot =
  (slotId: string): Edit =>
  (site) => {
    for (const page of site.pages) {
      takeOff(page.id, slotId)(site);
    }
    if (site.defaultBackground === slotId) {
      site.defaultBackground = null;
    }
    const slot = site.slots.find((s) => s.id === slotId);
    site.slots = site.slots.filter((s) => s.id !== slotId);
    for (const other of site.slots) {
      if (other.narrow?.slot === slotId) {
        other.narrow = null;
      }
      forgetBeside(other, slotId);
    }
    for (const id of slot ? [slot.pictureId, ...slot.versions.map((v) => v.pictureId)] : []) {
      if (!site.slots.some((s) => s.pictureId === id)) {
        delete site.pictures[id];
      }
    }
  };

/** Removes a slot with its second arrangement and their pictures from the site. */
export const removeSlot =
  (slotId: string): Edit =>
  (site) => {
    const second = site.slots.find((s) => s.id === slotId)?.narrow?.slot;
    if (second !== undefined) {
      dropSlot(second)(site);
    }
    dropSlot(slotId)(site);
  };
