import { fileSize, hasOverlap, overlapOf } from '../frame/overlap';
import type { Size } from '../frame/placement';
import { formatByEnding, formatOf } from '../encode/formats/registry';
import { encodeSettings } from '../encode/settings';
import type { Picture, ImageFormat, EncodeSettings } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { isContent } from '../slots/registry';
import { isBlank, pictureOf } from '../site/picture';
import { ownPlaceOf } from '../site/pages';
import { untouchedFile } from './untouched';

/** One file that is handed over. */
export interface PlannedFile {
  readonly slotId: string;
  /** Below the archive's root, with `/` between folders. */
  readonly path: string;
  /** How many px of the file lie on one of the slot. */
  readonly scale: number;
  readonly width: number;
  readonly height: number;
  readonly settings: EncodeSettings;
  /** For browsers that do not know the other's format. */
  readonly fallback: boolean;
  /** The asset that it is, where nothing of it was changed: it is not written anew. */
  readonly asItWas?: string;
}

/** The files of one slot. */
export interface SlotFiles {
  readonly slot: Slot;
  readonly picture: Picture;
  readonly files: readonly PlannedFile[];
  /** Something the owner should know of them. */
  readonly note?: string;
}

/** Folder of the files that do not take the place of one of the theme's. */
export const pictureFolder = 'pictures';

/**
 * A path of the theme's below the archive's root: style sheets name files relative to themselves.
 */
export const insideArchive = (path: string): string =>
  path
    .split(/[/\\]/)
    .filter((part) => part !== '' && part !== '.' && part !== '..')
    .join('/');

/** What the name of a file of another size ends with. */
const scaleSuffix: Readonly<Record<number, string>> = { 0.5: '-half', 1: '', 2: '-2x' };

/** Narrower files than this are not worth a second one, px. */
const leastNarrow = 600;

/**
 * The file for older browsers: what the search found, or JPEG; PNG where the picture is
 * see-through.
 */
export function fallbackOf(
  { press, fallback }: Picture,
  opaque: boolean,
): EncodeSettings | undefined {
  if (formatOf(press.format).plain) {
    return undefined;
  }
  if (!opaque) {
    return fallback && formatOf(fallback.format).seeThrough ? fallback : encodeSettings('png');
  }
  return fallback ?? encodeSettings('jpeg', 84);
}

/** How the theme's own file is written under its own name and in its own format. */
function settingsAs(format: ImageFormat, { press, fallback }: Picture): EncodeSettings {
  if (press.format === format) {
    return press;
  }
  if (fallback?.format === format) {
    return fallback;
  }
  return encodeSettings(format, 84);
}

const same = (a: EncodeSettings, b: EncodeSettings): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/**
 * How a file of another size is written: as was found for it beside the first one, else as that.
 * @param older the older file at the picture's own size, where there is one
 */
function settingsAt(
  { press, sized }: Picture,
  scale: number,
  older: EncodeSettings | undefined,
): { readonly press: EncodeSettings; readonly older: EncodeSettings | undefined } {
  const found = sized.find((s) => s.scale === scale && same(s.beside, press));
  return {
    press: found?.press ?? press,
    older: older && found?.fallback?.format === older.format ? found.fallback : older,
  };
}

/** What names the file can be changed with it. */
const mayRename = (site: Site, slot: Slot): boolean =>
  site.handOver.pageFiles && ownPlaceOf(site, slot.id) !== undefined;

/**
 * The files of every slot that has a picture, with names that no two of them share. A slot that
 * takes the place of a theme's file keeps its path and has that file alone: whatever shows it knows
 * no other.
 * @param isOpaque whether a slot's drawing has no see-through px
 */
export function planFiles(site: Site, isOpaque: (slotId: string) => boolean): SlotFiles[] {
  const taken = new Set<string>();
  const free = (stem: string, ending: string): string => {
    for (let n = 1; ; n++) {
      const path = `${pictureFolder}/${stem}${n > 1 ? `-${n}` : ''}${ending}`;
      if (!taken.has(path.toLowerCase())) {
        taken.add(path.toLowerCase());
        return path;
      }
    }
  };
  /** In the folder of the file that it takes the place of, under its name. */
  const besideIt = (path: string, format: ImageFormat): string => {
    const stem = path.replace(/\.[^./]*$/, '');
    for (let n = 1; ; n++) {
      const wanted = `${stem}${n > 1 ? `-${n}` : ''}.${formatOf(format).endings[0]}`;
      if (!taken.has(wanted.toLowerCase())) {
        taken.add(wanted.toLowerCase());
        return wanted;
      }
    }
  };
  const drawn = site.slots
    .map((slot) => ({ slot, picture: pictureOf(site, slot) }))
    .filter(({ picture }) => !isBlank(picture));
  const replaced = new Map(
    drawn.flatMap(({ slot }) =>
      slot.replaces !== null && formatByEnding(slot.replaces)
        ? [[slot.id, insideArchive(slot.replaces)] as const]
        : [],
    ),
  );
  const ofPages = site.pages.flatMap(
    ({ own }) => own?.files.map((f) => insideArchive(f.path)) ?? [],
  );
  for (const path of [...replaced.values(), ...ofPages]) {
    taken.add(path.toLowerCase());
  }
  return drawn.map(({ slot, picture }): SlotFiles => {
    const size = fileSize(slot, overlapOf(slot));
    const file = (
      path: string,
      scale: number,
      settings: EncodeSettings,
      fallback = false,
    ): PlannedFile => ({
      slotId: slot.id,
      path,
      scale,
      ...fileSizeAt(slot, scale),
      settings,
      fallback,
    });
    const own = replaced.get(slot.id);
    if (own !== undefined) {
      const untouched = untouchedFile(site, slot, picture);
      const format = formatByEnding(own)!;
      const renamed =
        !untouched && mayRename(site, slot) && picture.press.format !== format
          ? besideIt(own, picture.press.format)
          : undefined;
      const planned = renamed
        ? file(renamed, 1, picture.press)
        : file(own, 1, settingsAs(format, picture));
      return {
        slot,
        picture,
        files: [untouched ? { ...planned, asItWas: untouched.assetId } : planned],
      };
    }
    const wanted = site.handOver.fallback ? fallbackOf(picture, isOpaque(slot.id)) : undefined;
    const older = wanted && slot.accepts.includes(wanted.format) ? wanted : undefined;
    const list: PlannedFile[] = [];
    for (const scale of scalesOf(site, slot, size)) {
      const add = (settings: EncodeSettings, fallback: boolean) => {
        const path = free(
          `${slot.fileName}${scaleSuffix[scale]}`,
          `.${formatOf(settings.format).endings[0]}`,
        );
        list.push(file(path, scale, settings, fallback));
      };
      const at = settingsAt(picture, scale, older);
      add(at.press, false);
      if (at.older) {
        add(at.older, true);
      }
    }
    const note =
      slot.replaces === null
        ? undefined
        : `${slot.replaces} cannot be written in its own format; name this file in the theme instead.`;
    return { slot, picture, files: list, ...(note && { note }) };
  });
}

/** Px of a slot's file of another size. */
export const fileSizeAt = (slot: Slot, scale: number): Size =>
  times(fileSize(slot, overlapOf(slot)), scale);

/** Formats that a slot's first file may have: that of the file it takes the place of, or any. */
export function firstFormats(site: Site, slot: Slot): readonly ImageFormat[] {
  const own = slot.replaces === null ? undefined : formatByEnding(slot.replaces);
  return own && !mayRename(site, slot) ? [own] : slot.accepts;
}

const times = ({ width, height }: Size, k: number): Size => ({
  width: Math.max(1, Math.round(width * k)),
  height: Math.max(1, Math.round(height * k)),
});

/**
 * The file itself first. A strip of a few px gains nothing from more of them, and only what shrinks
 * with the page is shown smaller.
 */
function scalesOf({ handOver }: Site, slot: Slot, { width, height }: Size): number[] {
  const shrinks = isContent(slot.kind) && width >= leastNarrow;
  const photo = slot.kind === 'background' && slot.repeat === 'no-repeat' && width >= leastNarrow;
  return [
    1,
    ...(handOver.twice && Math.min(width, height) >= 8 ? [2] : []),
    ...(handOver.narrow && (shrinks || photo) && !hasOverlap(overlapOf(slot)) ? [0.5] : []),
  ];
}
