/** How a JPEG was written, as far as its own tables say. */
export interface JpegFacts {
  /**
   * Of the scale that goes with the tables of Annex K: what quality would have given a luminance
   * table as coarse.
   */
  readonly quality: number;
  /** Whether hue and chroma have half the px. */
  readonly half: boolean;
}

/** Sum of the luminance table K.1 in Annex K of ITU-T T.81. */
const sumOfK1 = 3688;

/**
 * Reads quantisation and sampling from a JPEG's segments (ITU-T T.81, Annex B). Quality follows the
 * scale of the Independent JPEG Group's library: 50 for the tables themselves, 200 − 2·q percent of
 * them above, 5000 / q below.
 * @returns undefined when the file has no table or no frame
 */
export function jpegFacts(bytes: Uint8Array): JpegFacts | undefined {
  let sum: number | undefined;
  let half: boolean | undefined;
  for (let at = 2; at + 4 <= bytes.length && bytes[at] === 0xff;) {
    const marker = bytes[at + 1];
    const length = (bytes[at + 2] << 8) | bytes[at + 3];
    const end = at + 2 + length;
    if (marker === 0xdb) {
      for (let k = at + 4; k < end;) {
        const wide = bytes[k] >> 4;
        const id = bytes[k] & 15;
        k++;
        let total = 0;
        for (let i = 0; i < 64; i++) {
          total += wide ? (bytes[k] << 8) | bytes[k + 1] : bytes[k];
          k += wide ? 2 : 1;
        }
        if (id === 0) {
          sum = total;
        }
      }
    }
    if (marker >= 0xc0 && marker <= 0xc2) {
      half = bytes[at + 9] >= 3 && bytes[at + 11] >> 4 > bytes[at + 14] >> 4;
    }
    if (marker === 0xda) {
      break;
    }
    at = end;
  }
  if (sum === undefined || half === undefined) {
    return undefined;
  }
  const percent = (100 * sum) / sumOfK1;
  const quality = percent <= 100 ? (200 - percent) / 2 : 5000 / percent;
  return { quality: Math.min(100, Math.max(1, Math.round(quality))), half };
}
