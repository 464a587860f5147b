import { readFileSync } from 'node:fs';
import { strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { newWash } from '@/core/layers/fill';
import { writeOpenRaster } from '@/core/openRaster/openRaster';
import { writeRecipe } from '@/core/recolour/recipeFile';
import { joinedBytes } from '@/core/files/joinedBytes';
import type { Door, Specimen } from './corpus.fixture';

type Bytes = Uint8Array<ArrayBuffer>;

/** What means something behind a door. */
const words: Readonly<Partial<Record<Door, readonly string[]>>> & {
  readonly any: readonly string[];
} = {
  any: [
    '\0',
    '\n',
    '\r\n',
    ' ',
    '"',
    "'",
    '\\',
    '<',
    '>',
    '&',
    '-1',
    '0',
    '1e99',
    '\ufffd',
    '\u{1f600}',
  ],
  sheet: [
    '{',
    '}',
    '(',
    ')',
    ';',
    ':',
    '/*',
    '*/',
    '@media ',
    '@import ',
    'url(',
    'var(--a)',
    '--a:',
    '&',
    '!important',
    'light-dark(',
    'calc(',
  ],
  page: [
    '<p>',
    '</p>',
    '<svg>',
    '<style>',
    '</style>',
    '<!--',
    '-->',
    '<template>',
    '<table>',
    ' style="',
    ' src="',
    'data:',
    '<base href=',
    '--b\r\n',
    'Content-Type: text/html\r\n\r\n',
    '=\r\n',
    '=3D',
  ],
  picture: [
    '\xff\xd8',
    '\xff\xe1',
    'Exif\0\0',
    'IHDR',
    'VP8X',
    'ftypavif',
    'GIF89a',
    '<svg ',
    ' width="9"',
    ' viewBox="0 0 9 9"',
    '<g id="a">',
    '<use href="#a"/>',
    'url(#a)',
    '<style>',
  ],
  visitors: [',', ';', '\t', '1280', 'width', '"', '1280x800', '%'],
  recipe: ['{', '}', '[', ']', ':', ',', 'null', 'true', '"kind"', '"#ffffff"'],
};
const wordsOf: Readonly<Record<Door, readonly string[]>> = {
  picture: words.picture!,
  sheet: words.sheet!,
  set: [...words.sheet!, ...words.picture!],
  tokens: [...words.sheet!, ...words.recipe!, '"$value"', '"$type"', '{a.b}'],
  archive: [],
  page: [...words.page!, ...words.sheet!],
  visitors: words.visitors!,
  font: ['glyf', 'head', 'wOF2', 'OTTO'],
  openRaster: [...words.page!, '<layer ', '<stack ', ' opacity="', ' composite-op="svg:multiply"'],
  site: [...words.recipe!, '"id"', '"schemaVersion"', '__proto__'],
  recipe: words.recipe!,
};

/** Files of archives that are changed in them; else the archive's own bytes are. */
const inside: Readonly<Partial<Record<Door, string>>> = {
  site: 'site.json',
  openRaster: 'stack.xml',
};

/** Files that are as they should be, of kinds whose every small damage is found at once. */
export async function wholeFiles(): Promise<Specimen[]> {
  const png = await sharp({ create: { width: 4, height: 3, channels: 4, background: '#a4553a80' } })
    .png()
    .toBuffer();
  const layer = { png: new Uint8Array(png), x: 1, y: -1, opacity: 0.5, hidden: false };
  const layers = (['normal', 'multiply'] as const).map((blend) => ({
    ...layer,
    name: blend,
    blend,
  }));
  const site = (version: number): Specimen => ({
    door: 'site',
    name: `version-${version}.soyez`,
    bytes: zipSync({
      'site.json': readFileSync(`src/core/site/stored/version-${version}.json`),
    }) as Bytes,
  });
  return [
    {
      door: 'recipe',
      name: 'whole.json',
      bytes: strToU8(
        writeRecipe({
          id: 'r',
          name: 'Celadon',
          steps: [newWash('w', '#f3fec2', 0.59)],
          spare: true,
          hues: ['#a4553a'],
        }),
      ) as Bytes,
    },
    {
      door: 'openRaster',
      name: 'whole.ora',
      bytes: writeOpenRaster({ width: 8, height: 6, layers }, png, png),
    },
    ...[1, 7, 18].map(site),
  ];
}

/** Makes files of others, by chance. */
export class Mutation {
  /** @param random from 0 to 1 */
  constructor(private readonly random: () => number) {}

  /** @param others of the same door, whose parts may be put in */
  of(specimen: Specimen, others: readonly Specimen[]): Specimen {
    const part = inside[specimen.door];
    if (part === undefined || this.random() < 0.2) {
      return {
        ...specimen,
        bytes: this.changed(specimen, specimen.bytes, this.pick(others).bytes),
      };
    }
    try {
      const files = unzipSync(specimen.bytes);
      const own = files[part] as Bytes | undefined;
      return own
        ? {
            ...specimen,
            bytes: zipSync(
              { ...files, [part]: this.changed(specimen, own, own) },
              { level: 0 },
            ) as Bytes,
          }
        : specimen;
    } catch {
      // One that is broken already is changed as it is.
      return { ...specimen, bytes: this.changed(specimen, specimen.bytes, specimen.bytes) };
    }
  }

  pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.random() * list.length)];
  }

  private changed({ door }: Specimen, bytes: Bytes, other: Bytes): Bytes {
    let now = bytes;
    for (let i = 0; i < 1 + this.random() * 4; i++) {
      now = this.once(door, now, other);
    }
    return now.subarray(0, longest) as Bytes;
  }

  private once(door: Door, bytes: Bytes, other: Bytes): Bytes {
    const at = Math.floor(this.random() * (bytes.length + 1));
    const span = 1 + Math.floor(this.random() ** 3 * 200);
    const [before, part, after] = [
      bytes.subarray(0, at),
      bytes.subarray(at, at + span),
      bytes.subarray(at + span),
    ];
    switch (Math.floor(this.random() * 7)) {
      case 0:
        return joinedBytes([before, after]);
      case 1:
        return joinedBytes([before, part, part, after]);
      case 2:
        return joinedBytes([before, ...Array.from({ length: 50 }, () => part), after]);
      case 3:
        return joinedBytes([
          before,
          part.map((b) => b ^ (1 << Math.floor(this.random() * 8))),
          after,
        ]);
      case 4: {
        const from = Math.floor(this.random() * other.length);
        return joinedBytes([before, other.subarray(from, from + span), after]);
      }
      default:
        return joinedBytes([
          before,
          strToU8(this.pick([...words.any, ...wordsOf[door]])),
          part,
          after,
        ]);
    }
  }
}

/** Bytes of a changed file: it does not grow for ever. */
const longest = 20_000;
