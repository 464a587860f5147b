/**
 * Renders the pictures of the stand-in library: `npm run library`. The pictures go to
 * public/library, what is known of them to src/standins/library/catalogue.json; both are committed.
 * A picture that is there already is not drawn again.
 */
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { photograph, linear, type Scene, type Vec } from './march';
import { cells, fbm, hash, noise3, smoothstep } from './noise';
import { glazeOf, hillsOf, shelfOf, vessel } from './scenes';

type Painter = { readonly scene: Scene } | { readonly flat: (u: number, v: number) => Vec };
interface Entry {
  readonly title: string;
  readonly words: string;
  readonly subject: string;
  readonly size: readonly [number, number];
  readonly painter: Painter;
}

const wide = [1400, 640] as const;
const square = [1000, 1000] as const;
const tall = [840, 1260] as const;
const random = (seed: number, i: number): number => hash(seed, i, 77);
const glazes = [
  '#efe9dc',
  '#6f8f8a',
  '#6d8fa0',
  '#e3d6bd',
  '#a9b79a',
  '#8a6f5c',
  '#44606b',
  '#c9a15a',
  '#9b5a45',
  '#d8d0c8',
];

/** A pot of that seed: its outline and glaze. */
function pot(seed: number, x: number, z: number) {
  const height = 0.55 + 0.85 * random(seed, 1);
  const n = 5 + Math.floor(random(seed, 2) * 3);
  const radii = Array.from({ length: n }, (_, i) => {
    const h = i / (n - 1);
    return (
      0.2 +
      0.3 * Math.sin(Math.PI * (0.18 + 0.7 * h)) * (0.6 + 0.6 * random(seed, 3)) +
      0.16 * (random(seed, 10 + i) - 0.5)
    );
  });
  return vessel(
    x,
    z,
    height,
    radii.map((r) => Math.max(0.1, r)),
    linear(glazes[Math.floor(random(seed, 4) * glazes.length)]),
    0.2 + 0.45 * random(seed, 5),
    random(seed, 6),
    seed,
  );
}

const row = (seed: number, count: number): Scene => {
  const walls = ['#b9ab97', '#7c8a8c', '#c9bfae', '#5a5f5c', '#a88a76'];
  return shelfOf(
    Array.from({ length: count }, (_, i) =>
      pot(
        seed * 31 + i,
        (i - (count - 1) / 2) * 1.15 + 0.2 * (random(seed, i) - 0.5),
        0.35 * (random(seed, 20 + i) - 0.5),
      ),
    ),
    {
      wall: walls[seed % walls.length],
      camera: {
        eye: [0.5 * (random(seed, 40) - 0.5), 0.98, 6.4],
        target: [0, 0.6, 0],
        zoom: count > 3 ? 3.6 : 4.4,
      },
      light: [random(seed, 41) < 0.5 ? -0.62 : 0.62, 0.72, 0.52],
    },
  );
};

const alone = (seed: number): Scene =>
  shelfOf([pot(seed * 57, 0, 0)], {
    wall: ['#8f8578', '#b7bdb8', '#6b5f58'][seed % 3],
    camera: { eye: [0, 0.9, 5.2], target: [0, 0.62, 0], zoom: 4.2 },
    light: [0.55, 0.75, 0.5],
  });

const land = (shift: number, look: number): Scene =>
  hillsOf(
    [
      {
        shift,
        bare: ['#96492f', '#d69a6c'] as const,
        grass: '#6d7a55',
        horizon: '#f3d3a8',
        zenith: '#7f9fb0',
        light: [-0.78, 0.36, -0.1] as Vec,
        colour: [2.5, 1.85, 1.2] as Vec,
      },
      {
        shift,
        bare: ['#7a6a5c', '#b8a894'] as const,
        grass: '#56705a',
        horizon: '#dfe6e8',
        zenith: '#8aa9c0',
        light: [0.4, 0.8, 0.3] as Vec,
        colour: [1.9, 1.85, 1.75] as Vec,
      },
      {
        shift,
        bare: ['#5c3a44', '#a8657a'] as const,
        grass: '#4f5a60',
        horizon: '#f0b9a0',
        zenith: '#5a6690',
        light: [0.8, 0.22, -0.2] as Vec,
        colour: [2.4, 1.4, 1.1] as Vec,
      },
    ][look],
  );

const mix = (a: string, b: string, t: number): Vec => {
  const [p, q] = [linear(a), linear(b)];
  const k = Math.min(1, Math.max(0, t));
  return [p[0] + (q[0] - p[0]) * k, p[1] + (q[1] - p[1]) * k, p[2] + (q[2] - p[2]) * k];
};

const flats: Record<string, (u: number, v: number) => Vec> = {
  linen: (u, v) =>
    mix(
      '#cfc5b2',
      '#efe7d6',
      0.5 +
        0.25 * Math.sin(u * 420) * Math.sign(Math.sin(v * 210)) +
        0.5 * (fbm(u * 60, v * 60, 3, 3) - 0.5),
    ),
  indigo: (u, v) =>
    mix(
      '#22344f',
      '#4a6487',
      0.5 +
        0.3 * Math.sin(u * 500 + v * 500) * Math.sin(u * 500 - v * 500) +
        0.6 * (fbm(u * 9, v * 9, 1, 4) - 0.5),
    ),
  paper: (u, v) =>
    mix('#ddd3bf', '#f6f1e4', fbm(u * 14, v * 14, 2, 6) * 0.7 + 0.3 * noise3(u * 300, v * 60, 5)),
  plaster: (u, v) => mix('#a89a88', '#d9cdbb', fbm(u * 5 + fbm(u * 3, v * 3, 9), v * 5, 4, 6)),
  cracked: (u, v) => {
    const c = cells(u * 9 + 0.4 * fbm(u * 6, v * 6, 1), v * 9, 6);
    return mix(
      '#4a3428',
      '#a37a5c',
      smoothstep(0.0, 0.12, c.second - c.near) * (0.7 + 0.5 * fbm(u * 20, v * 20, 2, 3)),
    );
  },
  ripples: (u, v) =>
    mix(
      '#b08a5c',
      '#ecd4a8',
      0.5 +
        0.42 * Math.sin(v * 90 + 6 * fbm(u * 4, v * 3, 1, 4) * Math.PI) +
        0.2 * (noise3(u * 400, v * 400, 2) - 0.5),
    ),
  terrazzo: (u, v) => {
    const c = cells(u * 22, v * 22, 12);
    const stone = [
      mix('#a4553a', '#c98a63', c.id),
      mix('#3b4a45', '#6f8f8a', c.id),
      mix('#e3d6bd', '#ffffff', c.id),
    ][Math.floor(c.id * 2.999)];
    return c.near < 0.22 + 0.16 * c.id
      ? stone
      : mix('#d9d3c8', '#ece7de', fbm(u * 40, v * 40, 3, 3));
  },
  boards: (u, v) => {
    const board = Math.floor(v * 7);
    const grain = fbm(u * 5 + board * 3, v * 90 + 2 * fbm(u * 3, v * 9, board), board, 5);
    return mix(
      '#5b3f2a',
      '#b28a5e',
      grain * (1 - 0.7 * smoothstep(0.02, 0, Math.abs(v * 7 - Math.round(v * 7)))),
    );
  },
  moss: (u, v) => {
    const c = cells(u * 40, v * 40, 8);
    return mix('#2d3a22', '#8fa05c', (1 - c.near) * 0.8 * fbm(u * 8, v * 8, 3, 5) + 0.2);
  },
  smoke: (u, v) =>
    mix('#1d2226', '#8b8f92', fbm(u * 2.4 + 1.4 * fbm(u * 2, v * 2, 7), v * 4, 5, 6) ** 1.6),
  dusk: (u, v) => {
    const h = 0.62 + 0.05 * Math.sin(u * 9) + 0.04 * Math.sin(u * 23 + 2);
    return v > h
      ? mix('#1c2026', '#2b2f36', fbm(u * 30, v * 30, 2))
      : mix('#f0a070', '#3b4a6a', 1 - v / h);
  },
  river: (u, v) =>
    mix(
      '#24444a',
      '#9ec3c0',
      smoothstep(0.35, 0.75, fbm(u * 3, v * 26 + 3 * fbm(u * 4, v * 4, 2), 5, 5)),
    ),
  rings: (u, v) => {
    const r = Math.hypot(u - 0.46, (v - 0.52) * 0.7) * 60 + 2.4 * fbm(u * 4, v * 4, 2, 4);
    return mix(
      '#7a5232',
      '#d7b184',
      0.5 + 0.4 * Math.sin(r) * (0.6 + 0.4 * noise3(u * 90, v * 90, 3)),
    );
  },
  clayslab: (u, v) =>
    mix(
      '#8a4630',
      '#c07a58',
      fbm(u * 18, v * 4, 3, 5) * 0.8 +
        0.25 * Math.sin(v * 260 + 4 * fbm(u * 5, v * 5, 1)) * 0.4 +
        0.1,
    ),
};

const entries: readonly Entry[] = [
  ...[
    ['Bowls in a row', 'bowls shelf stoneware', 4],
    ['Morning shelf', 'pots shelf morning light', 5],
    ['Five for the market', 'pots market stall', 5],
    ['Tall and small', 'vases pots pair', 4],
    ['Kitchen set', 'jugs cups kitchen', 5],
    ['Grey wall, four pots', 'pots grey wall studio', 4],
    ['Drying board', 'pots drying clay board', 6],
    ['Three glazes', 'glaze test pots', 3],
    ['Before the firing', 'raw clay pots', 6],
  ].map(([title, words, count], i): Entry => ({
    title: title as string,
    words: words as string,
    subject: 'pots',
    size: wide,
    painter: { scene: row(i + 3, count as number) },
  })),
  ...[
    'A single vase',
    'The blue jar',
    'Quiet pot',
    'Stoneware bottle',
    'The tall one',
    'Cup by the wall',
  ].map((title, i): Entry => ({
    title,
    words: 'vase pot single still life',
    subject: 'pots',
    size: i % 2 ? square : tall,
    painter: { scene: alone(i + 2) },
  })),
  ...(
    [
      ['Celadon pool', '#b4c4a2', '#6f917a'],
      ['Tenmoku edge', '#6b3a20', '#2a1812'],
      ['Sea blue glaze', '#8fb4bf', '#35606f'],
      ['Shino white', '#efe6da', '#c9a890'],
      ['Iron red', '#a8583c', '#5c2618'],
      ['Ash green', '#a8a878', '#5f6440'],
    ] as const
  ).map(([title, thin, thick], i): Entry => ({
    title,
    words: 'glaze macro close-up surface',
    subject: 'glaze',
    size: i % 3 === 2 ? square : wide,
    painter: { scene: glazeOf(thin, thick, [0.2 + 0.7 * (i - 2.5), 0.25 + 0.05 * i, 3.6]) },
  })),
  ...(
    [
      ['Clay pits at evening', 14, 0],
      ['Noon over the hills', 33, 1],
      ['Violet ridge', 57, 2],
      ['Terraces', 81, 0],
      ['Pale morning hills', 104, 1],
      ['Last light', 139, 2],
    ] as const
  ).map(([title, shift, look], i): Entry => ({
    title,
    words: 'hills landscape sky clay',
    subject: 'landscape',
    size: i === 4 ? square : wide,
    painter: { scene: land(shift, look) },
  })),
  ...(
    [
      ['Linen', 'linen', 'cloth fabric weave', square],
      ['Indigo cloth', 'indigo', 'cloth fabric blue', wide],
      ['Handmade paper', 'paper', 'paper fibre pale', wide],
      ['Old plaster', 'plaster', 'wall plaster', wide],
      ['Cracked earth', 'cracked', 'earth dry ground', wide],
      ['Sand ripples', 'ripples', 'sand desert', wide],
      ['Terrazzo', 'terrazzo', 'floor stone chips', square],
      ['Workbench boards', 'boards', 'wood boards table', wide],
      ['Moss', 'moss', 'moss green forest', tall],
      ['Kiln smoke', 'smoke', 'smoke dark', wide],
      ['Dusk over the yard', 'dusk', 'sky evening silhouette', wide],
      ['River stones under water', 'river', 'water river', wide],
      ['Year rings', 'rings', 'wood rings', square],
      ['Clay slab', 'clayslab', 'clay surface', wide],
    ] as const
  ).map(([title, flat, words, size]): Entry => ({
    title,
    words,
    subject: ['ripples', 'dusk', 'river', 'moss'].includes(flat) ? 'nature' : 'texture',
    size,
    painter: { flat: flats[flat] },
  })),
];

/** Invented people. */
const makers = [
  'Orla Fennick',
  'Tamsin Quillow',
  'Bram Ostervel',
  'Ilka Marrendorf',
  'Jonty Pellarow',
  'Sunniva Halvarsund',
];
const licences = ['cc0', 'cc-by', 'cc-by', 'cc-by-sa', 'library', 'cc0'];

const encode = (v: number): number =>
  Math.round(
    255 * Math.min(1, Math.max(0, v <= 0.0031308 ? v * 12.92 : 1.055 * v ** (1 / 2.4) - 0.055)),
  );

function paint({ painter, size: [width, height] }: Entry): Buffer {
  if ('scene' in painter) {
    return Buffer.from(photograph(painter.scene, width, height, () => {}));
  }
  const data = Buffer.alloc(width * height * 3);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      data.set(
        painter.flat(x / width, (y / height) * (height / width)).map(encode),
        (y * width + x) * 3,
      );
    }
  }
  return data;
}

const slug = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^a-z]+/g, '-')
    .replace(/^-|-$/g, '');

const catalogue = entries.map((entry, i) => ({
  id: slug(entry.title),
  title: entry.title,
  words: entry.words,
  subject: entry.subject,
  width: entry.size[0],
  height: entry.size[1],
  maker: makers[(i * 7 + 3) % makers.length],
  licence: licences[(i * 5 + 1) % licences.length],
  date: `20${20 + (i % 6)}-${String(1 + ((i * 5) % 12)).padStart(2, '0')}-${String(1 + ((i * 11) % 28)).padStart(2, '0')}`,
}));

async function main(): Promise<void> {
  mkdirSync('src/standins/library', { recursive: true });
  writeFileSync('src/standins/library/catalogue.json', `${JSON.stringify(catalogue, null, 1)}\n`);
  mkdirSync('public/library', { recursive: true });
  for (const [i, entry] of entries.entries()) {
    const file = `public/library/${catalogue[i].id}.jpg`;
    const [width, height] = entry.size;
    if (existsSync(file)) {
      continue;
    }
    await sharp(paint(entry), { raw: { width, height, channels: 3 } })
      .jpeg({ quality: 78, mozjpeg: true })
      .toFile(file);
    process.stdout.write(`${file}\n`);
  }
}

void main();
