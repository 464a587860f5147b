import type { Raster } from '../raster/raster';
import type { Pointing } from './pointing';

/** Levels between neighbours from which on they are two colours to the eye of an edge. */
const step = 6;
/** An edge goes on straight for so many px at least, or it is part of a photograph or a letter. */
const straight = 24;

const differ = (data: Uint8ClampedArray, a: number, b: number): boolean =>
  Math.abs(data[a] - data[b]) > step ||
  Math.abs(data[a + 1] - data[b + 1]) > step ||
  Math.abs(data[a + 2] - data[b + 2]) > step;

/** Straight edges of a picture, by the px that begins after them. */
export interface StraightEdges {
  readonly width: number;
  readonly height: number;
  /** 1 where an upright edge lies left of a px. */
  readonly upright: Uint8Array;
  /** 1 where a level edge lies above a px. */
  readonly level: Uint8Array;
}

/** Keeps the runs of ones that are long enough, along one axis. */
function keepRuns(map: Uint8Array, length: number, count: number, stride: number, across: number) {
  for (let line = 0; line < count; line++) {
    let begin = -1;
    for (let i = 0; i <= length; i++) {
      const on = i < length && map[line * across + i * stride] === 1;
      if (on && begin < 0) {
        begin = i;
      } else if (!on && begin >= 0) {
        if (i - begin < straight) {
          for (let k = begin; k < i; k++) {
            map[line * across + k * stride] = 0;
          }
        }
        begin = -1;
      }
    }
  }
}

/** All edges of a picture that go on straight. */
export function straightEdges({ width, height, data }: Raster): StraightEdges {
  const upright = new Uint8Array(width * height);
  const level = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = y * width + x;
      if (x > 0 && differ(data, at * 4, at * 4 - 4)) {
        upright[at] = 1;
      }
      if (y > 0 && differ(data, at * 4, (at - width) * 4)) {
        level[at] = 1;
      }
    }
  }
  keepRuns(upright, height, width, width, 1);
  keepRuns(level, width, height, 1, width);
  return { width, height, upright, level };
}

/**
 * What can be pointed at in a picture of a page: the rectangle around a point that straight edges
 * enclose.
 */
export function picturePointing({ width, height, upright, level }: StraightEdges): Pointing {
  const inside = (x: number, y: number): boolean => x >= 0 && y >= 0 && x < width && y < height;
  /** From a place on until an edge is met there, or the picture ends. */
  const until = (from: number, by: 1 | -1, end: number, met: (at: number) => boolean): number => {
    let at = from;
    while (at !== end && !met(at)) {
      at += by;
    }
    return at;
  };
  return {
    boxAt(px, py) {
      const x = Math.floor(px);
      const y = Math.floor(py);
      if (!inside(x, y)) {
        return undefined;
      }
      const uprightAt = (at: number) => upright[y * width + at] === 1;
      const levelAt = (at: number) => level[at * width + x] === 1;
      const from = { x: until(x, -1, 0, uprightAt), y: until(y, -1, 0, levelAt) };
      const rect = {
        ...from,
        width: until(x + 1, 1, width, uprightAt) - from.x,
        height: until(y + 1, 1, height, levelAt) - from.y,
      };
      return { id: from.y * width + from.x, rect, name: '' };
    },
    edgeX(px, py, within) {
      const y = Math.min(height - 1, Math.max(0, Math.floor(py)));
      return nearestEdge(px, within, width, (at) => upright[y * width + at] === 1);
    },
    edgeY(px, py, within) {
      const x = Math.min(width - 1, Math.max(0, Math.floor(px)));
      return nearestEdge(py, within, height, (at) => level[at * width + x] === 1);
    },
  };
}

/** The nearest edge within reach along a line of px; the point itself where there is none. */
function nearestEdge(
  point: number,
  within: number,
  length: number,
  isEdge: (at: number) => boolean,
): number {
  const middle = Math.round(point);
  for (let away = 0; away <= within; away++) {
    for (const at of [middle - away, middle + away]) {
      const inside = at > 0 && at < length;
      if (at === 0 || at === length || (inside && isEdge(at))) {
        return at;
      }
    }
  }
  return point;
}
