/**
 * The lines that are handed over, on pages of their own: each kind of slot lies where the plan has
 * it.
 */
import { firstCopy } from '../src/core/measure/background';
import { layoutPage, type LaidSlot } from '../src/core/measure/layoutPage';
import { linesOf } from '../src/core/handover/lines.fixture';
import { applyEdit, editSlot } from '../src/core/site/edit';
import type { Site } from '../src/core/site/model/site';
import type { SlotKind } from '../src/core/site/model/slot';
import { newSite } from '../src/core/site/newSite';
import { addSlot } from '../src/core/site/slots';
import { expect, inNewTab as test } from './bench.fixture';

const screen = 1280;

/** A site with one slot of that kind, and what the plan makes of it. */
function siteWith(
  kind: SlotKind,
  width: number,
  height: number,
  change: Parameters<typeof editSlot>[1] = () => {},
): { site: Site; piece: LaidSlot; css: string; html: string } {
  const site = applyEdit(
    applyEdit(newSite('x', 'home', 'Judge'), addSlot('home', { id: 's', kind, width, height })),
    editSlot('s', change),
  );
  const piece = layoutPage(site, site.pages[0], screen).boxes.find(
    (p): p is LaidSlot => p.type === 'slot' && p.slot.id === 's',
  )!;
  return { site, piece, ...linesOf(site, piece.slot, site.pictures[piece.slot.pictureId]) };
}

/** A picture of that size, as an address. */
const picture = (width: number, height: number): string =>
  `data:image/svg+xml,${encodeURIComponent(`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="${width}" height="${height}" fill="#a4553a"/></svg>`)}`;

const withPicture = (css: string, width: number, height: number): string =>
  css.replace(/url\("[^"]+"\)/, `url("${picture(width, height)}")`);

test.beforeEach(async ({ page }) => {
  await page.setViewportSize({ width: screen, height: 800 });
});

test('content: a header and a mark have their size, a moved one lies as far off its place, and on a phone they shrink', async ({
  page,
}) => {
  for (const [kind, width, height] of [
    ['header', 960, 200],
    ['mark', 300, 60],
    ['piece', 120, 40],
  ] as const) {
    const { piece, css, html } = siteWith(kind, width, height, (slot) => {
      slot.offset = { x: 30, y: -8 };
    });
    const plain = siteWith(kind, width, height).piece;
    expect([piece.rect.x - plain.rect.x, piece.rect.y - plain.rect.y]).toEqual([30, -8]);
    const [, file] = /src="([^"]+)"/.exec(html)!;
    await page.setContent(
      `<!doctype html><style>body{margin:0}main{width:960px;margin:100px auto 0}${css}</style><main>${html.replace(file, picture(width, height))}</main>`,
    );
    const image = page.locator('img');
    expect(await image.boundingBox()).toEqual({ x: 160 + 30, y: 100 - 8, width, height });
    await page.setContent(
      `<!doctype html><style>body{margin:0}${css.replace('left: 30px', 'left: 0').replace('top: -8px', 'top: 0')}</style><div style="width:240px">${html.replace(file, picture(width, height))}</div>`,
    );
    expect((await image.boundingBox())!.width).toBe(Math.min(width, 240));
  }
});

test('a strip is as wide as its column, a divider hangs above its section and one px into it', async ({
  page,
}) => {
  const strip = siteWith('sidebar', 328, 44);
  await page.setContent(
    `<!doctype html><style>body{margin:0}aside{height:300px}${withPicture(strip.css, 328, 44)}</style>${strip.html}`,
  );
  expect(await page.locator('aside').boundingBox()).toMatchObject({
    width: strip.piece.rect.width,
    height: 300,
  });
  expect(await page.locator('aside').evaluate((e) => getComputedStyle(e).backgroundRepeat)).toBe(
    'repeat-y',
  );

  const divider = siteWith('divider', 2000, 100);
  const section = layoutPage(divider.site, divider.site.pages[0], screen).boxes.find(
    (p) => p.type === 'area' && p.role === 'section',
  )!;
  const away = divider.piece.rect.y + divider.piece.rect.height - section.rect.y;
  expect(away).toBe(1);
  await page.setContent(
    `<!doctype html><style>body{margin:0}section{margin-top:300px;height:240px;background:#a4553a}${withPicture(divider.css, 2000, 100)}</style>${divider.html}`,
  );
  const hung = await page.locator('section').evaluate((e) => {
    const s = getComputedStyle(e, '::before');
    return {
      height: s.height,
      bottom: s.bottom,
      margin: s.marginBottom,
      overflow: getComputedStyle(e).overflow,
      left: s.left,
      right: s.right,
      repeat: s.backgroundRepeat,
      x: s.backgroundPositionX,
      y: s.backgroundPositionY,
    };
  });
  expect(hung).toEqual({
    height: '100px',
    bottom: '240px',
    margin: `${-away}px`,
    overflow: 'visible',
    left: '0px',
    right: '0px',
    repeat: 'repeat-x',
    x: '50%',
    y: '100%',
  });
});

test('a page background and a title band are laid in the words they were given, pages of their own under their own class', async ({
  page,
}) => {
  for (const kind of ['background', 'band'] as const) {
    const { css, html, piece } = siteWith(kind, 400, 300, (slot) => {
      slot.position = { x: { value: 25, unit: 'px' }, y: { value: 80, unit: '%' } };
      slot.size = { x: { value: 50, unit: '%' }, y: 'auto' };
      slot.attachment = 'scroll';
    });
    await page.setContent(
      `<!doctype html><html><style>h1{margin:0}div{height:${piece.rect.height}px}${withPicture(css, 400, 300)}</style>${html}</html>`,
    );
    const element = page.locator(kind === 'background' ? 'body' : 'div');
    expect(
      await element.evaluate((e) => {
        const s = getComputedStyle(e);
        // Of one value the other is auto (CSS Backgrounds 3); versions of Chromium write either.
        const size = s.backgroundSize.replace(/^\S+$/, '$& auto');
        return [s.backgroundPositionX, s.backgroundPositionY, size, s.backgroundRepeat];
      }),
    ).toEqual(['25px', '80%', '50% auto', 'no-repeat']);
    expect(firstCopy(piece).x - piece.positioning.x).toBe(25);
    expect(firstCopy(piece).width).toBe(piece.positioning.width / 2);
  }
  expect(siteWith('background', 10, 10).html).toBe('<body class="home">\n');
});
