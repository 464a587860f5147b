import type { TypedFile } from '@/core/handover/zipFiles';
import { theEngine } from './tab/engine';

/** Files as one archive, packed beside the screen. */
export const zipped = (files: readonly TypedFile[]): Promise<Uint8Array<ArrayBuffer>> =>
  theEngine().bulk.zip(files);
