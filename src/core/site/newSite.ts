import type { Page } from './model/page';
import { schemaVersion, type HandOverChoices, type Limits, type Site } from './model/site';

/**
 * Side margin, words on a phone, calm and a page's weight to begin with (common practice, no
 * source; calm is ours, by looking).
 */
export const usualLimits: Limits = {
  sideMargin: 50,
  phoneText: 12,
  calm: 6,
  phoneBytes: 1_000_000,
};

export const usualHandOver: HandOverChoices = {
  twice: true,
  narrow: true,
  fallback: true,
  pageFiles: true,
};

const white = '#ffffff';
const ink = '#222222';
const grey = '#e6e6e4';

/** A page with everything where it usually is, in greys, and no slot. */
export const emptyPage = (id: string, name = 'Home'): Page => ({
  id,
  name,
  content: { px: 960, percent: null, measured: null },
  ground: grey,
  background: { type: 'default' },
  bar: { height: 64, colour: white, ink, links: ['Home', 'About', 'News'], markSlot: null },
  headerSlot: null,
  band: null,
  body: { height: 520, colour: white, ink, heading: 'A heading', sidebars: [] },
  sections: [],
  pieces: [],
  own: null,
});

/** A site to begin with: one page in greys, no slots, no pictures. */
export const newSite = (id: string, pageId: string, name: string): Site => ({
  schemaVersion,
  id,
  name,
  theme: {
    colours: [
      { name: 'white', hex: white },
      { name: 'ink', hex: ink },
      { name: 'grey', hex: grey },
    ],
    headingFont: 'archivo',
    headingWeight: 500,
    bodyFont: 'archivo',
    bodyWeight: 400,
  },
  pages: [emptyPage(pageId)],
  defaultBackground: null,
  slots: [],
  pictures: {},
  shelf: [],
  visitors: [],
  visitorsInvented: false,
  ownSizes: [],
  fonts: [],
  limits: usualLimits,
  handOver: usualHandOver,
  recipes: [],
  set: null,
});
