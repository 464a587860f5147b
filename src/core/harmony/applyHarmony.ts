import { castDraft, type Draft } from 'immer';
import { deltaE } from '../colour/difference';
import { colourOf } from '../colour/parse';
import { newRecipeLayer } from '../layers/recipe';
import { offersFor } from '../recolour/offers';
import { addBehindWords, type Edit } from '../site/edit';
import type { Hex } from '../site/model/hex';
import type { Layer } from '../site/model/layer';
import type { Page } from '../site/model/page';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { slotsOn } from '../site/pages';
import { harmonyRoles, type Harmony } from './harmony';

/** Colours of areas as they were, with what they become. */
type Becomes = Map<Hex, { readonly ground: Hex; readonly ink: Hex }>;

/**
 * What becomes of the colours of a page's areas. Areas that had one colour have one afterwards;
 * those that are neither page, bar nor content are the accent's and the bar's in turn.
 */
function becomesOf(page: Draft<Page>, { colours, onPage, onBar, onAccent }: Harmony): Becomes {
  const found: Becomes = new Map();
  const put = (old: Hex, ground: Hex, ink: Hex) => {
    if (!found.has(old)) {
      found.set(old, { ground, ink });
    }
  };
  put(page.body.colour, colours.content, colours.text);
  put(page.ground, colours.page, onPage);
  put(page.bar.colour, colours.bar, onBar);
  const others = [...(page.band ? [page.band.colour] : []), ...page.sections.map((s) => s.colour)];
  let marked = false;
  for (const old of others) {
    if (!found.has(old)) {
      marked = !marked;
      put(old, marked ? colours.accent : colours.bar, marked ? onAccent : onBar);
    }
  }
  return found;
}

/** What of a picture is drawn in a colour of the page, so that it goes over into it. */
function followLayer(layer: Draft<Layer>, other: (hex: Hex) => Hex): void {
  if (layer.kind === 'fade' && layer.into !== null) {
    layer.into = other(layer.into);
  } else if (layer.kind === 'profile') {
    layer.colour = other(layer.colour);
  } else if (layer.kind === 'shape' && layer.fill !== null) {
    layer.fill = other(layer.fill);
  }
}

function followPicture(picture: Draft<Picture>, other: (hex: Hex) => Hex): void {
  const { ground } = picture;
  if (ground.type === 'colour') {
    ground.colour = other(ground.colour);
  } else if (ground.type === 'gradient') {
    for (const stop of ground.stops) {
      stop.colour = other(stop.colour);
    }
  }
  picture.layers.forEach((layer) => followLayer(layer, other));
}

/** The recipe layer of a harmony; one on a picture at most. */
const layerId = 'harmony-recipe';

/** CIEDE2000 up to which a piece has the colour of what it lies beside (ours, by looking). */
const alike = 12;

/** A piece of the page's own surface and no picture of something: it repeats, or is a divider. */
const isSurface = ({ kind, repeat }: Pick<Slot, 'kind' | 'repeat'>): boolean =>
  kind === 'divider' || ((kind === 'background' || kind === 'sidebar') && repeat !== 'no-repeat');

/**
 * Brings a surface that is a file to the colour of its place: from its main colour, or from that of
 * the place where it has it.
 */
function laySurface(site: Draft<Site>, picture: Draft<Picture>, main: Hex, old: Hex, to: Hex) {
  const from = deltaE(colourOf(main), colourOf(old)) <= alike ? old : main;
  picture.layers = picture.layers.filter((l) => l.id !== layerId);
  const [offer] = offersFor(colourOf(from), colourOf(to), []);
  if (offer && from !== to) {
    const steps = offer.steps.map((step, i) => ({ ...step, id: `${layerId}-${i}` }));
    addBehindWords(
      picture.id,
      newRecipeLayer(layerId, {
        id: layerId,
        name: 'Colours that go together',
        steps,
        spare: false,
        hues: null,
      }),
    )(site);
  }
}

/** Main colours of files, by their assets. */
export type MainColours = ReadonlyMap<string, Hex>;

/** Files of surfaces on drawn pages, whose main colours are needed. */
export const surfaceAssets = (site: Site): string[] => [
  ...new Set(
    site.pages
      .filter((page) => !page.own)
      .flatMap((page) => slotsOn(site, page))
      .filter(isSurface)
      .flatMap((slot) => site.pictures[slot.pictureId]?.layers ?? [])
      .flatMap((layer) => (layer.kind === 'photo' && !layer.hidden ? [layer.assetId] : [])),
  ),
];

/**
 * Gives a site the colours of a harmony: the theme's colours are its six, drawn pages have them in
 * their places, and what pictures have in a colour of their page to the level, so that they go over
 * into it (ground, fade, divider, shape), follows. Tiles, strips and dividers that are files get a
 * recipe. Words, photographs of something, and pages of the owner's own stay.
 * @param mains of what `surfaceAssets` names; a file that is not among them stays
 */
export function applyHarmony(harmony: Harmony, mains: MainColours = new Map()): Edit {
  return (site) => {
    const done = new Set<string>();
    const { colours, onBar } = harmony;
    for (const page of site.pages.filter((p) => !p.own)) {
      const becomes = becomesOf(page, harmony);
      /** What a surface lies on, and what that becomes. */
      const placeOf = (slot: Slot): { old: Hex; to: Hex } => {
        const section = page.sections.find((s) => s.dividerSlot === slot.id);
        const beside = slot.kind === 'sidebar' ? page.body.colour : page.ground;
        const old = section?.colour ?? beside;
        return { old, to: becomes.get(old)!.ground };
      };
      for (const slot of slotsOn(site, page)) {
        const picture = site.pictures[slot.pictureId];
        if (!picture || done.has(picture.id)) {
          continue;
        }
        done.add(picture.id);
        followPicture(picture, (hex) => becomes.get(hex)?.ground ?? hex);
        const file = picture.layers.find((l) => l.kind === 'photo' && !l.hidden);
        const main = file?.kind === 'photo' ? mains.get(file.assetId) : undefined;
        if (isSurface(slot) && main !== undefined) {
          const { old, to } = placeOf(slot);
          laySurface(site, picture, main, old, to);
        }
      }
      for (const area of [page.body, ...(page.band ? [page.band] : []), ...page.sections]) {
        const { ground, ink } = becomes.get(area.colour)!;
        Object.assign(area, { colour: ground, ink });
      }
      page.ground = colours.page;
      Object.assign(page.bar, { colour: colours.bar, ink: onBar });
    }
    site.theme.colours = castDraft(
      harmonyRoles.map((role) => ({ name: role, hex: colours[role] })),
    );
  };
}
