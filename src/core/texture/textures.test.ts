import { drawTexture, elementsAlong, textureNames } from './textures';

/** The largest step between neighbours across the join of a side, and the largest inside. */
function steps(
  { width, height, data }: { width: number; height: number; data: ArrayLike<number> },
  axis: 'x' | 'y',
): { join: number; inside: number } {
  let join = 0;
  let inside = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const next = axis === 'x' ? y * width + ((x + 1) % width) : ((y + 1) % height) * width + x;
      const step = Math.abs(data[next] - data[y * width + x]);
      if (axis === 'x' ? x === width - 1 : y === height - 1) {
        join = Math.max(join, step);
      } else {
        inside = Math.max(inside, step);
      }
    }
  }
  return { join, inside };
}

describe.each(textureNames)('%s', (texture) => {
  test.each([
    [320, 320, 18],
    [328, 240, 7],
    [101, 67, 9.5],
    [64, 64, 200],
    [40, 30, 1],
  ])('joins with itself at %i×%i and scale %d', (width, height, scale) => {
    const mask = drawTexture({ texture, scale, contrast: 1, seed: 3 }, width, height);
    for (const axis of ['x', 'y'] as const) {
      const { join, inside } = steps(mask, axis);
      expect(join).toBeLessThanOrEqual(inside);
    }
  });
  test('is the same for the same seed; contrast 0 is even cover, and 1 is not', () => {
    const draw = (seed: number, contrast = 1) =>
      drawTexture({ texture, scale: 12, contrast, seed }, 96, 64).data;
    expect(draw(5)).toEqual(draw(5));
    expect(new Set(draw(5, 0))).toEqual(new Set([128]));
    expect(new Set(draw(5)).size).toBeGreaterThan(3);
    if (!['stripes', 'dots', 'mesh'].includes(texture)) {
      expect(Buffer.from(draw(5)).equals(Buffer.from(draw(6)))).toBe(false);
    }
  });
});

test('elements are a whole number along each side, an even one where the pattern needs pairs', () => {
  expect(elementsAlong('dots', 320, 9)).toBe(36);
  expect(elementsAlong('dots', 10, 400)).toBe(1);
  expect(elementsAlong('stripes', 101, 9)).toBe(12);
  expect(elementsAlong('weave', 5, 400)).toBe(2);
});
