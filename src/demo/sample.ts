import { imageFormats } from '@/core/encode/formats/registry';
import { fillFrame } from '@/core/frame/placement';
import { newWash } from '@/core/layers/fill';
import { newPhoto } from '@/core/layers/photo';
import { newText } from '@/core/layers/text';
import { noOverlap } from '@/core/frame/overlap';
import { plainPicture, encodeSettings } from '@/core/encode/settings';
import { usualHandOver, usualLimits } from '@/core/site/newSite';
import type { Layer } from '@/core/site/model/layer';
import type { Page } from '@/core/site/model/page';
import type { Picture } from '@/core/site/model/picture';
import type { ShelfItem } from '@/core/site/model/shelf';
import { schemaVersion, type Site } from '@/core/site/model/site';
import type { AdjacentColour, Slot } from '@/core/site/model/slot';

const kiln = '#3b4a45';
const slip = '#efe9dc';
const clay = '#a4553a';
const celadon = '#a9b79a';
const sand = '#e3d6bd';

export interface SampleFile {
  readonly key: string;
  /** Address below the application's root. */
  readonly url: string;
  readonly name: string;
  readonly maker: string;
  readonly subject: string;
}

const maker = 'Veldrin Clayworks';

/**
 * What lies on the sample's shelf. All of it is rendered by the scripts in scripts/photographs.
 */
export const sampleFiles: readonly SampleFile[] = [
  { key: 'shelf', url: '/sample/shelf-of-pots.jpg', name: 'Shelf of pots', maker, subject: 'pots' },
  {
    key: 'glaze',
    url: '/sample/glaze-close-up.jpg',
    name: 'Glaze close-up',
    maker,
    subject: 'glaze',
  },
  { key: 'glow', url: '/sample/kiln-glow.jpg', name: 'Kiln glow', maker, subject: 'kiln' },
  { key: 'hills', url: '/sample/clay-hills.jpg', name: 'Clay hills', maker, subject: 'landscape' },
  {
    key: 'speckle',
    url: '/sample/kiln-speckle.png',
    name: 'Kiln speckle',
    maker,
    subject: 'texture',
  },
  { key: 'combed', url: '/sample/combed-slip.png', name: 'Combed slip', maker, subject: 'texture' },
  { key: 'ridge', url: '/sample/clay-ridge.png', name: 'Clay ridge', maker, subject: 'divider' },
];

const onPage: AdjacentColour = { from: 'page' };
const besideAll = (beside: AdjacentColour | null) => ({
  top: beside,
  right: beside,
  bottom: beside,
  left: beside,
});

const at = (
  x: number,
  y: number,
): Pick<
  Slot,
  | 'position'
  | 'size'
  | 'attachment'
  | 'offset'
  | 'measured'
  | 'replaces'
  | 'overlap'
  | 'narrowSize'
  | 'narrow'
  | 'lends'
  | 'accepts'
> => ({
  position: { x: { value: x, unit: '%' }, y: { value: y, unit: '%' } },
  size: { x: 'auto', y: 'auto' },
  attachment: 'scroll',
  offset: { x: 0, y: 0 },
  measured: null,
  replaces: null,
  overlap: noOverlap,
  narrowSize: null,
  narrow: null,
  lends: null,
  accepts: imageFormats,
});

/** Invented for the sample. */
const visitors = [
  { width: 360, share: 26 },
  { width: 412, share: 12 },
  { width: 768, share: 8 },
  { width: 1024, share: 6 },
  { width: 1280, share: 11 },
  { width: 1440, share: 13 },
  { width: 1920, share: 18 },
  { width: 2560, share: 6 },
];

const slots: Slot[] = [
  {
    id: 'header',
    name: 'Header',
    kind: 'header',
    width: 1080,
    height: 220,
    repeat: 'no-repeat',
    ...at(0, 0),
    beside: { ...besideAll(onPage), bottom: null },
    fileName: 'header',
    budgetBytes: 60_000,
    pictureId: 'p-header',
    versions: [],
    meant: [],
  },
  {
    id: 'background',
    name: 'Page background',
    kind: 'background',
    width: 320,
    height: 320,
    repeat: 'repeat',
    ...at(50, 0),
    beside: besideAll(null),
    fileName: 'background-tile',
    budgetBytes: 30_000,
    pictureId: 'p-background',
    versions: [],
    meant: [],
  },
  {
    id: 'sidebar',
    name: 'Sidebar strip',
    kind: 'sidebar',
    width: 328,
    height: 240,
    repeat: 'repeat-y',
    ...at(0, 0),
    measured: {
      from: 'columns',
      parts: [
        { what: 'column', px: 300 },
        { what: 'gap', px: 28 },
      ],
    },
    beside: { ...besideAll(null), left: onPage },
    fileName: 'sidebar-strip',
    budgetBytes: 20_000,
    pictureId: 'p-sidebar',
    versions: [],
    meant: [],
  },
  {
    id: 'divider',
    name: 'Section divider',
    kind: 'divider',
    width: 1920,
    height: 90,
    repeat: 'repeat-x',
    ...at(50, 100),
    beside: { ...besideAll(null), bottom: onPage },
    fileName: 'section-divider',
    budgetBytes: 20_000,
    pictureId: 'p-divider',
    versions: [],
    meant: [],
  },
  {
    id: 'mark',
    name: 'Corner mark',
    kind: 'mark',
    width: 300,
    height: 72,
    repeat: 'no-repeat',
    ...at(0, 0),
    beside: besideAll(onPage),
    fileName: 'corner-mark',
    budgetBytes: 12_000,
    pictureId: 'p-mark',
    versions: [],
    meant: [],
  },
  {
    id: 'diary-background',
    name: 'Kiln diary background',
    kind: 'background',
    width: 1600,
    height: 1000,
    repeat: 'no-repeat',
    ...at(50, 0),
    beside: besideAll(null),
    fileName: 'diary-background',
    budgetBytes: 300_000,
    pictureId: 'p-diary',
    versions: [],
    meant: [],
  },
];

const page = (id: string, name: string, heading: string, background: Page['background']): Page => ({
  id,
  name,
  content: { px: 1080, percent: null, measured: null },
  ground: kiln,
  background,
  bar: {
    height: 84,
    colour: kiln,
    ink: slip,
    links: ['Studio', 'Classes', 'Kiln diary', 'Shop'],
    markSlot: 'mark',
  },
  headerSlot: 'header',
  band: null,
  body: {
    height: 380,
    colour: slip,
    ink: kiln,
    heading,
    sidebars: [{ side: 'right', width: 328, slot: 'sidebar' }],
  },
  sections: [
    {
      height: 240,
      colour: clay,
      ink: slip,
      heading: 'Classes for complete beginners',
      dividerSlot: 'divider',
    },
  ],
  pieces: [],
  own: null,
});

/**
 * Veldrin Clayworks, a made-up pottery studio.
 * @param id of the new site
 * @param shelf the sample's files by key, as they were taken in
 */
export function sampleSite(id: string, shelf: Readonly<Record<string, ShelfItem>>): Site {
  const whole = (layerId: string, key: string, slot: Slot): Layer =>
    newPhoto(layerId, shelf[key], slot);
  const [header, background, sidebar, divider, , diary] = slots;
  const pots = shelf.shelf;
  const frame = fillFrame(pots, header);
  const picture = (
    pictureId: string,
    layers: Layer[],
    format: Picture['press']['format'],
    quality = 80,
    ground: Picture['ground'] = { type: 'colour', colour: kiln },
  ): [string, Picture] => [
    pictureId,
    { id: pictureId, ground, layers, ...plainPicture(encodeSettings(format, quality)) },
  ];
  return {
    schemaVersion,
    id,
    name: 'Veldrin Clayworks',
    theme: {
      colours: [
        { name: 'kiln', hex: kiln },
        { name: 'slip', hex: slip },
        { name: 'clay', hex: clay },
        { name: 'celadon', hex: celadon },
        { name: 'sand', hex: sand },
      ],
      headingFont: 'fraunces',
      headingWeight: 500,
      bodyFont: 'archivo',
      bodyWeight: 400,
    },
    pages: [
      page('home', 'Home', 'Open studio this Saturday', { type: 'default' }),
      page('diary', 'Kiln diary', 'Forty hours to cone ten', {
        type: 'own',
        slot: 'diary-background',
      }),
    ],
    defaultBackground: 'background',
    slots,
    pictures: Object.fromEntries([
      picture(
        'p-header',
        [
          {
            ...newPhoto('pots', pots, header),
            ...frame,
            y: Math.round(-0.36 * (pots.height * frame.scale - header.height) - 40),
          },
          { ...newWash('wash', kiln, 0.7), blend: 'multiply' },
          { ...newText('title', 'Veldrin Clayworks', 'fraunces', 48, slip, 540, 64), weight: 500 },
          {
            ...newText(
              'tagline',
              'thrown, glazed and fired by the river',
              'fraunces',
              20,
              slip,
              540,
              128,
            ),
            weight: 400,
          },
        ],
        'webp',
        80,
      ),
      picture('p-background', [whole('speckle', 'speckle', background)], 'webp', 80),
      picture('p-sidebar', [whole('combed', 'combed', sidebar)], 'webp', 85, {
        type: 'colour',
        colour: sand,
      }),
      picture('p-divider', [whole('ridge', 'ridge', divider)], 'png', 80, { type: 'none' }),
      picture('p-mark', [], 'png', 80, { type: 'none' }),
      picture('p-diary', [whole('hills', 'hills', diary), newWash('wash', kiln, 0.25)], 'jpeg', 70),
    ]),
    shelf: Object.values(shelf),
    visitors,
    visitorsInvented: true,
    ownSizes: [],
    fonts: [],
    limits: usualLimits,
    handOver: usualHandOver,
    recipes: [],
    set: null,
  };
}
