import { createCanvas, ImageData, type GlobalCompositeOperation } from '@napi-rs/canvas';
import sharp from 'sharp';
import { createComposer, type Drawing } from '../src/core/compose/compose';
import { resample } from '../src/core/frame/resample';
import { newWash } from '../src/core/layers/fill';
import { newPhoto } from '../src/core/layers/photo';
import { newText } from '../src/core/layers/text';
import type { BlendMode } from '../src/core/raster/blend';
import { toPalette } from '../src/core/encode/palette';
import { blur } from '../src/core/raster/blur';
import { composite, compositeAll, fillRect, type LaidPaint } from '../src/core/raster/composite';
import { lossTo, referenceOf } from '../src/core/likeness/loss';
import { createRaster, wholeRaster, type Raster } from '../src/core/raster/raster';
import { withoutKernels } from '../src/kernels/kernels';
import type { Layer } from '../src/core/site/model/layer';
import { canvasGlyphs, type TextContext } from '../src/core/text/glyphs';
import { compare, type Row, type Rows } from './rows';
import { wholePhotos } from '../src/core/frame/photos';

const width = 1900;
const height = 1200;

/** A slope with noise; half of the layers are see-through in part. */
function layer(w: number, h: number, seed: number, alpha: boolean): Raster {
  const raster = createRaster(w, h);
  let state = seed;
  for (let i = 0; i < raster.data.length; i += 4) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    raster.data[i] = ((i >> 2) % w) / 8 + (state >>> 28);
    raster.data[i + 1] = i / (w * 8) + (state >>> 27);
    raster.data[i + 2] = state >>> 24;
    raster.data[i + 3] = alpha ? 40 + ((i >> 10) % 200) : 255;
  }
  return raster;
}

const modes: readonly (readonly [
  BlendMode,
  'over' | 'multiply' | 'screen' | 'overlay' | 'soft-light' | 'darken',
])[] = [
  ['normal', 'over'],
  ['multiply', 'multiply'],
  ['screen', 'screen'],
  ['overlay', 'overlay'],
  ['soft-light', 'soft-light'],
  ['darken', 'darken'],
];

const paintsOf = (layers: readonly Raster[]): LaidPaint[] =>
  layers.map((raster, i) => ({
    paint: { type: 'raster', raster, x: 0, y: 0 },
    opacity: 1,
    mode: modes[i][0],
    clip: wholeRaster(raster),
  }));

const asInput = (r: Raster) => ({
  input: Buffer.from(r.data.buffer),
  raw: { width: r.width, height: r.height, channels: 4 as const },
});

async function sixLayers(): Promise<Row> {
  const layers = modes.map((_, i) => layer(width, height, i + 1, i % 2 === 0));
  const target = createRaster(width, height);
  const ground = createRaster(width, height);
  fillRect(ground, { r: 59, g: 74, b: 69 });
  return compare(
    'compose 6 mixed layers, 1900×1200',
    () => {
      target.data.set(ground.data);
      compositeAll(target, paintsOf(layers));
    },
    'sharp composite',
    () =>
      sharp(asInput(ground).input, { raw: asInput(ground).raw })
        .composite(layers.map((l, i) => ({ ...asInput(l), blend: modes[i][1] })))
        .raw()
        .toBuffer(),
  );
}

async function reduce(): Promise<Row> {
  const source = layer(4000, 3000, 5, false);
  const { input, raw } = asInput(source);
  return compare(
    'resample 4000×3000 to 1900×1200, linear light',
    () => resample(source, { x: 0, y: 0, scaleX: 1900 / 4000, scaleY: 1200 / 3000 }, 1900, 1200),
    'sharp resize lanczos3 in linear light (scrgb)',
    () =>
      sharp(input, { raw })
        .pipelineColourspace('scrgb')
        .resize(1900, 1200, { kernel: 'lanczos3', fit: 'fill' })
        .raw()
        .toBuffer(),
    5,
  );
}

/** The same layers on Skia's canvas, pixels read back once. */
async function sixOnSkia(): Promise<Row> {
  const layers = modes.map((_, i) => layer(width, height, i + 1, i % 2 === 0));
  const canvases = layers.map((raster) => {
    const canvas = createCanvas(width, height);
    canvas.getContext('2d').putImageData(new ImageData(raster.data, width, height), 0, 0);
    return canvas;
  });
  const names = [
    'source-over',
    ...modes.slice(1).map(([mode]) => mode),
  ] as GlobalCompositeOperation[];
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  const target = createRaster(width, height);
  const ground = { r: 59, g: 74, b: 69 };
  return compare(
    'compose 6 mixed layers, 1900×1200, with the ground',
    () => {
      fillRect(target, ground);
      compositeAll(target, paintsOf(layers));
    },
    'Skia',
    () => {
      context.globalCompositeOperation = 'source-over';
      context.fillStyle = '#3b4a45';
      context.fillRect(0, 0, width, height);
      canvases.forEach((one, i) => {
        context.globalCompositeOperation = names[i];
        context.drawImage(one, 0, 0);
      });
      context.getImageData(0, 0, width, height);
    },
  );
}

async function together(mode: BlendMode): Promise<Row> {
  const raster = layer(width, height, 2, true);
  const target = layer(width, height, 1, false);
  const lay = (as: BlendMode) => () =>
    composite(target, { type: 'raster', raster, x: 0, y: 0 }, 1, as);
  return compare(`lay 1900×1200 as ${mode}`, lay(mode), 'as normal', lay('normal'));
}

async function soften(): Promise<Row> {
  const source = layer(width, height, 4, false);
  const data = Float32Array.from({ length: width * height }, (_, i) => source.data[i * 4] / 255);
  const grey = Buffer.from(data.map((v) => v * 255));
  return compare(
    'Gaussian blur 1900×1200, σ 12',
    () => blur({ width, height, data }, 12),
    'sharp blur of one band',
    () =>
      sharp(grey, { raw: { width, height, channels: 1 } })
        .blur(12)
        .raw()
        .toBuffer(),
  );
}

async function fewColours(): Promise<Row> {
  const [w, h] = [1920, 600];
  const photo = await sharp('public/sample/shelf-of-pots.jpg')
    .resize(w, h)
    .ensureAlpha()
    .raw()
    .toBuffer();
  const raster = { width: w, height: h, data: new Uint8ClampedArray(photo) };
  return compare(
    'palette of 1920×600, 128 colours',
    () => toPalette(raster, 128, []),
    'sharp, palette PNG without compression',
    () =>
      sharp(photo, { raw: { width: w, height: h, channels: 4 } })
        .png({ palette: true, colours: 128, dither: 0, effort: 7, compressionLevel: 0 })
        .toBuffer(),
    3,
  );
}

async function alike(): Promise<Row> {
  const drawn = layer(width, height, 3, false);
  const file = layer(width, height, 4, false);
  const measure = () => lossTo(referenceOf(drawn, '#ffffff'), file, '#ffffff');
  return compare(
    'likeness of 1900×1200, both prepared',
    measure,
    'the same without kernels',
    () => withoutKernels(measure),
    1,
  );
}

async function editOne(): Promise<Row> {
  const photo = layer(2400, 1600, 3, false);
  const resources = {
    photos: wholePhotos(() => photo),
    glyphs: canvasGlyphs(
      (w, h) => createCanvas(w, h).getContext('2d') as unknown as TextContext,
      (spec) => `${spec.weight} ${spec.sizePx}px serif`,
    ),
  };
  const lower: Layer[] = [
    {
      ...newPhoto('p', { name: '', assetId: 'a', width: 2400, height: 1600 }, { width, height }),
      x: 0,
      y: -30,
      scale: 0.8,
    },
    { ...newWash('w', '#3b4a45', 0.4), blend: 'multiply' },
    { ...newWash('x', '#a4553a', 0.2), blend: 'soft-light' },
    newText('t', 'Veldrin Clayworks', 'serif', 120, '#efe9dc', 950, 300),
    newText('u', 'thrown, glazed and fired', 'serif', 60, '#efe9dc', 950, 500),
  ];
  const drawing = (x: number): Drawing => ({
    width,
    height,
    ground: { type: 'colour', colour: '#3b4a45' },
    layers: [...lower, newText('v', 'by the river', 'serif', 60, '#efe9dc', x, 700)],
  });
  const composer = createComposer(resources);
  composer.compose(drawing(0));
  let x = 600;
  return compare(
    'one edited layer of 6, 1900×1200',
    () => composer.compose(drawing((x += 3))),
    'the same picture composed whole',
    () => createComposer(resources).compose(drawing(x)),
    5,
  );
}

export async function* coreRows(): Rows {
  yield await sixLayers();
  yield await sixOnSkia();
  yield await together('luminosity');
  yield await together('hue');
  yield await together('saturation');
  yield await together('color');
  yield await reduce();
  yield await soften();
  yield await fewColours();
  yield await alike();
  yield await editOne();
}
