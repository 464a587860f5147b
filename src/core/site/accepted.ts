import { imageFormats } from '../encode/formats/registry';
import { greatest, group } from 'd3-array';
import type { Edit } from './edit';
import type { ImageFormat } from './model/picture';
import type { Site } from './model/site';

/** What a site's host accepts, as most of its slots have it; every format while there is no slot. */
export function acceptedBy({ slots }: Pick<Site, 'slots'>): readonly ImageFormat[] {
  const alike = group(slots, ({ accepts }) => accepts.join(' ')).values();
  return greatest(alike, (some) => some.length)?.[0].accepts ?? imageFormats;
}

/** Says of all slots of a site whether their host accepts a format; each keeps at least one. */
export const setAccepted =
  (format: ImageFormat, accepted: boolean): Edit =>
  (site) => {
    for (const slot of site.slots) {
      const others = slot.accepts.filter((f) => f !== format);
      if (accepted) {
        slot.accepts = imageFormats.filter((f) => f === format || others.includes(f));
      } else if (others.length > 0) {
        slot.accepts = others;
      }
    }
  };
