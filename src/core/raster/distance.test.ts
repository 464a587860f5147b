import fc from 'fast-check';
import { blur } from './blur';
import { createAlphaMask } from './alphaMask';
import { signedDistance } from './distance';
import { nearestMark } from './nearestMark';
import { arc, fillPolygon } from './polygon';

const circle = (cx: number, cy: number, r: number, size: number) =>
  fillPolygon(arc(cx, cy, r, r, 0, 2 * Math.PI), size, size);

test('the area of circles and turned squares is exact', () => {
  for (const r of [3.2, 10, 21.7]) {
    const sum = circle(30.3, 29.9, r, 60).data.reduce((a, b) => a + b, 0);
    expect(Math.abs(sum - Math.PI * r * r)).toBeLessThan(0.001 * Math.PI * r * r);
  }
  for (const degrees of [0, 13, 45, 80]) {
    const t = (degrees * Math.PI) / 180;
    const corner = (i: number) => ({
      x: 30.2 + 18 * Math.cos(t + (i * Math.PI) / 2),
      y: 30.7 + 18 * Math.sin(t + (i * Math.PI) / 2),
    });
    const sum = fillPolygon([0, 1, 2, 3].map(corner), 60, 60).data.reduce((a, b) => a + b, 0);
    expect(sum).toBeCloseTo(2 * 18 * 18, 2);
  }
});

test('a polygon at fractions of px covers its border pixels by their share, and is cut by the frame', () => {
  const { data } = fillPolygon(
    [
      { x: 0.25, y: -3 },
      { x: 2.5, y: -3 },
      { x: 2.5, y: 1.5 },
      { x: 0.25, y: 1.5 },
    ],
    3,
    3,
  );
  expect(Array.from(data)).toEqual([0.75, 1, 0.5, 0.375, 0.5, 0.25, 0, 0, 0]);
  const cut = fillPolygon(
    [
      { x: -10, y: -10 },
      { x: 30, y: -10 },
      { x: 30, y: 30 },
      { x: -10, y: 30 },
    ],
    4,
    4,
  );
  expect(Array.from(cut.data)).toEqual(new Array(16).fill(1));
});

test('the nearest mark is the one a search through all finds', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 14 }),
      fc.integer({ min: 1, max: 14 }),
      fc.array(fc.nat(195), { maxLength: 12 }),
      (w, h, places) => {
        const marked = new Uint8Array(w * h);
        for (const p of places) {
          marked[p % marked.length] = 1;
        }
        const found = nearestMark(marked, w, h);
        const away = (i: number, k: number) =>
          ((i % w) - (k % w)) ** 2 + (Math.floor(i / w) - Math.floor(k / w)) ** 2;
        const marks = [...marked.keys()].filter((i) => marked[i]);
        found.forEach((f, i) => {
          if (marks.length === 0) {
            expect(f).toBe(-1);
            return;
          }
          expect(marked[f]).toBe(1);
          expect(away(i, f)).toBe(Math.min(...marks.map((m) => away(i, m))));
        });
      },
    ),
  );
});

test('distances from a circle are true to a tenth of a px, from inside to far outside', () => {
  for (const [cx, cy, r] of [
    [40, 40, 20],
    [39.3, 40.6, 12.37],
    [40.5, 40.1, 5.2],
  ] as const) {
    const { data } = signedDistance(circle(cx, cy, r, 80));
    let worst = 0;
    for (let y = 0; y < 80; y++) {
      for (let x = 0; x < 80; x++) {
        const from = Math.hypot(x + 0.5 - cx, y + 0.5 - cy);
        if (from > 2) {
          worst = Math.max(worst, Math.abs(data[y * 80 + x] - (from - r)));
        }
      }
    }
    expect(worst).toBeLessThan(0.1);
  }
});

test('distances from squares, upright and turned, are true to a tenth of a px, and to half a px around turned corners', () => {
  for (const degrees of [0, 20, 45]) {
    const t = (degrees * Math.PI) / 180;
    const half = 14;
    const cx = 40;
    const cy = 40;
    const corners = [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ].map(([u, v]) => ({
      x: cx + half * (u * Math.cos(t) - v * Math.sin(t)),
      y: cy + half * (u * Math.sin(t) + v * Math.cos(t)),
    }));
    const { data } = signedDistance(fillPolygon(corners, 80, 80));
    let besideEdges = 0;
    let aroundCorners = 0;
    for (let y = 0; y < 80; y++) {
      for (let x = 0; x < 80; x++) {
        const dx = x + 0.5 - cx;
        const dy = y + 0.5 - cy;
        const u = Math.abs(dx * Math.cos(t) + dy * Math.sin(t)) - half;
        const v = Math.abs(-dx * Math.sin(t) + dy * Math.cos(t)) - half;
        const wanted = Math.hypot(Math.max(0, u), Math.max(0, v)) + Math.min(0, Math.max(u, v));
        const error = Math.abs(data[y * 80 + x] - wanted);
        if (Math.min(u, v) > -1.5) {
          aroundCorners = Math.max(aroundCorners, error);
        }
        // Inside, near the diagonals, two edges are equally near.
        else if (wanted > 0 || Math.abs(u - v) > 1.5) {
          besideEdges = Math.max(besideEdges, error);
        }
      }
    }
    expect(besideEdges).toBeLessThan(degrees === 0 ? 0.001 : 0.1);
    expect(aroundCorners).toBeLessThan(degrees === 0 ? 0.001 : 0.5);
  }
});

test('a hair thinner than a px has a distance too, and nothing has none', () => {
  const hair = createAlphaMask(9, 9);
  for (let y = 0; y < 9; y++) {
    hair.data[y * 9 + 4] = 0.6;
  }
  const { data } = signedDistance(hair);
  expect(data[4 * 9 + 7]).toBeCloseTo(3 - 0.3, 1);
  expect(signedDistance(createAlphaMask(3, 3)).data[4]).toBe(Infinity);
});

test('around an edge that is soft, and one with a faint fringe, distances go from where it is half covered', () => {
  for (const sigma of [0.7, 1.5]) {
    const soft = blur(circle(40.3, 39.6, 18, 80), sigma);
    const { data } = signedDistance(soft);
    let worst = 0;
    for (let y = 0; y < 80; y++) {
      for (let x = 0; x < 80; x++) {
        const from = Math.hypot(x + 0.5 - 40.3, y + 0.5 - 39.6);
        if (from > 20 && from < 36) {
          worst = Math.max(worst, Math.abs(data[y * 80 + x] - (from - 18)));
        }
      }
    }
    expect(worst).toBeLessThan(0.2);
  }
  // The overshoot of a filter leaves traces around a thing; they are no edge.
  const ringed = circle(40, 40, 18, 80);
  for (let i = 0; i < ringed.data.length; i++) {
    const from = Math.hypot((i % 80) + 0.5 - 40, Math.floor(i / 80) + 0.5 - 40);
    if (from > 20 && from < 22) {
      ringed.data[i] = 0.04;
    }
  }
  const { data } = signedDistance(ringed);
  let worst = 0;
  for (let y = 0; y < 80; y++) {
    for (let x = 0; x < 80; x++) {
      const from = Math.hypot(x + 0.5 - 40, y + 0.5 - 40);
      if (from > 19.5) {
        worst = Math.max(worst, Math.abs(data[y * 80 + x] - (from - 18)));
      }
    }
  }
  expect(worst).toBeLessThan(0.12);
});
