import { createCanvas, loadImage } from '@napi-rs/canvas';
import type { Raster } from '../raster/raster';
import type { CutOut } from '../site/model/photoLayer';
import { cutOutPhoto } from './cutOut';
import { plainCutOut } from './editCutOut';
import { cutByLoop, groundOf } from './loop';

type Context = ReturnType<ReturnType<typeof createCanvas>['getContext']>;

const size = { width: 700, height: 500 };

/** A jug: a body, a neck, and a handle that the ground is seen through. */
function jug(c: Context): void {
  c.beginPath();
  c.moveTo(300, 130);
  c.bezierCurveTo(310, 210, 220, 240, 230, 330);
  c.bezierCurveTo(240, 400, 430, 400, 440, 330);
  c.bezierCurveTo(450, 240, 360, 210, 370, 130);
  c.closePath();
  c.fill();
  c.lineWidth = 20;
  c.beginPath();
  c.ellipse(430, 240, 50, 60, 0, -1.9, 1.9);
  c.stroke();
}

const pixels = (c: Context): Raster => ({
  ...size,
  data: new Uint8ClampedArray(c.getImageData(0, 0, size.width, size.height).data),
});

/** The jug on a photograph, drawn by an independent rasteriser, and what of it is the jug. */
async function standing(
  ground: string,
  glaze: readonly [string, string],
): Promise<{ photo: Raster; truth: Raster }> {
  const c = createCanvas(size.width, size.height).getContext('2d');
  const picture = await loadImage(`public/library/${ground}.jpg`);
  const scale = Math.max(size.width / picture.width, size.height / picture.height);
  c.drawImage(picture, 0, 0, scale * picture.width, scale * picture.height);
  const shade = c.createLinearGradient(220, 0, 480, 0);
  shade.addColorStop(0, glaze[0]);
  shade.addColorStop(1, glaze[1]);
  c.fillStyle = shade;
  c.strokeStyle = shade;
  jug(c);
  const t = createCanvas(size.width, size.height).getContext('2d');
  jug(t);
  return { photo: pixels(c), truth: pixels(t) };
}

/** Roughly around it, as a hand draws. */
const loop = [
  205, 110, 290, 95, 400, 100, 470, 160, 515, 230, 500, 320, 460, 400, 340, 425, 220, 400, 190, 290,
];

const cutOut = (part: Partial<CutOut>): CutOut => ({ ...plainCutOut, ...part });

/** Share of what either says is the jug that both say. */
function agreement(cut: Raster, truth: Raster): number {
  let both = 0;
  let either = 0;
  for (let i = 3; i < cut.data.length; i += 4) {
    both += Math.min(cut.data[i], truth.data[i]);
    either += Math.max(cut.data[i], truth.data[i]);
  }
  return both / either;
}

/** What the jug's own colours come near to: specks of glass, dried clay. */
const alike = ['terrazzo', 'cracked-earth'];

test.each([
  ['terrazzo', ['#2f6f8f', '#17394a']],
  ['cracked-earth', ['#d8d2c2', '#8f8a7c']],
  ['moss', ['#a4553a', '#5f2f20']],
  ['river-stones-under-water', ['#d8a24a', '#7f5d27']],
  ['indigo-cloth', ['#c9b98a', '#6d6142']],
  ['sand-ripples', ['#3b4a45', '#19201d']],
] as const)(
  'a jug on %s, whose surround is no one colour, is cut out by a rough loop',
  async (ground, glaze) => {
    const { photo, truth } = await standing(ground, glaze);
    const area = cutByLoop(photo, loop)!;
    const cut = cutOutPhoto(photo, cutOut({ area }));
    expect(agreement(cut, truth)).toBeGreaterThan(alike.includes(ground) ? 0.9 : 0.99);
    // What is seen through the handle went too, and nothing is left outside.
    expect(cut.data[4 * (240 * size.width + 445) + 3]).toBe(0);
    expect(cut.data[4 * (20 * size.width + 20) + 3]).toBe(0);
  },
);

test('along the edge none of the old ground is left: laid on white it is the jug drawn on white', async () => {
  const { photo, truth } = await standing('moss', ['#d8d2c2', '#8f8a7c']);
  const cut = cutOutPhoto(photo, cutOut({ area: cutByLoop(photo, loop)! }));
  let off = 0;
  let edge = 0;
  for (let i = 0; i < cut.data.length; i += 4) {
    const share = truth.data[i + 3] / 255;
    if (share <= 0.02 || share >= 0.98) {
      continue;
    }
    edge++;
    // The jug’s own colour runs from one end to the other along x.
    const t = Math.min(1, Math.max(0, (((i / 4) % size.width) - 220) / 260));
    for (const [c, from, to] of [
      [0, 0xd8, 0x8f],
      [1, 0xd2, 0x8a],
      [2, 0xc2, 0x7c],
    ]) {
      const own = cut.data[i + 3] / 255;
      const white = 255 * (1 - own) + own * cut.data[i + c];
      const wanted = 255 * (1 - share) + share * (from + t * (to - from));
      off += Math.abs(white - wanted) / 3;
    }
  }
  expect(edge).toBeGreaterThan(400);
  expect(off / edge).toBeLessThan(16);
});

test('at half the size it is the same thing', async () => {
  const { photo } = await standing('terrazzo', ['#2f6f8f', '#17394a']);
  const area = cutByLoop(photo, loop)!;
  const whole = groundOf(area, size.width, size.height, 1);
  const half = groundOf(area, size.width / 2, size.height / 2, 0.5);
  let unlike = 0;
  half.forEach((v, i) => {
    const x = 2 * (i % (size.width / 2));
    const y = 2 * Math.floor(i / (size.width / 2));
    unlike += v === whole[y * size.width + x] ? 0 : 1;
  });
  expect(unlike / half.length).toBeLessThan(0.005);
});

test('a loop around nothing, or that is none, cuts nothing out', async () => {
  const c = createCanvas(size.width, size.height).getContext('2d');
  c.fillStyle = '#889988';
  c.fillRect(0, 0, size.width, size.height);
  expect(cutByLoop(pixels(c), loop)).toBeUndefined();
  expect(cutByLoop(pixels(c), [1, 1, 2, 2])).toBeUndefined();
  expect(cutByLoop(pixels(c), [1, 1, 3, 1, 3, 3])).toBeUndefined();
});
