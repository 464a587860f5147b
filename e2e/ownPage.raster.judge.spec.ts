/** The pixels that the app makes of an owner's page, against Chromium's screenshot of it. */
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

test('what is read of eleven builds of pages is what a screenshot shows, at two widths and scrolled', async ({
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
