import { createComposer } from '../compose/compose';
import { colourOf } from '../colour/parse';
import { deltaE } from '../colour/difference';
import { newWash } from '../layers/fill';
import { newPhoto } from '../layers/photo';
import { newHue, newTone, newTwoTone } from '../layers/recolour';
import { adjust, type PixelMap } from '../raster/adjust';
import type { BlendMode } from '../raster/blend';
import { fillRect } from '../raster/composite';
import { createRaster, type Raster, type Rgb } from '../raster/raster';
import type { Layer } from '../site/model/layer';
import type { GlyphRaster } from '../text/glyphs';
import { oklabOf } from '../colour/oklab';
import { hueMap, turnHue } from './hue';
import { matchWash } from './match';
import { curveOf, greyscaleMatrix, saturateMatrix, toneMap, warmthMatrix } from './tone';
import { plainTone } from './plainTone';
import { twoToneMap } from './twoTone';
import { wholePhotos } from '../frame/photos';

const never = () => {
  throw new Error('not asked for here');
};
const glyphs: GlyphRaster = {
  has: () => true,
  pixels: never,
  box: never,
  reach: never,
  cover: () => ({ mask: { width: 0, height: 0, data: new Uint8Array(0) }, x: 0, y: 0 }),
};

function mapped(c: Rgb, map: PixelMap): Rgb {
  const out = new Uint8ClampedArray(4);
  map(new Uint8ClampedArray([c.r, c.g, c.b, 255]), 0, out, 1);
  return { r: out[0], g: out[1], b: out[2] };
}

const colours: Rgb[] = [
  [0, 0, 0],
  [255, 255, 255],
  [51, 51, 51],
  [164, 85, 58],
  [59, 74, 69],
  [239, 233, 220],
  [12, 200, 90],
  [255, 0, 128],
  [1, 2, 3],
].map(([r, g, b]) => ({ r, g, b }));

describe('tone, by the Filter Effects Module Level 1', () => {
  test('brightness and contrast are a slope, and a slope about the middle', () => {
    expect(curveOf({ brightness: 0.5, contrast: 1 })(0.8)).toBeCloseTo(0.4, 12);
    expect(curveOf({ brightness: 2, contrast: 1 })(0.8)).toBe(1);
    expect(curveOf({ brightness: 1, contrast: 1.5 })(0.6)).toBeCloseTo(0.65, 12);
    expect(curveOf({ brightness: 1, contrast: 0 })(0.9)).toBe(0.5);
  });
  /** The recommendation's matrix for saturate at s = 0.5 and greyscale at 1, worked by hand. */
  test('saturate and greyscale have its matrices', () => {
    saturateMatrix(0.5).forEach((v, i) =>
      expect(v).toBeCloseTo(
        [0.6065, 0.3575, 0.036, 0.1065, 0.8575, 0.036, 0.1065, 0.3575, 0.536][i],
        10,
      ),
    );
    greyscaleMatrix(1).forEach((v, i) =>
      expect(v).toBeCloseTo([0.2126, 0.7152, 0.0722][i % 3], 10),
    );
    for (const m of [saturateMatrix(0.3), greyscaleMatrix(0.4)]) {
      for (let row = 0; row < 3; row++) {
        expect(m[row * 3] + m[row * 3 + 1] + m[row * 3 + 2]).toBeCloseTo(1, 10);
      }
    }
  });
  test('levels come out as the formulas say, rounded', () => {
    for (const c of colours) {
      const m = saturateMatrix(1.4);
      const v = [c.r, c.g, c.b];
      const wanted = [0, 1, 2].map((row) =>
        Math.min(
          255,
          Math.max(0, m[row * 3] * v[0] + m[row * 3 + 1] * v[1] + m[row * 3 + 2] * v[2]),
        ),
      );
      const out = mapped(c, toneMap({ ...plainTone, saturation: 1.4 }));
      [out.r, out.g, out.b].forEach((level, i) =>
        expect(Math.abs(level - wanted[i])).toBeLessThanOrEqual(0.5001),
      );
    }
  });
  test('inverted twice, and at no strength, nothing has changed', () => {
    for (const c of colours) {
      expect(
        mapped(
          mapped(c, toneMap({ ...plainTone, invert: 1 })),
          toneMap({ ...plainTone, invert: 1 }),
        ),
      ).toEqual(c);
      expect(mapped(c, toneMap(plainTone))).toEqual(c);
    }
  });
  test('warmth keeps the luminance of white and moves red and blue apart', () => {
    const [r, , , , g, , , , b] = warmthMatrix(1);
    expect(0.2126 * r + 0.7152 * g + 0.0722 * b).toBeCloseTo(1, 12);
    const warm = mapped({ r: 120, g: 120, b: 120 }, toneMap({ ...plainTone, warmth: 0.5 }));
    expect(warm.r).toBeGreaterThan(120);
    expect(warm.b).toBeLessThan(120);
  });
});

describe('two-tone', () => {
  const map = twoToneMap(colourOf('#3b4a45'), colourOf('#efe9dc'));
  test('luminance 0 and 1 are exactly the two colours', () => {
    expect(mapped({ r: 0, g: 0, b: 0 }, map)).toEqual(colourOf('#3b4a45'));
    expect(mapped({ r: 255, g: 255, b: 255 }, map)).toEqual(colourOf('#efe9dc'));
  });
  test('a grey lies as far between them as it does between black and white, and what is as light as it gets the same colour', () => {
    const grey = mapped({ r: 128, g: 128, b: 128 }, map);
    expect(Math.abs(grey.r - (59 + (128 / 255) * (239 - 59)))).toBeLessThanOrEqual(1);
    for (let v = 1, before = 59; v < 256; v++) {
      const { r } = mapped({ r: v, g: v, b: v }, map);
      expect(r).toBeGreaterThanOrEqual(before);
      before = r;
    }
  });
});

describe('hue', () => {
  const target = colourOf('#a4553a');
  const map = hueMap(target);
  test('the table is the exact turn within ΔE 1.5 everywhere and 0.25 on average, and lightness is kept to 0.02', () => {
    let worst = 0;
    let sum = 0;
    const count = 4000;
    for (let i = 0; i < count; i++) {
      const c = { r: (i * 97) % 256, g: (i * 61 + 13 * (i >> 8)) % 256, b: (i * 31 + 101) % 256 };
      const out = mapped(c, map);
      const [r, g, b] = turnHue(c, target);
      const off = deltaE(out, { r, g, b });
      worst = Math.max(worst, off);
      sum += off;
      expect(Math.abs(oklabOf(out)[0] - oklabOf(c)[0])).toBeLessThan(0.02);
    }
    expect(worst).toBeLessThan(1.5);
    expect(sum / count).toBeLessThan(0.25);
  });
  test('greys stay grey, and what is turned has the wanted hue', () => {
    for (const v of [0, 51, 128, 255]) {
      const out = mapped({ r: v, g: v, b: v }, map);
      expect(Math.max(out.r, out.g, out.b) - Math.min(out.r, out.g, out.b)).toBeLessThanOrEqual(1);
    }
    const [, a, b] = oklabOf(mapped({ r: 40, g: 120, b: 200 }, map));
    const [, ta, tb] = oklabOf(target);
    expect(Math.abs(Math.atan2(b, a) - Math.atan2(tb, ta))).toBeLessThan(0.03);
  });
  test('turned towards a grey, all colour goes', () => {
    const out = mapped({ r: 40, g: 120, b: 200 }, hueMap({ r: 90, g: 90, b: 90 }));
    expect(Math.max(out.r, out.g, out.b) - Math.min(out.r, out.g, out.b)).toBeLessThanOrEqual(1);
  });
});

test('a change at a strength is (1 − s)·old + s·new on every channel, and alpha is not touched', () => {
  const raster = createRaster(256, 1);
  for (let v = 0; v < 256; v++) {
    raster.data.set([v, 255 - v, 77, v], v * 4);
  }
  adjust(raster, toneMap({ ...plainTone, invert: 1 }), 0.3);
  for (let v = 0; v < 256; v++) {
    expect(raster.data[v * 4]).toBe(Math.floor(0.7 * v + 0.3 * (255 - v) + 0.5 + 1e-9));
    expect(raster.data[v * 4 + 3]).toBe(v);
  }
});

describe('reach', () => {
  const source = createRaster(20, 10);
  for (let i = 0; i < source.data.length; i += 4) {
    source.data.set([(i * 7) % 256, (i * 3) % 256, i % 256, 255], i);
  }
  const composer = () => createComposer({ glyphs, photos: wholePhotos(() => source) });
  const small: Layer = {
    ...newPhoto('p', { assetId: 'a', name: '', width: 20, height: 10 }, { width: 20, height: 10 }),
    x: 10,
    y: 5,
    scale: 1,
    sharpen: 0,
  };
  const compose = (layers: Layer[]) => ({
    ...composer().compose({
      width: 40,
      height: 20,
      ground: { type: 'colour', colour: '#333333' },
      layers,
    }).raster,
  });
  const outside = ({ data }: Raster) => {
    const found = new Set<string>();
    for (let y = 0; y < 20; y++) {
      for (let x = 0; x < 40; x++) {
        if (x < 10 || x >= 30 || y < 5 || y >= 15) {
          found.add(data.subarray((y * 40 + x) * 4, (y * 40 + x) * 4 + 4).join());
        }
      }
    }
    return [...found];
  };

  test.each(
    [newTone('t'), newTwoTone('t', '#3b4a45', '#efe9dc'), newHue('t', '#a4553a')].map(
      (l) => [l.kind, l] as const,
    ),
  )(
    '%s on only the layer beneath leaves every other pixel of a #333333 ground at exactly 51, 51, 51',
    (_kind, layer) => {
      const strong = layer.kind === 'tone' ? { ...layer, brightness: 1.6, contrast: 0.7 } : layer;
      const plain = compose([small]);
      const one = compose([small, { ...strong, reach: 'beneath' }]);
      expect(outside(one)).toEqual(['51,51,51,255']);
      expect(Buffer.from(one.data).equals(Buffer.from(plain.data))).toBe(false);
      if (layer.kind !== 'hue') {
        expect(outside(compose([small, strong]))).not.toEqual(['51,51,51,255']);
      }
    },
  );
  test('several follow each other, and a strength is laid on the layer’s own colours', () => {
    const bright = { ...newTone('t'), brightness: 1.5, reach: 'beneath' as const };
    const inverted = { ...newTone('u'), invert: 1, reach: 'beneath' as const, opacity: 0.5 };
    const raster = compose([small, bright, inverted]);
    const at = (7 * 40 + 12) * 4;
    const from = ((7 - 5) * 20 + 2) * 4;
    for (let c = 0; c < 3; c++) {
      const lit = Math.floor(Math.min(255, source.data[from + c] * 1.5) + 0.5);
      const wanted = Math.floor(0.5 * lit + 0.5 * (255 - lit) + 0.5);
      expect(Math.abs(raster.data[at + c] - wanted)).toBeLessThanOrEqual(1);
    }
  });
  test('a wash and what reaches it: its own colour is changed and nothing else', () => {
    const wash = newWash('w', '#808080', 0.5);
    const tone = { ...newTone('t'), invert: 1, reach: 'beneath' as const };
    expect(compose([wash, tone]).data[0]).toBe(Math.floor(0.5 * 51 + 0.5 * 127 + 0.5));
  });
  test('drawn again after each edit, the pixels are those of a fresh drawing', () => {
    const live = composer();
    const draw = (layers: Layer[]) => ({
      width: 40,
      height: 20,
      ground: {
        type: 'gradient' as const,
        shape: 'linear' as const,
        angle: 45,
        space: 'oklch' as const,
        stops: [
          { at: 0, colour: '#3b4a45' },
          { at: 1, colour: '#efe9dc' },
        ],
      },
      layers,
    });
    const states: Layer[][] = [
      [small],
      [small, { ...newTone('t'), brightness: 1.2 }],
      [small, { ...newTone('t'), brightness: 1.3, reach: 'beneath' }],
      [
        { ...small, x: 3 },
        { ...newTone('t'), brightness: 1.3, reach: 'beneath' },
      ],
      [
        { ...small, x: 3 },
        newHue('h', '#a4553a'),
        { ...newTone('t'), contrast: 0.5, reach: 'beneath' },
      ],
      [small],
    ];
    for (const layers of states) {
      expect(
        Buffer.from(live.compose(draw(layers)).raster.data).equals(
          Buffer.from(composer().compose(draw(layers)).raster.data),
        ),
      ).toBe(true);
    }
  });
});

describe('match', () => {
  const picture = createRaster(60, 30);
  for (let i = 0; i < picture.data.length; i += 4) {
    picture.data.set([(i * 5) % 256, (i * 3 + 40) % 200, (i >> 3) % 256, 255], i);
  }
  const meanOf = ({ data }: Raster): Rgb => {
    const s = [0, 0, 0];
    for (let i = 0; i < data.length; i += 4) {
      for (let c = 0; c < 3; c++) {
        s[c] += data[i + c];
      }
    }
    const n = data.length / 4;
    return { r: s[0] / n, g: s[1] / n, b: s[2] / n };
  };
  const composer = createComposer({ glyphs, photos: wholePhotos(() => picture) });

  test.each<[BlendMode, string, string]>([
    ['normal', '#3b4a45', '#3b4a45'],
    ['multiply', '#3b4a45', '#3b4a45'],
    ['screen', '#a9b79a', '#efe9dc'],
    ['color', '#a4553a', '#a4553a'],
    ['soft-light', '#222222', '#3b4a45'],
  ])(
    '%s of %s towards %s: the strength found is the best of all that can be composed',
    (mode, wash, wanted) => {
      const found = matchWash(picture, { colour: colourOf(wash), mode }, colourOf(wanted), 'mean')!;
      const photo = {
        ...newPhoto(
          'p',
          { assetId: 'a', name: '', width: 60, height: 30 },
          { width: 60, height: 30 },
        ),
        sharpen: 0,
      };
      const off = (percent: number) =>
        deltaE(
          meanOf(
            composer.compose({
              width: 60,
              height: 30,
              ground: { type: 'none' },
              layers: [photo, { ...newWash('w', wash, percent / 100), blend: mode }],
            }).raster,
          ),
          colourOf(wanted),
        );
      const all = Array.from({ length: 101 }, (_, percent) => off(percent));
      // Composed pixels are rounded to whole levels, which moves their mean by a little.
      expect(all[found.strength]).toBeLessThanOrEqual(Math.min(...all) + 0.15);
      expect(found.after).toBeCloseTo(all[found.strength], 0);
      expect(found.before).toBeCloseTo(all[0], 1);
    },
  );
  test('the border alone', () => {
    const framed = createRaster(40, 40);
    fillRect(framed, { r: 200, g: 60, b: 60 });
    fillRect(framed, { r: 100, g: 100, b: 100 }, { x: 1, y: 1, width: 38, height: 38 });
    const found = matchWash(
      framed,
      { colour: { r: 0, g: 0, b: 0 }, mode: 'normal' },
      { r: 100, g: 30, b: 30 },
      'border',
    )!;
    expect(found.strength).toBe(50);
    expect(found.after).toBeLessThan(0.1);
  });
  test('nothing to be seen cannot be matched', () =>
    expect(
      matchWash(
        createRaster(4, 4),
        { colour: { r: 0, g: 0, b: 0 }, mode: 'normal' },
        { r: 0, g: 0, b: 0 },
        'mean',
      ),
    ).toBeUndefined());
});
