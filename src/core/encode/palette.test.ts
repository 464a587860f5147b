import sharp from 'sharp';
import { lossTo, referenceOf } from '../likeness/loss';
import { createRaster, type Raster } from '../raster/raster';
import { octaves } from '../texture/noise';
import { toPalette } from './palette';

/**
 * Clouds of many colours that run out into slate at every border, with a word of see-through in the
 * middle.
 */
function fading(width = 120, height = 60): Raster {
  const r = createRaster(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const inside = Math.min(1, Math.min(x, y, width - 1 - x, height - 1 - y) / 12);
      const v = (c: number) => 255 * octaves(x / 14, y / 14, 997, 997, c, 3);
      const ground = [27, 58, 75];
      const hole = x > 55 && x < 65 && y > 25 && y < 35;
      r.data.set(
        [...[0, 1, 2].map((c) => ground[c] + inside * (v(c + 1) - ground[c])), hole ? 0 : 255],
        (y * width + x) * 4,
      );
    }
  }
  return r;
}
const colours = ({ data }: Raster) => {
  const set = new Set<number>();
  for (let k = 0; k < data.length; k += 4) {
    set.add(
      data[k + 3] === 0
        ? 0
        : ((data[k] << 24) | (data[k + 1] << 16) | (data[k + 2] << 8) | data[k + 3]) >>> 0,
    );
  }
  return set.size;
};

test.each([8, 32, 128, 256])(
  '%i colours at most, and every border px exactly as it was',
  (most) => {
    const source = fading();
    const { raster, colours: used } = toPalette(source, most, []);
    expect(colours(source)).toBeGreaterThan(1000);
    expect(colours(raster)).toBeLessThanOrEqual(most);
    expect(used).toBeLessThanOrEqual(most);
    for (let x = 0; x < 120; x++) {
      for (const y of [0, 59]) {
        expect([...raster.data.subarray((y * 120 + x) * 4, (y * 120 + x) * 4 + 4)]).toEqual([
          27, 58, 75, 255,
        ]);
      }
    }
    expect(raster.data[(30 * 120 + 60) * 4 + 3]).toBe(0);
  },
);

test('a pinned colour that is there stays, however few px have it; one that is not there takes no place', () => {
  const source = fading();
  source.data.set([1, 200, 3, 255], (20 * 120 + 20) * 4);
  const at = (r: Raster) => [...r.data.subarray((20 * 120 + 20) * 4, (20 * 120 + 20) * 4 + 3)];
  expect(at(toPalette(source, 16, ['#01c803', '#abcdef']).raster)).toEqual([1, 200, 3]);
  expect(at(toPalette(source, 16, []).raster)).not.toEqual([1, 200, 3]);
});

test('a picture with few colours is not touched, and more colours are nearer to it', () => {
  const few = createRaster(4, 4);
  few.data.fill(255);
  expect(toPalette(few, 2, []).raster).toBe(few);
  const source = fading();
  const error = (most: number) => {
    const { raster } = toPalette(source, most, []);
    let sum = 0;
    for (let i = 0; i < raster.data.length; i++) {
      sum += (raster.data[i] - source.data[i]) ** 2;
    }
    return sum;
  };
  expect(error(128)).toBeLessThan(error(32));
  expect(error(32)).toBeLessThan(error(8));
});

test('a border as busy as the picture takes no more of the palette than the rest; one with few colours is kept', () => {
  const busy = fading();
  // Clouds up to the border: every row and column as the one 13 px further in.
  for (let y = 0; y < 60; y++) {
    for (let x = 0; x < 120; x++) {
      const [u, v] = [Math.min(106, Math.max(13, x)), Math.min(46, Math.max(13, y))];
      busy.data.copyWithin((y * 120 + x) * 4, (v * 120 + u) * 4, (v * 120 + u) * 4 + 4);
    }
  }
  /** Of the px within the border. */
  const offInside = ({ raster }: ReturnType<typeof toPalette>): number => {
    let sum = 0;
    for (let y = 1; y < 59; y++) {
      for (let k = (y * 120 + 1) * 4; k < (y * 120 + 119) * 4; k++) {
        sum += (raster.data[k] - busy.data[k]) ** 2;
      }
    }
    return sum;
  };
  const running = offInside(toPalette(busy, 64, []));
  for (let x = 0; x < 120; x++) {
    for (let y = 0; y < 60; y += x === 0 || x === 119 ? 1 : 59) {
      busy.data.set([27 + ((x + y) % 3), 58, 75, 255], (y * 120 + x) * 4);
    }
  }
  const framed = toPalette(busy, 64, []);
  expect(running).toBeLessThan(1.15 * offInside(framed));
  for (const k of [280, 284, 288, 59 * 480, 30 * 480]) {
    expect(framed.raster.data.subarray(k, k + 4)).toEqual(busy.data.subarray(k, k + 4));
  }
});

// sharp writes palettes with a quantiser of its own (libimagequant); compared without dithering.
test.each(['shelf-of-pots', 'kiln-glow'])(
  '256 colours of a photograph are as near to it as another quantiser’s: %s',
  async (name) => {
    const [width, height] = [480, 240];
    const photo = sharp(`public/sample/${name}.jpg`).resize(width, height).ensureAlpha();
    const drawn = {
      width,
      height,
      data: new Uint8ClampedArray(await photo.clone().raw().toBuffer()),
    };
    const theirs = await sharp(
      await photo.clone().png({ palette: true, colours: 256, dither: 0, effort: 10 }).toBuffer(),
    )
      .ensureAlpha()
      .raw()
      .toBuffer();
    const lossOf = (data: Uint8ClampedArray<ArrayBuffer>) =>
      lossTo(referenceOf(drawn, '#ffffff'), { width, height, data }, '#ffffff').overall;
    const ours = lossOf(toPalette(drawn, 256, []).raster.data);
    expect(ours).toBeLessThan(lossOf(new Uint8ClampedArray(theirs)));
    expect(lossOf(toPalette(drawn, 256, [], true).raster.data)).toBeLessThan(ours);
  },
);
