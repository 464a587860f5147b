/**
 * Saved pages against the pages they were saved from, both in Chromium: what is seen, what is
 * painted and where, and that nothing runs or is asked for.
 */
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import type { FrozenPage } from '../src/core/ownPage/frozen';
import { rgbOf } from '../src/core/colour/hex';
import { coloursOf, type ColourRole } from '../src/core/ownPage/look';
import { openPages } from '../src/core/ownPage/openPages';
import type { PageSurvey } from '../src/core/ownPage/survey';
import {
  application,
  asFolder,
  asMime,
  bytesOf,
  closed,
  home,
  showIn,
  shown,
  surveyIn,
  type Frame,
} from './frozenPage.fixture';
import { expect, inNewTab as test } from './bench.fixture';
import { marks, ownPages, type OwnPage } from './ownPages.fixture';
import { serve } from './served.fixture';

/** Done when pictures that follow the width are those of this width. */
const settled = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    for (let frames = 0; frames < 2; frames++) {
      await new Promise((resolve) => requestAnimationFrame(resolve));
    }
    await Promise.all([...document.images].map((image) => image.decode().catch(() => {})));
  });

/**
 * Pictures that only another scheme of the page lays are asked for when it is shown: here they are
 * fetched and decoded before, or a screenshot may be taken without them.
 */
const fetched = (page: Page, files: string[]): Promise<void> =>
  page.evaluate(async (names) => {
    await Promise.all(
      names.map((name) => {
        const image = new Image();
        image.src = name;
        return image.decode();
      }),
    );
  }, files);

/** What Chromium says of the colours of the page that was saved, by elements that are named. */
const colouredOn = (page: Page) =>
  page.evaluate(() => {
    const canvas = document.createElement('canvas').getContext('2d')!;
    const levels = (colours: string[]) => {
      canvas.fillStyle = '#fff';
      canvas.fillRect(0, 0, 1, 1);
      for (const colour of colours) {
        canvas.fillStyle = colour;
        canvas.fillRect(0, 0, 1, 1);
      }
      return [...canvas.getImageData(0, 0, 1, 1).data].slice(0, 3);
    };
    /** Grounds behind an element, from the page's up. */
    const grounds = (element: Element | null): string[] =>
      element ? [...grounds(element.parentElement), getComputedStyle(element).backgroundColor] : [];
    const word = (selector: string) => {
      const element = document.querySelector(selector)!;
      return levels([...grounds(element), getComputedStyle(element).color]);
    };
    const root = getComputedStyle(document.documentElement);
    const bare = root.backgroundColor === 'rgba(0, 0, 0, 0)' && root.backgroundImage === 'none';
    return {
      page: levels([bare ? getComputedStyle(document.body).backgroundColor : root.backgroundColor]),
      content: levels(grounds(document.querySelector('p a')!.parentElement)),
      text: word('p:has(a)'),
      headings: word('h1'),
      links: word('p a'),
    };
  });

/** The same by the survey of the frozen page. */
function coloured({ look }: PageSurvey): Record<string, number[]> {
  const colours = coloursOf(look);
  const of = (role: ColourRole) => {
    const { r, g, b } = rgbOf(colours.find((c) => c.roles.includes(role))!.hex);
    return [r, g, b];
  };
  const roles = ['page', 'content', 'text', 'headings', 'links'] as const;
  return Object.fromEntries(roles.map((role) => [role, of(role)]));
}

/** Width of the element that the content stands in. */
const columnOn = (page: Page, [selector, box]: OwnPage['column']): Promise<number> =>
  page.evaluate(
    ([of, which]) => {
      const element = document.querySelector(of)!;
      const { width } = element.getBoundingClientRect();
      const style = getComputedStyle(element);
      const padding = parseFloat(style.paddingLeft) + parseFloat(style.paddingRight);
      return which === 'border' ? width : width - padding;
    },
    [selector, box] as const,
  );

async function levels(shot: Buffer): Promise<Buffer> {
  return sharp(shot).removeAlpha().raw().toBuffer();
}

/** Share of px that differ by more than two levels. */
async function unlike(a: Buffer, b: Buffer): Promise<number> {
  const [left, right] = await Promise.all([levels(a), levels(b)]);
  expect(left.length).toBe(right.length);
  let count = 0;
  for (let i = 0; i < left.length; i += 3) {
    const far = [0, 1, 2].some((c) => Math.abs(left[i + c] - right[i + c]) > 2);
    count += far ? 1 : 0;
  }
  return count / (left.length / 3);
}

/** What Chromium says of the page that was saved: every picture that is painted, as lines. */
const paintedOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const out: string[] = [];
    const name = (value: string) =>
      value.startsWith('data:') || value.includes('url("data:')
        ? 'data'
        : decodeURIComponent(
            /([^/"]*)"?\)?$/.exec(/url\("([^"]*)"\)/.exec(value)?.[1] ?? value)?.[1] ?? value,
          );
    const round = (v: number) => Math.round(v * 10) / 10;
    const split = (list: string) => {
      let depth = 0;
      const parts = [''];
      for (const sign of list) {
        depth += { '(': 1, ')': -1 }[sign] ?? 0;
        if (sign === ',' && depth === 0) {
          parts.push('');
        } else {
          parts[parts.length - 1] += sign;
        }
      }
      return parts.map((p) => p.trim());
    };
    for (const element of document.querySelectorAll('*')) {
      for (const pseudo of ['', '::before', '::after']) {
        const style = getComputedStyle(element, pseudo || undefined);
        const box = element.getBoundingClientRect();
        if (style.display === 'none' || (pseudo && style.content === 'none')) {
          continue;
        }
        if (box.width === 0 || box.height === 0) {
          continue;
        }
        const where = pseudo
          ? pseudo
          : [box.left + scrollX, box.top + scrollY, box.width, box.height].map(round).join(' ');
        if (style.backgroundImage !== 'none') {
          const images = split(style.backgroundImage);
          images.forEach((image, i) => {
            const of = (list: string) => split(list)[i % split(list).length];
            out.push(
              [
                'background',
                image.startsWith('url') || image.startsWith('image-set') ? name(image) : image,
                where,
                of(style.backgroundRepeat),
                of(style.backgroundPosition),
                of(style.backgroundSize),
                of(style.backgroundAttachment),
                of(style.backgroundOrigin),
                of(style.backgroundClip),
              ].join(' | '),
            );
          });
        }
        if (style.borderImageSource !== 'none') {
          out.push(`border | ${name(style.borderImageSource)} | ${where}`);
        }
        if (pseudo && style.content.startsWith('url')) {
          out.push(`content | ${name(style.content)} | ${where}`);
        }
        if (!pseudo && style.display === 'list-item' && style.listStyleImage !== 'none') {
          out.push(`list mark | ${name(style.listStyleImage)} | ${where}`);
        }
      }
      const inner = () => {
        const s = getComputedStyle(element);
        const box = element.getBoundingClientRect();
        const px = (side: string) =>
          parseFloat(s.getPropertyValue(`border-${side}-width`)) +
          parseFloat(s.getPropertyValue(`padding-${side}`));
        return [
          box.left + scrollX + px('left'),
          box.top + scrollY + px('top'),
          box.width - px('left') - px('right'),
          box.height - px('top') - px('bottom'),
        ]
          .map(round)
          .join(' ');
      };
      if (element instanceof HTMLImageElement) {
        out.push(`image | ${name(element.currentSrc)} | ${inner()}`);
      } else if (element instanceof HTMLVideoElement) {
        out.push(`poster | ${name(element.poster)} | ${inner()}`);
      } else if (element instanceof HTMLInputElement && element.type === 'image') {
        out.push(`image | ${name(element.src)} | ${inner()}`);
      } else if (element.localName === 'svg') {
        const { left, top, width, height } = element.getBoundingClientRect();
        out.push(
          `drawing | svg | ${[left + scrollX, top + scrollY, width, height].map(round).join(' ')}`,
        );
      }
    }
    return out.sort();
  });

/** The same lines out of the survey of the frozen page. */
function surveyed(frozen: FrozenPage, survey: PageSurvey, width: number): string[] {
  const names = new Map(frozen.files.map((f) => [f.key, f.name]));
  const at = survey.at.find((a) => a.width === width)!;
  const round = (v: number) => Math.round(v * 10) / 10;
  return survey.pictures
    .flatMap((p) => {
      const placed = at.placed.get(p.id);
      if (!placed) {
        return [];
      }
      const { x, y, width: w, height: h } = placed.rect;
      const where =
        p.pseudo && p.pseudo !== '::marker' ? p.pseudo : [x, y, w, h].map(round).join(' ');
      const { laid } = placed;
      const source = placed.source.startsWith('data:')
        ? 'data'
        : (names.get(placed.source) ?? placed.source);
      return [
        [
          p.as,
          source,
          where,
          ...(laid
            ? [laid.repeat, laid.position, laid.size, laid.attachment, laid.origin, laid.clip]
            : []),
        ].join(' | '),
      ];
    })
    .sort();
}

/** Where px of a colour lie in a picture of the page. */
async function placeOf(shot: Buffer, hex: string): Promise<string> {
  const { data, info } = await sharp(shot)
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const wanted = [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
  let [left, top, right, bottom] = [Infinity, Infinity, -1, -1];
  for (let i = 0; i < data.length; i += 3) {
    if (wanted.every((v, c) => data[i + c] === v)) {
      const x = (i / 3) % info.width;
      const y = Math.floor(i / 3 / info.width);
      [left, top] = [Math.min(left, x), Math.min(top, y)];
      [right, bottom] = [Math.max(right, x), Math.max(bottom, y)];
    }
  }
  return `${left} ${top} ${right - left + 1} ${bottom - top + 1}`;
}

const widths = [400, 600, 768, 1280, 1920, 2560];

test('what is seen and what is painted of twelve builds of pages is that of the pages they were saved from @landing', async ({
  browser,
}) => {
  const app = await application(browser);
  const original = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  for (const own of await ownPages()) {
    const { server, address } = await serve({
      ...own.files,
      'index.html': Buffer.from(own.html),
    });
    try {
      await original.setViewportSize({ width: 1280, height: 800 });
      await original.goto(`${address}/index.html`, { waitUntil: 'networkidle' });
      await original.evaluate(() => document.fonts.ready);
      const forms = [
        ['folder', asFolder(own)],
        ['one file', await asMime(original)],
      ] as const;
      for (const [form, frozen] of forms) {
        const what = `${own.name}, ${form}`;
        const missing = form === 'one file' ? (own.notInOneFile ?? []) : [];
        expect([what, frozen.missing, frozen.left]).toEqual([what, missing, []]);
        if (missing.length > 0 && !own.dark) {
          continue;
        }
        await showIn(app, frozen);
        const survey = await surveyIn(app, widths);
        await original.emulateMedia({ colorScheme: 'light' });
        for (const width of widths) {
          await original.setViewportSize({ width, height: 800 });
          await settled(original);
          expect
            .soft([what, width, surveyed(frozen, survey, width)])
            .toEqual([what, width, await paintedOn(original)]);
          const column = survey.at.find((a) => a.width === width)!.parts.get(survey.parts[0].id)!;
          expect
            .soft([what, width, Math.round(column.width * 10)])
            .toEqual([what, width, Math.round((await columnOn(original, own.column)) * 10)]);
          if (width === 1280) {
            const theirs = await colouredOn(original);
            const ours = coloured(survey);
            for (const [role, levelsOf] of Object.entries(theirs)) {
              // Of see-through colours two roundings may differ by one level.
              const off = levelsOf.map((v, c) => Math.abs(v - ours[role][c]));
              expect.soft([what, role, Math.max(...off) <= 1]).toEqual([what, role, true]);
            }
          }
        }
        for (const width of [1280, 400]) {
          for (const scheme of ['light', 'dark'] as const) {
            if (scheme === 'dark' && (!own.dark || missing.length > 0)) {
              continue;
            }
            if (scheme === 'dark') {
              await fetched(
                original,
                Object.keys(own.files).filter((name) => name.endsWith('.png')),
              );
            }
            await original.emulateMedia({ colorScheme: scheme });
            await original.setViewportSize({ width, height: 800 });
            await settled(original);
            await shown(app, width, scheme);
            const clip = { x: 0, y: 0, width, height: 800 };
            const [theirs, ours] = [
              await original.screenshot({ clip }),
              await app.screenshot({ clip }),
            ];
            expect
              .soft([what, width, scheme, (await unlike(theirs, ours)) <= 0.001])
              .toEqual([what, width, scheme, true]);
            if (scheme === 'light') {
              for (const [pseudo, hex] of [
                ['::after', marks.absolute],
                ['::before', marks.inFlow],
              ] as const) {
                const part = survey.pictures.find((p) => p.pseudo === pseudo);
                const rect =
                  part && survey.at.find((a) => a.width === width)!.placed.get(part.id)?.rect;
                if (rect) {
                  const { x, y, width: w, height: h } = rect;
                  expect
                    .soft([what, width, [x, y, w, h].map(Math.round).join(' ')])
                    .toEqual([what, width, await placeOf(theirs, hex)]);
                }
              }
            }
          }
        }
        await original.emulateMedia({ colorScheme: 'light' });
        await original.setViewportSize({ width: 1280, height: 800 });
        await closed(app);
      }
    } finally {
      server.close();
    }
  }
  await app.close();
  await original.close();
});

/** A page that tries all it can to run something, to ask for something, or to lead away. */
const hostile = (
  elsewhere: string,
) => `<!doctype html><html manifest="${elsewhere}/m.appcache"><head>
  <base href="${elsewhere}/"><meta http-equiv="refresh" content="0;url=${elsewhere}/refresh">
  <link rel="preload" href="${elsewhere}/pre.js" as="script"><link rel="prefetch" href="${elsewhere}/fetch"><link rel="dns-prefetch" href="${elsewhere}"><link rel="preconnect" href="${elsewhere}"><link rel="modulepreload" href="${elsewhere}/m.js">
  <link rel="stylesheet" href="${elsewhere}/s.css"><link rel="icon" href="${elsewhere}/i.ico"><link rel="manifest" href="${elsewhere}/w.json">
  <style>@import url("${elsewhere}/i.css"); @font-face{font-family:X;src:url(${elsewhere}/f.woff2)} body{font-family:X;background:url(${elsewhere}/b.png)} .i{background:image-set("${elsewhere}/set.png" 1x)}</style>
  <script>parent.ran = 'script'; localStorage.setItem('ran', 'script'); navigator.serviceWorker.register('${elsewhere}/sw.js');</script>
  <script src="${elsewhere}/x.js"></script><script type="module">parent.ran = 'module';</script></head>
  <body onload="parent.ran='onload'" onpageshow="parent.ran='show'" class="i"><h1>A page with words enough to be one</h1>
  <p>These are some of its words, so that it is no mere frame around another page, and there are more of them here.</p>
  <img src="${elsewhere}/p.png" onerror="parent.ran='onerror'"><img src="data:image/png,x" onerror="parent.ran='onerror of data'"><img srcset="${elsewhere}/2x.png 2x"><picture><source srcset="${elsewhere}/s.webp"><img></picture>
  <iframe src="${elsewhere}/frame.html"></iframe><iframe srcdoc="<script>parent.parent.ran='srcdoc'</script>"></iframe>
  <object data="${elsewhere}/o.swf"></object><embed src="${elsewhere}/e.swf"><video src="${elsewhere}/v.mp4" poster="${elsewhere}/v.png" autoplay></video><audio src="${elsewhere}/a.mp3" autoplay></audio><track src="${elsewhere}/t.vtt">
  <svg><script>parent.ran='svg'</script><image href="${elsewhere}/svg.png"/><use href="${elsewhere}/u.svg#a"/><set attributeName="href" to="javascript:parent.ran='set'"/><animate onbegin="parent.ran='begin'" attributeName="x" dur="1s"/></svg>
  <a id="leads" href="javascript:parent.ran='link'">link</a><a id="away" href="${elsewhere}/away" ping="${elsewhere}/ping">away</a><a id="top" target="_top" href="${elsewhere}/top">top</a>
  <form id="post" action="${elsewhere}/post" method="post"><input name="a"><button id="send">send</button><button id="odd" formaction="javascript:parent.ran='formaction'">odd</button></form>
  <details open ontoggle="parent.ran='toggle'"><summary>s</summary></details><input autofocus onfocus="parent.ran='focus'"><marquee onstart="parent.ran='marquee'">m</marquee>
  <div><template shadowrootmode="open"><img src="${elsewhere}/shadow.png" onerror="parent.ran='shadow'"></template></div></body></html>`;

test('a page that tries everything runs nothing, asks for nothing, leads nowhere and touches nothing', async ({
  browser,
}) => {
  const asked: string[] = [];
  const { server, address } = await serve({});
  server.on('request', (request) => asked.push(request.url ?? ''));
  const app = await application(browser);
  const said: string[] = [];
  app.on('request', (request) => {
    // The application itself looks ahead at its own screens.
    const ours = request.frame() === app.mainFrame() && request.url().startsWith(home);
    if (!ours && !/^(?:blob|data):/.test(request.url())) {
      said.push(request.url());
    }
  });
  const state = () =>
    app.evaluate(async () => [
      location.href,
      JSON.stringify({ ...localStorage }),
      (await indexedDB.databases()).map((d) => `${d.name} ${d.version}`).join(),
      String((await navigator.serviceWorker.getRegistrations()).length),
      document.cookie,
      String((globalThis as never as { ran?: string }).ran),
    ]);
  const before = await state();
  const html = hostile(address);
  const frozen = openPages([{ path: 'page.html', bytes: bytesOf(Buffer.from(html)) }])[0].page;
  await showIn(app, frozen);
  const frame = app.frames().find((f) => f.url().startsWith('blob:'))!;
  for (const id of ['leads', 'away', 'top', 'send', 'odd']) {
    await frame.locator(`#${id}`).click({ force: true });
    await frame.locator(`#${id}`).click({ force: true, button: 'middle' });
  }
  // Handlers, timers and prefetches would have had their time.
  await app.evaluate(() => new Promise((resolve) => setTimeout(resolve, 1500)));
  expect(said).toEqual([]);
  expect(asked).toEqual([]);
  // What the application itself notes of a page that it lays out is gone once that has stood a while.
  await expect.poll(state).toEqual(before);
  expect(frame.url()).toMatch(/^blob:/);

  // The frame's own policy holds by itself too, were a script to come through.
  await app.evaluate(() => (globalThis as never as { frame: Frame }).frame.close());
  const raw = html.replace(/<meta http-equiv="refresh"[^>]*>/, '');
  for (const [what, own] of [
    ['with a head', raw],
    ['without a head', raw.replace(/<head>/, '')],
    ['with a head in a comment', `<!-- <head> -->${raw}`],
    ['with a head in its doctype', raw.replace('<!doctype html>', '<!doctype html "<head>">')],
    ['that begins with a script', `<script>parent.ran = 'first'</script>${raw}`],
  ] as const) {
    await showIn(app, { ...frozen, html: own });
    await app.evaluate(() => new Promise((resolve) => setTimeout(resolve, 1000)));
    expect([what, (await state()).at(-1), asked]).toEqual([what, 'undefined', []]);
    await app.evaluate(() => (globalThis as never as { frame: Frame }).frame.close());
  }
  await app.close();
  server.close();
});
