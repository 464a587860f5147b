import type { FrozenFile } from './frozen';

const chunkName = (bytes: Uint8Array, at: number): string =>
  String.fromCharCode(...bytes.subarray(at + 4, at + 8));

/**
 * Nothing can be seen through a picture of its kind: JPEG has no alpha, a PNG may have none by its
 * header (PNG Third Edition, sections 11.2.1 and 11.3.1.1). Of other formats it is not known.
 */
export function isOpaque({ type, bytes }: Pick<FrozenFile, 'type' | 'bytes'>): boolean {
  if (type !== 'image/png') {
    return type === 'image/jpeg';
  }
  const hasAlpha = (bytes[25] & 4) !== 0;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 8; at + 8 <= bytes.length && !hasAlpha; at += 12 + view.getUint32(at)) {
    const name = chunkName(bytes, at);
    if (name === 'tRNS') {
      return false;
    }
    if (name === 'IDAT') {
      return true;
    }
  }
  return false;
}
