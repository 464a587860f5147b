import { applyEdit, chain, editSlot } from '../site/edit';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { newSite } from '../site/newSite';
import { arrangeForNarrow } from '../site/narrow';
import { editPage } from '../site/pages';
import { addSlot } from '../site/slots';
import { safeArea, visibleAt, widthsOf } from './visible';

const start = newSite('x', 'home', 'X');
const withSlot = (
  kind: 'header' | 'band',
  width: number,
  height: number,
  change: (s: Slot) => void = () => {},
): Site =>
  applyEdit(
    start,
    chain(
      addSlot('home', { id: 's', kind, width, height }),
      editSlot('s', (s) => change(s as Slot)),
      editPage('home', (p) => {
        if (p.band) {
          p.band.boxed = false;
        }
      }),
    ),
  );
const slotIn = (site: Site) => site.slots[0];

test('content is shown whole and shrinks: a header of 1080 px in a content of 960', () => {
  const site = withSlot('header', 1080, 220);
  for (const [screen, shown] of [
    [360, 360],
    [768, 768],
    [1280, 960],
    [1920, 960],
  ]) {
    expect(visibleAt(site, slotIn(site), screen)).toEqual({
      width: screen,
      part: { x: 0, y: 0, width: 1080, height: 220 },
      scale: shown / 1080,
      covered: 0,
    });
  }
  expect(safeArea(site, slotIn(site)).part).toEqual({ x: 50, y: 0, width: 980, height: 220 });
});

test('a band at its own size shows as much of its middle as the screen is wide', () => {
  const site = withSlot('band', 2000, 200);
  // CSS Backgrounds 3, section 2.6: at 50% the middle of the picture lies over the middle of the
  // area.
  for (const screen of [360, 768, 1280, 1920]) {
    expect(visibleAt(site, slotIn(site), screen)!.part).toEqual({
      x: (2000 - screen) / 2,
      y: 0,
      width: screen,
      height: 200,
    });
  }
  expect(safeArea(site, slotIn(site)).part).toEqual({ x: 870, y: 0, width: 260, height: 200 });
});

test('a band that covers shows all of its height on a phone and all of its width on a wide screen', () => {
  const site = withSlot('band', 1200, 200, (s) => {
    (s as { size: Slot['size'] }).size = 'cover';
  });
  const phone = visibleAt(site, slotIn(site), 360)!;
  const wide = visibleAt(site, slotIn(site), 1920)!;
  expect([phone.part.height, phone.part.width, phone.scale]).toEqual([200, 360, 1]);
  // 1920 / 1200 = 1.6: 200 px of page are 125 px of it, from 37.5 to 162.5, and 124 whole ones.
  expect([wide.part.width, wide.part.height, wide.scale]).toEqual([1200, 124, 1.6]);
  expect(safeArea(site, slotIn(site)).part).toMatchObject({ width: 260, height: 124 });
});

test('the side margin is the site’s, and less where the slot is small', () => {
  const site = withSlot('header', 300, 72);
  const wide = withSlot('header', 1080, 220);
  expect(safeArea(site, slotIn(site)).part.x).toBe(18);
  expect(
    safeArea({ ...wide, limits: { ...wide.limits, sideMargin: 20 } }, slotIn(wide)).part,
  ).toMatchObject({ x: 20, width: 1040 });
});

test('below a second arrangement’s width the first is not asked for, and the second has its own', () => {
  const site = applyEdit(withSlot('header', 1080, 220), arrangeForNarrow('s', 600));
  const [first, second] = site.slots;
  expect(widthsOf(site, first)).toEqual([768, 1280, 1920]);
  expect(visibleAt(site, first, 360)).toBeUndefined();
  expect(visibleAt(site, second, 360)).toMatchObject({ scale: 360 / second.width });
  expect(visibleAt(site, second, 1280)).toBeUndefined();
});
