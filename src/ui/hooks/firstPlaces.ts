import { drawingOf } from '@/core/compose/drawing';
import type { Framing, Size } from '@/core/frame/placement';
import { layPhoto } from '@/core/layers/layPhoto';
import type { Rect } from '@/core/raster/raster';
import { backdropOf } from '@/core/seam/adjacentColours';
import type { Edit } from '@/core/site/edit';
import type { TextLayer } from '@/core/site/model/objectLayers';
import type { Picture } from '@/core/site/model/picture';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { isBlank, pictureOf } from '@/core/site/picture';
import { safeArea } from '@/core/widths/visible';
import { newId } from '../shared/newId';
import { theEngine } from './tab/engine';
import type { Session } from './useSession';

/* Where things lie at first, by what is to be seen there. */

/** The part of a photo that a slot shows at first; undefined where the photo cannot be read. */
const firstFrameOf = (
  { assetId, width, height }: ShelfItem,
  slot: Size,
): Promise<Framing | undefined> =>
  theEngine()
    .firstFrame({ assetId, size: { width, height } }, { width: slot.width, height: slot.height })
    .catch(() => undefined);

/** Lays a photo in its slot, framed to what matters in it. */
export async function layingFirst(slot: Slot, picture: Picture, item: ShelfItem): Promise<Edit> {
  const framing = await firstFrameOf(item, slot);
  return layPhoto(slot, picture, item, newId(), framing);
}

/** The same as a step of a site's history. */
export async function layFirst(session: Session, slot: Slot, item: ShelfItem): Promise<void> {
  const framing = await firstFrameOf(item, slot);
  const picture = pictureOf(session.state.getState().site, slot);
  session.commit(`Lay ${item.name}`, layPhoto(slot, picture, item, newId(), framing));
}

/** What every screen shows of a slot, without its side margins; all of it where that is hardly any. */
function wordsArea(site: Site, slot: Slot): Rect {
  const { part: safe } = safeArea(site, slot);
  const x = Math.ceil(safe.x);
  const part = { ...safe, x, width: Math.floor(safe.x + safe.width) - x };
  const isRoom = part.width >= slot.width / 6 && part.height >= slot.height / 4;
  return isRoom ? part : { x: 0, y: 0, width: slot.width, height: slot.height };
}

/** A new text where it is read best; as it is where nothing can be drawn. */
export async function placeNewText(
  site: Site,
  slot: Slot,
  picture: Picture,
  text: TextLayer,
): Promise<TextLayer> {
  if (isBlank(picture)) {
    return text;
  }
  const colours = site.theme.colours.map((c) => c.hex);
  const wish = {
    backdrop: backdropOf(site, slot),
    colours: colours.length > 0 ? colours : [text.colour],
    within: wordsArea(site, slot),
  };
  return theEngine()
    .placeText(drawingOf(slot, picture), text, wish)
    .catch(() => text);
}
