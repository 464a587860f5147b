/** Pure geometry of a photo in its frame. Sizes and positions in px of the frame; `scale` is frame px per photo px. */

export interface Size {
  readonly width: number;
  readonly height: number;
}

export interface Framing {
  /** Upper left corner of the whole photo, in frame px. */
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

export const coverScale = (photo: Size, frame: Size): number => Math.max(frame.width / photo.width, frame.height / photo.height);

/** The largest part of the photo with the frame's proportions, from its middle. */
export function fillFrame(photo: Size, frame: Size): Framing {
  const scale = coverScale(photo, frame);
  return { scale, x: (frame.width - photo.width * scale) / 2, y: (frame.height - photo.height * scale) / 2 };
}

/** The nearest framing that leaves no part of the frame bare. */
export function keepFilled(framing: Framing, photo: Size, frame: Size): Framing {
  const scale = Math.max(framing.scale, coverScale(photo, frame));
  return {
    scale,
    x: Math.min(0, Math.max(frame.width - photo.width * scale, framing.x)),
    y: Math.min(0, Math.max(frame.height - photo.height * scale, framing.y)),
  };
}

/** Changes the scale and leaves what lies under (atX, atY) where it is. */
export function zoomAt(framing: Framing, scale: number, atX: number, atY: number): Framing {
  const k = scale / framing.scale;
  return { scale, x: atX - (atX - framing.x) * k, y: atY - (atY - framing.y) * k };
}

/** Share of the photo's area that the frame shows, 0..1. */
export function shownShare(framing: Framing, photo: Size, frame: Size): number {
  const across = (at: number, length: number, limit: number) => Math.max(0, Math.min(limit, at + length) - Math.max(0, at)) / length;
  return across(framing.x, photo.width * framing.scale, frame.width) * across(framing.y, photo.height * framing.scale, frame.height);
}

/**
 * Photo px for each px of the slot at a screen density: 1 or more is sharp, less is stretched and soft.
 * @param density device px per CSS px, 1 or 2
 */
export const sharpness = (framing: Framing, density = 1): number => 1 / (framing.scale * density);
