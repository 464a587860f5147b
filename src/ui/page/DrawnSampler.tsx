'use client';

import type { PageLayout } from '@/core/measure/layoutPage';
import type { Site } from '@/core/site/model/site';
import { thumbBitmap } from '../hooks/useThumb';
import { Sampler } from './Sampler';

/** Colours are taken from the page as it is drawn. */
export function DrawnSampler({
  site,
  layout,
  live,
  ...on
}: {
  site: Site;
  layout: PageLayout;
  scale: number;
  left: number;
  top: number;
  /** Pixels of a slot that is drawn live. */
  live?: { readonly slotId: string; readonly canvas: () => HTMLCanvasElement | null };
}) {
  const pictureOf = async (slotId: string) =>
    live?.slotId === slotId ? (live.canvas() ?? undefined) : thumbBitmap(site.id, slotId);
  // Loaded when a colour is taken.
  const paint = async () => (await import('./paintPage')).paintPage(site, layout, pictureOf);
  return <Sampler {...on} size={layout} of={layout} paint={paint} />;
}
