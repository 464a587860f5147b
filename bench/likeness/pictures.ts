/**
 * Pictures that a measure of likeness is fitted and checked on: photographs of the application with
 * titles, grain and flat parts, slopes, textures, coloured letters, things cut out.
 */
import { readdirSync } from 'node:fs';
import { createCanvas, GlobalFonts, ImageData } from '@napi-rs/canvas';
import sharp from 'sharp';
import { fonts } from '../../src/core/text/fonts';
import { textures } from '../../src/core/texture/textures';
import type { Raster } from '../../src/core/raster/raster';

export interface BenchPicture {
  readonly name: string;
  /** Left out of the fit. */
  readonly held: boolean;
  draw(): Promise<Raster>;
}

const words = [
  'Hollow & Kiln',
  'Winter bowls, fired in one night',
  'Clay that keeps the hand that made it',
  'Open studio',
  'Glazes of the north shore',
];
const faces = ['fraunces', 'archivo', 'lora', 'caveat', 'oswald', 'playfair-display'];

/** The same numbers in every run. */
function numbers(seed: number): () => number {
  let state = (seed * 2654435761) >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

async function cover(file: string, width: number, height: number): Promise<Raster> {
  const data = await sharp(file)
    .resize(width, height, { fit: 'cover' })
    .ensureAlpha()
    .raw()
    .toBuffer();
  return { width, height, data: new Uint8ClampedArray(data) };
}

/** A part of a photograph, px for px. */
async function part(file: string, width: number, height: number, seed: number): Promise<Raster> {
  const size = await sharp(file).metadata();
  const next = numbers(seed);
  const w = Math.min(width, size.width);
  const h = Math.min(height, size.height);
  const data = await sharp(file)
    .extract({
      left: Math.floor(next() * (size.width - w + 1)),
      top: Math.floor(next() * (size.height - h + 1)),
      width: w,
      height: h,
    })
    .ensureAlpha()
    .raw()
    .toBuffer();
  return { width: w, height: h, data: new Uint8ClampedArray(data) };
}

type Drawn = (raster: Raster, seed: number) => Raster;

/** Draws on a picture as a canvas does. */
function onCanvas(
  raster: Raster,
  paint: (context: ReturnType<ReturnType<typeof createCanvas>['getContext']>) => void,
): Raster {
  const canvas = createCanvas(raster.width, raster.height);
  const context = canvas.getContext('2d');
  context.putImageData(new ImageData(raster.data, raster.width, raster.height), 0, 0);
  paint(context);
  const { data } = context.getImageData(0, 0, raster.width, raster.height);
  return { ...raster, data: new Uint8ClampedArray(data) };
}

const title =
  (colour: string, shadow: boolean): Drawn =>
  (raster, seed) =>
    onCanvas(raster, (context) => {
      const size = Math.round(raster.height * (0.16 + 0.1 * (seed % 3)));
      context.font = `${size}px ${faces[seed % faces.length]}`;
      context.fillStyle = colour;
      context.textAlign = 'center';
      if (shadow) {
        context.shadowColor = 'rgba(0,0,0,0.5)';
        context.shadowBlur = 6;
        context.shadowOffsetY = 2;
      }
      context.fillText(words[seed % words.length], raster.width / 2, raster.height * 0.5);
      context.font = `${Math.max(11, Math.round(size / 3))}px archivo`;
      context.fillText(
        words[(seed + 2) % words.length],
        raster.width / 2,
        raster.height * 0.5 + size * 0.7,
      );
    });

const grain =
  (strength: number): Drawn =>
  (raster, seed) => {
    const next = numbers(seed + 77);
    const data = new Uint8ClampedArray(raster.data);
    for (let k = 0; k < data.length; k += 4) {
      const grey = (next() + next() + next() - 1.5) * strength;
      for (let c = 0; c < 3; c++) {
        data[k + c] = raster.data[k + c] + grey + (next() - 0.5) * strength * 0.6;
      }
    }
    return { ...raster, data };
  };

const plain: Drawn = (raster) => raster;

/** A round part of the photograph on a flat colour, its edge soft for a px. */
const cutOut =
  (r: number, g: number, b: number): Drawn =>
  (raster) => {
    const data = new Uint8ClampedArray(raster.data);
    const { width, height } = raster;
    for (let y = 0; y < height; y++) {
      for (let x = 0; x < width; x++) {
        const d = Math.hypot((x - width / 2) / (width * 0.36), (y - height / 2) / (height * 0.42));
        const a = Math.min(1, Math.max(0, (1 - d) * height * 0.42 + 0.5));
        const k = (y * width + x) * 4;
        [r, g, b].forEach((under, c) => {
          data[k + c] = under + (raster.data[k + c] - under) * a;
        });
      }
    }
    return { ...raster, data };
  };

function slope(width: number, height: number, from: number[], to: number[], along: 'x' | 'y') {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const t = along === 'x' ? x / (width - 1) : y / (height - 1);
      const k = (y * width + x) * 4;
      for (let c = 0; c < 3; c++) {
        data[k + c] = from[c] + (to[c] - from[c]) * t;
      }
      data[k + 3] = 255;
    }
  }
  return { width, height, data };
}

function textured(
  width: number,
  height: number,
  name: keyof typeof textures,
  scale: number,
  light: number[],
  dark: number[],
): Raster {
  const data = new Uint8ClampedArray(width * height * 4);
  const nx = Math.round(width / scale);
  const ny = Math.round(height / scale);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const t = textures[name]({ x, y, u: x / scale, v: y / scale, nx, ny, scale, seed: 5 });
      const k = (y * width + x) * 4;
      for (let c = 0; c < 3; c++) {
        data[k + c] = dark[c] + (light[c] - dark[c]) * t;
      }
      data[k + 3] = 255;
    }
  }
  return { width, height, data };
}

const kinds: readonly (readonly [string, number, number, 'cover' | 'part', Drawn])[] = [
  ['header with a title', 940, 198, 'cover', title('#ffffff', true)],
  ['small strip', 368, 80, 'cover', title('#fdf3dc', false)],
  ['part with grain', 480, 320, 'part', grain(14)],
  ['part', 480, 320, 'part', plain],
  ['cut out', 400, 300, 'cover', cutOut(236, 228, 214)],
  ['coloured title', 600, 160, 'cover', title('#a3271b', false)],
  ['strong grain', 368, 160, 'cover', grain(34)],
  ['part with a title', 940, 198, 'part', title('#1d2b2a', false)],
];

/** Of the size of a page's first screen. */
const largeKinds: typeof kinds = [
  ['large with a title', 1400, 900, 'cover', title('#ffffff', true)],
  ['large', 1400, 900, 'part', plain],
  ['large, cut out', 1400, 900, 'cover', cutOut(236, 228, 214)],
];

function photographs(): string[] {
  const library = readdirSync('public/library')
    .filter((f) => f.endsWith('.jpg'))
    .map((f) => `public/library/${f}`);
  const sample = ['shelf-of-pots', 'glaze-close-up', 'kiln-glow', 'clay-hills'];
  return [...library.sort(), ...sample.map((f) => `public/sample/${f}.jpg`)];
}

const drawnOnes: readonly (readonly [string, (seed: number) => Raster])[] = [
  ['slope of dusk', () => slope(940, 198, [32, 40, 74], [222, 150, 110], 'y')],
  ['slope aside', () => slope(940, 120, [250, 246, 238], [214, 202, 184], 'x')],
  [
    'slope with a title',
    (seed) => title('#ffffff', true)(slope(600, 160, [20, 60, 66], [94, 150, 140], 'y'), seed),
  ],
  [
    'red on blue',
    (seed) => title('#e02a1c', false)(slope(600, 160, [20, 40, 150], [24, 50, 170], 'x'), seed),
  ],
  [
    'letters on flat',
    (seed) => title('#3b4a45', false)(slope(600, 160, [244, 238, 226], [244, 238, 226], 'x'), seed),
  ],
  ['weave', () => textured(368, 200, 'weave', 6, [214, 204, 186], [150, 136, 112])],
  ['paper', () => textured(368, 200, 'paper', 40, [246, 240, 228], [206, 196, 178])],
  ['speckle', () => textured(368, 200, 'speckle', 9, [232, 226, 214], [84, 66, 52])],
  ['mosaic', () => textured(368, 200, 'mosaic', 24, [120, 150, 140], [40, 70, 66])],
  ['fine grain', () => textured(368, 200, 'grain', 1, [160, 150, 140], [120, 110, 100])],
];

function registerFaces(): void {
  for (const { id, upright } of fonts) {
    if (faces.includes(id)) {
      GlobalFonts.registerFromPath(`node_modules/${upright.latin.origin}`, id);
    }
  }
}

/** Of every photograph that is held back from the fit, one that nothing was fitted to either. */
export function largePictures(files = photographs()): BenchPicture[] {
  registerFaces();
  return files
    .filter((_, i) => i % 2 === 1)
    .map((file, i): BenchPicture => {
      const [kind, width, height, way, change] = largeKinds[i % largeKinds.length];
      return {
        name: `${file.replace(/^.*\/|\.\w+$/g, '')}, ${kind}`,
        held: true,
        draw: async () => change(await (way === 'cover' ? cover : part)(file, width, height, i), i),
      };
    });
}

/** All of them; every second photograph and drawn one is held back from the fit. */
export function benchPictures(files = photographs()): BenchPicture[] {
  registerFaces();
  const turns = 2;
  const photos = files.flatMap((file, i) =>
    Array.from({ length: turns }, (_, turn): BenchPicture => {
      const [kind, width, height, way, change] =
        kinds[(Math.floor(i / 2) + turn * 3 + turn * Math.floor(i / 16)) % kinds.length];
      return {
        name: `${file.replace(/^.*\/|\.\w+$/g, '')}, ${kind}`,
        held: i % 2 === 1,
        draw: async () =>
          change(await (way === 'cover' ? cover : part)(file, width, height, i), i + turn),
      };
    }),
  );
  const others = drawnOnes.map(([name, draw], i): BenchPicture => ({
    name,
    held: i % 2 === 1,
    draw: async () => draw(i),
  }));
  return [...photos, ...others];
}
