import { composite, fillRect } from '../raster/composite';
import { createRaster, type Raster } from '../raster/raster';
import { edgesOver, standIn } from './overEdges';

const part = { x: 10, y: 20, width: 80, height: 40 };
const laid = { copy: part, area: part, repeatX: false, repeatY: false };

function page(over: (raster: Raster) => void = () => {}): Raster {
  const raster = createRaster(100, 80);
  fillRect(raster, { r: 240, g: 240, b: 235 });
  fillRect(raster, standIn, part);
  over(raster);
  return raster;
}
const black = { r: 0, g: 0, b: 0 };
const none = { top: 0, right: 0, bottom: 0, left: 0 };

test('nothing lies over a picture that is seen whole', () => {
  expect(edgesOver(page(), 0, laid)).toEqual({ rounded: 0, shade: none });
});

test('a shadow that falls on a side is told by the light that it takes there', () => {
  const shaded = page((raster) => {
    const strip = createRaster(80, 6);
    fillRect(strip, black);
    composite(raster, { type: 'raster', raster: strip, x: 10, y: 20 }, 0.3);
  });
  expect(edgesOver(shaded, 0, laid).shade).toEqual({ ...none, top: 30 });
});

test.each([6, 12, 19])(
  'corners rounded off by %i px are told so, to a px, from further down the page too',
  (radius) => {
    const cut = page((raster) => {
      for (let y = 0; y < radius; y++) {
        for (let x = 0; x < radius; x++) {
          if (Math.hypot(radius - x - 0.5, radius - y - 0.5) > radius) {
            const at = { x: 10 + x, y: 20 + y, width: 1, height: 1 };
            fillRect(raster, { r: 240, g: 240, b: 235 }, at);
          }
        }
      }
    });
    expect(Math.abs(edgesOver(cut, 0, laid).rounded - radius)).toBeLessThanOrEqual(1);
    const lower = { ...part, y: part.y + 500 };
    const below = edgesOver(cut, 500, { ...laid, copy: lower, area: lower });
    expect(Math.abs(below.rounded - radius)).toBeLessThanOrEqual(1);
  },
);

test('what is no shadow is none: a bar over the edge, or words', () => {
  const bar = page((raster) =>
    fillRect(raster, { r: 60, g: 70, b: 80 }, { x: 0, y: 15, width: 100, height: 12 }),
  );
  expect(edgesOver(bar, 0, laid).shade).toEqual(none);
});
