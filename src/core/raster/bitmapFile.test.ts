import { bitmapFile } from './bitmapFile';

/** Reads what the masks say, as any reader of the format does. */
function read(bytes: Uint8Array<ArrayBuffer>, x: number, y: number): number[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  const from = view.getUint32(10, true);
  const width = view.getInt32(18, true);
  const height = view.getInt32(22, true);
  const row = height < 0 ? y : height - 1 - y;
  const px = view.getUint32(from + (row * width + x) * 4, true);
  return [54, 58, 62, 66].map((at) => {
    const mask = view.getUint32(at, true);
    const shift = 31 - Math.clz32(mask & -mask);
    return (px & mask) >>> shift;
  });
}

test('what is written into its pixels is what a reader of the file sees, top row first', () => {
  const file = bitmapFile(3, 2);
  file.pixels.set([255, 128, 0, 64], (1 * 3 + 2) * 4);
  expect(read(file.bytes, 2, 1)).toEqual([255, 128, 0, 64]);
  expect(read(file.bytes, 2, 0)).toEqual([0, 0, 0, 0]);
});

test('its headers say its size and kind', () => {
  const { bytes } = bitmapFile(1080, 220);
  const view = new DataView(bytes.buffer);
  expect(String.fromCharCode(bytes[0], bytes[1])).toBe('BM');
  expect(view.getUint32(2, true)).toBe(bytes.length);
  expect([view.getInt32(18, true), view.getInt32(22, true)]).toEqual([1080, -220]);
  expect([view.getUint16(26, true), view.getUint16(28, true)]).toEqual([1, 32]);
});
