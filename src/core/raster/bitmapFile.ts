/** A file in which pixels can be changed in place. */
export interface BitmapFile {
  readonly width: number;
  readonly height: number;
  readonly bytes: Uint8Array<ArrayBuffer>;
  /** RGBA, straight alpha, top row first: a window on the file's own bytes. */
  readonly pixels: Uint8Array<ArrayBuffer>;
}

const fileHeader = 14;
/** BITMAPV4HEADER: the first that has a mask for alpha. */
const infoHeader = 108;

/**
 * A see-through picture as an uncompressed bitmap file. Writing one is a matter of copying rows,
 * which makes it the file for a picture that changes with every movement of the pointer. After
 * Microsoft's description of BITMAPFILEHEADER and BITMAPV4HEADER (from memory): rows from the top by
 * a negative height, channels in our order by masks (`BI_BITFIELDS`), colours in sRGB.
 */
export function bitmapFile(width: number, height: number): BitmapFile {
  const offset = fileHeader + infoHeader;
  const bytes = new Uint8Array(offset + width * height * 4);
  const view = new DataView(bytes.buffer);
  const put = (at: number, value: number) => view.setUint32(at, value >>> 0, true);
  bytes.set([0x42, 0x4d]);
  put(2, bytes.length);
  put(10, offset);
  put(14, infoHeader);
  put(18, width);
  put(22, -height);
  view.setUint16(26, 1, true);
  view.setUint16(28, 32, true);
  const bitFields = 3;
  put(30, bitFields);
  put(34, width * height * 4);
  [0x000000ff, 0x0000ff00, 0x00ff0000, 0xff000000].forEach((mask, i) => put(54 + i * 4, mask));
  const sRgb = 0x73524742;
  put(70, sRgb);
  return { width, height, bytes, pixels: bytes.subarray(offset) };
}
