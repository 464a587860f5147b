import { applyEdit, chain, editPicture, editSlot } from '../site/edit';
import type { GradientGround } from '../site/model/picture';
import type { Site } from '../site/model/site';
import { newSite } from '../site/newSite';
import { editPage } from '../site/pages';
import { addSlot } from '../site/slots';
import { backdropOf, adjacentColours } from './adjacentColours';

const start = newSite('x', 'home', 'Site');
const withSlots = (...kinds: ('header' | 'mark' | 'divider' | 'background' | 'sidebar')[]): Site =>
  kinds.reduce(
    (site, kind) =>
      applyEdit(
        site,
        addSlot('home', {
          id: kind,
          kind,
          width: kind === 'background' ? 1 : 300,
          height: kind === 'background' ? 400 : 60,
        }),
      ),
    start,
  );
const slot = (site: Site, id: string) => site.slots.find((s) => s.id === id)!;
const colours = (site: Site, id: string) =>
  Object.fromEntries(
    (['top', 'right', 'bottom', 'left'] as const).map((side) => [
      side,
      adjacentColours(site, slot(site, id), side)?.colour,
    ]),
  );

test('the plan tells what lies beside each kind of slot, and follows when the page changes', () => {
  const site = withSlots('header', 'mark', 'divider', 'sidebar');
  const page = site.pages[0];
  expect(colours(site, 'mark')).toEqual({
    top: page.bar.colour,
    right: page.bar.colour,
    bottom: page.bar.colour,
    left: page.bar.colour,
  });
  expect(colours(site, 'header')).toEqual({
    top: page.bar.colour,
    right: page.bar.colour === page.ground ? page.ground : expect.any(String),
    bottom: undefined,
    left: page.ground,
  });
  expect(colours(site, 'divider')).toMatchObject({
    bottom: page.sections[0].colour,
    top: undefined,
  });
  expect(colours(site, 'sidebar')).toMatchObject({ left: page.body.colour });
  const changed = applyEdit(
    site,
    editPage('home', (p) => {
      p.ground = '#102030';
      p.bar.colour = '#405060';
      p.sections[0].colour = '#708090';
    }),
  );
  expect(colours(changed, 'mark').left).toBe('#405060');
  expect(colours(changed, 'header').left).toBe('#102030');
  expect(colours(changed, 'divider').bottom).toBe('#708090');
});

const gradient: GradientGround = {
  type: 'gradient',
  shape: 'linear',
  angle: 180,
  space: 'srgb',
  stops: [
    { at: 0, colour: '#000000' },
    { at: 1, colour: '#c8c8c8' },
  ],
};

test('beside a gradient strip each row has the strip’s colour there, and below its end the page’s', () => {
  const site = applyEdit(
    withSlots('background', 'header'),
    chain(
      editSlot('background', (s) => {
        s.repeat = 'repeat-x';
      }),
      editPicture('picture-background', (p) => {
        p.ground = gradient as never;
      }),
      editPage('home', (p) => {
        p.ground = '#c8c8c8';
        p.bar.height = 360;
      }),
      editSlot('header', (s) => {
        s.beside.left = { from: 'page' };
        s.height = 100;
      }),
    ),
  );
  const left = adjacentColours(site, slot(site, 'header'), 'left')!;
  expect(left.colour).toBeUndefined();
  // The header begins 360 px down; the strip has 400 rows, its levels are half the row's number.
  for (const i of [0, 10, 39]) {
    expect(Math.abs(left.at(i).r - (360 + i + 0.5) / 2)).toBeLessThanOrEqual(1);
  }
  expect(left.at(40)).toEqual({ r: 200, g: 200, b: 200 });
});

test('another slot’s plain picture counts where it is named; one with layers has no colour to speak of', () => {
  const named = applyEdit(
    withSlots('header', 'sidebar'),
    chain(
      editSlot('header', (s) => {
        s.beside.right = { from: 'slot', slot: 'sidebar' };
      }),
      editPicture('picture-sidebar', (p) => {
        p.ground = { type: 'colour', colour: '#123456' };
      }),
    ),
  );
  expect(adjacentColours(named, slot(named, 'header'), 'right')).toMatchObject({
    colour: '#123456',
    words: 'the picture of Sidebar strip',
  });
  const busy = applyEdit(
    named,
    editPicture('picture-sidebar', (p) => {
      p.layers.push({
        id: 't',
        kind: 'texture',
        name: '',
        hidden: false,
        locked: false,
        opacity: 1,
        blend: 'normal',
        texture: 'grain',
        colour: '#000000',
        scale: 1,
        contrast: 1,
        seed: 1,
      });
    }),
  );
  expect(adjacentColours(busy, slot(busy, 'header'), 'right')).toBeUndefined();
});

test('what shows through is the first colour beside, or white', () => {
  const site = withSlots('mark');
  expect(backdropOf(site, slot(site, 'mark'))).toBe(site.pages[0].bar.colour);
  expect(
    backdropOf(site, {
      ...slot(site, 'mark'),
      beside: { top: null, right: null, bottom: null, left: null },
    }),
  ).toBe('#ffffff');
});
