import { randomBytes } from 'node:crypto';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import { siteJson } from '@/core/handover/siteFile';
import type { Codecs } from '@/core/encode/codecs';
import { encodeSettings } from '@/core/encode/settings';
import { applyEdit, chain, editPicture } from '@/core/site/edit';
import { newSite } from '@/core/site/newSite';
import { addSlot } from '@/core/site/slots';
import { createHost, type Host } from './host';
import { HostError } from './hostError';
import type { HostLimits } from './limits';
import { lookInto } from './look';

/** A site with a header of 60×20 and a background tile of 16×16, both pressed as PNG. */
const site = applyEdit(
  newSite('s', 'home', 'Veldrin'),
  chain(
    addSlot('home', { id: 'header', kind: 'header', width: 60, height: 20 }),
    addSlot('home', {
      id: 'tile',
      kind: 'background',
      width: 16,
      height: 16,
      repeat: 'repeat',
      name: 'Tile',
    }),
    ...['header', 'tile'].map((id) =>
      editPicture(`picture-${id}`, (p) => {
        p.ground = { type: 'colour', colour: '#3b4a45' };
        p.press = encodeSettings('png');
      }),
    ),
    (s) => {
      s.handOver = { twice: false, narrow: false, fallback: false, pageFiles: true };
    },
  ),
);
const said = siteJson(site);

/** A left half of slate and a right half of clay, the middle column marked. */
const picture = async (width: number, height: number, alpha = 255): Promise<Uint8Array> => {
  const data = Buffer.alloc(width * height * 4);
  for (let i = 0; i < width * height; i++) {
    data.set([...(i % width < width / 2 ? [27, 58, 75] : [164, 85, 58]), alpha], i * 4);
  }
  return new Uint8Array(
    await sharp(data, { raw: { width, height, channels: 4 } })
      .png()
      .toBuffer(),
  );
};

/** Codecs of another library than the program's own. */
const codecs: Codecs = {
  async decode(bytes) {
    const { data, info } = await sharp(bytes)
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
  },
  async encode({ width, height, data }) {
    return new Uint8Array(
      await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } })
        .png()
        .toBuffer(),
    );
  },
};

/** A hundredth of a usual host's. */
const limits: HostLimits = { fileBytes: 40e3, siteBytes: 400e3, files: 60, allBytes: 1.6e6 };

let host: Host;
let now = 0;
beforeEach(() => {
  now = 1000;
  host = createHost({
    look: (upload) => lookInto(upload, { codecs: async () => codecs, limits }),
    now: () => now,
    limits,
  });
});

const css = 'body {\n  background-color: #3b4a45;\n}\n';
async function zip(files: Readonly<Record<string, Uint8Array>> = {}): Promise<Uint8Array> {
  return zipSync({
    'site.json': said,
    'style.css': strToU8(css),
    'home.html': strToU8('<!doctype html><link rel="stylesheet" href="style.css">'),
    'pictures/header.png': await picture(60, 20),
    'pictures/tile.png': await picture(16, 16),
    ...files,
  });
}
const notes = (uploads: readonly { path: string; notes: readonly string[] }[], path: string) =>
  uploads.find((u) => u.path === path)!.notes;

test('what fits is served as it was uploaded, with its type', async () => {
  const state = await host.receive('s', await zip());
  expect(state.pages).toEqual([{ name: 'Home', path: 'home.html' }]);
  expect(state.uploads.map((u) => [u.path, u.change, u.at])).toEqual(
    expect.arrayContaining([
      ['pictures/header.png', 'new', 1000],
      ['style.css', 'new', 1000],
    ]),
  );
  expect(
    Buffer.compare(
      Buffer.from(host.file('s', 'pictures/header.png')!.bytes),
      Buffer.from(await picture(60, 20)),
    ),
  ).toBe(0);
  expect(host.file('s', 'pictures/header.png')).toMatchObject({ type: 'image/png' });
  expect(host.file('s', 'home.html')).toMatchObject({ type: 'text/html; charset=utf-8' });
  expect(host.file('s', 'site.json')).toBeUndefined();
});

test('what is too large is cropped from its middle, and what is too small is stretched, and both are told', async () => {
  const large = await host.receive(
    's',
    await zip({ 'pictures/header.png': await picture(100, 40) }),
  );
  const cropped = await codecs.decode(host.file('s', 'pictures/header.png')!.bytes);
  expect([cropped.width, cropped.height]).toEqual([60, 20]);
  // 20 px are gone at each side: the halves still meet in the middle.
  expect([
    ...cropped.data.subarray(29 * 4, 29 * 4 + 3),
    ...cropped.data.subarray(30 * 4, 30 * 4 + 3),
  ]).toEqual([27, 58, 75, 164, 85, 58]);
  expect(notes(large.uploads, 'pictures/header.png')).toEqual(['100×40 was cropped to 60×20.']);
  const small = await host.receive(
    's',
    await zip({ 'pictures/header.png': await picture(30, 20) }),
  );
  const stretched = await codecs.decode(host.file('s', 'pictures/header.png')!.bytes);
  expect([stretched.width, stretched.height]).toEqual([60, 20]);
  expect([...stretched.data.subarray(4 * 4, 4 * 4 + 3)]).toEqual([27, 58, 75]);
  expect(notes(small.uploads, 'pictures/header.png')).toEqual(['30×20 was stretched to 60×20.']);
  const both = await host.receive('s', await zip({ 'pictures/header.png': await picture(80, 10) }));
  expect(notes(both.uploads, 'pictures/header.png')).toEqual([
    '80×10 was cropped and stretched to 60×20.',
  ]);
});

test('a colour under an opaque picture that covers the page is told to be hidden; under a see-through one it is not', async () => {
  expect(notes((await host.receive('s', await zip())).uploads, 'pictures/tile.png')).toEqual([
    'The colour #3b4a45 under it is never seen: the picture is opaque and covers it.',
  ]);
  expect(
    notes(
      (await host.receive('s', await zip({ 'pictures/tile.png': await picture(16, 16, 120) })))
        .uploads,
      'pictures/tile.png',
    ),
  ).toEqual([]);
});

test('uploading again tells what was replaced, and its tag changes with its bytes alone', async () => {
  await host.receive('s', await zip());
  const before = {
    header: host.file('s', 'pictures/header.png')!.tag,
    tile: host.file('s', 'pictures/tile.png')!.tag,
  };
  now = 2000;
  const state = await host.receive(
    's',
    await zip({ 'pictures/header.png': await picture(60, 20, 250) }),
  );
  expect(
    state.uploads.filter((u) => u.path.startsWith('pictures')).map((u) => [u.path, u.change, u.at]),
  ).toEqual([
    ['pictures/header.png', 'replaced', 2000],
    ['pictures/tile.png', 'as it was', 1000],
  ]);
  expect(host.file('s', 'pictures/header.png')!.tag).not.toBe(before.header);
  expect(host.file('s', 'pictures/tile.png')!.tag).toBe(before.tile);
});

test('over its limits it refuses, says which and changes nothing', async () => {
  await host.receive('s', await zip());
  const heavy = await zip({
    'pictures/heavy.bin': new Uint8Array(limits.fileBytes + 1).map((_, i) => (i * 7919) >> 3),
  });
  await expect(host.receive('s', heavy)).rejects.toThrow(
    'pictures/heavy.bin: this host takes at most 40.0 KB a file, found 40.0 KB',
  );
  const many = await zip(
    Object.fromEntries(
      Array.from({ length: limits.files }, (_, i) => [`f/${i}.txt`, strToU8('x')]),
    ),
  );
  await expect(host.receive('s', many)).rejects.toThrow(`Expected at most ${limits.files} files`);
  await expect(host.receive('s', strToU8('no zip'))).rejects.toThrow(HostError);
  await expect(host.receive('s', zipSync({ 'style.css': strToU8(css) }))).rejects.toThrow(
    'expected site.json in it',
  );
  expect(host.state('s')!.uploads).toHaveLength(4);
});

test('it is emptied site by site, and the site of longest ago makes room when all are too much', async () => {
  await host.receive('a', await zip());
  now = 2000;
  await host.receive('b', await zip());
  host.empty('a');
  expect([host.state('a'), host.file('a', 'home.html'), host.state('b')?.at]).toEqual([
    undefined,
    undefined,
    2000,
  ]);
  const load = () =>
    zip(
      Object.fromEntries(
        Array.from({ length: 9 }, (_, i) => [`p/${i}.bin`, new Uint8Array(randomBytes(39e3))]),
      ),
    );
  for (let i = 0; i < 5; i++) {
    now = 3000 + i;
    await host.receive(`site ${i}`, await load());
  }
  expect(host.state('b')).toBeUndefined();
  expect(host.state('site 0')).toBeUndefined();
  expect(host.state('site 4')).toBeDefined();
  const total = [0, 1, 2, 3, 4].reduce((sum, i) => sum + (host.state(`site ${i}`)?.bytes ?? 0), 0);
  expect(total).toBeLessThanOrEqual(limits.allBytes);
});
