import { createServer } from 'node:http';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { chromium } from '@playwright/test';
import sharp from 'sharp';
import { rgbOf } from '../../core/colour/hex';
import { zipSync } from 'fflate';

/*
 * The sample's own page, a small hand-written one, in the two forms that browsers save pages in: as
 * one file, by Chromium, and with its folder. `npm run ownpage` makes both anew.
 */

const source = 'src/demo/ownPage/source';
const out = 'public/sample';
const name = 'kiln-weekend';

/** The pictures that the page's style sheet asks for, out of the sample's photographs. */
async function pictures(): Promise<Record<string, Buffer>> {
  const photo = (file: string) => sharp(`${out}/${file}`);
  /** A colour with the unevenness of fired clay. */
  const grain = async (width: number, height: number, colour: string) => {
    const levels = await photo('kiln-speckle.png')
      .resize(width, height, { fit: 'cover' })
      .flatten()
      .greyscale()
      .raw()
      .toBuffer();
    const mean = levels.reduce((sum, level) => sum + level, 0) / levels.length;
    const { r, g, b } = rgbOf(colour);
    const uneven = Uint8ClampedArray.from(
      [...levels].flatMap((level) => [r, g, b].map((c) => c + (level - mean) * 0.6)),
    );
    return sharp(Buffer.from(uneven), { raw: { width, height, channels: 3 } })
      .png({ palette: true, colours: 24 })
      .toBuffer();
  };
  const ridge = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" width="960" height="42"><path fill="#efe9dc" d="M0 0H960V14C880 40 800 8 720 22S560 42 480 20 320 6 240 24 80 40 0 14Z"/></svg>',
  );
  const corner = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" width="224" height="48"><path fill="#a4553a" d="M4 12h32l-4 26a6 6 0 0 1-6 5H14a6 6 0 0 1-6-5Z"/><path fill="#efe9dc" d="M52 14h150v6H52zM52 28h96v6H52z"/></svg>',
  );
  return {
    'banner.jpg': await photo('clay-hills.jpg')
      .resize(1400, 420)
      .jpeg({ quality: 72, mozjpeg: true })
      .toBuffer(),
    'shelf.jpg': await photo('shelf-of-pots.jpg')
      .resize(680, 380)
      .jpeg({ quality: 72, mozjpeg: true })
      .toBuffer(),
    'ground.png': await grain(180, 180, '#3b4a45'),
    'side.png': await grain(28, 200, '#a9b79a'),
    'ridge.png': await sharp(ridge).png().toBuffer(),
    'corner.png': await sharp(corner).png().toBuffer(),
    'drop.svg': Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="12" height="14"><path fill="#a4553a" d="M6 1c3 4 5 6 5 8a5 5 0 0 1-10 0c0-2 2-4 5-8Z"/></svg>',
    ),
  };
}

const types: Readonly<Record<string, string>> = {
  html: 'text/html; charset=utf-8',
  css: 'text/css',
  png: 'image/png',
  jpg: 'image/jpeg',
  svg: 'image/svg+xml',
};

async function save(): Promise<void> {
  const html = readFileSync(`${source}/${name}.html`, 'utf8');
  const files: Record<string, Buffer> = {
    'clayworks.css': readFileSync(`${source}/clayworks.css`),
    ...(await pictures()),
  };
  const server = createServer((request, response) => {
    const path = (request.url ?? '/').slice(1) || 'index.html';
    const body = path === 'index.html' ? Buffer.from(html) : files[path];
    response.writeHead(body ? 200 : 404, {
      'content-type': types[path.split('.').at(-1)!] ?? 'text/plain',
    });
    response.end(body);
  });
  await new Promise<void>((listening) => server.listen(0, () => listening()));
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`http://localhost:${(server.address() as AddressInfo).port}/`);
  const session = await page.context().newCDPSession(page);
  const { data } = (await session.send('Page.captureSnapshot', { format: 'mhtml' })) as {
    data: string;
  };
  await browser.close();
  server.close();

  // With its folder: the names of everything beside the page lead into it.
  const folder = `${name}_files`;
  const complete = html.replace(/(href|src)="([a-z]+\.(?:css|jpg))"/g, `$1="./${folder}/$2"`);
  const zipped = zipSync(
    {
      [`${name}.html`]: new Uint8Array(Buffer.from(complete)),
      ...Object.fromEntries(
        Object.entries(files).map(([file, bytes]) => [`${folder}/${file}`, new Uint8Array(bytes)]),
      ),
    },
    { mtime: '2026-11-20T12:00:00' },
  );
  mkdirSync(out, { recursive: true });
  writeFileSync(`${out}/${name}.mhtml`, data);
  writeFileSync(`${out}/${name}.zip`, zipped);
}

void save();
