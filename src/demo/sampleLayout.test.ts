import { layoutPage, marginAt, type LaidSlot } from '@/core/measure/layoutPage';
import { shelfItem } from '@/core/shelf/item';
import { sampleSite } from './sample';

const item = shelfItem({
  assetId: 'a',
  name: '',
  width: 2400,
  height: 1200,
  format: 'jpeg',
  bytes: 1,
});
const site = sampleSite('s', {
  shelf: item,
  glaze: item,
  glow: item,
  hills: item,
  speckle: item,
  combed: item,
  ridge: item,
});
const slotAt = (width: number, id: string) =>
  layoutPage(site, site.pages[0], width).boxes.find(
    (p): p is LaidSlot => p.type === 'slot' && p.slot.id === id,
  );

test('a wide screen shows the header at its own size, in the middle', () => {
  expect(slotAt(1440, 'header')).toMatchObject({
    rect: { x: 180, width: 1080, height: 220 },
    scale: 1,
  });
  expect(layoutPage(site, site.pages[0], 1440).content).toEqual({ x: 180, width: 1080 });
});

test('a narrow screen scales the header down with its proportions', () => {
  expect(slotAt(360, 'header')).toMatchObject({
    rect: { x: 0, width: 360, height: 73 },
    scale: 1 / 3,
  });
});

test('background to be seen at each side', () => {
  expect([360, 1080, 1081, 1280, 1920].map((w) => marginAt(site.pages[0], w))).toEqual([
    0, 0, 0, 100, 420,
  ]);
});

test('the divider hangs above its section over the whole width, one px into it', () => {
  const section = layoutPage(site, site.pages[0], 1920).boxes.find(
    (p) => p.type === 'area' && p.role === 'section',
  );
  const divider = slotAt(1920, 'divider')!;
  expect(section?.type === 'area' && section.rect.y).toBe(divider.rect.y + 90 - 1);
  expect(divider.rect.width).toBe(1920);
});

test('a phone has no sidebar, so its strip is not shown', () => {
  expect(slotAt(360, 'sidebar')).toBeUndefined();
  expect(slotAt(768, 'sidebar')?.rect.width).toBe(328);
});

test('boxes lie from back to front: ground, then the background, then everything else', () => {
  const { boxes } = layoutPage(site, site.pages[0], 1280);
  expect(boxes[0]).toMatchObject({ type: 'area', role: 'ground' });
  expect(boxes[1]).toMatchObject({ type: 'slot', slot: { id: 'background' } });
});
