import { castDraft } from 'immer';
import { newPhoto } from '../layers/photo';
import { formatNamed } from '../press/formats/registry';
import { pressAs } from '../press/settings';
import type { Edit } from '../site/edit';
import { shelve } from '../site/edit';
import type { Hex } from '../site/model/hex';
import type { Layer } from '../site/model/layer';
import type { ShelfItem } from '../site/model/shelf';
import type { Slot, SlotKind } from '../site/model/slot';
import type { ThemeColour } from '../site/model/theme';
import { editPage } from '../site/pages';
import { addSlot } from '../site/slots';
import { fonts } from '../text/fonts';
import type { BackgroundFound, ColourFound, FontFound } from './readTheme';

/** A background picture of a theme whose file is at hand. */
export interface ThemePicture {
  readonly path: string;
  /** Of the slot it becomes; made where none is given. */
  readonly id?: string;
  readonly item: ShelfItem;
  /** How the style sheet lays it; undefined for a file no rule speaks of. */
  readonly found?: BackgroundFound;
  /** How a page that was looked at lays it, where no rule was read. */
  readonly laid?: Pick<Slot, 'repeat' | 'position' | 'size' | 'attachment'>;
  readonly kind: SlotKind;
}

/** What kind of slot a picture has, by the words of its selector and its path, and by its shape. */
export function guessKind(
  found: Pick<BackgroundFound, 'selector'> | undefined,
  path: string,
  { width, height }: { width: number; height: number },
): SlotKind {
  const subject = (found?.selector ?? '').split(/[\s>+~]+/).at(-1) ?? '';
  const words = `${found?.selector ?? ''} ${path.split('/').at(-1) ?? ''}`.toLowerCase();
  if (/^(html|body)\b/i.test(subject)) {
    return 'background';
  }
  if (/button|btn|menu|nav|icon|bullet|arrow/.test(words)) {
    return 'piece';
  }
  if (/logo|brand|mark\b/.test(words)) {
    return width > 500 ? 'header' : 'mark';
  }
  if (/divider|separator|wave|ridge/.test(words)) {
    return 'divider';
  }
  if (/sidebar|aside|widget|column/.test(words)) {
    return 'sidebar';
  }
  if (/hero|title|band|intro/.test(words)) {
    return 'band';
  }
  if (/header|masthead|banner/.test(words)) {
    return width >= 400 && width > height * 1.5 ? 'header' : 'piece';
  }
  return 'piece';
}

/** Names of the colours, the theme's own where it has some, else by what they are for. */
export function namedColours(colours: readonly ColourFound[]): ThemeColour[] {
  const taken = new Set<string>();
  return colours.map(({ hex, name, uses }) => {
    const use = (Object.entries(uses) as [string, number][]).sort((a, b) => b[1] - a[1])[0][0];
    const wanted = (name ?? use).replace(/^color-|^colour-/, '').slice(0, 40);
    let free = wanted;
    for (let n = 2; taken.has(free); n++) {
      free = `${wanted} ${n}`;
    }
    taken.add(free);
    return { name: free, hex };
  });
}

export interface Adoption {
  readonly colours?: readonly ThemeColour[];
  readonly contentWidth?: number;
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

/** Colour under a page's background, where the style sheet gives it. */
const groundOf = (pictures: readonly ThemePicture[]): Hex | undefined =>
  pictures.find((p) => p.kind === 'background')?.found?.colour ?? undefined;

/**
 * One slot per picture: its exact size, its name and format, lying as the style sheet lays it, with
 * the file in it and on the shelf.
 */
function slotFor(
  { path, id: given, item, found, laid, kind }: ThemePicture,
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
      measured: found
        ? { from: 'stylesheet', file: found.file, line: found.line }
        : { from: 'picture', name: baseName(path) },
      ...laid,
      ...(found && {
        repeat: found.repeat,
        position: found.position,
        size: found.size,
        attachment: found.attachment,
      }),
    })(site);
    const picture = site.pictures[`picture-${id}`];
    picture.layers = [castDraft(layer)];
    picture.press = pressAs(formatNamed(item.format) ?? 'png', 85);
    shelve(item)(site);
  };
}

/**
 * Takes over from a theme what was chosen of it, as one edit. Pieces come into the site without a
 * place on a page; the rest goes where its kind goes.
 */
export function adoptTheme({
  colours,
  contentWidth,
  fonts: families,
  pictures,
  pageId,
  newId,
}: Adoption): Edit {
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
    // The page first: what lies beside a new slot is read off it.
    editPage(pageId, (page) => {
      if (contentWidth !== undefined) {
        page.content.px = contentWidth;
      }
      page.ground = groundOf(pictures) ?? page.ground;
    })(site);
    for (const slot of slots) {
      slot(site);
    }
  };
}
