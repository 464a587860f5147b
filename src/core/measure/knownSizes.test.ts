import { emptyPage } from '../site/newSite';
import type { Page } from '../site/model/page';
import { columnsOf, knownSizes } from './knownSizes';

const plain = emptyPage('p', 'Front');
const page: Page = {
  ...plain,
  content: { px: 1000, percent: null, measured: null },
  bar: { ...plain.bar, height: 60 },
  body: {
    ...plain.body,
    sidebars: [
      { side: 'right', width: 210, slot: null },
      { side: 'left', width: 150, slot: null },
      { side: 'right', width: 120, slot: null },
    ],
  },
  sections: [
    { height: 300, colour: '#ffffff', ink: '#000000', heading: '', dividerSlot: null },
    { height: 300, colour: '#ffffff', ink: '#000000', heading: '', dividerSlot: null },
  ],
};

const said = (sizes: ReturnType<typeof knownSizes>) =>
  sizes.map((s) => `${s.kind} ${s.width} ${s.height} ${s.source}`);

test('sizes come from the page itself, those of the kind asked for first', () => {
  const sizes = said(knownSizes(page, 'header'));
  expect(sizes.slice(0, 5)).toEqual([
    'header 1000 333 Front',
    'header 1000 250 Front',
    'header 1000 200 Front',
    'header 1000 167 Front',
    'header 1000 125 Front',
  ]);
  expect(sizes).toContain('sidebar 150 150 Front');
  expect(sizes).toContain('mark 240 60 Front');
  expect(said(knownSizes(page, 'background'))[0]).toBe('background 1366 768 VESA DMT');
});

test('what two sections suggest alike is offered once', () => {
  const dividers = said(knownSizes(page, 'divider')).filter((s) => s.startsWith('divider'));
  expect(dividers).toEqual(['divider 1920 50 Front']);
});

test('a page of 5 px and one of three sections have sizes of at least 1 px', () => {
  const thin = { ...page, content: { px: 5, percent: null, measured: null } };
  for (const { width, height } of knownSizes(thin, 'mark')) {
    expect(Math.min(width, height)).toBeGreaterThanOrEqual(1);
  }
});

test('a chain begins with the columns of one side, or with a quarter of the content', () => {
  expect(columnsOf(page)).toEqual([
    { what: 'column', px: 210 },
    { what: 'column', px: 120 },
  ]);
  expect(columnsOf({ ...page, body: plain.body })).toEqual([{ what: 'column', px: 250 }]);
});
