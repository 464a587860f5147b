/**
 * Pure geometry of a photo in its frame. Sizes and positions in px of the frame; `scale` is frame
 * px per photo px, and the photo's size is the one it has after any stretching. A turn is in
 * degrees, clockwise about the photo's middle.
 */

export interface Size {
  readonly width: number;
  readonly height: number;
}

export interface Framing {
  /** Upper left corner of the whole photo before it is turned, in frame px. */
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** The box along the photo's own axes that the whole frame lies in. */
function frameAlongPhoto(frame: Size, turn: number): Size {
  if (turn === 0) {
    return frame;
  }
  const c = Math.abs(Math.cos(radians(turn)));
  const s = Math.abs(Math.sin(radians(turn)));
  return { width: frame.width * c + frame.height * s, height: frame.width * s + frame.height * c };
}

/** The least scale at which the photo leaves no part of the frame bare. */
export function coverScale(photo: Size, frame: Size, turn = 0): number {
  const box = frameAlongPhoto(frame, turn);
  return Math.max(box.width / photo.width, box.height / photo.height);
}

/** The largest scale at which the whole photo lies inside the frame. */
export function fitScale(photo: Size, frame: Size, turn = 0): number {
  const box = frameAlongPhoto(photo, turn);
  return Math.min(frame.width / box.width, frame.height / box.height);
}

/** The photo at a scale, its middle on the frame's. */
export const centred = (scale: number, photo: Size, frame: Size): Framing => ({
  scale,
  x: (frame.width - photo.width * scale) / 2,
  y: (frame.height - photo.height * scale) / 2,
});

/** The largest part of the photo with the frame's proportions, from its middle. */
export const fillFrame = (photo: Size, frame: Size, turn = 0): Framing =>
  centred(coverScale(photo, frame, turn), photo, frame);

/** The whole photo inside the frame. */
export const fitFrame = (photo: Size, frame: Size, turn = 0): Framing =>
  centred(fitScale(photo, frame, turn), photo, frame);

/** Where the frame's middle lies along the photo's axes, px from the photo's middle. */
function frameMiddle(
  { x, y, scale }: Framing,
  photo: Size,
  frame: Size,
  turn: number,
): { x: number; y: number } {
  const dx = frame.width / 2 - (x + (photo.width * scale) / 2);
  const dy = frame.height / 2 - (y + (photo.height * scale) / 2);
  const c = Math.cos(radians(turn));
  const s = Math.sin(radians(turn));
  return { x: dx * c + dy * s, y: -dx * s + dy * c };
}

const clamp = (v: number, limit: number): number => Math.min(limit, Math.max(-limit, v));

/** The nearest framing that leaves no part of the frame bare. */
export function keepFilled(framing: Framing, photo: Size, frame: Size, turn = 0): Framing {
  const scale = Math.max(framing.scale, coverScale(photo, frame, turn));
  const box = frameAlongPhoto(frame, turn);
  const grown =
    scale === framing.scale ? framing : zoomAt(framing, scale, frame.width / 2, frame.height / 2);
  if (turn === 0) {
    return {
      scale,
      x: Math.min(0, Math.max(frame.width - photo.width * scale, grown.x)),
      y: Math.min(0, Math.max(frame.height - photo.height * scale, grown.y)),
    };
  }
  const at = frameMiddle(grown, photo, frame, turn);
  const x = clamp(at.x, Math.max(0, (photo.width * scale - box.width) / 2));
  const y = clamp(at.y, Math.max(0, (photo.height * scale - box.height) / 2));
  if (x === at.x && y === at.y) {
    return grown;
  }
  const c = Math.cos(radians(turn));
  const s = Math.sin(radians(turn));
  return {
    scale,
    x: frame.width / 2 - (x * c - y * s) - (photo.width * scale) / 2,
    y: frame.height / 2 - (x * s + y * c) - (photo.height * scale) / 2,
  };
}

/**
 * Px of the frame left bare at the barest place, measured along the photo's axes; 0 where it is
 * filled.
 */
export function barePx(framing: Framing, photo: Size, frame: Size, turn = 0): number {
  const at = frameMiddle(framing, photo, frame, turn);
  const box = frameAlongPhoto(frame, turn);
  return Math.max(
    0,
    Math.abs(at.x) + box.width / 2 - (photo.width * framing.scale) / 2,
    Math.abs(at.y) + box.height / 2 - (photo.height * framing.scale) / 2,
  );
}

/** Changes the scale and leaves what lies under (atX, atY) where it is. */
export function zoomAt(framing: Framing, scale: number, atX: number, atY: number): Framing {
  const k = scale / framing.scale;
  return { scale, x: atX - (atX - framing.x) * k, y: atY - (atY - framing.y) * k };
}

/**
 * Share of the photo's area that the frame shows, 0..1; of a turned one what would show if the
 * frame were laid along it.
 */
export function shownShare(framing: Framing, photo: Size, frame: Size): number {
  const across = (at: number, length: number, limit: number) =>
    Math.max(0, Math.min(limit, at + length) - Math.max(0, at)) / length;
  return (
    across(framing.x, photo.width * framing.scale, frame.width) *
    across(framing.y, photo.height * framing.scale, frame.height)
  );
}

/**
 * Photo px for each px of the slot at a screen density: 1 or more is sharp, less is stretched and
 * soft.
 * @param density device px per CSS px, 1 or 2
 */
export const sharpness = ({ scale }: Pick<Framing, 'scale'>, density = 1): number =>
  1 / (scale * density);
