import type { Draft } from 'immer';
import { editSlot, type Edit } from './edit';
import type { PictureVersion, Slot } from './model/slot';
import type { Site } from './model/site';

/** More of one slot's pictures than can be looked at side by side are of no use. */
export const mostVersions = 12;

/** The pictures of a slot with their names; of one that has but one, that. */
export const versionsOf = ({ versions, pictureId }: Slot): readonly PictureVersion[] =>
  versions.length > 0 ? versions : [{ pictureId, name: 'Version 1' }];

/** A name that no version of a slot has yet. */
export function freeVersionName(slot: Slot): string {
  const taken = new Set(versionsOf(slot).map((v) => v.name));
  for (let n = taken.size + 1; ; n++) {
    const name = `Version ${n}`;
    if (!taken.has(name)) {
      return name;
    }
  }
}

/** The slot as it is with one of its versions chosen. */
export const withVersion = (
  site: Site,
  slot: Slot,
  pictureId: string,
): { site: Site; slot: Slot } => {
  const other = { ...slot, pictureId };
  return {
    slot: other,
    site: { ...site, slots: site.slots.map((s) => (s.id === slot.id ? other : s)) },
  };
};

/**
 * Adds a version that is as the chosen one is now, and chooses it; the one before stays as it is.
 * @param id of its picture
 */
export const addVersion =
  (slotId: string, id: string, name: string): Edit =>
  (site) =>
    editSlot(slotId, (slot) => {
      const picture = site.pictures[slot.pictureId];
      if (!picture || slot.versions.length >= mostVersions || Object.hasOwn(site.pictures, id)) {
        return;
      }
      slot.versions = [...versionsOf(slot as Slot), { pictureId: id, name }] as Draft<
        PictureVersion[]
      >;
      // A draft is not to be had twice in one tree; plain data is copied through JSON.
      site.pictures[id] = { ...(JSON.parse(JSON.stringify(picture)) as typeof picture), id };
      slot.pictureId = id;
    })(site);

/** Another version is the one that lies in the slot and is handed over. */
export const chooseVersion = (slotId: string, pictureId: string): Edit =>
  editSlot(slotId, (slot) => {
    if (slot.versions.some((v) => v.pictureId === pictureId)) {
      slot.pictureId = pictureId;
    }
  });

export const renameVersion = (slotId: string, pictureId: string, name: string): Edit =>
  editSlot(slotId, (slot) => {
    for (const version of slot.versions) {
      if (version.pictureId === pictureId) {
        version.name = name;
      }
    }
  });

/** Takes a version away; of the last one nothing happens. Of the chosen one, its neighbour is chosen. */
export const removeVersion =
  (slotId: string, pictureId: string): Edit =>
  (site) =>
    editSlot(slotId, (slot) => {
      const at = slot.versions.findIndex((v) => v.pictureId === pictureId);
      if (at < 0 || slot.versions.length < 2) {
        return;
      }
      slot.versions.splice(at, 1);
      if (slot.pictureId === pictureId) {
        slot.pictureId = slot.versions[Math.max(0, at - 1)].pictureId;
      }
      delete site.pictures[pictureId];
    })(site);
