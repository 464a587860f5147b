import { blur, normalShareBelow } from './blur';
import { blurRadius } from './blurRadius';
import { createAlphaMask, shiftAlphaMask } from './alphaMask';

/** The integral of the normal density up to x, by Simpson's rule. */
function integral(x: number): number {
  const from = -9;
  const n = 4000;
  const h = (x - from) / n;
  const density = (t: number) => Math.exp((-t * t) / 2) / Math.sqrt(2 * Math.PI);
  if (x <= from) {
    return 0;
  }
  let sum = density(from) + density(x);
  for (let i = 1; i < n; i++) {
    sum += density(from + i * h) * (i % 2 ? 4 : 2);
  }
  return (sum * h) / 3;
}

test('the share of a normal distribution is its integral', () => {
  for (const x of [-4, -1.7, -0.3, 0, 0.8, 2.5]) {
    expect(Math.abs(normalShareBelow(x) - integral(x))).toBeLessThan(1e-6);
  }
});

test('a blurred edge is the true Gaussian edge within 0.012 of full scale, for small and large blurs', () => {
  for (const sigma of [0.5, 1, 1.9, 2, 3.3, 5, 8, 12.5, 25]) {
    const half = Math.ceil(5 * sigma) + 2;
    const width = half * 4;
    const height = half * 2 + 1;
    const block = createAlphaMask(width, height);
    for (let y = 0; y < height; y++) {
      block.data.fill(1, y * width + half, y * width + half * 3);
    }
    const { data } = blur(block, sigma);
    let worst = 0;
    for (let x = 0; x < half * 2; x++) {
      worst = Math.max(
        worst,
        Math.abs(data[half * width + x] - integral((x + 0.5 - half) / sigma)),
      );
    }
    expect(worst).toBeLessThan(0.012);
  }
});

test('the impulse response has the wanted variance, keeps its sum and is symmetric', () => {
  for (const sigma of [0.8, 1.5, 2.4, 4, 9]) {
    const size = 2 * Math.ceil(6 * sigma) + 11;
    const middle = (size - 1) / 2;
    const dot = createAlphaMask(size, size);
    dot.data[middle * size + middle] = 1;
    const { data } = blur(dot, sigma);
    let sum = 0;
    let variance = 0;
    data.forEach((v, i) => {
      sum += v;
      variance += v * ((i % size) - middle) ** 2;
    });
    expect(sum).toBeCloseTo(1, 4);
    expect(Math.abs(Math.sqrt(variance - 1 / 12) / sigma - 1)).toBeLessThan(0.01);
    expect(data[middle * size + middle - 3]).toBeCloseTo(data[middle * size + middle + 3], 6);
    expect(data[middle * size + middle - 3]).toBeCloseTo(data[(middle - 3) * size + middle], 6);
    const radius = blurRadius(sigma);
    if (radius < middle) {
      expect(data[middle * size + middle - radius]).toBeLessThan(0.5 / 255);
    }
  }
});

test('shifting moves by whole px and brings in nothing', () => {
  const one = { width: 3, height: 2, data: Float32Array.from([1, 2, 3, 4, 5, 6]) };
  expect(Array.from(shiftAlphaMask(one, 1, 1).data)).toEqual([0, 0, 0, 0, 1, 2]);
  expect(Array.from(shiftAlphaMask(one, -2, 0).data)).toEqual([3, 0, 0, 6, 0, 0]);
  expect(Array.from(shiftAlphaMask(one, 5, 0).data)).toEqual([0, 0, 0, 0, 0, 0]);
});
