import type { Size } from '../frame/placement';
import type { TextPlacement } from '../legibility/placeText';
import type { Hex } from '../site/model/hex';
import type { ObjectLayer } from '../site/model/layer';
import type { ShapeName, TextLayer } from '../site/model/objectLayers';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { newShape } from './shape';
import { newText } from './text';
import { themeFace } from '../text/fonts';
import { phone, visibleAt } from '../widths/visible';

/**
 * Colours that stand off each other: the theme's first is nearly always its ground, the second what
 * is written on it.
 */
export const themeDark = (site: Site): Hex => site.theme.colours[0]?.hex ?? '#222222';
export const themeLight = (site: Site): Hex => site.theme.colours[1]?.hex ?? '#ffffff';

/** How large a title is where there is room, px (common practice, no source). */
const titlePx = 48;
/** A title takes at most so much of its slot's height. */
const titleShare = 0.4;

/** What a new text says until it has words of its own. */
export const awaitedWords = 'Your words';

/**
 * Size of a new text, px: as a title usually has, and one that is still read on a phone where the
 * slot has the room for it.
 */
function textSize(site: Site, slot: Slot): number {
  const most = Math.max(8, Math.round(slot.height * titleShare));
  const scale = visibleAt(site, slot, phone)?.scale ?? 1;
  return Math.min(most, Math.max(titlePx, Math.ceil(site.limits.phoneText / scale)));
}

/** A text that fits the slot, in the site's heading font. */
export const textFor = (site: Site, slot: Slot, id: string): TextLayer => ({
  ...newText(
    id,
    awaitedWords,
    site.theme.headingFont,
    textSize(site, slot),
    themeLight(site),
    Math.round(slot.width / 2),
    Math.round(slot.height * 0.3),
  ),
  weight: themeFace(site, 'headings').weight,
});

/** The text at a place that was found for it. */
export function placedText(
  text: TextLayer,
  box: Size,
  { x, y, align, colour }: TextPlacement,
): TextLayer {
  const share = { left: 0, centre: 0.5, right: 1 }[align];
  return { ...text, align, colour, x: Math.round(x + share * box.width), y };
}

export const shapeFor = (site: Site, slot: Slot, shape: ShapeName, id: string): ObjectLayer =>
  newShape(id, shape, site.theme.colours[2]?.hex ?? themeLight(site), slot);
