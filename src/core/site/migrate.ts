import { Refusal } from '../refusal';
import { withoutLostSlots } from './lostSlots';
import { schemaVersion } from './model/site';

/** What is stored is of a version that cannot be brought up to this one. */
export class MigrationError extends Refusal {}

type Stored = Record<string, unknown>;

const isObject = (value: unknown): value is Stored => typeof value === 'object' && value !== null;

const percent = (value: number) => ({ value, unit: '%' });

/** Where a slot's picture lay before its position could be chosen. */
const oldPosition = (kind: unknown) => ({
  x: percent(kind === 'background' || kind === 'divider' ? 50 : 0),
  y: percent(kind === 'divider' ? 100 : 0),
});

/** Every effect had a light of its own, and no groove was engraved. */
function effectFrom16(effect: Stored): Stored {
  if (effect.kind === 'shadow') {
    return { ...effect, byLight: false };
  }
  return effect.kind === 'relief' ? { ...effect, engraved: false } : effect;
}

const list = (value: unknown): Stored[] => (Array.isArray(value) ? (value as Stored[]) : []);

/**
 * The page that had one content width in px, at most one sidebar at the right and at most one
 * section.
 */
function pageFrom1(
  { contentWidth, backgroundSlot, section, ...page }: Stored,
  slots: readonly Stored[],
): Stored {
  const { sidebarSlot, ...body } = page.body as Stored;
  const strip = slots.find((s) => s.id === sidebarSlot);
  return {
    ...page,
    content: { px: contentWidth, percent: null },
    background: backgroundSlot ? { type: 'own', slot: backgroundSlot } : { type: 'none' },
    band: null,
    body: {
      ...body,
      sidebars: strip ? [{ side: 'right', width: strip.width, slot: sidebarSlot }] : [],
    },
    sections: section ? [section] : [],
    pieces: [],
  };
}

/** Photos could not be turned, flipped or distorted, and were not sharpened. */
const photoFrom1 = (layer: Stored): Stored =>
  layer.kind === 'photo'
    ? { ...layer, stretch: 1, turn: 0, flipX: false, flipY: false, sharpen: 0 }
    : layer;

/** Texts were upright, in one line height, and nothing had effects, a crop, a cut-out or a lock. */
function layerFrom2(layer: Stored): Stored {
  const unlocked = { ...layer, locked: false };
  if (layer.kind === 'photo') {
    return { ...unlocked, crop: null, cutOut: null, effects: [] };
  }
  if (layer.kind === 'text') {
    return {
      ...unlocked,
      italic: false,
      spacing: 0,
      lineHeight: 1.2,
      stretchX: 1,
      stretchY: 1,
      wrap: null,
      turn: 0,
      effects: [],
    };
  }
  return unlocked;
}

/** Washes lay everywhere, and all words were part of the file. */
function layerFrom3(layer: Stored): Stored {
  if (layer.kind === 'fill') {
    return { ...layer, extent: { type: 'all' } };
  }
  if (layer.kind === 'text') {
    return { ...layer, hangs: false, live: false };
  }
  return layer.kind === 'photo' || layer.kind === 'shape' ? { ...layer, hangs: false } : layer;
}

/** What lies beside a slot was a colour or nothing. */
const besideFrom3 = (beside: unknown): unknown =>
  typeof beside === 'object' && beside !== null
    ? Object.fromEntries(
        Object.entries(beside).map(([side, hex]) => [
          side,
          hex === null ? null : { from: 'colour', colour: hex as unknown },
        ]),
      )
    : beside;

/** JPEG of a quality below 90 and WebP halved hue and chroma; nothing was searched for. */
function pictureFrom4(picture: Stored): Stored {
  const press = picture.press as Stored | undefined;
  const full =
    press?.format === 'avif' || (press?.format === 'jpeg' && Number(press.quality) >= 90);
  return {
    ...picture,
    press: { ...press, chroma: full ? 'full' : 'half', table: 3 },
    aim: { by: 'care', care: 'careful' },
    fallback: null,
    decorative: false,
  };
}

const withPictures = (pictures: unknown, change: (picture: Stored) => Stored): unknown =>
  typeof pictures === 'object' && pictures !== null
    ? Object.fromEntries(
        Object.entries(pictures as Record<string, Stored>).map(([key, picture]) => [
          key,
          change(picture),
        ]),
      )
    : pictures;

const withLayers = (pictures: unknown, change: (layer: Stored) => Stored): unknown =>
  withPictures(pictures, (picture) => ({ ...picture, layers: list(picture.layers).map(change) }));

/** A picture whose settings of its files are brought up by a function. */
function withEncodeSettings(picture: Stored, change: (press: Stored) => Stored): Stored {
  const changed = (press: unknown) => (press ? change(press as Stored) : press);
  return {
    ...picture,
    press: changed(picture.press),
    fallback: changed(picture.fallback),
    sized: list(picture.sized).map((sized) => ({
      ...sized,
      beside: changed(sized.beside),
      press: changed(sized.press),
      fallback: changed(sized.fallback),
    })),
  };
}

/** Files of other sizes were written as the first one, and all with the same effort. */
const pictureFrom11 = (picture: Stored): Stored =>
  withEncodeSettings({ ...picture, sized: [] }, (press) => ({ ...press, effort: 'usual' }));

/** No palette was dithered. */
const pictureFrom12 = (picture: Stored): Stored =>
  withEncodeSettings(picture, (press) => ({ ...press, dithered: false }));

/** Recipes changed every hue. */
const recipeFrom13 = (recipe: Stored): Stored => ({ ...recipe, hues: null });

/** The page that could only be drawn. */
const pageFrom7 = (page: Stored): Stored => ({
  ...page,
  content: { ...(page.content as Stored | undefined), measured: null },
  own: null,
});

/** Of places nothing was measured. */
const pageFrom8 = (page: Stored): Stored => {
  const own = page.own as Stored | null;
  return {
    ...page,
    own: own && {
      ...own,
      places: list(own.places).map((place) => ({ ...place, measured: null })),
    },
  };
};

/** What covers a picture at other widths was not looked at. */
const measuredFrom9 = (measured: Stored | null | undefined): unknown =>
  measured && {
    ...measured,
    over: null,
    seen: measured.seen && list(measured.seen).map((seen) => ({ ...seen, covered: 0 })),
  };

/**
 * Nothing of an own page was kept as it came; what lay in elements without a picture came by a rule
 * that outdoes all others.
 */
function pageFrom9(page: Stored, slots: readonly Stored[]): Stored {
  const own = page.own as Stored | null;
  const ruled = ({ slot }: Stored) =>
    slots.find((s) => s.id === slot)?.replaces === null ? 'important' : 'page';
  return {
    ...page,
    own: own && {
      ...own,
      original: null,
      inks: [],
      files: list(own.files).map((file) => ({ ...file, original: null })),
      places: list(own.places).map((place) => ({
        ...place,
        measured: measuredFrom9(place.measured as Stored | null),
        ruled: ruled(place),
      })),
    },
  };
}

/** A page whose measured places are brought up by a function. */
function pageWithMeasured(page: Stored, change: (measured: Stored) => Stored): Stored {
  const own = page.own as Stored | null;
  return {
    ...page,
    own: own && {
      ...own,
      places: list(own.places).map((place) => {
        const measured = place.measured as Stored | null;
        return { ...place, measured: measured && change(measured) };
      }),
    },
  };
}

const steps: Readonly<Record<number, (site: Stored) => Stored>> = {
  1: (site) => ({
    ...site,
    schemaVersion: 2,
    visitors: [],
    visitorsInvented: false,
    ownSizes: [],
    defaultBackground: null,
    pictures: withLayers(site.pictures, photoFrom1),
    shelf: list(site.shelf).map((item) => ({
      ...item,
      date: '',
      rightsChecked: false,
      subject: '',
    })),
    pages: list(site.pages).map((page) => pageFrom1(page, list(site.slots))),
    slots: list(site.slots).map((slot) => ({
      ...slot,
      position: oldPosition(slot.kind),
      size: { x: 'auto', y: 'auto' },
      attachment: 'scroll',
      offset: { x: 0, y: 0 },
      measured: null,
      replaces: null,
    })),
  }),
  2: (site) => ({
    ...site,
    schemaVersion: 3,
    fonts: [],
    pictures: withLayers(site.pictures, layerFrom2),
  }),
  3: (site) => ({
    ...site,
    schemaVersion: 4,
    limits: { sideMargin: 50, phoneText: 12, calm: 6 },
    pictures: withPictures(withLayers(site.pictures, layerFrom3), (picture) => ({
      ...picture,
      press: { ...(picture.press as Stored), lossless: false, colours: null },
    })),
    slots: list(site.slots).map((slot) => ({
      ...slot,
      beside: besideFrom3(slot.beside),
      overlap: { top: 0, right: 0, bottom: 0, left: 0 },
      narrowSize: null,
      narrow: null,
      lends: null,
    })),
  }),
  4: (site) => ({
    ...site,
    schemaVersion: 5,
    limits: { ...(site.limits as Stored), phoneBytes: 1_000_000 },
    handOver: { twice: true, narrow: true, fallback: true },
    pictures: withPictures(site.pictures, pictureFrom4),
    slots: list(site.slots).map((slot) => ({ ...slot, accepts: ['avif', 'webp', 'jpeg', 'png'] })),
  }),
  5: (site) => ({ ...site, schemaVersion: 6, recipes: [], set: null }),
  6: (site) => ({ ...withoutLostSlots(site), schemaVersion: 7 }),
  7: (site) => ({
    ...site,
    schemaVersion: 8,
    pages: Array.isArray(site.pages) ? list(site.pages).map(pageFrom7) : site.pages,
  }),
  8: (site) => ({
    ...site,
    schemaVersion: 9,
    pages: Array.isArray(site.pages) ? list(site.pages).map(pageFrom8) : site.pages,
  }),
  9: (site) => ({
    ...site,
    schemaVersion: 10,
    // What was handed over until now were pictures alone.
    handOver: { ...(site.handOver as Stored), pageFiles: false },
    pages: Array.isArray(site.pages)
      ? list(site.pages).map((page) => pageFrom9(page, list(site.slots)))
      : site.pages,
    slots: Array.isArray(site.slots)
      ? list(site.slots).map((slot) => ({ ...slot, versions: [] }))
      : site.slots,
  }),
  // What lies beside a picture was read at one width.
  10: (site) => ({
    ...site,
    schemaVersion: 11,
    pages: Array.isArray(site.pages)
      ? list(site.pages).map((page) =>
          pageWithMeasured(page, (measured) => ({ ...measured, scaled: null })),
        )
      : site.pages,
  }),
  11: (site) => ({
    ...site,
    schemaVersion: 12,
    pictures: withPictures(site.pictures, pictureFrom11),
  }),
  12: (site) => ({
    ...site,
    schemaVersion: 13,
    pictures: withPictures(site.pictures, pictureFrom12),
  }),
  13: (site) => ({
    ...site,
    schemaVersion: 14,
    recipes: Array.isArray(site.recipes) ? list(site.recipes).map(recipeFrom13) : site.recipes,
    set: isObject(site.set)
      ? { ...site.set, recipe: recipeFrom13(site.set.recipe as Stored), follows: [] }
      : site.set,
    pictures: withLayers(site.pictures, (layer) =>
      layer.kind === 'recipe' ? { ...layer, recipe: recipeFrom13(layer.recipe as Stored) } : layer,
    ),
  }),
  // A recipe may say of hues what becomes of them alone; none did.
  14: (site) => ({ ...site, schemaVersion: 15 }),
  // Nothing was said yet to be meant as it is.
  15: (site) => ({
    ...site,
    schemaVersion: 16,
    slots: Array.isArray(site.slots)
      ? list(site.slots).map((slot) => ({ ...slot, meant: [] }))
      : site.slots,
  }),
  // A title stood at the left, in the middle of its band, like every other heading; no line was
  // drawn by hand, and nothing was cut out by a loop.
  16: (site) => ({
    ...site,
    schemaVersion: 17,
    pages: Array.isArray(site.pages)
      ? list(site.pages).map((page) => ({
          ...page,
          band: isObject(page.band)
            ? { ...page.band, align: 'left', high: 'middle', sizePx: 26, font: null }
            : page.band,
        }))
      : site.pages,
    pictures: withLayers(
      withPictures(site.pictures, (p) => ({ ...p, light: 315 })),
      (layer) => {
        if (Array.isArray(layer.effects)) {
          layer = { ...layer, effects: list(layer.effects).map(effectFrom16) };
        }
        if (layer.kind === 'profile') {
          return { ...layer, points: [] };
        }
        return isObject(layer.cutOut)
          ? { ...layer, cutOut: { ...layer.cutOut, area: null } }
          : layer;
      },
    ),
  }),
  // Every heading was of one weight, and the links of a bar of another.
  17: (site) => ({
    ...site,
    schemaVersion: 18,
    theme: isObject(site.theme)
      ? { ...site.theme, headingWeight: 500, bodyWeight: 400 }
      : site.theme,
  }),
};

/**
 * Brings stored data up to the present version, step by step; the fields themselves are checked
 * afterwards.
 * @throws MigrationError when it has no version, or a newer one than this program knows, or lacks
 * what sites of its version have
 */
export function migrate(value: unknown): unknown {
  let site = value as Stored;
  for (;;) {
    const version = (site as { schemaVersion?: unknown } | null)?.schemaVersion;
    if (version === schemaVersion) {
      return site;
    }
    const step = typeof version === 'number' ? steps[version] : undefined;
    if (!step) {
      throw new MigrationError(
        `Expected a site of version ${schemaVersion} or older, found ${version === undefined ? 'no version' : `version ${String(version)}`}`,
      );
    }
    try {
      site = step(site);
    } catch (error) {
      // Steps take for granted what sites of a version have.
      if (error instanceof TypeError) {
        throw new MigrationError(
          `Expected a whole site of version ${String(version)}, found one without some of its parts`,
        );
      }
      throw error;
    }
  }
}
