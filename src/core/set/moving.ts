/* Whether a picture file moves; read from its own bytes, before anything is decoded. */

const ascii = (bytes: Uint8Array, at: number, length = 4): string =>
  String.fromCharCode(...bytes.subarray(at, at + length));

/** Px bytes after the colour table, by the packed field that announces it. */
const tableBytes = (packed: number): number => (packed & 0x80 ? 3 << ((packed & 7) + 1) : 0);

/**
 * Goes over the blocks of a GIF (GIF89a, sections 18 to 26) and gives where each picture's
 * descriptor begins.
 */
export function gifPictures(bytes: Uint8Array): number[] {
  const found: number[] = [];
  let at = 13 + tableBytes(bytes[10]);
  const skip = () => {
    while (at < bytes.length && bytes[at] !== 0) {
      at += bytes[at] + 1;
    }
    at++;
  };
  while (at < bytes.length) {
    const block = bytes[at];
    if (block === 0x21) {
      at += 2;
      skip();
    } else if (block === 0x2c) {
      found.push(at);
      at += 10 + tableBytes(bytes[at + 9]) + 1;
      skip();
    } else {
      break;
    }
  }
  return found;
}

/**
 * Whether a PNG has the animation control chunk (PNG, third edition, section 11.3.6) before its
 * pixels.
 */
function pngMoves(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 8; at + 12 <= bytes.length; at += view.getUint32(at) + 12) {
    const type = ascii(bytes, at + 4);
    if (type === 'acTL') {
      return true;
    }
    if (type === 'IDAT') {
      return false;
    }
  }
  return false;
}

/** The animation flag of the extended header (WebP container specification). */
const webpMoves = (bytes: Uint8Array): boolean =>
  ascii(bytes, 12) === 'VP8X' && (bytes[20] & 2) !== 0;

/** Whether a picture of that format has several pictures that follow each other. */
export function moves(format: string, bytes: Uint8Array): boolean {
  switch (format) {
    case 'gif':
      return gifPictures(bytes).length > 1;
    case 'png':
      return pngMoves(bytes);
    case 'webp':
      return webpMoves(bytes);
    case 'avif':
      return ascii(bytes, 8) === 'avis';
    case 'svg':
      return /<(animate|animateTransform|animateMotion|set)[\s/>]/.test(
        new TextDecoder().decode(bytes),
      );
    default:
      return false;
  }
}
