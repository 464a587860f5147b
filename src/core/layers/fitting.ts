import type { Hex } from '../site/model/hex';
import type { ObjectLayer } from '../site/model/layer';
import type { ShapeName } from '../site/model/objectLayers';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { newShape } from './shape';
import { newText } from './text';

/**
 * Colours that stand off each other: the theme's first is nearly always its ground, the second what
 * is written on it.
 */
export const themeDark = (site: Site): Hex => site.theme.colours[0]?.hex ?? '#222222';
export const themeLight = (site: Site): Hex => site.theme.colours[1]?.hex ?? '#ffffff';

/** A text that fits the slot, in the site's heading font. */
export const textFor = (site: Site, slot: Slot, id: string): ObjectLayer =>
  newText(
    id,
    'Your words',
    site.theme.headingFont,
    Math.min(48, Math.round(slot.height * 0.4)),
    themeLight(site),
    Math.round(slot.width / 2),
    Math.round(slot.height * 0.3),
  );

export const shapeFor = (site: Site, slot: Slot, shape: ShapeName, id: string): ObjectLayer =>
  newShape(id, shape, site.theme.colours[2]?.hex ?? themeLight(site), slot);
