import { imageSize } from 'image-size';
import { tooMuchIn } from './drawing';
import { IntakeError } from './intakeError';

export type PictureFormat = 'jpeg' | 'png' | 'webp' | 'avif' | 'gif' | 'svg';

/** What the first bytes of a picture file say of it. */
export interface Inspected {
  readonly format: PictureFormat;
  /** As the picture is meant to be seen, after its orientation note. */
  readonly width: number;
  readonly height: number;
}

export const limits = { bytes: 64 * 2 ** 20, pixels: 100e6 } as const;

const formats: Readonly<Record<string, PictureFormat>> = {
  jpg: 'jpeg',
  png: 'png',
  webp: 'webp',
  avif: 'avif',
  gif: 'gif',
  svg: 'svg',
};

const wanted = 'a JPEG, PNG, WebP, AVIF, GIF or SVG picture';

const ascii = (bytes: Uint8Array, from: number, length: number): string =>
  String.fromCharCode(...bytes.subarray(from, from + length));

function isText(bytes: Uint8Array): boolean {
  return bytes.subarray(0, 512).every((b) => b === 9 || b === 10 || b === 13 || b >= 32);
}

/** What a refused file seems to be, in the owner's words. */
function describe(bytes: Uint8Array): string {
  if (ascii(bytes, 0, 4) === '%PDF') {
    return 'a PDF document';
  }
  if (ascii(bytes, 0, 2) === 'PK') {
    return 'a zip archive';
  }
  if (['II*\0', 'MM\0*'].includes(ascii(bytes, 0, 4))) {
    return 'a TIFF picture';
  }
  if (/ftyp(heic|heix|mif1)/.test(ascii(bytes, 4, 8))) {
    return 'a HEIC picture';
  }
  if (!isText(bytes)) {
    return 'something else';
  }
  return /<svg[\s>]/.test(ascii(bytes, 0, 2000)) ? 'a drawing that does not say its size' : 'text';
}

/**
 * Checks a picture file before any of it is decoded: kind by its bytes, never by its name; size of
 * the file and of the picture against `limits`.
 * @throws IntakeError
 */
export function inspectPicture(name: string, bytes: Uint8Array): Inspected {
  const refuse = (expected: string, found: string) =>
    new IntakeError(`${name}: expected ${expected}, found ${found}.`);
  if (bytes.length === 0) {
    throw refuse(wanted, 'an empty file');
  }
  if (bytes.length > limits.bytes) {
    throw refuse(
      `at most ${limits.bytes / 2 ** 20} MB`,
      `${(bytes.length / 2 ** 20).toFixed(0)} MB`,
    );
  }
  let size: ReturnType<typeof imageSize>;
  try {
    size = imageSize(bytes);
  } catch {
    throw refuse(wanted, describe(bytes));
  }
  const format = formats[size.type ?? ''];
  if (!format) {
    throw refuse(wanted, size.type ? `a ${size.type.toUpperCase()} picture` : describe(bytes));
  }
  const turned = (size.orientation ?? 1) >= 5;
  const width = turned ? size.height : size.width;
  const height = turned ? size.width : size.height;
  const isLength = (length: number | undefined) => Number.isFinite(length) && length! >= 1;
  if (!isLength(width) || !isLength(height)) {
    const px = (length: number) => (isLength(length) ? `${length} px` : 'none');
    throw refuse('a picture with a width and a height', `width ${px(width)}, height ${px(height)}`);
  }
  if (width * height > limits.pixels) {
    throw refuse(
      `at most ${limits.pixels / 1e6} megapixels`,
      `${width}×${height}, which is ${Math.round((width * height) / 1e6)} megapixels`,
    );
  }
  const tooMuch = format === 'svg' ? tooMuchIn(bytes) : undefined;
  if (tooMuch) {
    throw refuse(tooMuch.expected, tooMuch.found);
  }
  return { format, width, height };
}
