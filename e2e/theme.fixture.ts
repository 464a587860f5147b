import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';

/**
 * An invented theme, “Slate”: a style sheet with custom properties and media queries, a header, a
 * gradient strip one px wide, menu pieces and a button.
 */
const css = `/* Slate, an invented theme */
:root { --slate: #3f5161; --paper: #f7f5f0; --line: #c9d1d6; --link: #7a4a2f; }
body { background: var(--slate) url("images/strip.png") repeat-x 0 0; color: #2b2f33; font-family: "Lora", Georgia, serif; margin: 0; }
h1, h2 { font-family: "Oswald", sans-serif; color: var(--slate); }
a, a:visited { color: var(--link); }
#wrapper { width: 940px; background: var(--paper); border: 1px solid var(--line); margin: 0 auto; }
#header { height: 198px; background-image: url(images/header.jpg); background-repeat: no-repeat; background-position: center top }
.sidebar { width: 240px; background: url('images/sidebar.png') repeat-y left top; }
.menu li { background: url(images/menu-left.png) no-repeat left; }
.menu li a { background: url(images/menu-right.png) no-repeat right 50%; }
.button { background: var(--slate) url(images/button.png) no-repeat 50% / 120px auto; }
@media (max-width: 40em) { #wrapper { width: 100% } #header { background-size: cover } }
.broken { color: ; } }
.after { border-color: #c9d1d6 }
`;

const plain = (
  width: number,
  height: number,
  pixel: (x: number, y: number) => [number, number, number, number],
) => {
  const data = Buffer.alloc(width * height * 4);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      data.set(pixel(x, y), (y * width + x) * 4);
    }
  }
  return sharp(data, { raw: { width, height, channels: 4 } });
};

/** The theme's files by their path; its strip goes from slate to a darker slate over 675 rows. */
export async function slateTheme(): Promise<Record<string, Buffer>> {
  const strip = plain(1, 675, (_x, y) => [
    63 - Math.round(y / 20),
    81 - Math.round(y / 20),
    97 - Math.round(y / 20),
    255,
  ]);
  const header = plain(940, 198, (x, y) => [63 + ((x >> 3) % 40), 81 + (y % 30), 120, 255]);
  const end = (left: boolean) =>
    plain(12, 32, (x) => [63, 81, 97, (left ? x : 11 - x) < 4 ? 0 : 255]);
  return {
    'slate/style.css': Buffer.from(css),
    'slate/images/strip.png': await strip.png().toBuffer(),
    'slate/images/header.jpg': await header.flatten().jpeg({ quality: 92 }).toBuffer(),
    'slate/images/sidebar.png': await plain(240, 44, (x) => [247 - (x % 6), 245, 240, 255])
      .png()
      .toBuffer(),
    'slate/images/menu-left.png': await end(true).png().toBuffer(),
    'slate/images/menu-right.png': await end(false).png().toBuffer(),
    'slate/images/button.png': await plain(120, 40, (_x, y) => [80 - y, 100 - y, 120 - y, 255])
      .png()
      .toBuffer(),
    'slate/readme.txt': Buffer.from('An invented theme.'),
  };
}

export const zipOf = (files: Readonly<Record<string, Buffer | Uint8Array>>): Buffer =>
  Buffer.from(
    zipSync(
      Object.fromEntries(
        Object.entries(files).map(([path, bytes]) => [path, new Uint8Array(bytes)]),
      ),
    ),
  );

export const textBytes = (text: string): Buffer => Buffer.from(strToU8(text));
