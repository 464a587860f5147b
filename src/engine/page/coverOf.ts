import { letterMask } from '@/core/legibility/pageWords';
import type { Mask, Raster } from '@/core/raster/raster';
import { MainThreadTurns } from '../yieldToMain';

/** Rows that are compared before the thread does what else it has to do. */
const rowsAtOnce = 256;

const bandOf = ({ width, height, data }: Raster, from: number): Raster => {
  const to = Math.min(height, from + rowsAtOnce);
  return { width, height: to - from, data: data.subarray(from * width * 4, to * width * 4) };
};

/** Where letters cover a page: `letterCover` of two of one size, in bands. */
export async function coverOf(black: Raster, white: Raster): Promise<Mask> {
  const { width, height } = black;
  const data = new Uint8Array(width * height);
  const breath = new MainThreadTurns(16);
  for (let y = 0; y < height; y += rowsAtOnce) {
    data.set(letterMask(bandOf(black, y), bandOf(white, y)).data, y * width);
    await breath.yieldToMain();
  }
  return { width, height, data };
}
