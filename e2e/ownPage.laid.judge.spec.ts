/**
 * A picture that is worked on while it lies in the owner's page, against the page served with that
 * picture in place of its file, in Chromium. Both in frames: a page of its own is put together of
 * other surfaces, and what is see-through is rounded at other places there, with any picture or
 * none.
 */
import sharp from 'sharp';
import { expect, inNewTab as test } from './bench.fixture';
import { application, asFolder, bytesOf, closed, showIn, surveyIn } from './frozenPage.fixture';
import { rawPixels, serve } from './served.fixture';

const size = { width: 90, height: 50 };

/** How a box of the page has its picture; `URL` stands for its file. */
const forms: Readonly<Record<string, string>> = {
  cover: 'background: URL center / cover no-repeat',
  contain: 'background: URL 50% 50% / contain no-repeat',
  'repeat, from the right and bottom': 'background: URL right 13px bottom 7px repeat',
  'repeat-x': 'background: URL 0 20px repeat-x',
  'repeat-y': 'background: URL 30px 0 repeat-y',
  'no-repeat, a share and a length': 'background: URL calc(100% - 21px) 30% no-repeat',
  space: 'background: URL space',
  round: 'background: URL round',
  'of its content box': 'background: URL 0 0 / 100% 40px no-repeat content-box',
  'of its border box': 'background: URL 0 0 no-repeat border-box',
  'under another':
    'background: linear-gradient(90deg, #0008, transparent), URL 10px 10px no-repeat',
  'by a custom property': '--picture: URL; background: var(--picture) 4px 6px no-repeat',
  fixed: 'background: URL 40px 60px fixed',
  'a rim': 'border: 12px solid #345; border-image: URL 12 fill / 12px',
};

/** Elements and parts of elements that are the picture. */
const pictures: Readonly<Record<string, readonly [css: string, html: string]>> = {
  'an image as it is': ['', '<img src="FILE">'],
  'an image that covers': ['img{width:210px;height:70px;object-fit:cover}', '<img src="FILE">'],
  'an image in its corner': [
    'img{width:210px;height:110px;object-fit:none;object-position:100% 8px}',
    '<img src="FILE">',
  ],
  'an image scaled down': ['img{width:60px;height:60px;object-fit:scale-down}', '<img src="FILE">'],
  'an image of choices': [
    'img{width:160px}',
    '<picture><source srcset="FILE" media="(min-width:300px)"><img src="FILE" srcset="FILE 1x"></picture>',
  ],
  'before the content': [
    '&::before{content:"";position:absolute;inset:10px 20px 30px 40px;background:URL 3px 4px no-repeat}',
    '',
  ],
  'after the content': ['&::after{content:URL;display:inline-block}', 'Words'],
};

const fileOf = (i: number) => `pictures/p${i}.png`;

/** The page, its style sheet, and the name of each box with the number of its file. */
function page(): { html: string; css: string; names: string[] } {
  const names = [...Object.keys(forms), ...Object.keys(pictures), 'of the whole page'];
  const css = [
    'body{margin:20px;font:16px/1.4 serif;background:#e7e2d8 url(pictures/p21.png) 70px 30px repeat-x fixed}',
    '.box{position:relative;width:320px;max-width:calc(100% - 30px);height:130px;margin:0 0 14px;border:5px solid #8a94;padding:9px;float:left;margin-right:12px;overflow:hidden;box-sizing:border-box}',
    '.tall{height:3000px;clear:both}',
    ...Object.values(forms).map((f, i) => `.b${i}{${f.replaceAll('URL', `url("${fileOf(i)}")`)}}`),
    ...Object.values(pictures).map(([own], i) => {
      const n = Object.keys(forms).length + i;
      return `.b${n}{${own.replaceAll('URL', `url("${fileOf(n)}")`)}}`;
    }),
  ].join('\n');
  const inside = (i: number) => {
    const n = i - Object.keys(forms).length;
    return (Object.values(pictures)[n]?.[1] ?? '').replaceAll('FILE', fileOf(i));
  };
  const boxes = names
    .slice(0, -1)
    .map((_, i) => `<div class="box b${i}">${inside(i)}</div>`)
    .join('');
  const html = `<!doctype html><title>Forms</title><link rel=stylesheet href=look.css><nav style="position:fixed;top:0;left:0;right:0;height:18px;background:#0006"></nav>${boxes}<div class=tall></div>`;
  return { html, css, names };
}

/** No two alike, see-through in part. */
function levels(seed: number): Buffer {
  const data = Buffer.alloc(size.width * size.height * 4);
  let state = seed * 7919 + 1;
  for (let i = 0; i < data.length; i++) {
    state = (Math.imul(state, 1103515245) + 12345) >>> 0;
    data[i] = state >>> 16;
    // Alpha: whole in most places.
    if (i % 4 === 3 && data[i] > 60) {
      data[i] = 255;
    }
  }
  return data;
}

function opaque(data: Buffer): Buffer {
  for (let i = 3; i < data.length; i += 4) {
    data[i] = 255;
  }
  return data;
}

const pngOf = (data: Buffer) =>
  sharp(data, { raw: { ...size, channels: 4 } })
    .png()
    .toBuffer();

/** What lies there at first, each a little lighter than the one before. */
async function greys(count: number): Promise<Record<string, ReturnType<typeof bytesOf>>> {
  const files: Record<string, ReturnType<typeof bytesOf>> = {};
  for (let i = 0; i < count; i++) {
    files[fileOf(i)] = bytesOf(await pngOf(Buffer.alloc(size.width * size.height * 4, 100 + i)));
  }
  return files;
}

interface Live {
  draw(frame: object): void;
  look(seen: string): void;
}
interface LiveFrame {
  live(target: object, settled: () => void): Live;
  scrollTo(top: number): void;
  placed(survey: object, place: object, file: object): { copy: Rect; area: Rect } | undefined;
}
interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
}

test('a picture lies in the page as its file will, px for px, in every form, at four widths and scrolled @landing', async ({
  browser,
}) => {
  const { html, css, names } = page();
  const oldFiles = await greys(names.length);
  const fresh = names.map((_, i) => levels(i + 1));
  const freshFiles: Record<string, Buffer> = {};
  for (const [i, data] of fresh.entries()) {
    freshFiles[fileOf(i)] = await pngOf(data);
  }
  const sheet = { 'look.css': bytesOf(Buffer.from(css)) };
  const frozen = asFolder({
    name: 'forms',
    html,
    files: { ...sheet, ...oldFiles },
    column: ['body', 'border'],
  });
  const keys = names.map((_, i) => frozen.files.find((f) => f.path.endsWith(fileOf(i)))!.key);
  const app = await application(browser);
  const visitor = await browser.newPage();
  const { server, address } = await serve({
    ...sheet,
    ...freshFiles,
    'index.html': Buffer.from(html),
    'in-frame.html': Buffer.from(
      '<!doctype html><style>body{margin:0}div{position:fixed;inset:0;background:#fff;overflow:hidden}iframe{display:block;border:0;width:100vw;height:100vh}</style><div><iframe scrolling=no src=index.html></iframe></div>',
    ),
  });
  try {
    await visitor.goto(`${address}/in-frame.html`, { waitUntil: 'networkidle' });
    await showIn(app, frozen);
    await app.evaluate(
      async ({ pixels, keys: all, width, height }) => {
        const { frame } = globalThis as never as { frame: LiveFrame };
        for (const [i, key] of all.entries()) {
          await new Promise<void>((resolve) => {
            const live = frame.live({ key, selector: '' }, resolve);
            const bytes = Uint8ClampedArray.from(atob(pixels[i]), (c) => c.charCodeAt(0));
            const half = height / 2;
            live.look('drawn');
            // In two parts, as a drawing comes.
            for (const y of [0, half]) {
              live.draw({
                width,
                height,
                changed: { x: 0, y, width, height: half },
                pixels: bytes.subarray(y * width * 4, (y + half) * width * 4),
              });
            }
          });
        }
      },
      { pixels: fresh.map((data) => data.toString('base64')), keys, ...size },
    );
    for (const [width, height] of [
      [360, 756],
      [768, 480],
      [1280, 800],
      [1920, 1200],
    ]) {
      for (const top of [0, 333]) {
        await app.setViewportSize({ width, height });
        await visitor.setViewportSize({ width, height });
        await visitor.frames()[1].evaluate((y) => window.scrollTo(0, y), top);
        await app.evaluate(
          async ([w, h, y]) => {
            const { frame } = globalThis as never as {
              frame: LiveFrame & { show(w: number, h: number): Promise<void> };
            };
            await frame.show(w, h);
            frame.scrollTo(y);
          },
          [width, height, top] as const,
        );
        const [ours, theirs] = await Promise.all([
          app.screenshot().then(rawPixels),
          visitor.screenshot().then(rawPixels),
        ]);
        let unlike = 0;
        for (let i = 0; i < theirs.data.length; i++) {
          unlike += ours.data[i] === theirs.data[i] ? 0 : 1;
        }
        expect([width, top, unlike]).toEqual([width, top, 0]);
      }
    }
  } finally {
    server.close();
    await app.close();
    await visitor.close();
  }
});

test('where a picture is said to lie is where its px are, cut as the page cuts it @landing', async ({
  browser,
}) => {
  const { html, css, names } = page();
  const files = await greys(names.length);
  const frozen = asFolder({
    name: 'forms',
    html,
    files: { ...files, 'look.css': bytesOf(Buffer.from(css)) },
    column: ['body', 'border'],
  });
  const keys = names.map((_, i) => frozen.files.find((f) => f.path.endsWith(fileOf(i)))!.key);
  const once = names.flatMap((name, i) =>
    /repeat-|repeat,|space|round|rim|fixed/.test(name) ? [] : [i],
  );
  const app = await application(browser);
  await app.setViewportSize({ width: 1280, height: 1400 });
  await showIn(app, frozen);
  const survey = await surveyIn(app, [1280]);
  for (const i of once) {
    if (names[i] === 'of the whole page') {
      continue;
    }
    const picture = survey.pictures.find((p) => survey.at[0].placed.get(p.id)?.source === keys[i])!;
    const said = await app.evaluate(
      async ({ key, picture: one, width, height }) => {
        const { frame } = globalThis as never as {
          frame: LiveFrame & { show(w: number, h: number): Promise<void> };
        };
        await frame.show(1280, 1400);
        const pixels = new Uint8ClampedArray(width * height * 4);
        pixels.forEach((_, at) => (pixels[at] = [255, 0, 212, 255][at % 4]));
        await new Promise<void>((resolve) => {
          const live = frame.live({ key, selector: '' }, resolve);
          Object.assign(globalThis, { live });
          live.draw({ width, height, changed: { x: 0, y: 0, width, height }, pixels });
          live.look('drawn');
        });
        const surveyed = { pictures: [one], parts: [], at: [] };
        const found = frame.placed(surveyed, { ...one, slot: '', rect: null }, { width, height });
        return { found };
      },
      { key: keys[i], picture, ...size },
    );
    const { copy, area } = said.found!;
    const left = Math.max(copy.x, area.x);
    const top = Math.max(copy.y, area.y);
    const right = Math.min(copy.x + copy.width, area.x + area.width);
    const bottom = Math.min(copy.y + copy.height, area.y + area.height);
    const shot = await rawPixels(await app.screenshot());
    let [x0, y0, x1, y1] = [Infinity, Infinity, -1, -1];
    for (let k = 0; k < shot.data.length; k += 3) {
      const pinkish = shot.data[k] > 100 && shot.data[k + 1] < 70 && shot.data[k + 2] > 80;
      if (pinkish) {
        const x = (k / 3) % shot.width;
        const y = Math.floor(k / 3 / shot.width);
        [x0, y0, x1, y1] = [
          Math.min(x0, x),
          Math.min(y0, y),
          Math.max(x1, x + 1),
          Math.max(y1, y + 1),
        ];
      }
    }
    const seen = [x0, y0, x1, y1];
    const offBy = [left, top, right, bottom].map((v, k) => Math.abs(v - seen[k]));
    expect
      .soft([names[i], seen, [left, top, right, bottom], Math.max(...offBy) <= 1])
      .toEqual([names[i], seen, [left, top, right, bottom], true]);
    await app.evaluate(() => (globalThis as never as { live: { close(): void } }).live.close());
  }
  await closed(app);
  await app.close();
});

/** Places on flat colours, gradients, a texture, beside another picture and words, scaled, cut. */
const surroundings = {
  html: `<!doctype html><title>Beside</title><link rel=stylesheet href=look.css>
    <div class=flat><img src="pictures/p0.png"></div><div class=grades><img src="pictures/p1.png"></div>
    <div class=texture><div class="b p2"></div></div><div class=row><img src="pictures/p3.png"><img src="pictures/p6.png"></div>
    <div class=words>Words that come up to a picture and end at <img src="pictures/p4.png"> its side, and go on.</div>
    <div class=grades><img class=half src="pictures/p5.png"></div><div class="b p7"></div>`,
  css: `body{margin:0;background:#efe9dc;font:20px/1.5 serif;color:#23262b}div{padding:11px 17px}img{vertical-align:middle}
    .flat{background:#3b4a45}.grades{background:linear-gradient(100deg,#3b4a45,#e3d6bd 40%,#a4553a)}
    .texture{background:url(pictures/p6.png)}.b{width:90px;height:50px;padding:0}.p2{background:url(pictures/p2.png) no-repeat}
    .row{background:radial-gradient(circle at 20% 30%,#fff,#a9b79a);font-size:0}.half{width:45px;height:25px}
    .p7{width:60px;margin-left:9px;background:url(pictures/p7.png) 0 0 no-repeat}.words{background:#fff;text-shadow:2px 2px 5px #a4553a}`,
};

/** How many levels two colours are apart at most. */
const farthest = (a: string, b: string): number =>
  Math.max(
    ...[1, 3, 5].map((i) =>
      Math.abs(parseInt(a.slice(i, i + 2), 16) - parseInt(b.slice(i, i + 2), 16)),
    ),
  );

test('what is said to lie beside a picture is what a screenshot shows across its edges, to the level @landing', async ({
  browser,
}) => {
  const count = 8;
  const files = await greys(count);
  files[fileOf(6)] = bytesOf(await pngOf(opaque(levels(99))));
  const clear = await pngOf(Buffer.alloc(size.width * size.height * 4));
  const sheet = { 'look.css': bytesOf(Buffer.from(surroundings.css)) };
  const frozen = asFolder({
    name: 'beside',
    html: surroundings.html,
    files: { ...sheet, ...files },
    column: ['body', 'border'],
  });
  const app = await application(browser);
  await app.setViewportSize({ width: 1280, height: 800 });
  await showIn(app, frozen);
  const survey = await surveyIn(app, [1280]);
  const visitor = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const wanted: Readonly<Record<number, string>> = {
    0: 'top right bottom left',
    1: 'top right bottom left',
    2: 'top right bottom left',
    3: 'top right bottom left',
    4: 'top right bottom left',
    5: 'top right bottom left',
    // 30 of its 90 px are cut.
    7: 'left',
  };
  for (const [n, sides] of Object.entries(wanted)) {
    const { server, address } = await serve({
      ...sheet,
      ...files,
      [fileOf(Number(n))]: clear,
      'index.html': Buffer.from(surroundings.html),
    });
    await visitor.goto(`${address}/index.html`, { waitUntil: 'networkidle' });
    const shot = await rawPixels(await visitor.screenshot());
    server.close();
    const { key } = frozen.files.find((f) => f.path.endsWith(fileOf(Number(n))))!;
    const picture = survey.pictures.find((p) => survey.at[0].placed.get(p.id)?.source === key)!;
    const { found, laid } = await app.evaluate(
      async ({ key: own, one, file }) => {
        const { frame } = globalThis as never as {
          frame: LiveFrame & {
            show(w: number, h: number): Promise<void>;
            surrounds(...of: unknown[]): Promise<
              {
                surround: Record<string, { px: number; colour: string }[]>;
              }[]
            >;
          };
        };
        await frame.show(1280, 800);
        const asked = { pictures: [one], parts: [], at: [] };
        const place = { ...one, slot: '', rect: null };
        const target = { key: own, selector: one.selector };
        return {
          found: (await frame.surrounds(asked, [{ place, target, file }]))[0].surround,
          laid: frame.placed(asked, place, file)!,
        };
      },
      { key, one: picture, file: size },
    );
    const known = ['top', 'right', 'bottom', 'left'].filter((side) => found[side]);
    expect([n, known.join(' ')]).toEqual([n, sides]);
    const { x, y, width, height } = laid.copy;
    const ends = { left: Math.round(x) - 1, right: Math.round(x + width) };
    const heights = { top: Math.round(y) - 1, bottom: Math.round(y + height) };
    for (const side of known) {
      const level = side === 'top' || side === 'bottom';
      const said = found[side].flatMap(({ px, colour }) => Array<string>(px).fill(colour));
      const seen = said.map((_, i) => {
        const along = Math.floor(((i + 0.5) * (level ? width : height)) / said.length);
        const px = level ? Math.round(x) + along : ends[side as 'left'];
        const py = level ? heights[side as 'top'] : Math.round(y) + along;
        const k = (py * shot.width + px) * 3;
        return `#${shot.data.subarray(k, k + 3).toString('hex')}`;
      });
      // Browsers scatter gradients by one level, by where a surface begins.
      const most = [1, 3, 5].includes(Number(n)) ? 1 : 0;
      const off = said.map((colour, i) => farthest(colour, seen[i]));
      expect
        .soft([n, side, said.length, Math.max(...off) <= most])
        .toEqual([n, side, size[level ? 'width' : 'height'], true]);
    }
  }
  await closed(app);
  await app.close();
  await visitor.close();
});
