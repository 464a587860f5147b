import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { PNG } from 'pngjs';
import { readOpenRaster, writeOpenRaster, type OraLayer } from './openRaster';

const png = (width: number, height: number) =>
  new Uint8Array(PNG.sync.write(new PNG({ width, height }))) as Uint8Array<ArrayBuffer>;
const layer = (part: Partial<OraLayer>): OraLayer => ({
  name: 'One',
  png: png(2, 2),
  x: 0,
  y: 0,
  opacity: 1,
  blend: 'normal',
  hidden: false,
  ...part,
});

test('the archive begins with its type, stored as it is, and lists the front layer first (OpenRaster 0.0.6, file layout)', () => {
  const file = writeOpenRaster(
    {
      width: 9,
      height: 5,
      layers: [
        layer({ name: 'Back & <ground>' }),
        layer({ name: 'Front', x: -3, y: 4, opacity: 0.5, blend: 'soft-light', hidden: true }),
      ],
    },
    png(9, 5),
    png(9, 5),
  );
  // The local header of a zip: name from byte 30 on, method in bytes 8 and 9.
  expect(strFromU8(file.subarray(30, 38))).toBe('mimetype');
  expect([file[8], file[9]]).toEqual([0, 0]);
  const files = unzipSync(file);
  const xml = strFromU8(files['stack.xml']);
  expect(strFromU8(files.mimetype)).toBe('image/openraster');
  expect(Object.keys(files)).toEqual(
    expect.arrayContaining([
      'mergedimage.png',
      'Thumbnails/thumbnail.png',
      'data/layer000.png',
      'data/layer001.png',
    ]),
  );
  expect(xml.indexOf('Front')).toBeLessThan(xml.indexOf('Back'));
  expect(xml).toContain('composite-op="svg:soft-light"');
  expect(readOpenRaster('x.ora', file)).toMatchObject({
    width: 9,
    height: 5,
    notes: [],
    layers: [
      { name: 'Back & <ground>', opacity: 1 },
      { name: 'Front', x: -3, y: 4, opacity: 0.5, blend: 'soft-light', hidden: true },
    ],
  });
});

test('a mode that the format does not have is refused', () => {
  expect(() =>
    writeOpenRaster(
      { width: 1, height: 1, layers: [layer({ blend: 'exclusion' })] },
      png(1, 1),
      png(1, 1),
    ),
  ).toThrow('found exclusion');
});

const other = (stack: string, files: Record<string, Uint8Array> = {}) =>
  zipSync({
    mimetype: strToU8('image/openraster'),
    'stack.xml': strToU8(stack),
    'data/a.png': png(3, 2),
    ...files,
  });

test('a file of another program: groups are taken apart, their places and strengths handed on, modes we do not have said', () => {
  const read = readOpenRaster(
    'b.ora',
    other(`<?xml version='1.0'?><image w="10" h="8" version="0.0.3"><stack>
    <stack name="Group" x="2" y="1" opacity="0.5"><layer name="In" src="data/a.png" x="1" opacity="0.8"/></stack>
    <layer name="Plus" src="data/a.png" composite-op="svg:plus"/><layer src="data/a.png" visibility="hidden"/></stack></image>`),
  );
  expect(
    read.layers.map(({ name, x, y, opacity, blend, hidden }) => [
      name,
      x,
      y,
      opacity,
      blend,
      hidden,
    ]),
  ).toEqual([
    ['', 0, 0, 1, 'normal', true],
    ['Plus', 0, 0, 1, 'normal', false],
    ['In', 3, 1, 0.4, 'normal', false],
  ]);
  expect(read.notes).toEqual([
    'The group “Group” was taken apart; its strength went to each of its layers.',
    '“Plus” is laid as normal: there is no plus.',
  ]);
});

test.each([
  [
    'another type',
    zipSync({ mimetype: strToU8('application/zip') }),
    'expected an OpenRaster picture, found a file of type “application/zip”',
  ],
  ['no type', zipSync({ 'stack.xml': strToU8('<image/>') }), 'found an archive without a type'],
  ['no list', zipSync({ mimetype: strToU8('image/openraster') }), 'expected a list of its layers'],
  ['broken XML', other('<image w="3" h="3"><stack>'), 'expected stack.xml to be XML'],
  [
    'no size',
    other('<image><stack><layer src="data/a.png"/></stack></image>'),
    'expected an image of whole px',
  ],
  [
    'a missing picture',
    other('<image w="3" h="3"><stack><layer name="Gone" src="data/b.png"/></stack></image>'),
    'expected a picture data/b.png for the layer “Gone”, found none',
  ],
  [
    'more layers than a picture can have',
    other(`<image w="3" h="3"><stack>${'<layer src="data/a.png"/>'.repeat(201)}</stack></image>`),
    'expected at most 200 layers, found more',
  ],
  [
    'groups without an end',
    other(`<image w="3" h="3">${'<stack>'.repeat(500)}${'</stack>'.repeat(500)}</image>`),
    'expected stack.xml to be XML',
  ],
  ['no layers', other('<image w="3" h="3"><stack/></image>'), 'expected at least one layer'],
  [
    'something else than a PNG',
    other('<image w="3" h="3"><stack><layer src="data/c.png"/></stack></image>', {
      'data/c.png': strToU8('<svg xmlns="http://www.w3.org/2000/svg" width="3" height="3"/>'),
    }),
    'to be a PNG',
  ],
])('%s is refused with the file named', (_, bytes, message) => {
  expect(() => readOpenRaster('c.ora', bytes)).toThrow(message);
  expect(() => readOpenRaster('c.ora', bytes)).toThrow('c.ora');
});
