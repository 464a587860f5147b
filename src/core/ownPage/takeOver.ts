import { castDraft } from 'immer';
import type { Size } from '../frame/placement';
import { editSlot, type Edit } from '../site/edit';
import type { Hex } from '../site/model/hex';
import type { OwnPage, OwnPlace, MeasuredPlace, RuledBy } from '../site/model/ownPage';
import type { ContentWidth, Page } from '../site/model/page';
import type { ShelfItem } from '../site/model/shelf';
import type { Site } from '../site/model/site';
import type { SlotKind } from '../site/model/slot';
import type { ThemeColour } from '../site/model/theme';
import { emptyPage } from '../site/newSite';
import { editPage, slotsOn } from '../site/pages';
import { addSlot } from '../site/slots';
import { adoptTheme, type ThemePicture } from '../theme/adopt';
import type { PageColour, PageFont } from './look';
import type { Place, Room } from './places';
import { paintedPart } from './paintedPart';
import { measuredSides } from './colourRuns';
import type { PageAtWidth, PageRect, PageSurvey, PaintedPicture } from './survey';

const uniqueName = (taken: readonly string[], wanted: string): string => {
  for (let n = 1; ; n++) {
    const name = n === 1 ? wanted : `${wanted} ${n}`;
    if (!taken.includes(name)) {
      return name;
    }
  }
};

/** Colours of a page as those of a theme, called by what they are for. */
export function themeColours(colours: readonly PageColour[]): ThemeColour[] {
  const names: string[] = [];
  return colours.map(({ hex, roles }) => {
    const name = uniqueName(names, roles[0] ?? 'accent');
    names.push(name);
    return { name, hex };
  });
}

/**
 * The theme's colours with those that come to them; a site that has nothing yet has only
 * placeholders, which go.
 */
function joined({ slots, theme }: Site, taken: readonly ThemeColour[]): ThemeColour[] {
  const kept = slots.length === 0 ? [] : theme.colours;
  const names = kept.map((colour) => colour.name);
  const fresh = taken.filter(({ hex }) => !kept.some((colour) => colour.hex === hex));
  return [
    ...kept.map(({ name, hex }) => ({ name, hex })),
    ...fresh.map(({ name, hex }) => {
      const free = uniqueName(names, name);
      names.push(free);
      return { name: free, hex };
    }),
  ];
}

/** The width of the content at every screen that was looked at. */
export function contentOf({ at, parts }: Pick<PageSurvey, 'at' | 'parts'>): ContentWidth {
  const column = parts.find((part) => part.as === 'content')?.id ?? '';
  const measured = at.flatMap(({ width, parts: laid }) => {
    const rect = laid.get(column);
    return rect ? [{ screen: width, width: Math.min(width, rect.width) }] : [];
  });
  const widest = measured.at(-1);
  const held = measured.at(-2);
  if (measured.length < 2 || !widest || !held) {
    return { px: null, percent: 100, measured: null };
  }
  // It grows no more with the screen.
  const px = Math.abs(widest.width - held.width) < 1 ? Math.max(1, Math.round(widest.width)) : null;
  const percent = Math.min(100, Math.max(1, (widest.width / widest.screen) * 100));
  return { px, percent: px === null ? percent : null, measured };
}

/**
 * The page of a site that a saved page stands for: the one it already stands for, one that is empty
 * yet, or a new one.
 */
export function pageFor(site: Site, own: Pick<OwnPage, 'file'>, at: Page): Page | undefined {
  const again = site.pages.find((page) => page.own?.file === own.file);
  const empty = at.own === null && slotsOn(site, at).length === 0;
  return again ?? (empty ? at : undefined);
}

type Named = Pick<OwnPlace, 'as' | 'selector' | 'pseudo' | 'layer'>;

const same = (a: Named, b: Named): boolean =>
  a.as === b.as && a.selector === b.selector && a.pseudo === b.pseudo && a.layer === b.layer;

/** A place as the site names it: by what the page itself calls it. */
const named = (
  { as, selector, pseudo, layer }: Pick<PaintedPicture, 'as' | 'selector' | 'pseudo' | 'layer'>,
  slot: string,
  measured: MeasuredPlace | null,
): OwnPlace => ({ slot, as, selector, pseudo, layer, rect: null, measured, ruled: 'page' });

/** The picture of a survey that a place of the site is; undefined where the page changed. */
export const pictureAt = (
  { pictures }: Pick<PageSurvey, 'pictures'>,
  place: OwnPlace,
): PaintedPicture | undefined => pictures.find((p) => same(p, place));

/**
 * The part of the page that a slot's picture paints in a place of the site, px.
 * @param laid the page as it is laid out now
 * @param slot size of its picture, whether the page's own file lies there or what is made for it
 * @returns undefined where it is not shown, or the page has no such picture
 */
export function placedAt(
  survey: Pick<PageSurvey, 'pictures'>,
  laid: PageAtWidth,
  place: OwnPlace,
  slot: Size,
): PageRect | undefined {
  const picture = pictureAt(survey, place);
  const placed = picture && laid.placed.get(picture.id);
  if (!placed) {
    return undefined;
  }
  return picture.root && picture.as === 'background'
    ? { x: 0, y: 0, width: laid.width, height: laid.height }
    : paintedPart(placed, slot);
}

/**
 * Beside a slot lies what was measured of the owner's page, where what lies there now goes over into
 * that; other edges are to be seen, and nothing is said of them.
 */
const besideMeasured = (slotId: string, measured: MeasuredPlace | null): Edit =>
  editSlot(slotId, (slot) => {
    const known = measuredSides(measured?.surround ?? null).filter((side) =>
      measured?.meets.includes(side),
    );
    for (const side of ['top', 'right', 'bottom', 'left'] as const) {
      slot.beside[side] = known.includes(side) ? { from: 'page' } : null;
    }
  });

/** What a box that was pointed at becomes. */
export interface PointedSlot {
  readonly pageId: string;
  readonly id: string;
  /** As the page calls it; empty in a picture of the page. */
  readonly selector: string;
  readonly rect: PageRect;
  readonly kind: SlotKind;
  /** Null where nothing was. */
  readonly measured: MeasuredPlace | null;
  /** What a rule for it has to outdo. */
  readonly ruled: Exclude<RuledBy, 'page'>;
}

/** Lays a slot of the site in a box that was pointed at. */
export const placePointed =
  ({ pageId, id, selector, rect, measured, ruled }: Omit<PointedSlot, 'kind'>): Edit =>
  (site) => {
    besideMeasured(id, measured)(site);
    editPage(pageId, (page) => {
      page.own?.places.push({
        slot: id,
        as: 'background',
        selector,
        pseudo: '',
        layer: 0,
        rect: selector === '' ? rect : null,
        measured: castDraft(measured),
        ruled,
      });
    })(site);
  };

/** Makes a slot of a box that was pointed at, of its exact size. */
export const takePointed =
  ({ kind, ...place }: PointedSlot): Edit =>
  (site) => {
    const { width, height } = place.rect;
    const [w, h] = [width, height].map((px) => Math.max(1, Math.round(px)));
    addSlot(undefined, { id: place.id, kind, width: w, height: h })(site);
    placePointed(place)(site);
  };

export interface TakingOver {
  readonly own: OwnPage;
  readonly survey: PageSurvey;
  /** Places that become slots, each with the file that lies there. */
  readonly places: readonly {
    readonly place: Place;
    readonly item: ShelfItem;
    readonly measured: MeasuredPlace | null;
  }[];
  /** Parts without a picture that become slots. */
  readonly rooms: readonly Room[];
  /** Those that the theme is to have; none leaves the theme as it is. */
  readonly colours: readonly PageColour[];
  readonly fonts: readonly PageFont[];
  /** The page that is looked at. */
  readonly pageId: string;
  /** What a new page of the plan is called, and its id. */
  readonly name: string;
  readonly freshId: string;
  newId(): string;
}

const inRole = (colours: readonly PageColour[], role: PageColour['roles'][number]) =>
  colours.find((colour) => colour.roles.includes(role))?.hex;

/** What the drawing of the page has of it, for where no page of the owner's can be shown. */
function drawnLike(page: Page, survey: PageSurvey, colours: readonly PageColour[]): Partial<Page> {
  const bar = survey.parts.find((part) => part.as === 'bar');
  const laid = survey.at.find((at) => at.width >= 1280) ?? survey.at[0];
  const rect = bar && laid.parts.get(bar.id);
  const or = (hex: Hex | undefined, usual: Hex): Hex => hex ?? usual;
  return {
    content: contentOf(survey),
    ground: or(inRole(colours, 'page'), page.ground),
    bar: {
      ...page.bar,
      height: rect ? Math.round(rect.height) : page.bar.height,
      colour: or(inRole(colours, 'bar'), page.bar.colour),
    },
    body: {
      ...page.body,
      colour: or(inRole(colours, 'content'), page.body.colour),
      ink: or(inRole(colours, 'text'), page.body.ink),
    },
  };
}

/**
 * Takes a saved page into the site, as one edit: it stands on the plan, places that were chosen
 * become slots under their files' names, and the theme has its colours and fonts.
 * @param all every colour of the page, for its drawing
 */
export function takeOverPage(taking: TakingOver, all: readonly PageColour[]): Edit {
  const { own, survey, places, rooms, colours, fonts, newId, name, freshId } = taking;
  const offered = places.map(({ place, item, measured }) => {
    const id = newId();
    const picture = survey.pictures.find((p) => p.id === place.id);
    const { kind, laid, file } = place;
    return {
      picture: { id, path: file.path, kind, item, laid } satisfies ThemePicture,
      named: picture && named(picture, id, measured),
      measured,
    };
  });
  const made = rooms.map(({ selector, rect, kind }) => ({ id: newId(), selector, rect, kind }));
  return (site) => {
    const at = site.pages.find((page) => page.id === taking.pageId) ?? site.pages[0];
    const found = pageFor(site as Site, own, at as Page);
    const pageId = found?.id ?? freshId;
    if (!found) {
      const names = site.pages.map((page) => page.name);
      site.pages.push(castDraft(emptyPage(freshId, uniqueName(names, name))));
    }
    // A page that is brought again keeps the slots it has.
    const before = (found as Page | undefined)?.own?.places ?? [];
    const fresh = offered.filter(
      (one) => !before.some((place) => one.named && same(place, one.named)),
    );
    editPage(pageId, (page) => {
      Object.assign(page, drawnLike(page as Page, survey, all));
      if (!found) {
        page.background = { type: 'none' };
      }
      const placed = fresh.flatMap((one) => one.named ?? []);
      const inks = (found as Page | undefined)?.own?.inks ?? [];
      page.own = castDraft({ ...own, places: [...before, ...placed], inks });
    })(site);
    const adopt = adoptTheme({
      colours: colours.length > 0 ? joined(site as Site, themeColours(colours)) : undefined,
      fonts: fonts.map(({ family, uses }) => ({
        family,
        headings: uses.includes('headings'),
        body: uses.includes('text'),
      })),
      pictures: fresh.map((one) => one.picture),
      pageId,
      newId,
    });
    adopt(site);
    for (const { picture, measured } of fresh) {
      besideMeasured(picture.id, measured)(site);
    }
    for (const room of made) {
      takePointed({ ...room, pageId, measured: null, ruled: 'own' })(site);
    }
  };
}
