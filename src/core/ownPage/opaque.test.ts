import sharp, { type Sharp } from 'sharp';
import { isOpaque } from './opaque';

const bytesOf = (data: Buffer) => new Uint8Array(data);
const flat = (channels: 3 | 4) =>
  sharp({
    create: { width: 9, height: 7, channels, background: { r: 9, g: 8, b: 7, alpha: 0.5 } },
  });

test('JPEG and PNG tell by their headers whether anything can be seen through them', async () => {
  const png = async (picture: Sharp) => bytesOf(await picture.toBuffer());
  const type = 'image/png';
  expect(isOpaque({ type, bytes: await png(flat(3).png()) })).toBe(true);
  expect(isOpaque({ type, bytes: await png(flat(4).png()) })).toBe(false);
  expect(isOpaque({ type, bytes: await png(flat(3).png({ palette: true })) })).toBe(true);
  expect(isOpaque({ type, bytes: await png(flat(4).png({ palette: true })) })).toBe(false);
  expect(isOpaque({ type: 'image/jpeg', bytes: await png(flat(3).jpeg()) })).toBe(true);
});

test('what is not known or breaks off is not said to be opaque', async () => {
  const whole = bytesOf(await flat(3).png().toBuffer());
  expect(isOpaque({ type: 'image/webp', bytes: whole })).toBe(false);
  for (let length = 0; length < 40; length++) {
    expect(isOpaque({ type: 'image/png', bytes: whole.slice(0, length) })).toBe(false);
  }
});
