import { hasOverlap, overlapOf } from '../frame/overlap';
import { newPhoto } from '../layers/photo';
import { formatByEnding } from '../encode/formats/registry';
import { encodeSettings } from '../encode/settings';
import type { OwnPageFile } from '../site/model/ownPage';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { ownPlaceOf } from '../site/pages';

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * The file of the owner's page that a slot's picture still is: nothing was laid on it, and nothing
 * was chosen of how it is written. Writing it anew would only lose of it.
 */
export function untouchedFile(site: Site, slot: Slot, picture: Picture): OwnPageFile | undefined {
  const file = ownPlaceOf(site, slot.id)?.page.own?.files.find((f) => f.path === slot.replaces);
  const [layer, ...more] = picture.layers;
  const format = file && formatByEnding(file.path);
  if (!file?.size || !format || more.length > 0 || layer?.kind !== 'photo') {
    return undefined;
  }
  const { assetId, size } = file;
  const fresh = newPhoto(layer.id, { name: layer.name, assetId, ...size }, size);
  const plain =
    picture.ground.type === 'none' &&
    !hasOverlap(overlapOf(slot)) &&
    slot.width === size.width &&
    slot.height === size.height;
  return plain &&
    same(sorted(layer), sorted(fresh)) &&
    same(picture.press, encodeSettings(format, 85))
    ? file
    : undefined;
}

const sorted = (value: object) => Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1));
