import { untouchedFile } from '@/core/handover/untouched';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { isBlank, pictureOf } from '@/core/site/picture';

/** Nothing is laid in the slot, or what the page has there of its own: the page shows that itself. */
export function isAsSaved(site: Site, slot: Slot): boolean {
  const picture = pictureOf(site, slot);
  return isBlank(picture) || untouchedFile(site, slot, picture) !== undefined;
}
