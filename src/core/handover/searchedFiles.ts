import { careLimits, type Goal } from '../lightest/care';
import type { Loss } from '../likeness/loss';
import { editPicture, type Edit } from '../site/edit';
import type { Picture, EncodeSettings } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { drawingKey, isBlank, slotOf } from '../site/picture';
import { versionsOf, withVersion } from '../site/versions';
import { planFiles, type PlannedFile } from './filePlan';

/* Which files of a site the lightest is looked for, and what becomes of what is found. */

/** A picture that is handed over, or a version that may be. */
export interface SearchedPicture {
  readonly slotId: string;
  readonly pictureId: string;
  readonly name: string;
}

/** The pictures of a site in the order of its slots; of each the chosen version first. */
export function searchedPictures(site: Site): SearchedPicture[] {
  return site.slots.flatMap((slot) => {
    const versions = versionsOf(slot);
    const ordered = [
      ...versions.filter((v) => v.pictureId === slot.pictureId),
      ...versions.filter((v) => v.pictureId !== slot.pictureId),
    ];
    return ordered
      .filter(({ pictureId }) => site.pictures[pictureId] && !isBlank(site.pictures[pictureId]))
      .map(({ pictureId, name }) => ({
        slotId: slot.id,
        pictureId,
        name: versions.length > 1 ? `${slot.name}, ${name}` : slot.name,
      }));
  });
}

/** The files of one picture that are written, with it chosen; none where the owner's own file goes. */
export function searchedFiles(
  site: Site,
  { slotId, pictureId }: Omit<SearchedPicture, 'name'>,
  opaque: boolean,
): PlannedFile[] {
  const there = slotOf(site, slotId);
  const chosen = there && withVersion(site, there, pictureId).site;
  const own = chosen && planFiles(chosen, () => opaque).find((p) => p.slot.id === slotId);
  return own?.files.filter((f) => f.asItWas === undefined) ?? [];
}

/** Files of another size are as alike as the first; closer than can be seen none has to be. */
export function goalBeside({ aim }: Picture, { overall, worst }: Loss): Goal {
  if (aim.by === 'care') {
    return aim;
  }
  const { close } = careLimits;
  const limit = {
    overall: Math.max(close.overall, overall),
    worst: Math.max(close.worst, worst),
  };
  return { by: 'limit', limit };
}

/** Everything but its files is as it was. */
export const isSameDrawing = (site: Site, slot: Slot, before: Picture): boolean => {
  const now = site.pictures[before.id];
  const there = slotOf(site, slot.id);
  return (
    now !== undefined &&
    there !== undefined &&
    drawingKey(now, there) === drawingKey(before, slot) &&
    JSON.stringify(now.aim) === JSON.stringify(before.aim)
  );
};

/** The first file as it was found; what was found of others does not count any more. */
export const firstStep = (pictureId: string, press: EncodeSettings): Edit =>
  editPicture(pictureId, (p) => {
    p.press = press;
    p.fallback = null;
    p.sized = [];
  });

/**
 * The step that writes all files of a picture as was found of each.
 * @param found settings of its planned files beside the first
 */
export function settingsStep(
  pictureId: string,
  press: EncodeSettings,
  found: ReadonlyMap<PlannedFile, EncodeSettings>,
): Edit {
  const at = (scale: number, fallback: boolean): EncodeSettings | null =>
    [...found].find(([f]) => f.scale === scale && f.fallback === fallback)?.[1] ?? null;
  const scales = [...new Set([...found.keys()].map((f) => f.scale))].filter((s) => s !== 1);
  return editPicture(pictureId, (p) => {
    p.press = press;
    p.fallback = at(1, true);
    p.sized = scales.map((scale) => ({
      scale,
      beside: press,
      press: at(scale, false) ?? press,
      fallback: at(scale, true),
    }));
  });
}
