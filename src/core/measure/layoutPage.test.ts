import fc from 'fast-check';
import type { Page } from '../site/model/page';
import type { Site } from '../site/model/site';
import { newSite } from '../site/newSite';
import { applyEdit } from '../site/edit';
import { newBand } from '../site/newBand';
import { addSlot } from '../site/slots';
import { coveredBy, firstCopy, placeBackground } from './background';
import {
  contentWidthAt,
  layoutPage,
  marginAt,
  screenHeightAt,
  type LaidBox,
  type LaidSlot,
} from './layoutPage';

/* Whatever the page, its boxes fit each other. */

const empty = newSite('x', 'home', 'X');
const kinds = ['header', 'background', 'sidebar', 'divider', 'mark', 'band'] as const;
const full = kinds.reduce<Site>(
  (site, kind) => applyEdit(site, addSlot('home', { id: kind, kind, width: 300, height: 80 })),
  empty,
);

const stretch = fc.record({
  height: fc.integer({ min: 0, max: 1500 }),
  colour: fc.constant('#112233'),
  ink: fc.constant('#ffffff'),
});
const pages: fc.Arbitrary<Page> = fc
  .record({
    px: fc.option(fc.integer({ min: 200, max: 3000 }), { nil: null }),
    percent: fc.option(fc.integer({ min: 10, max: 100 }), { nil: null }),
    bar: stretch,
    body: stretch,
    boxed: fc.boolean(),
    band: fc.boolean(),
    bandHeight: fc.integer({ min: 1, max: 500 }),
    sidebars: fc.array(
      fc.record({
        side: fc.constantFrom('left' as const, 'right' as const),
        width: fc.integer({ min: 1, max: 900 }),
      }),
      { maxLength: 2 },
    ),
    sections: fc.array(stretch, { maxLength: 5 }),
  })
  .map(({ px, percent, bar, body, boxed, band, bandHeight, sidebars, sections }): Page => ({
    ...full.pages[0],
    content: { px: px ?? (percent === null ? 960 : null), percent, measured: null },
    background: { type: 'own', slot: 'background' },
    bar: { ...full.pages[0].bar, ...bar },
    body: {
      ...full.pages[0].body,
      ...body,
      sidebars: sidebars.map((s, i) => ({ ...s, slot: i === 0 ? 'sidebar' : null })),
    },
    band: band ? { ...newBand(full.pages[0], 'B', bandHeight), boxed, slot: 'band' } : null,
    sections: sections.map((s, i) => ({
      ...s,
      heading: 'S',
      dividerSlot: i === 0 ? 'divider' : null,
    })),
  }));
const screens = fc.integer({ min: 320, max: 3840 });

const areas = (boxes: readonly LaidBox[], role: string) =>
  boxes.flatMap((p) => (p.type === 'area' && p.role === role ? [p.rect] : []));

test('content and its margins make up the screen, and the content is never wider than what was asked for', () => {
  fc.assert(
    fc.property(pages, screens, (page, width) => {
      const content = contentWidthAt(page, width);
      const margin = marginAt(page, width);
      expect(content + 2 * margin === width || content + 2 * margin === width - 1).toBe(true);
      expect(content).toBeLessThanOrEqual(page.content.px ?? Infinity);
      expect(content).toBeLessThanOrEqual((width * (page.content.percent ?? 100)) / 100);
    }),
  );
});

test('bands follow each other without a gap from top to bottom, and add up to the height of the page', () => {
  fc.assert(
    fc.property(pages, screens, (page, width) => {
      const layout = layoutPage(full, page, width);
      const [bar] = areas(layout.boxes, 'bar');
      const [body] = areas(layout.boxes, 'body');
      const [band] = areas(layout.boxes, 'band');
      const sections = areas(layout.boxes, 'section');
      const header = layout.boxes.find(
        (p): p is LaidSlot => p.type === 'slot' && p.slot.id === 'header',
      )!;
      expect(header.rect.y).toBe(bar.y + bar.height);
      let at = header.rect.y + header.rect.height;
      for (const rect of [band, body, ...sections].filter((r) => r !== undefined)) {
        expect(rect.y).toBe(at);
        at += rect.height;
      }
      expect(layout.height).toBe(at);
    }),
  );
});

test('columns lie beside each other inside the content, and leave the rest to the text', () => {
  fc.assert(
    fc.property(pages, screens, (page, width) => {
      const layout = layoutPage(full, page, width);
      const { x, width: content } = layout.content;
      const strip = layout.boxes.find(
        (p): p is LaidSlot => p.type === 'slot' && p.slot.id === 'sidebar',
      );
      const text = layout.boxes.find((p) => p.type === 'lines');
      if (strip) {
        expect(strip.rect.x).toBeGreaterThanOrEqual(x);
        expect(strip.rect.x + strip.rect.width).toBeLessThanOrEqual(x + content);
      }
      if (strip && text) {
        expect(
          text.rect.x >= strip.rect.x + strip.rect.width ||
            text.rect.x + text.rect.width <= strip.rect.x,
        ).toBe(true);
      }
      for (const laid of layout.boxes) {
        expect(laid.rect.width).toBeGreaterThanOrEqual(0);
        expect(laid.rect.height).toBeGreaterThanOrEqual(0);
      }
    }),
  );
});

test('every slot that is laid has its picture’s copies where its element is, or the screen for a fixed one', () => {
  fc.assert(
    fc.property(pages, screens, fc.boolean(), (page, width, fixed) => {
      const site: Site = {
        ...full,
        slots: full.slots.map((s) => ({ ...s, attachment: fixed ? 'fixed' : 'scroll' })),
      };
      for (const laid of layoutPage(site, page, width).boxes) {
        if (laid.type !== 'slot') {
          continue;
        }
        if (fixed) {
          expect(laid.positioning).toEqual({ x: 0, y: 0, width, height: screenHeightAt(width) });
        } else {
          expect(laid.positioning).toEqual(laid.rect);
        }
        const copy = firstCopy(laid);
        expect(
          Number.isFinite(copy.x) && Number.isFinite(copy.y) && copy.width > 0 && copy.height >= 0,
        ).toBe(true);
      }
    }),
  );
});

const lengths = fc.oneof(
  fc.record({ value: fc.integer({ min: -300, max: 300 }), unit: fc.constant('px' as const) }),
  fc.record({ value: fc.integer({ min: -50, max: 150 }), unit: fc.constant('%' as const) }),
);
const sides = fc.record({
  width: fc.integer({ min: 1, max: 800 }),
  height: fc.integer({ min: 1, max: 800 }),
});

/**
 * CSS Backgrounds and Borders Level 3, section 2.9: cover is the least size that leaves nothing
 * bare, contain the largest that cuts nothing off.
 */
test('cover covers, contain is contained, both with the picture’s proportions', () => {
  fc.assert(
    fc.property(sides, sides, lengths, lengths, (area, picture, x, y) => {
      for (const size of ['cover', 'contain'] as const) {
        const placed = placeBackground(
          { position: { x, y }, size, repeat: 'no-repeat' },
          area,
          picture,
        );
        expect(placed.width / placed.height).toBeCloseTo(picture.width / picture.height, 6);
        const fitX = Math.abs(placed.width - area.width) < 1e-6;
        const fitY = Math.abs(placed.height - area.height) < 1e-6;
        expect(fitX || fitY).toBe(true);
        if (size === 'cover') {
          expect(placed.width >= area.width - 1e-6 && placed.height >= area.height - 1e-6).toBe(
            true,
          );
        } else {
          expect(placed.width <= area.width + 1e-6 && placed.height <= area.height + 1e-6).toBe(
            true,
          );
        }
      }
    }),
  );
});

test('what the copies cover lies inside the area, all of it where they repeat both ways', () => {
  fc.assert(
    fc.property(
      sides,
      sides,
      lengths,
      lengths,
      fc.constantFrom(
        'no-repeat' as const,
        'repeat' as const,
        'repeat-x' as const,
        'repeat-y' as const,
      ),
      (area, picture, x, y, repeat) => {
        const covered = coveredBy(
          placeBackground(
            { position: { x, y }, size: { x: 'auto', y: 'auto' }, repeat },
            area,
            picture,
          ),
          area,
        );
        if (covered.width > 0) {
          expect(covered.x).toBeGreaterThanOrEqual(0);
          expect(covered.x + covered.width).toBeLessThanOrEqual(area.width + 1e-9);
        }
        if (repeat === 'repeat') {
          expect(covered).toEqual({ x: 0, y: 0, ...area });
        }
      },
    ),
  );
});
