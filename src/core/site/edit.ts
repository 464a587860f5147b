import { castDraft, current, enablePatches, produce, type Draft } from 'immer';
import type { Hex } from './model/hex';
import type { Layer } from './model/layer';
import type { Ground, Picture } from './model/picture';
import type { ShelfItem } from './model/shelf';
import type { NamedSize, Site } from './model/site';
import type { Slot } from './model/slot';
import type { OwnFont } from './model/theme';
import { freeLayerId } from './picture';

enablePatches();

/**
 * An edit says what changes on a draft of the site; `applyEdit` makes the new site of it and leaves
 * the old one as it was.
 */
export type Edit = (site: Draft<Site>) => void;

export const applyEdit = (site: Site, edit: Edit): Site =>
  produce(site, (draft) => {
    edit(draft);
  });

export const renameSite =
  (name: string): Edit =>
  (site) => {
    site.name = name;
  };

/** Does nothing when the slot is not there any more. */
export const editSlot =
  (slotId: string, change: (slot: Draft<Slot>) => void): Edit =>
  (site) => {
    const slot = site.slots.find((s) => s.id === slotId);
    if (slot) {
      change(slot);
    }
  };

export const editPicture =
  (pictureId: string, change: (picture: Draft<Picture>) => void): Edit =>
  (site) => {
    const picture = site.pictures[pictureId];
    if (picture) {
      change(picture);
    }
  };

export const editLayer = <L extends Layer>(
  pictureId: string,
  layerId: string,
  change: Partial<L>,
): Edit =>
  editPicture(pictureId, (picture) => {
    const layer = picture.layers.find((l) => l.id === layerId);
    if (layer) {
      Object.assign(layer, change);
    }
  });

/**
 * Puts a layer at a place, as a copy whose fields can be set: an edit may be done again, and what it
 * put in once is frozen, with all that lies in it.
 * Where its id was taken meanwhile, such as by another mend done with it, it gets a free one.
 */
export function insertLayer(picture: Draft<Picture>, at: number, layer: Layer): void {
  const isTaken = picture.layers.some((l) => l.id === layer.id);
  const id = isTaken ? freeLayerId(picture, layer.id.replace(/-\d+$/, '')) : layer.id;
  picture.layers.splice(at, 0, castDraft({ ...layer, id }));
}

/** In front of everything, or right in front of the layer named. */
export const addLayer = (pictureId: string, layer: Layer, inFrontOf?: string): Edit =>
  editPicture(pictureId, (picture) => {
    const at = inFrontOf
      ? picture.layers.findIndex((l) => l.id === inFrontOf) + 1
      : picture.layers.length;
    insertLayer(picture, at, layer);
  });

/** Several in front of everything, in their order. */
export const addLayers = (pictureId: string, layers: readonly Layer[]): Edit =>
  editPicture(pictureId, (picture) => {
    picture.layers.push(...layers.map(castDraft));
  });

/** Behind everything. */
export const addLayerBehind = (pictureId: string, layer: Layer): Edit =>
  editPicture(pictureId, (picture) => {
    insertLayer(picture, 0, layer);
  });

/**
 * In front of everything but the words in front: a veil, a blur or a texture is not to lie on them.
 */
export const addBehindWords = (pictureId: string, layer: Layer): Edit =>
  editPicture(pictureId, (picture) => {
    let at = picture.layers.length;
    while (picture.layers[at - 1]?.kind === 'text') {
      at--;
    }
    insertLayer(picture, at, layer);
  });

/** Several layers at the place of one. */
export const replaceLayer = (pictureId: string, layerId: string, layers: readonly Layer[]): Edit =>
  editPicture(pictureId, (picture) => {
    const at = picture.layers.findIndex((l) => l.id === layerId);
    if (at >= 0) {
      picture.layers.splice(at, 1, ...layers.map(castDraft));
    }
  });

/** Everything that lies in the slot in place of what lay there. */
export const setLayers = (pictureId: string, ground: Ground, layers: readonly Layer[]): Edit =>
  editPicture(pictureId, (picture) => {
    picture.ground = castDraft(ground);
    picture.layers = layers.map(castDraft);
  });

/** Changes each layer named by what it is at the time the edit is applied. */
export const editLayers = (
  pictureId: string,
  layerIds: readonly string[],
  change: (layer: Layer) => Partial<Layer> | undefined,
): Edit =>
  editPicture(pictureId, (picture) => {
    for (const layer of picture.layers) {
      if (layerIds.includes(layer.id)) {
        Object.assign(layer, change(current(layer) as Layer));
      }
    }
  });

export const removeLayers = (pictureId: string, layerIds: readonly string[]): Edit =>
  editPicture(pictureId, (picture) => {
    picture.layers = picture.layers.filter((l) => !layerIds.includes(l.id));
  });

/** To a place counted from the back, among the others. */
export const placeLayer = (pictureId: string, layerId: string, to: number): Edit =>
  editPicture(pictureId, (picture) => {
    const from = picture.layers.findIndex((l) => l.id === layerId);
    if (from >= 0) {
      picture.layers.splice(
        Math.min(picture.layers.length - 1, Math.max(0, to)),
        0,
        ...picture.layers.splice(from, 1),
      );
    }
  });

/** `by` places towards the front, or towards the back when negative; stops at the ends. */
export const moveLayer =
  (pictureId: string, layerId: string, by: number): Edit =>
  (site) => {
    const from = site.pictures[pictureId]?.layers.findIndex((l) => l.id === layerId) ?? -1;
    if (from >= 0) {
      placeLayer(pictureId, layerId, from + by)(site);
    }
  };

/** Puts a picture on the shelf once; a second time changes nothing. */
export const shelve =
  (item: ShelfItem): Edit =>
  (site) => {
    if (!site.shelf.some((i) => i.assetId === item.assetId)) {
      site.shelf.push(item);
    }
  };

/** Puts a font of the owner's among the site's once. */
export const keepFont =
  (font: OwnFont): Edit =>
  (site) => {
    if (!site.fonts.some((f) => f.id === font.id)) {
      site.fonts.push(castDraft(font));
    }
  };

/** Gives a site other fonts for its headings and its text, by their ids. */
export const setFonts =
  (fonts: { readonly headings?: string; readonly text?: string }): Edit =>
  (site) => {
    site.theme.headingFont = fonts.headings ?? site.theme.headingFont;
    site.theme.bodyFont = fonts.text ?? site.theme.bodyFont;
  };

/** Sets the weights of a site's headings and of its text, 1 to 1000 as CSS Fonts counts them. */
export const setFontWeights =
  (weights: { readonly headings?: number; readonly text?: number }): Edit =>
  (site) => {
    site.theme.headingWeight = weights.headings ?? site.theme.headingWeight;
    site.theme.bodyWeight = weights.text ?? site.theme.bodyWeight;
  };

/** Changes the theme's list of colours in place. */
export const editColours =
  (change: (colours: Draft<Site>['theme']['colours']) => void): Edit =>
  (site) => {
    change(site.theme.colours);
  };

/** Puts a theme colour at another place of the list; a place beyond its ends is none. */
export const moveColour = (from: number, to: number): Edit =>
  editColours((colours) => {
    if (from < 0 || from >= colours.length || to < 0 || to >= colours.length) {
      return;
    }
    const [moved] = colours.splice(from, 1);
    colours.splice(to, 0, moved);
  });

/**
 * Adds a colour to the theme's, under its own hex as the name; one that is there already is left
 * alone.
 */
export const addThemeColour =
  (hex: Hex, name: string = hex): Edit =>
  (site) => {
    if (!site.theme.colours.some((c) => c.hex === hex)) {
      site.theme.colours.push({ name, hex });
    }
  };

/** Puts a size among the owner's own. */
export const keepSize =
  (size: NamedSize): Edit =>
  (site) => {
    if (!site.ownSizes.some((s) => s.width === size.width && s.height === size.height)) {
      site.ownSizes.push(size);
    }
  };

export const editShelf =
  (assetId: string, change: Partial<Omit<ShelfItem, 'assetId'>>): Edit =>
  (site) => {
    const item = site.shelf.find((i) => i.assetId === assetId);
    if (item) {
      Object.assign(item, change);
    }
  };

/** Takes a picture off the shelf; what is drawn with it goes on being drawn. */
export const takeOffShelf =
  (assetId: string): Edit =>
  (site) => {
    site.shelf = site.shelf.filter((i) => i.assetId !== assetId);
  };

export const chain =
  (...edits: Edit[]): Edit =>
  (site) => {
    for (const edit of edits) {
      edit(site);
    }
  };
