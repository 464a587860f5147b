import { formatOf } from '../encode/formats/registry';
import { fileSize, overlapOf } from '../frame/overlap';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import type { SlotFiles } from './filePlan';
import { snippetsFor, type Snippets } from './snippets';

/**
 * For tests: the lines of a slot with one file, beside the page, whether there is anything in it or
 * not.
 */
export function linesOf(site: Site, slot: Slot, picture: Picture): Snippets {
  const alone = (s: Slot, p: Picture): SlotFiles => ({
    slot: s,
    picture: p,
    files: [
      {
        slotId: s.id,
        path: `${s.fileName}.${formatOf(p.press.format).endings[0]}`,
        scale: 1,
        ...fileSize(s, overlapOf(s)),
        settings: p.press,
        fallback: false,
      },
    ],
  });
  const other = slot.narrow && site.slots.find((s) => s.id === slot.narrow!.slot);
  return snippetsFor(
    site,
    [alone(slot, picture), ...(other ? [alone(other, site.pictures[other.pictureId])] : [])],
    slot.id,
  );
}
