/**
 * Contrast of a page's words over its pictures, against what Chromium paints of the page as it is
 * served: letters found by three screenshots, contrast by an independent library.
 */
import { wcagContrast } from 'culori';
import sharp from 'sharp';
import { expect, inNewTab as test } from './bench.fixture';
import { application, asFolder, bytesOf, closed, showIn } from './frozenPage.fixture';
import { rawPixels, serve } from './served.fixture';

const width = 900;
const height = 1000;

/** Colours of the words are opaque, with their size, weight and what lies between them and the picture. */
const words = [
  { css: 'font:700 40px/1.2 serif;color:#fff', over: '' },
  { css: 'font:16px/1.5 sans-serif;color:#222', over: '' },
  { css: 'font:italic 20px/1.4 serif;color:#efe9dc', over: 'background:#3b4a4580;padding:6px' },
  { css: 'font:700 19px/1.3 sans-serif;color:#3b4a45;text-align:right', over: '' },
  { css: 'font:24px/1.3 monospace;color:#ffd166;text-shadow:0 1px 3px #000', over: '' },
];

const css = [
  'body{margin:0;background:#ddd}',
  ...words.map(
    ({ css: own, over }, i) =>
      `.w${i}{box-sizing:border-box;height:180px;padding:30px;background:url(p${i}.png) ${['center/cover', '0 0 repeat', '50% 20%/contain', 'right top/auto 100% repeat-x', '0 0/100% 100%'][i]}}.w${i} p{margin:0;${own};${over}}`,
  ),
].join('\n');
const html = `<!doctype html><title>Words</title><link rel=stylesheet href=a.css>${words
  .map(
    (_, i) => `<div class=w${i}><p>Glazes number ${i}, fired slowly for two days in May</p></div>`,
  )
  .join('')}`;

async function picture(i: number): Promise<Uint8Array> {
  const [w, h] = [260 + i * 70, 150 + i * 20];
  const data = Buffer.alloc(w * h * 3);
  for (let y = 0, k = 0; y < h; y++) {
    for (let x = 0; x < w; x++, k += 3) {
      data[k] = (x * (i + 1) + y) % 256;
      data[k + 1] = (Math.floor(x / 9) * 31 + y * 2) % 200;
      data[k + 2] = (x ^ (y * (i + 2))) & 255;
    }
  }
  return sharp(data, { raw: { width: w, height: h, channels: 3 } })
    .png()
    .toBuffer();
}

const inked = (colour: string) =>
  `*{-webkit-text-fill-color:${colour} !important;text-decoration-color:${colour} !important}`;

const rgb = (levels: readonly number[]) => ({
  mode: 'rgb' as const,
  r: levels[0] / 255,
  g: levels[1] / 255,
  b: levels[2] / 255,
});

test('five texts over pictures have the contrast that the page’s own px have, at the worst spot and in the middle @landing', async ({
  browser,
}) => {
  const files: Record<string, Uint8Array> = { 'a.css': bytesOf(Buffer.from(css)) };
  for (const i of words.keys()) {
    files[`p${i}.png`] = bytesOf(await picture(i));
  }
  const { server, address } = await serve({ ...files, 'index.html': Buffer.from(html) });
  const app = await application(browser);
  const visitor = await browser.newPage({ viewport: { width, height } });
  try {
    await showIn(app, asFolder({ name: 'w', html, files, column: ['body', 'border'] }));
    const ours = await app.evaluate(
      async ([count, w, h]) => {
        type Report = {
          words: { text: string; contrast: Record<string, number>; wanted: number }[];
        };
        const { frame, pageWordsReport } = globalThis as never as {
          frame: {
            show(w: number, h: number): Promise<void>;
            rectOf(selector: string): object;
            wordsSeen(place: object, root: boolean, area: object, top: number): Promise<object>;
          };
          pageWordsReport(seen: object, colours: string[]): Report;
        };
        await frame.show(w, h);
        const found = [];
        for (let i = 0; i < count; i++) {
          const selector = `.w${i}`;
          const place = { selector, as: 'background', pseudo: '', layer: 0 };
          const seen = await frame.wordsSeen(place, false, frame.rectOf(selector), 0);
          found.push(pageWordsReport(seen, ['#000000', '#ffffff', '#3b4a45']));
        }
        return found;
      },
      [words.length, width, height] as const,
    );
    await visitor.goto(`${address}/index.html`, { waitUntil: 'networkidle' });
    const colours = await visitor.evaluate(() =>
      [...document.querySelectorAll('p')].map((p) =>
        getComputedStyle(p).color.match(/\d+/g)!.slice(0, 3).map(Number),
      ),
    );
    const shots: Awaited<ReturnType<typeof rawPixels>>[] = [];
    for (const ink of ['transparent', '#000', '#fff']) {
      const added = await visitor.addStyleTag({ content: inked(ink) });
      shots.push(await rawPixels(await visitor.screenshot()));
      await added.evaluate((style: Element) => style.remove());
    }
    const [bare, black, white] = shots;
    for (const i of words.keys()) {
      const box = (await visitor.locator(`.w${i} p`).boundingBox())!;
      const near = new Set<number>();
      for (let y = Math.floor(box.y); y < box.y + box.height; y++) {
        for (let x = Math.floor(box.x); x < box.x + box.width; x++) {
          const k = (y * width + x) * 3;
          const cover = Math.max(...[0, 1, 2].map((c) => white.data[k + c] - black.data[k + c]));
          if (cover < 128) {
            continue;
          }
          for (let v = y - 2; v <= y + 2; v++) {
            for (let u = x - 2; u <= x + 2; u++) {
              near.add(v * width + u);
            }
          }
        }
      }
      const ratios = [...near]
        .map((at) =>
          wcagContrast(rgb(colours[i]), rgb([...bare.data.subarray(at * 3, at * 3 + 3)])),
        )
        .sort((a, b) => a - b);
      expect(ratios.length).toBeGreaterThan(1000);
      const [{ text, contrast, wanted }, ...more] = ours[i].words;
      expect([text, more, wanted]).toEqual([
        `Glazes number ${i}, fired slowly for two days in May`,
        [],
        [3, 4.5, 4.5, 3, 3][i],
      ]);
      expect(Math.abs(contrast.worst - ratios[0])).toBeLessThanOrEqual(0.1);
      const share = (part: number) => ratios[Math.ceil(part * ratios.length) - 1];
      expect(Math.abs(contrast.fifth - share(0.05))).toBeLessThanOrEqual(0.1);
      expect(Math.abs(contrast.median - share(0.5))).toBeLessThanOrEqual(0.1);
    }
    await closed(app);
  } finally {
    server.close();
    await app.close();
    await visitor.close();
  }
});
