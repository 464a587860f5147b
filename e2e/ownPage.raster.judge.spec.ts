/** The pixels that the app makes of an owner's page, against Chromium's screenshot of it. */
import sharp from 'sharp';
import { scaledEdge } from '../src/core/seam/scaledEdge';
import type { SurroundAt } from '../src/core/site/model/ownPage';
import { colourAlong } from '../src/core/ownPage/colourRuns';
import { sides } from '../src/core/seam/edges';
import { expect, inNewTab as test } from './bench.fixture';
import { application, asFolder, closed, showIn, shown } from './frozenPage.fixture';
import { ownPages, type OwnPage } from './ownPages.fixture';
import { rawPixels } from './served.fixture';

interface RasterFrame {
  scrollTo(top: number): void;
  raster(wanted: {
    top: number;
  }): Promise<{ width: number; height: number; data: Uint8ClampedArray }>;
}

/** Longer than its window, with what stays with that and what is as high as it. */
const long: OwnPage = {
  name: 'a long page',
  column: ['main', 'border'],
  html: `<!doctype html><title>Long</title><style>html{font-size:62.5%;background:linear-gradient(#e7e2d8,#3b4a45) fixed}body{margin:0 4vw;font:1.6rem/1.5 serif}
    nav{position:fixed;top:0;right:0;width:50%;height:4rem;background:#0008;color:#fff}.hero{height:100vh;margin:2rem 0;background:#a4553a;border-radius:0 0 12vh 3rem;box-shadow:0 .6rem 2rem #0007}
    .late{height:50vh;background:repeating-linear-gradient(45deg,#fff 0 10px,#d5d0c4 10px 20px);opacity:.8}</style>
    <nav>Stays</nav><div class=hero>As high as the window</div><main><h2>Further down</h2><p>With <a href=#x>a link</a>, <b>bold</b> and <i>slanted</i> words.</main><div class=late></div><div class=late></div>`,
  files: {},
};

test('what is read of twelve builds of pages is what a screenshot shows, at two widths and scrolled @landing', async ({
  browser,
}) => {
  const app = await application(browser);
  for (const own of [...(await ownPages()), long]) {
    await showIn(app, asFolder(own));
    for (const [width, top] of [
      [1280, 0],
      [400, 0],
      [1280, 240],
    ]) {
      await app.setViewportSize({ width, height: 800 });
      await shown(app, width, 'light');
      const { base64, height, at } = await app.evaluate(async (wanted) => {
        const { frame } = globalThis as never as { frame: RasterFrame };
        frame.scrollTo(wanted);
        const real = document.querySelector('iframe')!.contentWindow!.scrollY;
        const read = await frame.raster({ top: real });
        let text = '';
        for (let i = 0; i < read.data.length; i += 8192) {
          text += String.fromCharCode(...read.data.subarray(i, i + 8192));
        }
        return { base64: btoa(text), height: read.height, at: real };
      }, top);
      const ours = Buffer.from(base64, 'base64');
      const theirs = await rawPixels(await app.screenshot());
      let off = 0;
      for (let p = 0; p < width * height; p++) {
        const far = [0, 1, 2].some((c) => Math.abs(ours[p * 4 + c] - theirs.data[p * 3 + c]) > 2);
        off += far ? 1 : 0;
      }
      // Round edges are smoothed a little otherwise; nothing else may differ.
      const most = own === long ? 0.0001 * width * height : 0;
      expect([own.name, width, at, off, off <= most]).toEqual([own.name, width, at, off, true]);
    }
    await closed(app);
  }
  await app.close();
});

test('where a picture is said to be covered, its px are not to be seen, and elsewhere they are', async ({
  browser,
}) => {
  const mark = [255, 0, 212];
  const png = await sharp({
    create: { width: 40, height: 40, channels: 3, background: { r: 255, g: 0, b: 212 } },
  })
    .png()
    .toBuffer();
  const covered: OwnPage = {
    name: 'covered',
    column: ['main', 'border'],
    html: `<!doctype html><title>Covered</title><style>body{margin:0}.hero{position:relative;height:300px;background:url(p.png)}
      .bar{position:absolute;left:0;right:0;top:0;height:60px;background:#3b4a45}.card{position:absolute;right:0;bottom:0;width:34%;height:52%;background:#efe9dc}
      .glass{position:absolute;left:10px;bottom:10px;width:60px;height:40px;background:#0003}@media (max-width:600px){.bar{top:240px}.card{display:none}}</style>
      <div class=hero><div class=bar></div><div class=card></div><div class=glass></div></div>`,
    files: { 'p.png': png },
  };
  const app = await application(browser);
  await showIn(app, asFolder(covered));
  for (const width of [400, 900, 1280]) {
    await app.setViewportSize({ width, height: 800 });
    await shown(app, width, 'light');
    const grid = await app.evaluate(() => {
      const { frame } = globalThis as never as {
        frame: {
          covers(shown: object[]): boolean[][][];
          rectOf(selector: string): object;
        };
      };
      const part = frame.rectOf('.hero');
      return frame.covers([{ selector: '.hero', root: false, part }])[0];
    });
    const { data } = await rawPixels(await app.screenshot());
    const seen = grid.map((row, v) =>
      row.map((_, u) => {
        const x = Math.floor(((u + 0.5) / row.length) * width);
        const y = Math.floor(((v + 0.5) / grid.length) * 300);
        const [r, g, b] = data.subarray((y * width + x) * 3, (y * width + x) * 3 + 3);
        // Glass lets it through, darker.
        return r >= mark[0] * 0.7 && g === mark[1] && b >= mark[2] * 0.7;
      }),
    );
    expect(grid.map((row) => row.map((one) => !one))).toEqual(seen);
    expect(grid.flat().filter(Boolean).length).toBeGreaterThanOrEqual(6);
  }
  await app.close();
});

test('rounded corners and shadows over an edge are told as the style sheet has them', async ({
  browser,
}) => {
  const png = await sharp({ create: { width: 80, height: 40, channels: 3, background: '#3b8' } })
    .png()
    .toBuffer();
  // 255 × 0.7 levels are left of light under black at 30 in a hundred.
  const dressed: OwnPage = {
    name: 'dressed',
    column: ['main', 'border'],
    html: `<!doctype html><title>Dressed</title><style>body{margin:0;background:#ddd}div{width:400px;height:160px;margin:30px;background:url(p.png) 0 0/100% 100%}
      .round{border-radius:24px}.round::after{content:"";display:block;height:9px;background:#0000004d}.plain{margin-bottom:0}</style>
      <div class=round></div><div class=plain>${'Words over all of it. '.repeat(40)}</div><main>Words</main>`,
    files: { 'p.png': png },
  };
  const app = await application(browser);
  await showIn(app, asFolder({ ...dressed, html: dressed.html }));
  await app.setViewportSize({ width: 900, height: 800 });
  const found = await app.evaluate(async () => {
    type Over = { over: { rounded: number; shade: Record<string, number> } };
    const { frame, rulesNamingFiles } = globalThis as never as {
      rulesNamingFiles(css: string): unknown;
      frame: {
        show(w: number): Promise<void>;
        survey(widths: number[], read: (sheets: string[]) => Promise<unknown[]>): Promise<object>;
        surrounds(survey: object, asked: object[]): Promise<Over[]>;
      };
    };
    const survey = await frame.survey([900], async (sheets) => sheets.map(rulesNamingFiles));
    await frame.show(900);
    const asked = ['.round', '.plain'].map((selector) => ({
      place: { selector, as: 'background', pseudo: '', layer: 0 },
      target: { key: 'frozen:0', selector },
      file: { width: 80, height: 40 },
    }));
    return (await frame.surrounds(survey, asked)).map(({ over }) => over);
  });
  const none = { top: 0, right: 0, bottom: 0, left: 0 };
  expect(found[1]).toEqual({ rounded: 0, shade: none });
  expect(found[0].shade).toEqual({ ...none, top: 30 });
  expect(Math.abs(found[0].rounded - 24)).toBeLessThanOrEqual(1);
  await app.close();
});

test('edges of a picture that a screen scales are what a screenshot shows across them @landing', async ({
  browser,
}) => {
  const [width, height] = [900, 360];
  // As photographs are: soft, with some grain.
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0, k = 0; y < height; y++) {
    for (let x = 0; x < width; x++, k += 4) {
      const soft = 60 * Math.sin(x / 61) * Math.cos(y / 37);
      const grain = ((x * 7919 + y * 104729) % 13) - 6;
      data.set([150 + soft + grain, 120 - soft + grain, 90 + soft / 2 + grain, 255], k);
    }
  }
  const png = await sharp(data, { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer();
  const scaled: OwnPage = {
    name: 'scaled',
    column: ['main', 'border'],
    html: `<!doctype html><title>Scaled</title><style>body{margin:0;background:linear-gradient(90deg,#e7e2d8,#3b4a45)}img{display:block;width:calc(100% - 60px);margin:24px 30px}
      .below{height:200px;background:repeating-linear-gradient(45deg,#fff 0 10px,#d5d0c4 10px 20px)}@media (max-width:500px){body{background:#224466}}</style><img src=p.png alt=""><div class=below></div>`,
    files: { 'p.png': png },
  };
  const app = await application(browser);
  await showIn(app, asFolder(scaled));
  for (const screen of [360, 768, 1000]) {
    await app.setViewportSize({ width: screen, height: 800 });
    const [read] = await app.evaluate(async (px) => {
      type Read = Omit<SurroundAt, 'screen'>;
      const { frame, rulesNamingFiles } = globalThis as never as {
        rulesNamingFiles(css: string): unknown;
        frame: {
          show(w: number): Promise<void>;
          survey(widths: number[], read: (sheets: string[]) => Promise<unknown[]>): Promise<object>;
          scaledSurrounds(survey: object, asked: object[]): Promise<Read[]>;
        };
      };
      const survey = await frame.survey([px], async (sheets) => sheets.map(rulesNamingFiles));
      await frame.show(px);
      return frame.scaledSurrounds(survey, [
        {
          place: { selector: 'img', as: 'image', pseudo: '', layer: 0 },
          target: { key: 'frozen:0', selector: 'img' },
          file: { width: 900, height: 360 },
        },
      ]);
    }, screen);
    const shot = await rawPixels(await app.screenshot());
    const at = (x: number, y: number) => [...shot.data.subarray((y * screen + x) * 3).slice(0, 3)];
    const [w, h] = [screen - 60, Math.round((screen - 60) * 0.4)];
    expect([read.width, read.height]).toEqual([w, h]);
    const beside = { top: 23, bottom: 24 + h, left: 29, right: 30 + w };
    const inside = { top: 24, bottom: 23 + h, left: 30, right: 29 + w };
    for (const side of sides) {
      const level = side === 'top' || side === 'bottom';
      const edge = scaledEdge({ width, height, data }, side, read);
      const colour = colourAlong(read.surround[side]!);
      const worst = { beside: 0, inside: 0 };
      for (let i = 0; i < (level ? w : h); i++) {
        const px = (of: Record<string, number>) =>
          level ? at(30 + i, of[side]) : at(of[side], 24 + i);
        const { r, g, b } = colour(i);
        const off = (a: ArrayLike<number>, c: number[]) =>
          Math.max(...c.map((v, n) => Math.abs(v - a[n])));
        worst.beside = Math.max(worst.beside, off([r, g, b], px(beside)));
        worst.inside = Math.max(worst.inside, off(edge.data.subarray(i * 4), px(inside)));
      }
      // What lies beside to the level; the picture as near as filters are to each other where there is grain.
      expect([screen, side, worst.beside, worst.inside > 3]).toEqual([screen, side, 0, false]);
    }
  }
  await app.close();
});
