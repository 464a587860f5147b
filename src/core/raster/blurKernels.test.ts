import { withoutKernels } from '../../kernels/kernels';
import { blur } from './blur';
import type { AlphaMask } from './alphaMask';

function noise(width: number, height: number): AlphaMask {
  let state = 9;
  const data = Float32Array.from({ length: width * height }, (_, i) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    // Every third row is empty.
    return Math.floor(i / width) % 3 === 0 ? 0 : (state >>> 8) / 2 ** 24;
  });
  return { width, height, data };
}

test.each([0.3, 1, 1.9, 2, 5.5, 12, 60])(
  'at a standard deviation of %d px the kernel gives what its twin gives, to a ten-thousandth',
  (sigma) => {
    for (const [width, height] of [
      [97, 41],
      [16, 64],
      [3, 120],
    ]) {
      const alphaMask = noise(width, height);
      const slow = withoutKernels(() => blur(alphaMask, sigma)).data;
      const quick = blur(alphaMask, sigma).data;
      expect(quick.filter((v, i) => !(Math.abs(v - slow[i]) < 1e-4))).toHaveLength(0);
    }
  },
);
