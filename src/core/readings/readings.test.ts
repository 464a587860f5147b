import { newFade } from '../layers/fade';
import { newWash } from '../layers/fill';
import { newPhoto } from '../layers/photo';
import { createRaster, type Raster, type Rgb } from '../raster/raster';
import { fillRect } from '../raster/composite';
import { applyEdit } from '../site/edit';
import type { Layer } from '../site/model/layer';
import type { Picture } from '../site/model/picture';
import type { ImageFormat } from '../site/model/picture';
import type { Site } from '../site/model/site';
import { lighter } from './weight';
import type { Side, Slot } from '../site/model/slot';
import { shelfItem } from '../shelf/item';
import { plainPicture, encodeSettings } from '../encode/settings';
import { newSite } from '../site/newSite';
import { setMeant, slotFrom } from '../site/slots';
import type { EncodedFile, Reading } from './reading';
import { takeReadings } from './registry';
import { worstFirst } from './reading';

const page = {
  ...newSite('x', 'page', 'X').pages[0],
  content: { px: 200, percent: null, measured: null },
  headerSlot: 's',
};
const slot: Slot = {
  ...slotFrom({ slots: [] }, { id: 's', kind: 'header', width: 200, height: 100 }),
  budgetBytes: 20_000,
  pictureId: 'p',
  beside: {
    top: { from: 'colour', colour: '#333333' },
    right: null,
    bottom: null,
    left: { from: 'colour', colour: '#333333' },
  },
};
const item = shelfItem({
  assetId: 'a',
  name: 'Pots',
  width: 400,
  height: 300,
  format: 'jpeg',
  bytes: 9,
});
const picture = (layers: Layer[], part: Partial<Picture> = {}): Picture => ({
  id: 'p',
  ground: { type: 'colour', colour: '#333333' },
  layers,
  ...plainPicture(encodeSettings('jpeg')),
  ...part,
});
const siteWith = (p: Picture, part: Partial<Site> = {}): Site => ({
  ...newSite('x', 'page', 'X'),
  pages: [page],
  slots: [slot],
  pictures: { p },
  ...part,
});

function plain(colour: Rgb, width = 200, height = 100): Raster {
  const raster = createRaster(width, height);
  fillRect(raster, colour);
  return raster;
}
const grey = { r: 51, g: 51, b: 51 };
const file = (decoded: Raster, bytes = 10_000) => ({
  bytes,
  format: 'jpeg',
  width: decoded.width,
  height: decoded.height,
  decoded,
});

const fadeAt = (side: Side): Layer => newFade('fade', null, { [side]: 20 });

const of = (id: string, p: Picture, encoded?: EncodedFile): Reading | undefined =>
  takeReadings({ site: siteWith(p), slot, picture: p, file: encoded }).find((r) => r.id === id);

/** The picture after the mend of a reading. */
function mended(id: string, site: Site, encoded?: EncodedFile): Picture {
  const { mend } = of(id, site.pictures.p, encoded) ?? {};
  if (!mend) {
    throw new Error(`${id} has no mend`);
  }
  return applyEdit(site, mend.edit).pictures.p;
}

test('nothing in the slot, nothing to read', () => {
  expect(
    takeReadings({
      site: siteWith(picture([]), { pages: [] }),
      slot,
      picture: picture([], { ground: { type: 'none' } }),
    }),
  ).toEqual([]);
});

test('what needs a file is not measurable before there is one', () => {
  expect(of('weight', picture([]))).toMatchObject({ verdict: 'unknown', figure: '–' });
});

test('size: exact holds, one px off fails', () => {
  expect(of('size', picture([]), file(plain(grey)))).toMatchObject({
    verdict: 'holds',
    figure: '200 × 100',
  });
  expect(of('size', picture([]), file(plain(grey, 199, 100)))).toMatchObject({
    verdict: 'fails',
    words: 'The file is 199 × 100 px, and 200 × 100 px are wanted.',
  });
});

test('cover: a filled slot holds, 12 bare px are named, and the mend fills it', () => {
  const full = newPhoto('a', item, slot);
  expect(of('cover', picture([full]))).toMatchObject({ verdict: 'holds' });
  const moved = picture([{ ...full, x: 12 }]);
  expect(of('cover', moved)).toMatchObject({ verdict: 'look', figure: '12 px bare' });
  expect(of('cover', mended('cover', siteWith(moved)))).toMatchObject({ verdict: 'holds' });
});

test('softness: 2 photo px a px holds, 0.5 fails, and the mend shows more of the photo', () => {
  const full = newPhoto('a', item, slot);
  expect(of('softness', picture([full]))).toMatchObject({
    verdict: 'holds',
    figure: '2.00×',
  });
  const zoomed = picture([{ ...full, scale: 2 }]);
  expect(of('softness', zoomed)).toMatchObject({ verdict: 'fails', figure: '0.50×' });
  expect(of('softness', mended('softness', siteWith(zoomed)))).toMatchObject({ verdict: 'holds' });
});

test('softness: a photo too small to be sharp has no mend', () => {
  const small = newPhoto('a', { ...item, width: 100, height: 50 }, slot);
  expect(of('softness', picture([small]))).toMatchObject({ verdict: 'fails', mend: undefined });
});

test('seam: an exact edge holds, a pixel 3 levels off is found and named where it is', () => {
  expect(of('seam-left', picture([]), file(plain(grey)))).toMatchObject({
    verdict: 'holds',
    figure: 'exact',
  });
  const off = plain(grey);
  off.data[40 * 200 * 4 + 1] = 54;
  const reading = of('seam-left', picture([]), file(off));
  expect(reading).toMatchObject({ verdict: 'fails', figure: 'off by 3' });
  expect(reading?.words).toMatch(
    /up to 3 levels of 255 off #333333, 0\.0 on average .*worst 40 px along/,
  );
  expect(of('seam-top', picture([]), file(off))).toMatchObject({ verdict: 'holds' });
  expect(of('seam-right', picture([]), file(off))).toBeUndefined();
});

describe('the edge of a photo that stands in the page as a picture', () => {
  const filled = picture([newPhoto('a', { ...item, width: 800, height: 600 }, slot)]);
  const bright = file(plain({ r: 240, g: 230, b: 210 }));

  test('is a choice, and holds once it is meant; what blends by itself needs no such word', () => {
    expect(of('seam-left', filled, bright)).toMatchObject({
      verdict: 'look',
      plain: 'The left edge shows as a line',
      mayBeMeant: true,
      meant: false,
      spot: { x: 0, width: 12 },
    });
    const site = siteWith(filled);
    const settled = applyEdit(site, setMeant(site.slots[0].id, 'seam-left', true));
    const context = { site: settled, slot: settled.slots[0], picture: filled, file: bright };
    const reading = takeReadings(context).find((r) => r.id === 'seam-left');
    expect(reading).toMatchObject({ verdict: 'holds', meant: true, mend: undefined });
    const back = applyEdit(settled, setMeant(site.slots[0].id, 'seam-left', false));
    expect(back.slots[0].meant).toEqual([]);
    expect(of('seam-left', filled, file(plain(grey)))).toMatchObject({ mayBeMeant: false });
  });

  test('is a fault where it is made to fade there, or where there is none', () => {
    const faded = { ...filled, layers: [...filled.layers, fadeAt('left')] };
    expect(of('seam-left', faded, bright)).toMatchObject({ verdict: 'fails' });
    expect(of('seam-left', picture([]), bright)).toMatchObject({ verdict: 'fails' });
  });
});

test('the first line of a reading is for people: no unit, no figure of a standard', () => {
  const filled = picture([newPhoto('a', { ...item, width: 400, height: 300 }, slot)]);
  const all = [file(plain(grey)), file(plain({ r: 240, g: 230, b: 210 }), 900_000)].flatMap((f) => {
    const site = siteWith(filled);
    return takeReadings({ site, slot: site.slots[0], picture: filled, file: f });
  });
  expect(all.length).toBeGreaterThan(10);
  for (const { plain: words } of all) {
    expect(words).not.toMatch(/\d|\bpx\b|level|ΔE|L\*|KB|:1/);
    expect(words.length).toBeLessThanOrEqual(52);
  }
});

test('seam: see-through counts as the page that shows through it', () => {
  const faded = plain({ r: 255, g: 0, b: 0 });
  for (let y = 0; y < 100; y++) {
    faded.data[y * 200 * 4 + 3] = 0;
  }
  expect(of('seam-left', picture([]), file(faded))).toMatchObject({ verdict: 'holds' });
});

test('seam: small steps of a lossy file are mended by a lossless one, large ones by a fade', () => {
  const off = plain({ r: 53, g: 51, b: 51 });
  expect(of('seam-left', picture([]), file(off))).toMatchObject({
    verdict: 'look',
    mend: { label: 'Write it without loss' },
  });
  expect(mended('seam-left', siteWith(picture([])), file(off)).press.format).toBe('png');
  expect(of('seam-left', picture([]), file(plain({ r: 90, g: 51, b: 51 })))).toMatchObject({
    verdict: 'fails',
    mend: { label: 'Fade into see-through, 48 px, as WebP' },
  });
});

test('weight: within budget holds, a little over is to be looked at, far over fails; the mend takes a lighter way', () => {
  expect(of('weight', picture([]), file(plain(grey), 20_000))).toMatchObject({
    verdict: 'holds',
    figure: '20.0 KB of 20.0 KB',
  });
  expect(of('weight', picture([]), file(plain(grey), 20_001))).toMatchObject({ verdict: 'look' });
  expect(of('weight', picture([]), file(plain(grey), 40_000))).toMatchObject({
    verdict: 'fails',
    words: expect.stringContaining('20.0 KB over'),
  });
  expect(mended('weight', siteWith(picture([])), file(plain(grey), 40_000)).press.format).toBe(
    'webp',
  );
  expect(
    mended(
      'weight',
      siteWith(picture([], { press: encodeSettings('webp') })),
      file(plain(grey), 40_000),
    ).press.quality,
  ).toBe(65);
});

test('the way to a lighter file is one that the host takes, whole, and it ends where it is no use', () => {
  const all: readonly ImageFormat[] = ['avif', 'webp', 'jpeg', 'png'];
  expect(lighter(encodeSettings('jpeg', 72), all)).toEqual(encodeSettings('webp', 72));
  expect(lighter({ ...encodeSettings('png'), colours: 64 }, all)).toEqual(
    encodeSettings('webp', 80),
  );
  expect(lighter(encodeSettings('avif', 60), ['avif', 'jpeg'])).toEqual({
    ...encodeSettings('avif', 60),
    quality: 45,
  });
  expect(lighter(encodeSettings('jpeg', 80), ['jpeg', 'avif'])).toEqual(encodeSettings('avif', 80));
  expect(lighter(encodeSettings('jpeg', 80), ['jpeg', 'png'])).toEqual({
    ...encodeSettings('jpeg', 80),
    quality: 65,
  });
  expect(lighter({ ...encodeSettings('webp', 50), lossless: true }, all)).toEqual(
    encodeSettings('webp', 50),
  );
  expect(lighter(encodeSettings('webp', 45), all)?.quality).toBe(40);
  expect(lighter(encodeSettings('webp', 41), all)?.quality).toBe(40);
  expect(lighter(encodeSettings('webp', 40), all)).toBeUndefined();
  expect(lighter(encodeSettings('png'), ['png'])?.colours).toBe(256);
  expect(lighter({ ...encodeSettings('png'), colours: 64 }, ['png'])?.colours).toBe(32);
  expect(lighter({ ...encodeSettings('png'), colours: 32 }, ['png'])).toBeUndefined();
});

test('alternative text: missing is to be looked at, there it holds; a background needs none', () => {
  expect(of('alternative', picture([]))).toMatchObject({ verdict: 'look' });
  expect(of('alternative', picture([], { alt: 'Five pots' }))).toMatchObject({ verdict: 'holds' });
  expect(
    takeReadings({
      site: siteWith(picture([])),
      slot: { ...slot, kind: 'background' },
      picture: picture([]),
    }).some((r) => r.id === 'alternative'),
  ).toBe(false);
});

test('a mend changes one picture and leaves the site it was made from alone', () => {
  const before = siteWith(picture([newWash('w', '#ffffff')]));
  const frozen = JSON.stringify(before);
  const reading = of('weight', before.pictures.p, file(plain(grey), 90_000));
  expect(applyEdit(before, reading!.mend!.edit).pictures.p.press.format).toBe('webp');
  expect(JSON.stringify(before)).toBe(frozen);
});

test('worst first', () => {
  const list = takeReadings({
    site: siteWith(picture([])),
    slot,
    picture: picture([]),
    file: file(plain({ r: 90, g: 51, b: 51 })),
  });
  expect(worstFirst(list).map((r) => r.verdict)).toEqual([
    'fails',
    'fails',
    'look',
    'holds',
    'holds',
    'holds',
  ]);
});

test('a format that the host does not take is told, and mended to one that it takes', () => {
  const refusing: Slot = { ...slot, accepts: ['png', 'webp'] };
  const bare = picture([]);
  const site = siteWith(bare, { slots: [refusing] });
  const found = takeReadings({ site, slot: refusing, picture: bare }).find(
    (r) => r.id === 'format-taken',
  )!;
  expect(found).toMatchObject({
    verdict: 'fails',
    words: 'The host does not accept JPEG; it accepts PNG, WebP.',
  });
  const after = applyEdit(site, found.mend!.edit).pictures.p;
  expect(
    takeReadings({ site, slot: refusing, picture: after }).some((r) => r.id === 'format-taken'),
  ).toBe(false);
});
