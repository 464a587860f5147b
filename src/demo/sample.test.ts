import { adjacentColours } from '@/core/seam/adjacentColours';
import { sides } from '@/core/seam/edges';
import { schemaVersion } from '@/core/site/model/site';
import { readSite, SiteError } from '@/core/site/schema';
import type { Picture } from '@/core/site/model/picture';
import { sampleSite } from './sample';
import { sampleShelf } from './sampleShelf.fixture';

const site = sampleSite('s', sampleShelf);

test('the sample is a site the schema accepts, as plain data', () => {
  expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
});

const without = (value: object, ...fields: string[]) =>
  Object.fromEntries(Object.entries(value).filter(([key]) => !fields.includes(key)));
const pictureIn4 = (p: Picture) => ({
  ...without(p, 'aim', 'fallback', 'decorative'),
  press: without(p.press, 'chroma', 'table'),
});

/** The sample as an older version would have had it: pictures alone were handed over. */
const migrated = { ...site, handOver: { ...site.handOver, pageFiles: false } };

test('a site of version 5 is brought up to date: it has no recipe and no set', () => {
  expect(readSite({ ...without(site, 'recipes', 'set'), schemaVersion: 5 })).toEqual(migrated);
});

test('a site of version 4 is brought up to date: its files are written as they were, and nothing is set that the owner did not say', () => {
  const in4 = {
    ...without(site, 'handOver', 'recipes', 'set'),
    schemaVersion: 4,
    limits: without(site.limits, 'phoneBytes'),
    slots: site.slots.map((s) => without(s, 'accepts')),
    pictures: Object.fromEntries(
      Object.entries(site.pictures).map(([key, p]) => [key, pictureIn4(p)]),
    ),
  };
  expect(readSite(in4)).toEqual(migrated);
});

/**
 * The site as version 3 stored it: washes everywhere, all words in the file, a colour beside each
 * side that meets one.
 */
const in3 = {
  ...without(site, 'limits', 'handOver', 'recipes', 'set'),
  schemaVersion: 3,
  pictures: Object.fromEntries(
    Object.entries(site.pictures).map(([key, p]) => [
      key,
      {
        ...pictureIn4(p),
        press: without(p.press, 'lossless', 'colours', 'chroma', 'table'),
        layers: p.layers.map((l) => without(l, 'extent', 'live', 'hangs')),
      },
    ]),
  ),
  slots: site.slots.map((slot) => ({
    ...without(slot, 'overlap', 'narrowSize', 'narrow', 'lends', 'accepts'),
    beside: Object.fromEntries(
      sides.map((side) => [side, adjacentColours(site, slot, side)?.colour ?? null]),
    ),
  })),
};
/** What it is then: the colours stay as they were. */
const from3 = {
  ...migrated,
  slots: site.slots.map((slot) => ({
    ...slot,
    beside: Object.fromEntries(
      sides.map((side) => {
        const colour = adjacentColours(site, slot, side)?.colour;
        return [side, colour ? { from: 'colour', colour } : null];
      }),
    ),
  })),
};

test('a site of version 3 is brought up to date: what lies beside its slots stays the colour it was', () => {
  expect(from3.slots[0].beside).toMatchObject({
    top: { from: 'colour', colour: '#3b4a45' },
    bottom: null,
  });
  expect(readSite(in3)).toEqual(from3);
});

/** What layers have only had since version 3. */
const since3 = [
  'locked',
  'crop',
  'cutOut',
  'effects',
  'italic',
  'spacing',
  'lineHeight',
  'stretchX',
  'stretchY',
  'wrap',
];
const layersWithout = (...fields: string[]) =>
  Object.fromEntries(
    Object.entries(in3.pictures).map(([key, picture]) => [
      key,
      { ...picture, layers: picture.layers.map((l) => without(l, ...fields)) },
    ]),
  );

test('a site of version 2 is brought up to date and draws what it drew', () => {
  const layers = layersWithout(...since3);
  const withTurns = Object.fromEntries(
    Object.entries(layers).map(([key, p]) => [
      key,
      { ...p, layers: p.layers.map((l) => ('words' in l ? without(l, 'turn') : l)) },
    ]),
  );
  expect(readSite({ ...without(in3, 'fonts'), schemaVersion: 2, pictures: withTurns })).toEqual(
    from3,
  );
});

test('a site of version 1 is brought up to date and lies on its page as it did', () => {
  const old = {
    ...without(in3, 'visitors', 'visitorsInvented', 'ownSizes', 'defaultBackground', 'fonts'),
    schemaVersion: 1,
    shelf: site.shelf.map((item) => without(item, 'date', 'rightsChecked', 'subject')),
    pictures: layersWithout(...since3, 'stretch', 'turn', 'flipX', 'flipY', 'sharpen'),
    slots: in3.slots.map((slot) =>
      without(slot, 'position', 'size', 'attachment', 'offset', 'measured', 'replaces'),
    ),
    pages: site.pages.map((page, i) => ({
      ...without(page, 'content', 'background', 'band', 'sections', 'pieces'),
      contentWidth: 1080,
      backgroundSlot: ['background', 'diary-background'][i],
      section: page.sections[0],
      body: { ...without(page.body, 'sidebars'), sidebarSlot: 'sidebar' },
    })),
  };
  const own = (slot: string) => ({ type: 'own', slot });
  expect(readSite(old)).toEqual({
    ...migrated,
    visitors: [],
    visitorsInvented: false,
    defaultBackground: null,
    slots: from3.slots.map((slot) => ({ ...slot, measured: null })),
    pictures: Object.fromEntries(
      Object.entries(site.pictures).map(([key, picture]) => [
        key,
        {
          ...picture,
          layers: picture.layers.map((l) => (l.kind === 'photo' ? { ...l, sharpen: 0 } : l)),
        },
      ]),
    ),
    pages: [
      { ...site.pages[0], background: own('background') },
      { ...site.pages[1], background: own('diary-background') },
    ],
  });
});

test('its slots are those of the studio', () => {
  expect(site.slots.map((s) => `${s.kind} ${s.width}×${s.height}`)).toEqual([
    'header 1080×220',
    'background 320×320',
    'sidebar 328×240',
    'divider 1920×90',
    'mark 300×72',
    'background 1600×1000',
  ]);
});

test('at least four photographs, 2400 px wide or more', () => {
  expect(
    Object.values(sampleShelf).filter((i) => i.format === 'jpeg' && i.width >= 2400).length,
  ).toBeGreaterThanOrEqual(4);
});

test.each([
  [
    { ...site, schemaVersion: schemaVersion + 1 },
    `Expected a site of version ${schemaVersion} or older, found version ${schemaVersion + 1}`,
  ],
  [null, `Expected a site of version ${schemaVersion} or older, found no version`],
  [{ ...site, name: undefined }, 'Expected something at name, found nothing'],
  [
    { ...site, slots: [{ ...site.slots[0], width: 'wide' }] },
    'Expected a number at slots[0].width, found “wide”',
  ],
  [
    { ...site, theme: { ...site.theme, colours: [{ name: 'kiln', hex: 'green' }] } },
    'Expected theme.colours[0].hex as #rrggbb',
  ],
  [
    {
      ...site,
      pictures: {
        p: {
          ...site.pictures['p-header'],
          layers: [{ ...site.pictures['p-header'].layers[0], kind: 'hologram' }],
        },
      },
    },
    'Expected one of ',
  ],
  [
    {
      ...site,
      pictures: {
        p: {
          ...site.pictures['p-header'],
          layers: [{ ...site.pictures['p-header'].layers[1], opacity: 3 }],
        },
      },
    },
    'Expected at most 1 at pictures.p.layers[0].opacity, found 3',
  ],
])('a damaged site is refused with the field named (%#)', (damaged, message) => {
  expect(() => readSite(damaged)).toThrow(SiteError);
  expect(() => readSite(damaged)).toThrow(message);
});
