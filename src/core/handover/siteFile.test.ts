import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { PNG } from 'pngjs';
import { newPhoto } from '../layers/photo';
import { addLayer, applyEdit } from '../site/edit';
import { schemaVersion } from '../site/model/site';
import { newSite } from '../site/newSite';
import { addSlot } from '../site/slots';
import { assetsOf } from '../site/assets';
import { archiveLimits } from '../files/unzip';
import { shelfItem } from '../shelf/item';
import { siteFileName } from './names';
import { readSiteFile, readSiteJson, writeSiteFile } from './siteFile';
import { uploadedFiles } from './uploaded';
import type { TypedFile } from './zipFiles';

const id = 'a'.repeat(64);
const png = new Uint8Array(PNG.sync.write(new PNG({ width: 4, height: 3 })));
const site = applyEdit(
  applyEdit(
    newSite('x', 'home', 'Veldrin'),
    addSlot('home', { id: 's', kind: 'header', width: 40, height: 30 }),
  ),
  addLayer(
    'picture-s',
    newPhoto('p', { name: 'Pots', assetId: id, width: 4, height: 3 }, { width: 40, height: 30 }),
  ),
);
const assets = new Map([[id, png as Uint8Array<ArrayBuffer>]]);
const written = writeSiteFile({ site, assets });

test('a site file is a zip of readable JSON and the assets it names, by their ids', () => {
  const files = unzipSync(written);
  expect(Object.keys(files)).toEqual(['site.json', `assets/${id}.png`]);
  expect(JSON.parse(strFromU8(files['site.json']))).toEqual(site);
  expect(strFromU8(files['site.json'])).toContain('\n  "name": "Veldrin"');
  expect(assetsOf(site)).toEqual([id]);
});

test('it comes back as it was, and equal sites make equal files', () => {
  const read = readSiteFile('v.soyez', written);
  expect(read.site).toEqual(site);
  expect([...read.assets.get(id)!]).toEqual([...png]);
  expect(writeSiteFile(read)).toEqual(written);
});

test('a site of large photographs is opened again as it was saved', () => {
  // More than other archives may have.
  const ids = ['b', 'c'].map((sign) => sign.repeat(64));
  const large = new Map(
    ids.map((one) => {
      const bytes = new Uint8Array(40e6);
      bytes.set(png);
      return [one, bytes] as const;
    }),
  );
  const shelf = ids.map((assetId) =>
    shelfItem({ assetId, name: 'Kiln', width: 4, height: 3, format: 'png', bytes: 40e6 }),
  );
  const saved = writeSiteFile({ site: { ...site, shelf }, assets: new Map([...assets, ...large]) });
  expect(saved.length).toBeGreaterThan(archiveLimits.bytes);
  const read = readSiteFile('large.soyez', saved);
  expect(read.site.shelf).toEqual(shelf);
  expect(read.assets.get(ids[1])?.length).toBe(40e6);
});

test('to a host goes what it serves and which site it is, not the photographs', () => {
  const page = { path: 'home.html', type: 'text/html', bytes: strToU8('x') };
  const files = uploadedFiles(site, [
    page as TypedFile,
    { path: siteFileName(site), type: 'application/zip', bytes: written },
  ]);
  expect(files.map((f) => f.path)).toEqual(['home.html', 'site.json']);
  expect(readSiteJson('it', files[1].bytes)).toEqual(site);
});

test('what a site names must be given', () => {
  expect(() => writeSiteFile({ site, assets: new Map() })).toThrow(`Expected the asset ${id}`);
});

const repacked = (change: (files: Record<string, Uint8Array>) => void): Uint8Array => {
  const files = { ...unzipSync(written) };
  change(files);
  return zipSync(files);
};
const withSite = (change: (value: Record<string, unknown>) => void) =>
  repacked((files) => {
    const value = JSON.parse(strFromU8(files['site.json'])) as Record<string, unknown>;
    change(value);
    files['site.json'] = strToU8(JSON.stringify(value));
  });

test.each([
  [
    'a newer version',
    withSite((v) => {
      v.schemaVersion = 99;
    }),
    `v.soyez: expected a site of version ${schemaVersion} or older, found version 99`,
  ],
  [
    'no version',
    withSite((v) => {
      delete v.schemaVersion;
    }),
    'found no version',
  ],
  [
    'a damaged field',
    withSite((v) => {
      v.slots = 'none';
    }),
    'slots',
  ],
  [
    'no list',
    repacked((f) => {
      delete f['site.json'];
    }),
    'expected a site file with site.json in it, found an archive of 1 other files',
  ],
  [
    'text that is no JSON',
    repacked((f) => {
      f['site.json'] = strToU8('{');
    }),
    'expected site.json to be JSON',
  ],
  [
    'lists inside each other without an end',
    repacked((f) => {
      const text = strFromU8(f['site.json']);
      f['site.json'] = strToU8(`{"deep":${'['.repeat(1e5)}${']'.repeat(1e5)},${text.slice(1)}`);
    }),
    'expected site.json at most 64 deep, found more',
  ],
  [
    'a missing picture',
    repacked((f) => {
      delete f[`assets/${id}.png`];
    }),
    'expected 1 pictures, fonts and theme files, found 0',
  ],
  [
    'something else as a picture',
    repacked((f) => {
      f[`assets/${id}.png`] = strToU8('hello there, no picture');
    }),
    'expected a JPEG, PNG, WebP, AVIF, GIF or SVG picture, found text',
  ],
  ['no archive', strToU8('PK no'), 'expected a whole zip archive'],
])('%s is refused with the file named', (_, bytes, message) => {
  expect(() => readSiteFile('v.soyez', bytes)).toThrow(message);
});

test('a site of an older version is brought up to this one', () => {
  const old = withSite((v) => {
    v.schemaVersion = 4;
    delete v.handOver;
    for (const slot of v.slots as Record<string, unknown>[]) {
      delete slot.accepts;
    }
    for (const p of Object.values(v.pictures as Record<string, Record<string, unknown>>)) {
      delete p.aim;
      delete p.fallback;
      delete p.decorative;
    }
  });
  // What an older version handed over were pictures alone.
  const handOver = { ...site.handOver, pageFiles: false };
  expect(readSiteFile('v.soyez', old).site).toEqual({ ...site, handOver });
});
