import Vips from 'wasm-vips';
import type { Codecs } from '@/core/encode/codecs';
import { vipsCodecs } from './vipsCodecs';

/** The codecs of the browser in Node. */
export async function nodeCodecs(): Promise<{ codecs: Codecs; close(): void }> {
  const vips = await (Vips as unknown as (options: object) => Promise<typeof Vips>)({
    dynamicLibraries: ['vips-heif.wasm', 'vips-resvg.wasm'],
    printErr: () => {},
  });
  return { codecs: vipsCodecs(vips), close: () => vips.shutdown() };
}
