import type { Size } from '../frame/placement';
import { coveredBy, placeBackground, type PlacedBackground } from '../measure/background';
import type { BackgroundSize } from '../site/model/slot';
import type { LaidBackground, PageRect, PlacedPicture } from './survey';

/** A share of the room, px, or both, as computed values have it: `calc(100% - 20px)`. */
function resolved(value: string, whole: number): number {
  const percent = /(?<![\d.])(-?[\d.]+)%/.exec(value)?.[1] ?? 0;
  const px = /([+-] )?(?<![\d.])(-?[\d.]+)px/.exec(value);
  const sign = px?.[1] === '- ' ? -1 : 1;
  return (Number(percent) / 100) * whole + sign * Number(px?.[2] ?? 0);
}

/** Two computed values at the blank between them, not at one inside brackets. */
export function pairOf(text: string): [string, string] {
  let depth = 0;
  for (let i = 0; i < text.length; i++) {
    depth += text[i] === '(' ? 1 : 0;
    depth -= text[i] === ')' ? 1 : 0;
    if (text[i] === ' ' && depth === 0) {
      return [text.slice(0, i), text.slice(i + 1)];
    }
  }
  return [text, text];
}

function sizeIn(size: string, room: Size): BackgroundSize {
  if (size === 'cover' || size === 'contain') {
    return size;
  }
  const [x, y] = size.includes(' ') ? pairOf(size) : [size, 'auto'];
  const side = (value: string, whole: number) =>
    value === 'auto' ? value : ({ value: resolved(value, whole), unit: 'px' } as const);
  return { x: side(x, room.width), y: side(y, room.height) };
}

/** Which ways copies go on; `space` and `round` go on as `repeat` does. */
function goesOn(repeat: string): readonly [across: boolean, down: boolean] {
  if (repeat === 'repeat-x' || repeat === 'repeat-y') {
    return [repeat === 'repeat-x', repeat === 'repeat-y'];
  }
  const [x, y] = pairOf(repeat);
  return [x !== 'no-repeat', y !== 'no-repeat'];
}

/** What decides where the copies of a picture lie in an area. */
export type LaidCopies = Pick<LaidBackground, 'repeat' | 'position' | 'size'>;

/**
 * Where the copy of a picture lies that the others are counted from, px of its positioning area.
 * @param laid computed values, as a browser tells them
 * @param file px of the picture
 */
export function firstCopyIn(laid: LaidCopies, area: Size, file: Size): PlacedBackground {
  const none = { value: 0, unit: 'px' } as const;
  const copy = placeBackground(
    { repeat: 'no-repeat', position: { x: none, y: none }, size: sizeIn(laid.size, area) },
    area,
    file,
  );
  const [left, top] = pairOf(laid.position);
  const [repeatX, repeatY] = goesOn(laid.repeat);
  return {
    ...copy,
    x: resolved(left, area.width - copy.width),
    y: resolved(top, area.height - copy.height),
    repeatX,
    repeatY,
  };
}

/**
 * The part of its box that a picture paints, px of the page: all of it but for backgrounds whose
 * copies do not go on. Borders of the box are left out of account, and what stays with the screen
 * may be anywhere in it.
 * @param file px of the picture; undefined where it has no size of its own
 * @returns a rectangle without width or height where nothing of the box is painted
 */
export function paintedPart(
  { rect, laid }: Pick<PlacedPicture, 'rect' | 'laid'>,
  file: Size | undefined,
): PageRect {
  if (!laid || !file || laid.attachment === 'fixed') {
    return rect;
  }
  const part = coveredBy(firstCopyIn(laid, rect, file), rect);
  return { ...part, x: rect.x + part.x, y: rect.y + part.y };
}
