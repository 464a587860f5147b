import type { Rect } from '../raster/raster';
import type { BackgroundSize, Length, Position, Repeat } from '../site/model/slot';
import type { Size } from '../frame/placement';
import { overlapOf, withOverlap } from '../frame/overlap';
import { isContent } from '../slots/registry';
import type { LaidSlot } from './layoutPage';

/**
 * Where the copies of a background picture lie, in px of its positioning area; fractions are kept.
 */
export interface PlacedBackground {
  /** Upper left corner of the copy that the others are counted from. */
  readonly x: number;
  readonly y: number;
  /** Size of a copy. */
  readonly width: number;
  readonly height: number;
  readonly repeatX: boolean;
  readonly repeatY: boolean;
}

export interface BackgroundRules {
  readonly repeat: Repeat;
  readonly position: Position;
  readonly size: BackgroundSize;
}

const resolve = (length: Length, whole: number): number =>
  length.unit === '%' ? (length.value / 100) * whole : length.value;

/**
 * `background-size` of CSS Backgrounds and Borders Level 3, section 2.9, for a picture that has a
 * size of its own.
 */
function sizeOf(size: BackgroundSize, area: Size, picture: Size): Size {
  if (size === 'cover' || size === 'contain') {
    const x = area.width / picture.width;
    const y = area.height / picture.height;
    const scale = size === 'cover' ? Math.max(x, y) : Math.min(x, y);
    return { width: picture.width * scale, height: picture.height * scale };
  }
  const width = size.x === 'auto' ? undefined : resolve(size.x, area.width);
  const height = size.y === 'auto' ? undefined : resolve(size.y, area.height);
  if (width === undefined && height === undefined) {
    return { width: picture.width, height: picture.height };
  }
  return {
    width: width ?? (height! * picture.width) / picture.height,
    height: height ?? (width! * picture.height) / picture.width,
  };
}

/**
 * Places a background as CSS Backgrounds and Borders Level 3 (sections 2.5 to 2.9) does: a
 * percentage aligns the same share of the picture with that share of the area, a length is measured
 * from the area's left or top edge.
 * @param area the positioning area, px: the element; where the background is fixed, the screen
 * @param picture the picture's own size, px
 */
export function placeBackground(
  rules: BackgroundRules,
  area: Size,
  picture: Size,
): PlacedBackground {
  const { width, height } = sizeOf(rules.size, area, picture);
  return {
    width,
    height,
    x: resolve(rules.position.x, area.width - width),
    y: resolve(rules.position.y, area.height - height),
    repeatX: rules.repeat === 'repeat' || rules.repeat === 'repeat-x',
    repeatY: rules.repeat === 'repeat' || rules.repeat === 'repeat-y',
  };
}

/** Part of the area that the copies cover, px; empty where the picture lies outside of it. */
export function coveredBy(
  { x, y, width, height, repeatX, repeatY }: PlacedBackground,
  area: Size,
): Rect {
  const span = (at: number, length: number, whole: number, repeats: boolean) => {
    const from = repeats ? 0 : Math.max(0, at);
    const to = repeats ? whole : Math.min(whole, at + length);
    return [from, Math.max(0, to - from)] as const;
  };
  const [left, across] = span(x, width, area.width, repeatX);
  const [top, down] = span(y, height, area.height, repeatY);
  return { x: left, y: top, width: across, height: down };
}

/**
 * Where the copy of a slot's picture lies that the others are counted from, px of the page; content
 * fills its place.
 */
export function firstCopy({ slot, rect, positioning }: LaidSlot): Rect {
  if (isContent(slot.kind)) {
    return rect;
  }
  const { x, y, width, height } = placeBackground(slot, positioning, slot);
  return { x: positioning.x + x, y: positioning.y + y, width, height };
}

/** Where the file of that copy lies: content may hang out over its place. */
export const fileCopy = (laid: LaidSlot): Rect =>
  withOverlap(firstCopy(laid), overlapOf(laid.slot), laid.scale);

/** The part of the page that can show the file. */
export const fileArea = (laid: LaidSlot): Rect =>
  withOverlap(laid.rect, overlapOf(laid.slot), laid.scale);

/**
 * The copies as declarations with nothing left to resolve, for an element that lies where
 * `fileArea` does: this is how the plan draws them.
 */
export function drawnBackground(laid: LaidSlot): {
  backgroundPosition: string;
  backgroundSize: string;
  backgroundRepeat: Repeat;
} {
  const copy = fileCopy(laid);
  const area = fileArea(laid);
  return {
    backgroundPosition: `${copy.x - area.x}px ${copy.y - area.y}px`,
    backgroundSize: `${copy.width}px ${copy.height}px`,
    backgroundRepeat: isContent(laid.slot.kind) ? 'no-repeat' : laid.slot.repeat,
  };
}
