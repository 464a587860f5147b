import { createCanvas } from '@napi-rs/canvas';
import { differenceEuclidean, oklab } from 'culori';
import { oklabPlane } from '../colour/oklab';
import { composite, fillRect } from '../raster/composite';
import { createRaster, type Raster } from '../raster/raster';
import type { CutOut } from '../site/model/photoLayer';
import { createCutOuts, cutOutPhoto } from './cutOut';
import { mipLevelOf } from '../frame/mipLevels';

const blue = '#336699';

/** Drawn by an independent rasteriser, with its own smooth edges. */
function drawn(
  width: number,
  height: number,
  paint: (c: ReturnType<ReturnType<typeof createCanvas>['getContext']>) => void,
): Raster {
  const c = createCanvas(width, height).getContext('2d');
  c.fillStyle = blue;
  c.fillRect(0, 0, width, height);
  paint(c);
  return { width, height, data: new Uint8ClampedArray(c.getImageData(0, 0, width, height).data) };
}

const disc = (colour: string, r = 40) =>
  drawn(120, 120, (c) => {
    c.fillStyle = colour;
    c.beginPath();
    c.arc(60, 60, r, 0, 2 * Math.PI);
    c.fill();
  });
const plain = (part: Partial<CutOut> = {}): CutOut => ({
  samples: [{ x: 3, y: 3, colour: blue }],
  tolerance: 6,
  softness: 0,
  joined: true,
  strokes: [],
  area: null,
  ...part,
});
const alpha = ({ data, width }: Raster, x: number, y: number) => data[(y * width + x) * 4 + 3];

/** Laid over one colour. */
function over(cut: Raster, grey: number): Raster {
  const out = createRaster(cut.width, cut.height);
  fillRect(out, { r: grey, g: grey, b: grey });
  composite(out, { type: 'raster', raster: cut, x: 0, y: 0 });
  return out;
}

test('OKLab is the reference library’s', () => {
  for (const [r, g, b] of [
    [51, 102, 153],
    [255, 255, 255],
    [0, 0, 0],
    [200, 30, 30],
    [12, 240, 88],
  ]) {
    const own = oklabPlane(Uint8ClampedArray.of(r, g, b, 255));
    const theirs = oklab({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
    expect(
      Math.abs(own[0] - theirs.l) + Math.abs(own[1] - theirs.a) + Math.abs(own[2] - theirs.b),
    ).toBeLessThan(1e-3);
  }
  expect(differenceEuclidean('oklab')(blue, blue)).toBe(0);
});

test.each(['#d8a24a', '#ffffff', '#a4553a', '#101010', '#3f8f5a'])(
  'a disc of %s on #336699: alpha 0 outside, 255 inside, and the edge it was drawn with over white',
  (colour) => {
    const cut = cutOutPhoto(disc(colour), plain());
    const wrong: string[] = [];
    for (let y = 0; y < 120; y++) {
      for (let x = 0; x < 120; x++) {
        const from = Math.hypot(x + 0.5 - 60, y + 0.5 - 60);
        if ((from > 41.5 && alpha(cut, x, y) !== 0) || (from < 38.5 && alpha(cut, x, y) !== 255)) {
          wrong.push(`${x}, ${y}: ${alpha(cut, x, y)}`);
        }
      }
    }
    expect(wrong).toEqual([]);
    // The same disc drawn on white to begin with: whatever blue were left at the edge would show as
    // a difference.
    const c = createCanvas(120, 120).getContext('2d');
    c.fillStyle = '#ffffff';
    c.fillRect(0, 0, 120, 120);
    c.fillStyle = colour;
    c.beginPath();
    c.arc(60, 60, 40, 0, 2 * Math.PI);
    c.fill();
    const wanted = c.getImageData(0, 0, 120, 120).data;
    const found = over(cut, 255).data;
    let worst = 0;
    let total = 0;
    let edge = 0;
    for (let i = 0; i < found.length; i++) {
      const d = Math.abs(found[i] - wanted[i]);
      worst = Math.max(worst, d);
      if (d > 0) {
        total += d;
        edge++;
      }
    }
    expect(worst).toBeLessThan(24);
    expect(total / Math.max(1, edge)).toBeLessThan(5);
  },
);

test('no pixel over white is bluer than both white and the disc', () => {
  const found = over(cutOutPhoto(disc('#d8a24a'), plain()), 255).data;
  let bluest = 0;
  for (let i = 0; i < found.length; i += 4) {
    bluest = Math.max(bluest, found[i + 2] - found[i]);
  }
  expect(bluest).toBeLessThanOrEqual(2);
});

test('joined takes only what hangs together with the sample, everywhere takes all of the colour', () => {
  const ring = drawn(120, 120, (c) => {
    c.strokeStyle = '#ffffff';
    c.lineWidth = 12;
    c.beginPath();
    c.arc(60, 60, 40, 0, 2 * Math.PI);
    c.stroke();
  });
  expect(alpha(cutOutPhoto(ring, plain()), 60, 60)).toBe(255);
  expect(alpha(cutOutPhoto(ring, plain()), 4, 110)).toBe(0);
  expect(alpha(cutOutPhoto(ring, plain({ joined: false })), 60, 60)).toBe(0);
  expect(alpha(cutOutPhoto(ring, plain({ joined: false })), 60, 20)).toBe(255);
});

test('a second sample takes off a surround of two colours', () => {
  const two = drawn(120, 120, (c) => {
    c.fillStyle = '#99aa33';
    c.fillRect(60, 0, 60, 120);
    c.fillStyle = '#ffffff';
    c.beginPath();
    c.arc(60, 60, 30, 0, 2 * Math.PI);
    c.fill();
  });
  const one = cutOutPhoto(two, plain());
  const both = cutOutPhoto(
    two,
    plain({
      samples: [
        { x: 3, y: 3, colour: blue },
        { x: 110, y: 5, colour: '#99aa33' },
      ],
    }),
  );
  expect([alpha(one, 3, 100), alpha(one, 115, 100)]).toEqual([0, 255]);
  expect([alpha(both, 3, 100), alpha(both, 115, 100), alpha(both, 60, 60)]).toEqual([0, 0, 255]);
});

test('an outline in another colour stays whole', () => {
  const lined = drawn(120, 120, (c) => {
    c.fillStyle = '#d8a24a';
    c.strokeStyle = '#000000';
    c.lineWidth = 3;
    c.beginPath();
    c.arc(60, 60, 40, 0, 2 * Math.PI);
    c.fill();
    c.stroke();
  });
  const cut = cutOutPhoto(lined, plain());
  expect(alpha(cut, 60, 20)).toBe(255);
  expect(cut.data[(20 * 120 + 60) * 4]).toBeLessThan(30);
});

test('a soft edge fades inwards and leaves the middle', () => {
  const cut = cutOutPhoto(disc('#ffffff'), plain({ softness: 8 }));
  const row = Array.from({ length: 12 }, (_, i) => alpha(cut, 21 + i, 60));
  for (let i = 1; i < row.length; i++) {
    expect(row[i]).toBeGreaterThanOrEqual(row[i - 1]);
  }
  expect(row[1]).toBeLessThan(80);
  expect(alpha(cut, 60, 60)).toBe(255);
});

test('the brush takes away and brings back, in order, and its size is in px of the photo', () => {
  const photo = disc('#ffffff');
  const away = { mode: 'away', size: 20, points: [60, 60, 70, 60] } as const;
  const back = { mode: 'back', size: 8, points: [3, 60] } as const;
  const cut = cutOutPhoto(photo, plain({ strokes: [away, back] }));
  expect([alpha(cut, 60, 60), alpha(cut, 78, 60), alpha(cut, 83, 60), alpha(cut, 60, 48)]).toEqual([
    0, 0, 255, 255,
  ]);
  expect([...cut.data.subarray((60 * 120 + 3) * 4, (60 * 120 + 3) * 4 + 4)]).toEqual([
    51, 102, 153, 255,
  ]);
  const half = cutOutPhoto(mipLevelOf(photo, 1), plain({ strokes: [away] }), 1);
  expect([half.width, alpha(half, 30, 30), alpha(half, 42, 30)]).toEqual([60, 0, 255]);
});

test('kept work gives the same result as new work, whatever changed', () => {
  const cutOuts = createCutOuts();
  const photo = disc('#ffffff');
  const other = disc('#a4553a');
  for (const [raster, settings, mipLevel] of [
    [photo, plain(), 0],
    [photo, plain({ tolerance: 12 }), 0],
    [photo, plain({ tolerance: 12 }), 1],
    [photo, plain({ tolerance: 12, strokes: [{ mode: 'away', size: 9, points: [60, 60] }] }), 1],
    [other, plain(), 1],
    [other, plain(), 1],
  ] as const) {
    expect(
      Buffer.from(cutOuts('a', { raster, mipLevel: mipLevel }, settings).data).equals(
        Buffer.from(cutOutPhoto(raster, settings, mipLevel).data),
      ),
    ).toBe(true);
  }
  const last = { raster: other, mipLevel: 1 };
  expect(cutOuts('a', last, plain())).toBe(cutOuts('a', last, plain()));
});
