import { kernels, withoutKernels } from '../../kernels/kernels';
import { createRaster, type Raster } from '../raster/raster';
import { resample, type Placement } from './resample';

function noise(width: number, height: number, opaque: boolean): Raster {
  const raster = createRaster(width, height);
  let state = 7;
  for (let i = 0; i < raster.data.length; i++) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    const alpha = [0, 255][(state >>> 16) % 5] ?? state >>> 24;
    const seen = opaque ? 255 : alpha;
    raster.data[i] = i % 4 === 3 ? seen : state >>> 24;
  }
  return raster;
}

test('there are kernels here', () => {
  expect(kernels()).toBeDefined();
});

test.each<[string, Placement, number, number]>([
  ['reduced', { x: 0, y: 0, scaleX: 0.31, scaleY: 0.37 }, 80, 60],
  ['enlarged and cut', { x: -40.5, y: -20.25, scaleX: 2.3, scaleY: 1.9 }, 90, 70],
  ['narrower and taller, within', { x: 11, y: 7, scaleX: 0.2, scaleY: 1.1 }, 120, 260],
  ['elsewhere', { x: 500, y: 0, scaleX: 1, scaleY: 1 }, 40, 40],
])('%s, the kernel gives what its twin gives, but for one level at a half', (_, at, w, h) => {
  for (const opaque of [true, false]) {
    const source = noise(257, 163, opaque);
    const quick = resample(source, at, w, h).data;
    const slow = withoutKernels(() => resample(source, at, w, h)).data;
    let differing = 0;
    let worst = 0;
    for (let i = 0; i < slow.length; i++) {
      const off = Math.abs(quick[i] - slow[i]);
      differing += off > 0 ? 1 : 0;
      // Where next to nothing is seen its colour is a quotient of two very small numbers.
      worst = Math.max(worst, slow[i | 3] < 4 && i % 4 < 3 ? off / 4 : off);
    }
    expect(worst).toBeLessThanOrEqual(1);
    expect(differing).toBeLessThanOrEqual(slow.length * 0.002);
  }
});
