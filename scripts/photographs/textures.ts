/**
 * Renders the sample's flat pictures: the seamless background tile, the sidebar strip and the
 * section divider.
 * `npm run textures` writes them to public/sample; they are committed.
 */
import sharp from 'sharp';
import { cells, fbm, noise3, smoothstep } from './noise';

type Rgba = [number, number, number, number];
const rgb = (hex: string): [number, number, number] =>
  [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number];
const tinted = (hex: string, k: number): Rgba => [
  ...(rgb(hex).map((c) => Math.max(0, Math.min(255, Math.round(c * k)))) as [
    number,
    number,
    number,
  ]),
  255,
];

/** Kiln glaze with small specks; joins with itself both ways. */
function tile(x: number, y: number): Rgba {
  const u = x / 40;
  const v = y / 40;
  const c = cells(u, v, 3, 16);
  const size = 0.03 + 0.1 * c.id ** 3;
  const tone =
    1 + 0.07 * (fbm(u / 2, v / 2, 1, 4, 8) - 0.5) + 0.03 * (noise3(x / 2, y / 2, 2, 320) - 0.5);
  return tinted('#3b4a45', tone + 0.22 * smoothstep(size, size * 0.5, c.near));
}

/** A combed slip on sand; joins with itself downwards. */
function strip(x: number, y: number): Rgba {
  const wave = Math.sin((2 * Math.PI * (x + 5 * Math.sin((2 * Math.PI * y) / 240))) / 24);
  return tinted(
    '#e3d6bd',
    1 - 0.035 * smoothstep(-0.1, 0.6, wave) + 0.02 * (noise3(x / 3, y / 3, 1, 80) - 0.5),
  );
}

/** Two depths of hills in exactly the section's clay; joins with itself sideways. */
function divider(x: number, y: number): Rgba {
  const turn = (2 * Math.PI * x) / 1920;
  const near =
    52 - 16 * Math.sin(turn * 3 + 0.6) - 9 * Math.sin(turn * 7 + 2) - 4 * Math.sin(turn * 13);
  const far = 34 - 15 * Math.sin(turn * 2 + 2.4) - 8 * Math.sin(turn * 5 + 1);
  const cover = (edge: number) => Math.max(0, Math.min(1, y + 0.5 - edge));
  const a = cover(near);
  const b = cover(far) * 0.45;
  return [...rgb('#a4553a'), Math.round(255 * (a + b * (1 - a)))] as Rgba;
}

async function write(
  name: string,
  width: number,
  height: number,
  at: (x: number, y: number) => Rgba,
): Promise<void> {
  const data = Buffer.alloc(width * height * 4);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      data.set(at(x, y), (y * width + x) * 4);
    }
  }
  await sharp(data, { raw: { width, height, channels: 4 } })
    .png({ compressionLevel: 9 })
    .toFile(`public/sample/${name}.png`);
}

async function main(): Promise<void> {
  await write('kiln-speckle', 640, 640, tile);
  await write('combed-slip', 328, 240, strip);
  await write('clay-ridge', 1920, 90, divider);
}

void main();
