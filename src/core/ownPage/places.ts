import type { Size } from '../frame/placement';
import type { BackgroundSize, Length, Position, Repeat, Slot, SlotKind } from '../site/model/slot';
import type { FrozenFile } from './frozen';
import { paintedPart, pairOf } from './paintedPart';
import type {
  Occlusion,
  LaidBackground,
  LayingRule,
  PageRect,
  PageSurvey,
  PaintedPicture,
} from './survey';

/** A picture of a page that can be made anew, with what decides its size and its kind. */
export interface Place {
  /** Of the picture in the survey. */
  readonly id: string;
  readonly kind: SlotKind;
  /** The file that lies there now. */
  readonly file: FrozenFile;
  /** Of the file, px. */
  readonly width: number;
  readonly height: number;
  /** The element that has it, and the part of it. */
  readonly selector: string;
  /** What the browser makes of it: an element's own picture or a background, and how that lies. */
  readonly laid: Pick<Slot, 'repeat' | 'position' | 'size' | 'attachment'> | undefined;
  /** The rule that lays it; undefined for what no rule does. */
  readonly rule: PlaceRule | undefined;
  /** What hides a part of it. */
  readonly occlusion: Occlusion | undefined;
  /** It lies on all of the page, however large the box of its element is. */
  readonly root: boolean;
  /** That it lies in, at each width of the screen at which it is shown. */
  readonly boxes: readonly PlaceBox[];
  /** An icon, a bullet or another little thing. */
  readonly small: boolean;
}

/** The box of a place at a width of the screen; all px, rounded. */
export interface PlaceBox {
  readonly screen: number;
  readonly width: number;
  readonly height: number;
}

/** A rule as its owner finds it again. */
export interface PlaceRule {
  /** Its sheet and line, such as “style.css, line 14”. */
  readonly where: string;
  /** Empty for declarations inside a tag. */
  readonly selector: string;
  readonly within: readonly string[];
}

function ruleAt({ sheet, selector, within, line }: LayingRule, files: FilesByKey): PlaceRule {
  const name = files.get(sheet)?.name ?? 'the page’s own styles';
  const at = line === undefined ? name : `${name}, line ${line}`;
  return { where: selector === '' ? 'in its tag on the page' : at, selector, within };
}

type FilesByKey = ReadonlyMap<string, Pick<FrozenFile, 'name'>>;

/** Of a screen, px: what a visitor sees of a page first. */
const firstScreen = 900;

const lengthOf = (text: string): Length => {
  // A sum of both keeps its share, which decides where it lies when the screen is another.
  const percent = /(?<![\d.])(-?[\d.]+)%/.exec(text);
  const px = /(?<![\d.])(-?[\d.]+)px/.exec(text);
  return percent || !px
    ? { value: Number(percent?.[1] ?? 0), unit: '%' }
    : { value: Number(px[1]), unit: 'px' };
};

const repeats: Readonly<Record<string, Repeat>> = {
  'repeat no-repeat': 'repeat-x',
  'no-repeat repeat': 'repeat-y',
  'repeat-x': 'repeat-x',
  'repeat-y': 'repeat-y',
  'no-repeat': 'no-repeat',
  'no-repeat no-repeat': 'no-repeat',
};

function sizeOf(text: string): BackgroundSize {
  if (text === 'cover' || text === 'contain') {
    return text;
  }
  const [x, y] = text.includes(' ') ? pairOf(text) : [text, 'auto'];
  const side = (value: string) => (value === 'auto' ? 'auto' : lengthOf(value));
  return { x: side(x), y: side(y) };
}

const isStretched = (size: string): boolean => size === '100% 100%';

/** Computed values as a slot has them. */
export function laidAs({ repeat, position, size, attachment }: LaidBackground): Place['laid'] {
  const [x, y] = pairOf(position);
  const at: Position = { x: lengthOf(x), y: lengthOf(y) };
  return {
    // What fills its box is never seen a second time.
    repeat: size === 'cover' || isStretched(size) ? 'no-repeat' : (repeats[repeat] ?? 'repeat'),
    position: at,
    size: sizeOf(size),
    attachment: attachment === 'fixed' ? 'fixed' : 'scroll',
  };
}

/**
 * What a picture is on the page, by where it lies and how it behaves and not by its names.
 * @param file px of the picture
 * @param seen the part of its box that it paints
 * @param page width and height of the page
 */
function kindOf(
  picture: Pick<PaintedPicture, 'as' | 'pseudo' | 'root' | 'words'>,
  file: Size,
  laid: Place['laid'],
  seen: PageRect,
  page: Size,
): SlotKind {
  const wide = seen.width / page.width;
  if (picture.as === 'background' && !picture.pseudo) {
    const all = wide > 0.95 && seen.height > Math.min(page.height * 0.7, firstScreen);
    if (picture.root || all) {
      return 'background';
    }
    // Columns of a page are often one strip as wide as all of them.
    if (laid?.repeat === 'repeat-y' && wide < 0.95 && seen.height > seen.width * 0.3) {
      return 'sidebar';
    }
  }
  const flat = seen.width / Math.max(1, seen.height);
  const above = seen.y < firstScreen * 0.5;
  if (above && wide >= 0.45 && flat >= 2 && seen.height >= 60) {
    return picture.words ? 'band' : 'header';
  }
  if (!above && wide > 0.95 && flat >= 6 && seen.height <= 240) {
    return 'divider';
  }
  const inBar = seen.y < 140 && seen.height <= 140 && seen.width <= 420;
  if (inBar && file.width >= 60 && file.height >= 24 && laid?.repeat !== 'repeat') {
    return 'mark';
  }
  return 'piece';
}

/** What a box that was pointed at is, by where it lies. */
export const kindAt = (rect: PageRect, page: Size): SlotKind =>
  kindOf({ as: 'background', pseudo: '', root: false, words: false }, rect, undefined, rect, page);

const isSmall = ({ width, height }: PageRect, file: Size): boolean =>
  Math.max(width, height) <= 64 || Math.max(file.width, file.height) <= 48;

const boxOf = (screen: number, { width, height }: PageRect): PlaceBox => ({
  screen,
  width: Math.round(width),
  height: Math.round(height),
});

/**
 * The pictures of a page that can be made anew: those of its own files, each file once, where it is
 * largest. What has no size of its own, such as a drawing, is left out.
 * @param width of the screen at which the page is looked at; one of the survey's
 */
export function placesOf(survey: PageSurvey, files: readonly FrozenFile[], width: number): Place[] {
  const byKey = new Map(files.map((file) => [file.key, file]));
  const here = survey.at.find((at) => at.width === width) ?? survey.at[0];
  const found = survey.pictures.flatMap((picture) => {
    const placed =
      here.placed.get(picture.id) ??
      survey.at.map((at) => at.placed.get(picture.id)).find((p) => p !== undefined);
    const file = placed && byKey.get(placed.source);
    if (!placed || !file?.size) {
      return [];
    }
    const seen = paintedPart(placed, file.size);
    const laid = placed.laid && laidAs(placed.laid);
    const place: Place = {
      id: picture.id,
      kind: kindOf(picture, file.size, laid, seen, here),
      file,
      ...file.size,
      selector: picture.selector + picture.pseudo,
      laid,
      rule: placed.rule === undefined ? undefined : ruleAt(survey.rules[placed.rule], byKey),
      occlusion: survey.occlusions.get(picture.id),
      root: picture.root && picture.as === 'background',
      boxes: survey.at.flatMap((at) => {
        const rect = at.placed.get(picture.id)?.rect;
        return rect ? [boxOf(at.width, rect)] : [];
      }),
      small: isSmall(seen, file.size),
    };
    return [{ place, area: seen.width * seen.height, top: seen.y }];
  });
  const largest = new Map<string, (typeof found)[number]>();
  for (const one of found) {
    const before = largest.get(one.place.file.key);
    if (!before || one.area > before.area) {
      largest.set(one.place.file.key, one);
    }
  }
  return [...largest.values()]
    .sort((a, b) => Number(a.place.small) - Number(b.place.small) || b.area - a.area)
    .map(({ place }) => place);
}

/** A part of a page where a picture could lie and none does. */
export interface Room {
  readonly id: string;
  readonly kind: SlotKind;
  readonly selector: string;
  /** At the width that was asked for. */
  readonly rect: PageRect;
}

const sharedArea = (a: PageRect, b: PageRect): number =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

/**
 * Bars, sections and columns of a page that no picture lies in.
 * @param width of the screen at which the page is looked at; one of the survey's
 */
export function roomsOf({ at, parts, pictures }: PageSurvey, width: number): Room[] {
  const here = at.find((a) => a.width === width) ?? at[0];
  // What lies under the whole page leaves room on it.
  const lying = pictures.flatMap((p) => (p.root ? [] : (here.placed.get(p.id)?.rect ?? [])));
  return parts.flatMap(({ id, as, selector }) => {
    const rect = here.parts.get(id);
    if (as === 'content' || !rect || rect.width < 1 || rect.height < 1) {
      return [];
    }
    const covered = lying.some((other) => sharedArea(other, rect) > 0.4 * rect.width * rect.height);
    return covered ? [] : [{ id, kind: kindAt(rect, here), selector, rect }];
  });
}

/** The survey of a page whose words are ours and tell nothing of its places. */
export const withoutWords = (survey: PageSurvey): PageSurvey => ({
  ...survey,
  pictures: survey.pictures.map((picture) => ({ ...picture, words: false })),
});

/** Pictures that came along and lie nowhere on the page: pieces of its theme. */
export const placesAside = (others: readonly FrozenFile[]): Place[] =>
  others.flatMap((file) =>
    file.size
      ? [
          {
            id: file.key,
            kind: 'piece',
            file,
            ...file.size,
            selector: '',
            laid: undefined,
            rule: undefined,
            occlusion: undefined,
            root: false,
            boxes: [],
            small: isSmall({ x: 0, y: 0, ...file.size }, file.size),
          } as const,
        ]
      : [],
  );

const behaviour: Readonly<Record<Repeat, string>> = {
  'no-repeat': 'not repeated',
  repeat: 'repeats both ways',
  'repeat-x': 'repeats sideways',
  'repeat-y': 'repeats down',
};

/** How a place behaves, in a few words. */
export function placeWords(place: Pick<Place, 'laid' | 'boxes' | 'occlusion'>): string {
  const { laid, boxes, occlusion } = place;
  if (boxes.length === 0) {
    return 'lies nowhere on this page';
  }
  const hidden = occlusion && `, ${Math.round(occlusion.share * 100)}% under ${occlusion.by}`;
  return behaviourOf(laid) + (hidden ?? '');
}

function behaviourOf(laid: Place['laid']): string {
  if (!laid) {
    return 'a picture of the page';
  }
  if (laid.size === 'cover' || laid.size === 'contain') {
    return laid.size === 'cover' ? 'covers its box' : 'fits into its box';
  }
  if (laid.size.x !== 'auto' && laid.size.y !== 'auto' && laid.repeat === 'no-repeat') {
    return 'stretched';
  }
  return behaviour[laid.repeat] + (laid.attachment === 'fixed' ? ', stays with the screen' : '');
}

/** How large a box is on which screens, one line each; screens with the same size together. */
export function boxLines(boxes: readonly PlaceBox[]): string[] {
  const runs: { first: PlaceBox; last: PlaceBox }[] = [];
  for (const box of boxes) {
    const run = runs.at(-1);
    if (run && run.last.width === box.width && run.last.height === box.height) {
      run.last = box;
    } else {
      runs.push({ first: box, last: box });
    }
  }
  return runs.map(({ first, last }) => {
    const screens = first === last ? `${first.screen} px` : `${first.screen} to ${last.screen} px`;
    return `${first.width} × ${first.height} on screens of ${screens}`;
  });
}
