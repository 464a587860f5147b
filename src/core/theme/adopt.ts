import { castDraft } from 'immer';
import { newPhoto } from '../layers/photo';
import { formatNamed } from '../encode/formats/registry';
import { encodeSettings } from '../encode/settings';
import type { Edit } from '../site/edit';
import { shelve } from '../site/edit';
import type { Layer } from '../site/model/layer';
import type { ShelfItem } from '../site/model/shelf';
import type { Slot, SlotKind } from '../site/model/slot';
import type { ThemeColour } from '../site/model/theme';
import { addSlot } from '../site/slots';
import { fonts } from '../text/fonts';
import type { FontFound } from './readTheme';

/** A picture of a page or a theme whose file is at hand. */
export interface ThemePicture {
  readonly path: string;
  /** Of the slot it becomes; made where none is given. */
  readonly id?: string;
  readonly item: ShelfItem;
  /** How the page lays it, where it is a background. */
  readonly laid?: Pick<Slot, 'repeat' | 'position' | 'size' | 'attachment'>;
  readonly kind: SlotKind;
}

export interface Adoption {
  readonly colours?: readonly ThemeColour[];
  /** The font families of the theme, where a font of that name ships. */
  readonly fonts?: readonly Pick<FontFound, 'family' | 'headings' | 'body'>[];
  readonly pictures: readonly ThemePicture[];
  readonly pageId: string;
  /** Makes ids for slots and layers. */
  newId(): string;
}

const shipped = (family: string | undefined) =>
  fonts.find((f) => f.family.toLowerCase() === family?.toLowerCase())?.id;

const baseName = (path: string): string => path.split('/').at(-1) ?? path;

/**
 * One slot per picture: its exact size, its name and format, lying as the page lays it, with
 * the file in it and on the shelf.
 */
function slotFor(
  { path, id: given, item, laid, kind }: ThemePicture,
  pageId: string,
  newId: () => string,
): Edit {
  const id = given ?? newId();
  const fileName = baseName(path).replace(/\.[a-z0-9]+$/i, '');
  const layer: Layer = newPhoto(newId(), item, item);
  return (site) => {
    addSlot(kind === 'piece' ? undefined : pageId, {
      id,
      kind,
      width: item.width,
      height: item.height,
      replaces: path,
      ...(kind === 'piece' && { name: fileName }),
      ...(/^[a-z0-9][a-z0-9._-]*$/i.test(fileName) && { fileName }),
      measured: { from: 'picture', name: baseName(path) },
      ...laid,
    })(site);
    const slot = site.slots.find((s) => s.id === id)!;
    // What lies there now is within its bounds.
    slot.budgetBytes = Math.max(slot.budgetBytes, item.bytes);
    const picture = site.pictures[`picture-${id}`];
    picture.layers = [castDraft(layer)];
    picture.press = encodeSettings(formatNamed(item.format) ?? 'png', 85);
    shelve(item)(site);
  };
}

/**
 * Takes over from a theme what was chosen of it, as one edit. Pieces come into the site without a
 * place on a page; the rest goes where its kind goes.
 */
export function adoptTheme({ colours, fonts: families, pictures, pageId, newId }: Adoption): Edit {
  const slots = pictures.map((p) => slotFor(p, pageId, newId));
  return (site) => {
    if (colours?.length) {
      site.theme.colours = castDraft(colours);
    }
    const heading = shipped(families?.find((f) => f.headings)?.family);
    const body = shipped(families?.find((f) => f.body)?.family);
    if (heading) {
      site.theme.headingFont = heading;
    }
    if (body) {
      site.theme.bodyFont = body;
    }
    for (const slot of slots) {
      slot(site);
    }
  };
}
