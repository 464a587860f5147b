import type { GradientGround } from '../site/model/picture';
import { drawGradient, gradientColour } from './gradient';

const gradient = (part: Partial<GradientGround> = {}): GradientGround => ({
  type: 'gradient',
  shape: 'linear',
  angle: 180,
  space: 'srgb',
  stops: [
    { at: 0, colour: '#3b4a45' },
    { at: 1, colour: '#4f6059' },
  ],
  ...part,
});
const row = (raster: ReturnType<typeof drawGradient>, y: number) =>
  Array.from(raster.data.subarray(y * raster.width * 4, (y + 1) * raster.width * 4));

test('a strip has its ends within a level of the two colours, and the mean of each row is the exact mix to a twentieth of a level', () => {
  const raster = drawGradient(gradient(), 64, 675);
  for (let y = 0; y < 675; y++) {
    const t = (y + 0.5) / 675;
    const levels = row(raster, y);
    for (let c = 0; c < 3; c++) {
      const [from, to] = [
        [59, 74, 69],
        [79, 96, 89],
      ].map((v) => v[c]);
      const exact = from + t * (to - from);
      // Rows in eights make up the dither's own square; a single row may be off by its share of it.
      const mean = levels.filter((_, i) => i % 4 === c).reduce((a, b) => a + b, 0) / 64;
      expect(Math.abs(mean - exact)).toBeLessThan(0.5);
    }
  }
  for (let y = 0; y + 8 <= 672; y += 8) {
    const exact = 59 + ((y + 4) / 675) * 20;
    const mean =
      Array.from(
        { length: 8 },
        (_, k) =>
          row(raster, y + k)
            .filter((_v, i) => i % 4 === 0)
            .reduce((a, b) => a + b, 0) / 64,
      ).reduce((a, b) => a + b, 0) / 8;
    expect(Math.abs(mean - exact)).toBeLessThan(0.05);
  }
});

test('a flat piece is exactly its colour: nothing is dithered that needs none', () => {
  const raster = drawGradient(
    gradient({
      stops: [
        { at: 0.5, colour: '#a4553a' },
        { at: 1, colour: '#efe9dc' },
      ],
    }),
    40,
    100,
  );
  for (let y = 0; y < 50; y++) {
    expect(
      new Set(
        Array.from({ length: 40 }, (_, x) =>
          Array.from(raster.data.subarray((y * 40 + x) * 4, (y * 40 + x) * 4 + 3)).join(),
        ),
      ),
    ).toEqual(new Set(['164,85,58']));
  }
});

test('no band: no two whole rows of a slow gradient are one level', () => {
  const raster = drawGradient(
    gradient({
      stops: [
        { at: 0, colour: '#404040' },
        { at: 1, colour: '#484848' },
      ],
    }),
    64,
    640,
  );
  const flat = Array.from(
    { length: 640 },
    (_, y) => new Set(row(raster, y).filter((_v, i) => i % 4 === 0)).size === 1,
  );
  let run = 0;
  let longest = 0;
  for (const even of flat) {
    run = even ? run + 1 : 0;
    longest = Math.max(longest, run);
  }
  // Without dither each level would stand for 80 rows.
  expect(longest).toBeLessThan(8);
});

test('angles run as CSS has them: 0 upwards, 90 to the right', () => {
  const corner = (angle: number) => {
    const { data } = drawGradient(
      gradient({
        angle,
        stops: [
          { at: 0, colour: '#000000' },
          { at: 1, colour: '#ffffff' },
        ],
      }),
      20,
      20,
    );
    return [data[0], data[19 * 4], data[19 * 20 * 4]];
  };
  expect(corner(90)[1]).toBeGreaterThan(240);
  expect(corner(90)[0]).toBeLessThan(10);
  expect(corner(0)[2]).toBeLessThan(10);
  expect(corner(180)[2]).toBeGreaterThan(240);
});

test('OKLCH goes round by the hue, sRGB straight through the grey', () => {
  const stops = [
    { at: 0, colour: '#c8553d' },
    { at: 1, colour: '#2f6f8f' },
  ];
  const chroma = ({ r, g, b }: { r: number; g: number; b: number }) =>
    Math.max(r, g, b) - Math.min(r, g, b);
  expect(chroma(gradientColour(gradient({ stops, space: 'oklch' }), 0.5))).toBeGreaterThan(
    chroma(gradientColour(gradient({ stops, space: 'srgb' }), 0.5)) + 40,
  );
});
