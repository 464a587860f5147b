import type { Draft } from 'immer';
import { castDraft } from 'immer';
import { colourOf } from '../colour/parse';
import { newRecipeLayer } from '../layers/recipe';
import { offersFor } from '../recolour/offers';
import { addBehindWords, editPicture, type Edit } from '../site/edit';
import type { Hex } from '../site/model/hex';
import type { PieceSet, SetPiece } from '../site/model/pieceSet';
import type { Recipe } from '../site/model/recipe';
import type { Site } from '../site/model/site';
import { editPage } from '../site/pages';
import { shelfItem } from '../shelf/item';
import { adoptTheme, type ThemePicture } from '../theme/adopt';
import { isInside } from './paths';
import type { Role } from './roles';
import { isOfHue, type Family } from './families';
import type { HarmonyLaid } from './harmonyOnSheets';
import type { SheetLine } from './sheetLine';

/** Keeps a recipe among the site's: in place of one of that id, or as a new one. */
export const keepRecipe =
  (recipe: Recipe): Edit =>
  (site) => {
    const at = site.recipes.findIndex((r) => r.id === recipe.id);
    if (at >= 0) {
      site.recipes[at] = castDraft(recipe);
    } else {
      site.recipes.push(castDraft(recipe));
    }
  };

export const forgetRecipe =
  (id: string): Edit =>
  (site) => {
    site.recipes = site.recipes.filter((r) => r.id !== id);
  };

/** Nothing is recoloured by it yet; it will reach the hue of the old colour alone, and no greys. */
export const recipeForSet = (id: string, from: Hex): Recipe => ({
  id,
  name: '',
  steps: [],
  spare: true,
  hues: [from],
});

export const openPieces =
  (set: PieceSet | null): Edit =>
  (site) => {
    site.set = set && castDraft(set);
  };

/** Does nothing while no set is open. */
export const editSet =
  (change: (set: Draft<PieceSet>) => void): Edit =>
  (site) => {
    if (site.set) {
      change(site.set);
    }
  };

export const layRecipeOnSet = (recipe: Recipe): Edit =>
  editSet((set) => {
    set.recipe = castDraft(recipe);
  });

/** The old colour or the new one; what the recipe reaches goes with the old one. */
export const changeColours = (change: { from?: Hex; to?: Hex }): Edit =>
  editSet((set) => {
    const { recipe, from: old } = set;
    if (change.from && recipe.hues) {
      recipe.hues = [change.from, ...recipe.hues.filter((hex) => !isOfHue(hex, old))];
    }
    Object.assign(set, change);
  });

/**
 * Whether a family follows the recipe.
 * @param families all of the theme: a recipe that reached every hue names the others from now on
 */
export const followFamily = (
  { kind, hex }: Family,
  wanted: boolean,
  families: readonly Family[],
): Edit =>
  editSet((set) => {
    if (kind === 'meaning' || kind === 'code') {
      set.follows = [...set.follows.filter((f) => f !== kind), ...(wanted ? [kind] : [])];
    } else if (kind === 'neutral') {
      set.recipe.spare = !wanted;
    } else if (kind === 'hue') {
      set.recipe.hues = [...huesBut(hex, set, families), ...(wanted ? [hex] : [])];
      set.recipe.byHue = set.recipe.byHue?.filter((own) => !isOfHue(own.hue, hex));
    }
  });

/** The hues that the set's steps reach, one left out. */
const huesBut = (
  hex: Hex,
  { from, recipe }: Pick<PieceSet, 'from' | 'recipe'>,
  families: readonly Family[],
): Hex[] => {
  const following = families
    .filter((f) => f.kind === 'hue' && f.follows && !f.to)
    .map((f) => f.hex);
  return [...(recipe.hues ?? [from, ...following])].filter((h) => !isOfHue(h, hex));
};

/**
 * A family of another hue goes a way of its own, in hue and tone.
 * @param families as for `followFamily`
 * @param id of its steps
 */
export const recolourFamily = (
  { hex }: Family,
  to: Hex,
  families: readonly Family[],
  id: string,
): Edit =>
  editSet((set) => {
    const way = offersFor(colourOf(hex), colourOf(to), []).find((o) => o.way === 'hue');
    const steps = (way?.steps ?? []).map((step, i) => ({ ...step, id: `${id}-${i}` }));
    const others = (set.recipe.byHue ?? []).filter((own) => !isOfHue(own.hue, hex));
    set.recipe.hues = huesBut(hex, set, families);
    set.recipe.byHue = castDraft([...others, { hue: hex, to, steps }]);
  });

/** A colour follows, or stays, wherever it stands in the style sheets. */
export const turnColour = (lines: readonly SheetLine[], follows: boolean): Edit =>
  editSet((set) => {
    for (const { key } of lines) {
      set.lines[key] = follows;
    }
  });

/**
 * Gives a theme the colours of a harmony: its sheets line by line, its pictures by the steps from
 * the old colour to what becomes of it. What was decided of other lines stays.
 * @param id of the recipe
 */
export const layHarmonyOnSet = ({ lines, to, steps }: HarmonyLaid, id: string): Edit =>
  editSet((set) => {
    for (const [key, hex] of lines) {
      if (hex === null) {
        delete set.lines[key];
      } else {
        set.lines[key] = hex;
      }
    }
    set.to = to;
    set.recipe = castDraft({
      ...set.recipe,
      id,
      name: '',
      steps: steps.map((step, i) => ({ ...step, id: `${id}-${i}` })),
    });
  });

/** Turns whether a line of a style sheet follows the recipe. */
export const turnLine = ({ key, follows }: SheetLine): Edit =>
  editSet((set) => {
    set.lines[key] = !(set.lines[key] ?? follows);
  });

/** Words have other colours, by where their sheets say them. */
export const setInks = (inks: ReadonlyMap<string, Hex>): Edit =>
  editSet((set) => {
    Object.assign(set.lines, Object.fromEntries(inks));
  });

/** Whether pieces are recoloured, by their paths. */
export const takePieces = (paths: readonly string[], wanted: boolean): Edit =>
  editSet((set) => {
    const those = new Set(paths);
    for (const piece of set.pieces) {
      if (those.has(piece.path)) {
        piece.leftOut = !wanted;
      }
    }
  });

/**
 * Pieces that have a place of their own on a page and are files of their own; of several for one
 * place, the first.
 */
export function placedPieces(set: PieceSet, roles: ReadonlyMap<string, Role>): SetPiece[] {
  const taken = new Set<string>();
  return set.pieces.filter((piece) => {
    const kind = roles.get(piece.path)?.kind ?? 'piece';
    if (piece.leftOut || isInside(piece.path, set.sheets) || kind === 'piece' || taken.has(kind)) {
      return false;
    }
    taken.add(kind);
    return true;
  });
}

/** The recipe layer of a picture that came from a set; one on a picture at most. */
const layerId = 'set-recipe';

/** An id that tells which piece a slot is of, so that the same piece gets the same one. */
function slotIdOf(site: Pick<Site, 'slots'>, piece: SetPiece): string {
  for (let n = 1; ; n++) {
    const id = `piece-${piece.assetId.slice(0, 12)}${n > 1 ? `-${n}` : ''}`;
    if (!site.slots.some((s) => s.id === id)) {
      return id;
    }
  }
}

/**
 * Lays the pieces that have a place on the page's plan: each in the slot that takes its file's
 * place, or in a new one of its exact size, with the recipe in front of it. Laid again, the recipe
 * takes the place of the one that is there.
 * @param ground what the page has under everything from now on; as it is where it is left out
 */
export const layOnPlan =
  (set: PieceSet, roles: ReadonlyMap<string, Role>, pageId: string, ground?: Hex): Edit =>
  (site) => {
    for (const piece of placedPieces(set, roles)) {
      if (!site.slots.some((s) => s.replaces === piece.path)) {
        const role = roles.get(piece.path)!;
        const item = shelfItem({
          ...piece,
          name: piece.path.replace(/^.*\//, '').replace(/\.[a-z0-9]+$/i, ''),
          source: 'theme',
        });
        const picture: ThemePicture = {
          path: piece.path,
          item,
          kind: role.kind,
          ...(role.laid && { found: role.laid }),
        };
        const id = slotIdOf(site, piece);
        const ids = [id, `${id}-photo`];
        adoptTheme({ pictures: [picture], pageId, newId: () => ids.shift()! })(site);
      }
      const { pictureId } = site.slots.find((s) => s.replaces === piece.path)!;
      editPicture(pictureId, (picture) => {
        picture.layers = picture.layers.filter((l) => l.id !== layerId);
      })(site);
      addBehindWords(pictureId, newRecipeLayer(layerId, set.recipe))(site);
    }
    if (ground) {
      editPage(pageId, (page) => {
        page.ground = ground;
      })(site);
    }
  };
