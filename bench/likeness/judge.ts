/** Outside judges of likeness: the commands of Debian's `libjxl-devtools`. */
import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import sharp from 'sharp';
import type { Raster } from '../../src/core/raster/raster';

const run = promisify(execFile);

export interface Judged {
  /** butteraugli: 3-norm, and the largest value; at about 1 a difference begins to be seen. */
  readonly norm: number;
  readonly most: number;
  /** ssimulacra, which nothing is fitted to: 0 for equal pictures. */
  readonly other: number;
}

export async function judge(reference: string, file: string): Promise<Judged> {
  const [first, second] = await Promise.all([
    run('butteraugli_main', [reference, file]),
    run('ssimulacra_main', [reference, file]),
  ]);
  const norm = /3-norm: ([\d.]+)/.exec(first.stdout);
  if (!norm) {
    throw new Error(`Expected a 3-norm, found: ${first.stdout}`);
  }
  return {
    norm: Number(norm[1]),
    most: Number.parseFloat(first.stdout),
    other: Number.parseFloat(second.stdout),
  };
}

/** Writes pixels where the judges can read them. */
export async function writePixels({ width, height, data }: Raster, file: string): Promise<void> {
  await sharp(Buffer.from(data.buffer, data.byteOffset, data.byteLength), {
    raw: { width, height, channels: 4 },
  })
    .removeAlpha()
    .png({ compressionLevel: 1 })
    .toFile(file);
}

export async function readPixels(file: string): Promise<Raster> {
  const { data, info } = await sharp(file)
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
}
