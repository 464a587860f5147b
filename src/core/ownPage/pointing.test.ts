import { createRaster } from '../raster/raster';
import { picturePointing, straightEdges } from './picturePointing';
import { distanceBetween, elementPointing, type PointedBox } from './pointing';

const box = (id: number, x: number, y: number, width: number, height: number): PointedBox => ({
  id,
  rect: { x, y, width, height },
  name: `box ${id}`,
});

describe('elements', () => {
  const pointing = elementPointing([
    box(0, 0, 0, 1000, 2000),
    box(1, 100, 50, 800, 200),
    box(2, 120.5, 60, 80, 40),
  ]);
  test('the innermost at a point is meant, on its first px and not on the one after its last', () => {
    expect(pointing.boxAt(150, 70)?.id).toBe(2);
    expect(pointing.boxAt(100, 50)?.id).toBe(1);
    expect(pointing.boxAt(900, 100)?.id).toBe(0);
    expect(pointing.boxAt(1001, 5)).toBeUndefined();
  });
  test('a point clings to the nearest edge that reaches it, and to none further away', () => {
    expect(pointing.edgeX(104, 100, 6)).toBe(100);
    expect(pointing.edgeX(118, 80, 6)).toBe(120.5);
    // The box ends long above.
    expect(pointing.edgeX(104, 900, 6)).toBe(104);
    expect(pointing.edgeY(400, 247, 6)).toBe(250);
    expect(pointing.edgeY(400, 240, 6)).toBe(240);
  });
});

test('a distance goes along the axis that is longer, and is whole px', () => {
  expect(distanceBetween({ x: 100, y: 50 }, { x: 900.4, y: 70 })).toMatchObject({
    to: { x: 900.4, y: 50 },
    px: 800,
  });
  expect(distanceBetween({ x: 100, y: 250 }, { x: 120, y: 50 })).toMatchObject({
    to: { x: 100, y: 50 },
    px: 200,
  });
});

describe('a picture of a page', () => {
  const raster = createRaster(400, 300);
  const fill = (x: number, y: number, w: number, h: number, [r, g, b]: number[]) => {
    for (let row = y; row < y + h; row++) {
      for (let col = x; col < x + w; col++) {
        raster.data.set([r, g, b, 255], (row * 400 + col) * 4);
      }
    }
  };
  fill(0, 0, 400, 300, [240, 240, 236]);
  fill(40, 30, 320, 90, [60, 80, 70]);
  // A photograph in the band, restless, and a letter beside it.
  for (let y = 40; y < 100; y++) {
    for (let x = 60; x < 200; x++) {
      raster.data.set(
        [(x * 37 + y * 91) % 256, (x * 13) % 256, (y * 7) % 256, 255],
        (y * 400 + x) * 4,
      );
    }
  }
  fill(250, 50, 4, 12, [255, 255, 255]);
  const pointing = picturePointing(straightEdges(raster));

  test('the rectangle that edges enclose around a point, to the px', () => {
    expect(pointing.boxAt(300, 110)?.rect).toEqual({ x: 40, y: 30, width: 320, height: 90 });
    expect(pointing.boxAt(10, 200)?.rect).toMatchObject({ x: 0, width: 400 });
    expect(pointing.boxAt(-1, 4)).toBeUndefined();
  });
  test('letters are no edges', () => {
    expect(pointing.boxAt(240, 55)?.rect).toMatchObject({ x: 200, y: 30, height: 90 });
    expect(pointing.edgeX(252, 55, 5)).toBe(252);
  });
  test('a point clings to edges of the picture and of what is in it', () => {
    expect(pointing.edgeX(43, 60, 5)).toBe(40);
    expect(pointing.edgeY(300, 117, 5)).toBe(120);
    expect(pointing.edgeX(398, 200, 5)).toBe(400);
  });
});
