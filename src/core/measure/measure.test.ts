import { inspectPicture } from './inspect';
import { IntakeError } from './intakeError';
import { readPixels } from './pixels';

const bytesOf = (text: string) => new TextEncoder().encode(text);

/** A PNG signature and header chunk that claims a size; nothing follows it. */
function pngHeader(width: number, height: number): Uint8Array {
  const bytes = new Uint8Array(33);
  const view = new DataView(bytes.buffer);
  bytes.set([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
  view.setUint32(8, 13);
  bytes.set(bytesOf('IHDR'), 12);
  view.setUint32(16, width);
  view.setUint32(20, height);
  bytes.set([8, 6], 24);
  return bytes;
}

describe('files that come in', () => {
  test.each([
    [
      'notes.jpg',
      bytesOf('Dear customer, the kiln is at cone ten.'),
      'notes.jpg: expected a JPEG, PNG, WebP, AVIF, GIF or SVG picture, found text.',
    ],
    [
      'nothing.png',
      new Uint8Array(0),
      'nothing.png: expected a JPEG, PNG, WebP, AVIF, GIF or SVG picture, found an empty file.',
    ],
    [
      'huge.png',
      pngHeader(30000, 30000),
      'huge.png: expected at most 100 megapixels, found 30000×30000, which is 900 megapixels.',
    ],
    [
      'flat.png',
      pngHeader(0, 10),
      'flat.png: expected a picture with a width and a height, found width none, height 10 px.',
    ],
    [
      'unsized.svg',
      bytesOf('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 tall"></svg>'),
      'unsized.svg: expected a picture with a width and a height, found width 40 px, height none.',
    ],
    [
      'endless.svg',
      bytesOf('<svg xmlns="http://www.w3.org/2000/svg" width="1e400" height="8"></svg>'),
      'endless.svg: expected a picture with a width and a height, found width none, height 8 px.',
    ],
    [
      'wide.svg',
      bytesOf('<svg xmlns="http://www.w3.org/2000/svg" width="40"></svg>'),
      'wide.svg: expected a JPEG, PNG, WebP, AVIF, GIF or SVG picture, found a drawing that does not say its size.',
    ],
    [
      'leaflet.jpg',
      bytesOf('%PDF-1.7 and so on'),
      'leaflet.jpg: expected a JPEG, PNG, WebP, AVIF, GIF or SVG picture, found a PDF document.',
    ],
    [
      'theme.png',
      new Uint8Array([0x50, 0x4b, 3, 4, 0, 0, 0, 0]),
      'theme.png: expected a JPEG, PNG, WebP, AVIF, GIF or SVG picture, found a zip archive.',
    ],
    [
      'noise.webp',
      new Uint8Array([1, 2, 3, 250, 0, 7]),
      'noise.webp: expected a JPEG, PNG, WebP, AVIF, GIF or SVG picture, found something else.',
    ],
  ])('%s is refused with a clear message', (name, bytes, message) => {
    expect(() => inspectPicture(name, bytes)).toThrow(new IntakeError(message));
  });

  test('a file over the size limit is refused by its size', () => {
    expect(() => inspectPicture('big.jpg', new Uint8Array(65 * 2 ** 20))).toThrow(
      'big.jpg: expected at most 64 MB, found 65 MB.',
    );
  });

  test('kind and size come from the bytes, whatever the name', () => {
    expect(inspectPicture('photo.jpg', pngHeader(1080, 220))).toEqual({
      format: 'png',
      width: 1080,
      height: 220,
    });
    expect(
      inspectPicture(
        'mark.svg',
        bytesOf('<svg xmlns="http://www.w3.org/2000/svg" width="300" height="72"></svg>'),
      ),
    ).toEqual({ format: 'svg', width: 300, height: 72 });
  });
});

describe('lengths someone types', () => {
  test('pixels are taken as they are', () => {
    expect(readPixels('1080')).toEqual({ ok: true, px: 1080 });
    expect(readPixels(' 220 px ')).toEqual({ ok: true, px: 220 });
  });

  test('other lengths are converted at 96 to the inch, and that is said', () => {
    expect(readPixels('11.25 in')).toMatchObject({
      ok: true,
      px: 1080,
      note: expect.stringContaining('Only pixels count'),
    });
    expect(readPixels('2,54cm')).toMatchObject({ ok: true, px: 96 });
    expect(readPixels('72pt')).toMatchObject({ ok: true, px: 96 });
    expect(readPixels('10.4')).toMatchObject({
      ok: true,
      px: 10,
      note: 'Whole pixels only: read as 10 px.',
    });
  });

  test.each([
    ['wide', 'Expected a number of pixels, found “wide”.'],
    ['72 dpi', 'Expected pixels, found dpi: a resolution changes nothing on a screen.'],
    ['0', 'Expected 1 to 8000 px, found 0 px.'],
    ['9000', 'Expected 1 to 8000 px, found 9000 px.'],
    ['5 ells', 'Expected pixels, found “ells”.'],
  ])('%s is refused', (text, message) => expect(readPixels(text)).toEqual({ ok: false, message }));
});
