import { layoutPage, type LaidSlot } from '../measure/layoutPage';
import type { Page } from '../site/model/page';
import type { Site } from '../site/model/site';

/** A way to be connected: how fast bytes come, and how long an answer takes to begin. */
export interface Connection {
  readonly name: string;
  readonly bitsPerSecond: number;
  /** There and back, ms. */
  readonly roundTripMs: number;
}

/**
 * Round figures for a phone with bad reception, a usual phone and a line at home (ours, no source).
 */
export const connections: readonly Connection[] = [
  { name: 'Weak mobile', bitsPerSecond: 0.7e6, roundTripMs: 400 },
  { name: 'Usual mobile', bitsPerSecond: 8e6, roundTripMs: 120 },
  { name: 'At home', bitsPerSecond: 40e6, roundTripMs: 30 },
];

export const loadFormula = 'one round trip + 8 × bytes ÷ speed';

/**
 * Time until a file is there, ms: one round trip for the question, and its bits at the line's
 * speed. The page's own connection is open already.
 */
export const loadMs = (bytes: number, { bitsPerSecond, roundTripMs }: Connection): number =>
  roundTripMs + (8000 * bytes) / bitsPerSecond;

/** Width of the phone that pages are weighed for, px. */
export const phoneWidth = 390;

/** The slots whose pictures a page loads at a screen width, each once. */
export const slotsLoaded = (site: Site, page: Page, screenWidth: number): string[] => [
  ...new Set(
    layoutPage(site, page, screenWidth)
      .boxes.filter((p): p is LaidSlot => p.type === 'slot')
      .map((p) => p.slot.id),
  ),
];
