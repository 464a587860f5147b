import { oklabPlane } from '../colour/oklab';
import { mipLevelOf } from '../frame/mipLevels';
import { resample } from '../frame/resample';
import { fillPolygon } from '../raster/polygon';
import { intersect, wholeRaster, type Raster, type Rect } from '../raster/raster';
import type { CutArea } from '../site/model/photoLayer';
import { edgeHiding, learnColours, unlikeness, type ColourModel } from './colourModel';
import { FlowGraph } from './maxFlow';

/*
 * A thing on a busy ground, out of a loop drawn roughly around it: a cut of the px inside that parts
 * the colours of both best and runs along edges (Rother, Kolmogorov and Blake, "GrabCut", 2004),
 * found small first and then, around its edge alone, ever larger.
 */

/** How much of the ground around a loop its colours are learned from, as a share of the loop. */
const around = 0.18;

/** The longer side of what is cut first, and of what is cut last, px. */
const smallest = 150;
const largest = 1200;

/** How often the colours are learned anew from what the cut says. */
const rounds = 6;

/** How much a boundary through one colour costs, against a px on the wrong side. */
const roughness = 22;

/** Px on both sides of an edge that are decided anew when it is twice as large. */
const band = 3;

/** A px of a colour that neither side has does not decide more than this. */
const mostCost = 14;

/** Parts of a thing less than this share of its largest, and holes less than that of all, are specks. */
const leastPart = 0.03;
const leastHole = 0.004;

/** Neighbours of a px that lie after it. */
const neighbours = [
  [1, 0, 1],
  [0, 1, 1],
  [1, 1, Math.SQRT1_2],
  [-1, 1, Math.SQRT1_2],
] as const;

/** One size that the part of a photo is cut at. */
interface Level {
  readonly width: number;
  readonly height: number;
  readonly lab: Float32Array;
  /** 1 inside the loop. */
  readonly inside: Uint8Array;
}

function levelOf(photo: Raster, loop: readonly number[], part: Rect, scale: number): Level {
  const times = Math.max(0, Math.floor(-Math.log2(scale)));
  const from = mipLevelOf(photo, times);
  const width = Math.max(4, Math.round(part.width * scale));
  const height = Math.max(4, Math.round(part.height * scale));
  const [scaleX, scaleY] = [width / part.width, height / part.height];
  const raster = resample(
    from,
    {
      x: -part.x * scaleX,
      y: -part.y * scaleY,
      scaleX: (scaleX * photo.width) / from.width,
      scaleY: (scaleY * photo.height) / from.height,
    },
    width,
    height,
  );
  const points = Array.from({ length: loop.length >> 1 }, (_, i) => ({
    x: (loop[2 * i] - part.x) * scaleX,
    y: (loop[2 * i + 1] - part.y) * scaleY,
  }));
  const cover = fillPolygon(points, width, height).data;
  return {
    width,
    height,
    lab: oklabPlane(raster.data),
    inside: Uint8Array.from(cover, (v) => (v >= 0.5 ? 1 : 0)),
  };
}

const pxWhere = (marks: Uint8Array, wanted: 0 | 1): number[] => {
  const out: number[] = [];
  marks.forEach((v, i) => {
    if (v === wanted) {
      out.push(i);
    }
  });
  return out;
};

/** Cuts the px that are open; the others stay as they are. */
function recut(
  { width, height, lab }: Level,
  thing: Uint8Array,
  open: Uint8Array,
  models: { readonly thing: ColourModel; readonly ground: ColourModel },
): Uint8Array {
  const node = new Int32Array(open.length).fill(-1);
  let n = 0;
  open.forEach((v, i) => {
    if (v) {
      node[i] = n++;
    }
  });
  const graph = new FlowGraph(n, 4 * n + 8);
  const hiding = edgeHiding(lab, width, height);
  const cost = (model: ColourModel, i: number) =>
    Math.min(mostCost, unlikeness(model, lab[3 * i], lab[3 * i + 1], lab[3 * i + 2]));
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      if (open[i]) {
        graph.tieTo(node[i], cost(models.ground, i), cost(models.thing, i));
      }
      for (const [dx, dy, near] of neighbours) {
        const [u, v] = [x + dx, y + dy];
        if (u < 0 || u >= width || v >= height) {
          continue;
        }
        const k = v * width + u;
        if (!open[i] && !open[k]) {
          continue;
        }
        const apart = roughness * near * hiding(i, k);
        if (open[i] && open[k]) {
          graph.join(node[i], node[k], apart);
        } else {
          const [own, other] = open[i] ? [i, k] : [k, i];
          graph.tieTo(node[own], thing[other] ? apart : 0, thing[other] ? 0 : apart);
        }
      }
    }
  }
  const side = graph.cut();
  return Uint8Array.from(thing, (v, i) => (open[i] ? side[node[i]] : v));
}

/** The share of the ground's own px that are as little like it as what is taken for the thing. */
const groundBeyond = 0.05;

/** Px in the loop that are hardly of the ground's colours; all, where that is next to nothing. */
function strangers({ lab, inside }: Level, ground: ColourModel, outside: number[]): number[] {
  const cost = (i: number) => unlikeness(ground, lab[3 * i], lab[3 * i + 1], lab[3 * i + 2]);
  const own = Float64Array.from(outside, cost).sort();
  const limit = own[Math.floor((1 - groundBeyond) * (own.length - 1))];
  const all = pxWhere(inside, 1);
  const strange = all.filter((i) => cost(i) > limit);
  return strange.length < all.length * 0.03 ? all : strange;
}

/** What is cut out first, small, with colours that are learned from round to round. */
function firstCut(level: Level): Uint8Array | undefined {
  const { lab, inside } = level;
  const outside = pxWhere(inside, 0);
  let ground = learnColours(lab, outside, 8);
  let thing = ground && learnColours(lab, strangers(level, ground, outside), 8);
  if (!ground || !thing) {
    return undefined;
  }
  let marks = inside;
  for (let round = 0; round < rounds; round++) {
    const next = recut(level, new Uint8Array(inside.length), inside, { thing, ground });
    const same = next.every((v, i) => v === marks[i]);
    marks = next;
    thing = learnColours(lab, pxWhere(marks, 1), 8);
    ground = learnColours(lab, pxWhere(marks, 0), 8);
    if (!thing || !ground) {
      return undefined;
    }
    if (same) {
      break;
    }
  }
  return marks;
}

/** A cut at twice the size: its edge is decided anew. */
function finer(level: Level, before: Level, marks: Uint8Array): Uint8Array {
  const { width, height, lab, inside } = level;
  const grown = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    const v = Math.min(before.height - 1, Math.floor(((y + 0.5) * before.height) / height));
    for (let x = 0; x < width; x++) {
      const u = Math.min(before.width - 1, Math.floor(((x + 0.5) * before.width) / width));
      grown[y * width + x] = inside[y * width + x] & marks[v * before.width + u];
    }
  }
  const open = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      const edge =
        (x + 1 < width && grown[i] !== grown[i + 1]) ||
        (y + 1 < height && grown[i] !== grown[i + width]);
      if (!edge) {
        continue;
      }
      for (let v = Math.max(0, y - band); v <= Math.min(height - 1, y + band); v++) {
        for (let u = Math.max(0, x - band); u <= Math.min(width - 1, x + band); u++) {
          open[v * width + u] = inside[v * width + u];
        }
      }
    }
  }
  const thing = learnColours(lab, pxWhere(grown, 1), 8);
  const ground = learnColours(lab, pxWhere(grown, 0), 8);
  return thing && ground ? recut(level, grown, open, { thing, ground }) : grown;
}

/** Parts of one kind that hang together, each with its px. */
function partsOf(marks: Uint8Array, width: number, wanted: 0 | 1): number[][] {
  const seen = new Uint8Array(marks.length);
  const parts: number[][] = [];
  for (let start = 0; start < marks.length; start++) {
    if (seen[start] || marks[start] !== wanted) {
      continue;
    }
    const part = [start];
    seen[start] = 1;
    for (let k = 0; k < part.length; k++) {
      const i = part[k];
      const x = i % width;
      for (const j of [x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1, i - width, i + width]) {
        if (j >= 0 && j < marks.length && !seen[j] && marks[j] === wanted) {
          seen[j] = 1;
          part.push(j);
        }
      }
    }
    parts.push(part);
  }
  return parts;
}

/** Takes specks of the thing away, and fills those of the ground in it. */
function withoutSpecks(marks: Uint8Array, width: number): Uint8Array {
  const out = marks.slice();
  const things = partsOf(out, width, 1);
  const most = Math.max(0, ...things.map((part) => part.length));
  for (const part of things) {
    if (part.length < most * leastPart) {
      part.forEach((i) => {
        out[i] = 0;
      });
    }
  }
  for (const part of partsOf(out, width, 0)) {
    if (part.length < most * leastHole) {
      part.forEach((i) => {
        out[i] = 1;
      });
    }
  }
  return out;
}

/** How long the stretches of ground and thing are, row by row, ground first. */
function runsOf(marks: Uint8Array): number[] {
  const runs: number[] = [];
  let kind = 0;
  let length = 0;
  for (const v of marks) {
    if (v === kind) {
      length++;
    } else {
      runs.push(length);
      kind = v;
      length = 1;
    }
  }
  runs.push(length);
  return runs;
}

/**
 * Cuts a thing out by a loop around it.
 *
 * @param loop corners, x and y in turn, px of the photo
 * @returns undefined where nothing in the loop stands off what is around it
 */
export function cutByLoop(photo: Raster, loop: readonly number[]): CutArea | undefined {
  const xs = loop.filter((_, i) => i % 2 === 0);
  const ys = loop.filter((_, i) => i % 2 === 1);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const more = Math.max(12, around * Math.max(right - left, bottom - top));
  const x = Math.floor(left - more);
  const y = Math.floor(top - more);
  const part = intersect(
    { x, y, width: Math.ceil(right + more) - x, height: Math.ceil(bottom + more) - y },
    wholeRaster(photo),
  );
  const long = Math.max(part.width, part.height);
  if (loop.length < 6 || Math.min(part.width, part.height) < 8) {
    return undefined;
  }
  const finest = Math.min(1, largest / long);
  const steps = Math.max(0, Math.ceil(Math.log2((long * finest) / smallest)));
  let level = levelOf(photo, loop, part, finest / 2 ** steps);
  let marks = firstCut(level);
  for (let step = steps - 1; step >= 0 && marks; step--) {
    const next = levelOf(photo, loop, part, finest / 2 ** step);
    marks = finer(next, level, withoutSpecks(marks, level.width));
    level = next;
  }
  if (!marks) {
    return undefined;
  }
  const cleaned = withoutSpecks(marks, level.width);
  const kept = cleaned.reduce((sum, v) => sum + v, 0);
  const looped = level.inside.reduce((sum, v) => sum + v, 0);
  return kept < looped * 0.01
    ? undefined
    : { ...part, columns: level.width, rows: level.height, runs: runsOf(cleaned) };
}

/**
 * Where the ground is that was cut off: 1 for each px of it.
 *
 * @param scale px here for each px of the photo
 */
export function groundOf(area: CutArea, width: number, height: number, scale: number): Uint8Array {
  const { columns, rows, runs } = area;
  const marks = new Uint8Array(columns * rows);
  let at = 0;
  runs.forEach((length, i) => {
    marks.fill(i % 2, at, at + length);
    at += length;
  });
  const mark = (u: number, v: number): number =>
    u < 0 || v < 0 || u >= columns || v >= rows ? 0 : marks[v * columns + u];
  const out = new Uint8Array(width * height).fill(1);
  const [kx, ky] = [columns / (area.width * scale), rows / (area.height * scale)];
  const from = (v: number) => Math.max(0, Math.floor(v * scale));
  const until = (v: number, most: number) => Math.min(most, Math.ceil(v * scale));
  for (let y = from(area.y); y < until(area.y + area.height, height); y++) {
    const v = (y + 0.5 - area.y * scale) * ky - 0.5;
    const v0 = Math.floor(v);
    for (let x = from(area.x); x < until(area.x + area.width, width); x++) {
      const u = (x + 0.5 - area.x * scale) * kx - 0.5;
      const u0 = Math.floor(u);
      const above = mark(u0, v0) * (u0 + 1 - u) + mark(u0 + 1, v0) * (u - u0);
      const below = mark(u0, v0 + 1) * (u0 + 1 - u) + mark(u0 + 1, v0 + 1) * (u - u0);
      out[y * width + x] = above * (v0 + 1 - v) + below * (v - v0) > 0.5 ? 0 : 1;
    }
  }
  return out;
}

/** Px on both sides of an edge within which colours are told apart. */
const edgeReach = 9;

/** Px off the edge where the ground's own colour is looked at. */
const beyondEdge = 3;

/**
 * How far px near the edge are from the colour of the ground there: a hundred times the distance in
 * OKLab; 0 in the ground.
 *
 * @param ground 1 where it is
 * @param nearest for each px of the thing the nearest one of the ground, or -1
 */
export function awayFromGround(
  lab: Float32Array,
  width: number,
  height: number,
  ground: Uint8Array,
  nearest: Int32Array,
): Float32Array {
  const out = new Float32Array(ground.length);
  for (let i = 0; i < out.length; i++) {
    const from = nearest[i];
    if (ground[i] || from < 0) {
      continue;
    }
    const x = i % width;
    const y = (i - x) / width;
    const fx = from % width;
    const fy = (from - fx) / width;
    const length = Math.hypot(x - fx, y - fy);
    if (length > edgeReach) {
      continue;
    }
    const within = (v: number, most: number) => Math.min(most - 1, Math.max(0, Math.round(v)));
    const u = within(fx - ((x - fx) / length) * beyondEdge, width);
    const v = within(fy - ((y - fy) / length) * beyondEdge, height);
    const k = 3 * (ground[v * width + u] ? v * width + u : from);
    out[i] =
      100 *
      Math.hypot(lab[3 * i] - lab[k], lab[3 * i + 1] - lab[k + 1], lab[3 * i + 2] - lab[k + 2]);
  }
  return out;
}
