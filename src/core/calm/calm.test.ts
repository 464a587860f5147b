import { converter } from 'culori';
import { lightnessOf } from '../colour/lightness';
import { colourOf } from '../colour/parse';
import { newTexture } from '../layers/texture';
import { composite, fillRect } from '../raster/composite';
import { createRaster, type Raster } from '../raster/raster';
import { softened } from '../raster/soften';
import { drawTexture } from '../texture/textures';
import { calmReport, localContrast } from './calm';

/** A board of squares of two greys. */
function board(a: number, b: number, square: number, size = 64): Raster {
  const r = createRaster(size, size);
  for (let y = 0; y < size; y++) {
    for (let x = 0; x < size; x++) {
      const v = (Math.floor(x / square) + Math.floor(y / square)) % 2 === 0 ? a : b;
      r.data.set([v, v, v, 255], (y * size + x) * 4);
    }
  }
  return r;
}

test('lightness is that of culori, within a hundredth', () => {
  const lab = converter('lab65');
  for (const [r, g, b] of [
    [0, 0, 0],
    [255, 255, 255],
    [59, 74, 69],
    [164, 85, 58],
    [1, 2, 3],
    [119, 119, 119],
    [0, 0, 255],
  ]) {
    expect(
      Math.abs(lightnessOf(r, g, b) - lab({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 }).l),
    ).toBeLessThan(r + g + b < 10 ? 0.05 : 0.02);
  }
});

test('one colour is perfectly calm; a board of black and white has half the range; squares larger than words are calm inside', () => {
  expect(localContrast(board(90, 90, 4))).toBe(0);
  expect(localContrast(board(0, 255, 2))).toBeCloseTo(50, 5);
  expect(localContrast(board(0, 255, 16))).toBe(0);
  const dark = lightnessOf(100, 100, 100);
  const light = lightnessOf(150, 150, 150);
  expect(localContrast(board(100, 150, 4))).toBeCloseTo((light - dark) / 2, 5);
});

const busy = board(60, 190, 3);
const limit = 6;

test('veil and mesh are the least: they reach the limit, and one percent less does not', () => {
  const { contrast, veil, mesh } = calmReport(busy, limit, '#3b4a45', 'none');
  const colour = colourOf('#3b4a45');
  expect(contrast).toBeGreaterThan(20);
  const veiled = (n: number) => {
    const r = { ...busy, data: busy.data.slice() };
    composite(r, { type: 'solid', colour }, n / 100);
    return localContrast(r);
  };
  expect(veiled(veil!.percent)).toBeLessThanOrEqual(limit);
  expect(veiled(veil!.percent - 1)).toBeGreaterThan(limit);
  if (mesh) {
    const mask = drawTexture(newTexture('m', 'mesh', '#3b4a45'), busy.width, busy.height);
    const meshed = (n: number) => {
      const r = { ...busy, data: busy.data.slice() };
      composite(r, { type: 'mask', mask, colour, x: 0, y: 0 }, n / 100);
      return localContrast(r);
    };
    expect(meshed(mesh.percent)).toBeLessThanOrEqual(limit);
    expect(meshed(mesh.percent - 1)).toBeGreaterThan(limit);
  }
});

test('the blur is the least in whole px', () => {
  const { blur } = calmReport(busy, limit, '#3b4a45', 'both');
  expect(localContrast(softened(busy, blur!, 'both'))).toBeLessThanOrEqual(limit);
  if (blur! > 1) {
    expect(localContrast(softened(busy, blur! - 1, 'both'))).toBeGreaterThan(limit);
  }
});

test('what is calm already needs nothing', () => {
  const flat = createRaster(40, 40);
  fillRect(flat, { r: 9, g: 9, b: 9 });
  expect(calmReport(flat, limit, '#ffffff', 'none')).toEqual({
    contrast: expect.closeTo(0, 3),
    veil: undefined,
    mesh: undefined,
    blur: undefined,
  });
});
