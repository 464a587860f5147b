import { castDraft } from 'immer';
import type { Edit } from '../site/edit';
import type { Hex } from '../site/model/hex';
import type { OwnPage, OwnPlace } from '../site/model/ownPage';
import type { ContentWidth, Page } from '../site/model/page';
import type { ShelfItem } from '../site/model/shelf';
import type { Site } from '../site/model/site';
import type { ThemeColour } from '../site/model/theme';
import { emptyPage } from '../site/newSite';
import { editPage, slotsOn } from '../site/pages';
import { adoptTheme, type ThemePicture } from '../theme/adopt';
import type { PageColour, PageFont } from './look';
import type { Place } from './places';
import type { PageSurvey, PaintedPicture } from './survey';

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

/** A place as the site names it: by what the page itself calls it. */
const named = (
  { as, selector, pseudo, layer }: Pick<PaintedPicture, 'as' | 'selector' | 'pseudo' | 'layer'>,
  slot: string,
): OwnPlace => ({ slot, as, selector, pseudo, layer });

/** The picture of a survey that a place of the site is; undefined where the page changed. */
export const pictureAt = (
  { pictures }: Pick<PageSurvey, 'pictures'>,
  place: OwnPlace,
): PaintedPicture | undefined =>
  pictures.find(
    (p) =>
      p.as === place.as &&
      p.selector === place.selector &&
      p.pseudo === place.pseudo &&
      p.layer === place.layer,
  );

export interface TakingOver {
  readonly own: OwnPage;
  readonly survey: PageSurvey;
  /** Places that become slots, each with the file that lies there. */
  readonly places: readonly { readonly place: Place; readonly item: ShelfItem }[];
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
  const { own, survey, places, colours, fonts, newId, name, freshId } = taking;
  const pictures = places.map(({ place, item }): ThemePicture & { id: string } => ({
    id: newId(),
    path: place.file.path,
    kind: place.kind,
    item,
    laid: place.laid,
  }));
  return (site) => {
    const at = site.pages.find((page) => page.id === taking.pageId) ?? site.pages[0];
    const found = pageFor(site as Site, own, at as Page);
    const pageId = found?.id ?? freshId;
    if (!found) {
      const names = site.pages.map((page) => page.name);
      site.pages.push(castDraft(emptyPage(freshId, uniqueName(names, name))));
    }
    editPage(pageId, (page) => {
      Object.assign(page, drawnLike(page as Page, survey, all));
      if (!found) {
        page.background = { type: 'none' };
      }
      const before = page.own?.places ?? [];
      const placed = places.flatMap(({ place }, i) => {
        const picture = survey.pictures.find((p) => p.id === place.id);
        return picture ? [named(picture, pictures[i].id)] : [];
      });
      page.own = castDraft({ ...own, places: [...before, ...placed] });
    })(site);
    adoptTheme({
      colours: colours.length > 0 ? themeColours(colours) : undefined,
      fonts: fonts.map(({ family, uses }) => ({
        family,
        headings: uses.includes('headings'),
        body: uses.includes('text'),
      })),
      pictures,
      pageId,
      newId,
    })(site);
  };
}
