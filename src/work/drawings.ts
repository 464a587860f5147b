import type { Drawing } from '@/core/compose/compose';
import { drawingOf } from '@/core/compose/drawing';
import { releasePixels } from '@/core/raster/releasePixels';
import type { Raster } from '@/core/raster/raster';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { asFiled, drawingKey, pictureOf } from '@/core/site/picture';

export interface DrawingPorts<B> {
  pixels(drawing: Drawing): Promise<Raster>;
  toPng(raster: Raster): Promise<B>;
  /** The key of the state that is kept of a slot. */
  keptKey(siteId: string, slotId: string): Promise<string | undefined>;
  keep(siteId: string, slotId: string, key: string, png: B): Promise<void>;
}

/**
 * Drawings of slots that are kept for lists: one is made at a time, so that a page of slots does
 * not hold up the bench.
 */
export class Drawings<B> {
  private line: Promise<void> = Promise.resolve();

  constructor(private readonly ports: DrawingPorts<B>) {}

  /** Draws a slot's picture and keeps it, unless what is kept is of this very state. */
  refresh(site: Site, slot: Slot): Promise<void> {
    const done = this.line.then(() => this.draw(site, slot));
    // A drawing in a list may stay away; the bench says what is wrong with the picture.
    this.line = done.catch(() => {});
    return this.line;
  }

  private async draw(site: Site, slot: Slot): Promise<void> {
    const picture = asFiled(pictureOf(site, slot));
    const key = drawingKey(picture, slot);
    if ((await this.ports.keptKey(site.id, slot.id)) === key) {
      return;
    }
    const raster = await this.ports.pixels(drawingOf(slot, picture));
    const png = await this.ports.toPng(raster);
    releasePixels(raster);
    await this.ports.keep(site.id, slot.id, key, png);
  }
}
