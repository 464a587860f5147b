import { createAlphaMask, type AlphaMask } from './alphaMask';

/**
 * Distance of a straight edge from a pixel's middle, where it leaves `a` of the pixel inside;
 * positive when the middle is outside (S. Gustavson and R. Strand, "Anti-aliased Euclidean distance
 * transform", Pattern Recognition Letters 32, 2011).
 * @param gx @param gy direction of the gradient, of length 1
 */
function edgeDistance(gx: number, gy: number, a: number): number {
  const x = Math.max(Math.abs(gx), Math.abs(gy));
  const y = Math.min(Math.abs(gx), Math.abs(gy));
  if (y < 1e-6) {
    return 0.5 - a;
  }
  const corner = (0.5 * y) / x;
  if (a < corner) {
    return 0.5 * (x + y) - Math.sqrt(2 * x * y * a);
  }
  if (a < 1 - corner) {
    return (0.5 - a) * x;
  }
  return -0.5 * (x + y) + Math.sqrt(2 * x * y * (1 - a));
}

/**
 * What is nearer to none or to all of a pixel than this is meant to be it: sums of shares are not
 * exact.
 */
const little = 1 / 512;

/** A hair covers at least this much of its pixels, and this much more than what lies beside it. */
const faintest = 0.1;
const standsOut = 0.03;

/** An edge is sharp where a px inwards is covered by this much more than a px outwards. */
const sharp = 0.78;

/**
 * A pixel of the edge is not farther from the contour than this, px: the contour passes between it
 * and a neighbour, at most a corner away.
 */
const farthest = 1.5;

/**
 * Distance of the contour from a pixel's middle: of a sharp edge by the share of the pixel, of a
 * soft one where it is half covered.
 */
function awayFrom(c: number, gx: number, gy: number, inwards: number, outwards: number): number {
  if (inwards - outwards >= sharp) {
    return edgeDistance(gx, gy, c);
  }
  if (c < 0.5) {
    return inwards > c ? Math.min(farthest, (0.5 - c) / (inwards - c)) : 0.5 - c;
  }
  return outwards < c ? -Math.min(farthest, (c - 0.5) / (c - outwards)) : 0.5 - c;
}

/** Half the length of edge that one pixel stands for, px. */
const reachAlong = 0.5;

/**
 * Signed distance of every pixel's middle from the contour that a cover stands for, px: negative
 * inside. Each pixel of the edge says by its share where in it the contour lies, so that distances
 * are true to a tenth of a px; around corners that are sharp and turned, to half a px.
 * @param most distances beyond this are not worked out: Infinity, or minus that inside
 * @returns Infinity everywhere for a cover without anything in it
 */
export function signedDistance({ width, height, data }: AlphaMask, most = Infinity): AlphaMask {
  const out = createAlphaMask(width, height);
  const d = out.data;
  const edges = new Uint8Array(width * height);
  const full = new Uint8Array(width * height);
  const at = (x: number, y: number) =>
    data[Math.min(height - 1, Math.max(0, y)) * width + Math.min(width - 1, Math.max(0, x))];
  // Where the contour passes a pixel of the edge, and its direction there; the latter 0 where it
  // cannot be told.
  const px = new Float32Array(width * height);
  const py = new Float32Array(width * height);
  const nx = new Float32Array(width * height);
  const ny = new Float32Array(width * height);
  const off = new Float32Array(width * height);
  /** Between pixels, by the four around. */
  const between = (x: number, y: number): number => {
    const u = Math.floor(x);
    const v = Math.floor(y);
    const fx = x - u;
    const fy = y - v;
    return (
      (at(u, v) * (1 - fx) + at(u + 1, v) * fx) * (1 - fy) +
      (at(u, v + 1) * (1 - fx) + at(u + 1, v + 1) * fx) * fy
    );
  };
  const list: number[] = [];
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      const c = data[i];
      if (c <= little) {
        continue;
      }
      const e = at(x + 1, y);
      const w = at(x - 1, y);
      const s = at(x, y + 1);
      const n = at(x, y - 1);
      const whole = c >= 1 - little;
      // A pixel that is inside as a whole is one of the edge only where nothing lies right beside
      // it.
      if (whole && w > little && e > little && n > little && s > little) {
        continue;
      }
      const ne = at(x + 1, y - 1);
      const se = at(x + 1, y + 1);
      const nw = at(x - 1, y - 1);
      const sw = at(x - 1, y + 1);
      const most3 = Math.max(e, w, s, n, ne, se, nw, sw);
      const least3 = Math.min(e, w, s, n, ne, se, nw, sw);
      // Half covered is where the contour is; what is far from half belongs to the fringe of an
      // edge that is not sharp. A hair that covers no pixel by half stands out from what lies on
      // both sides of it.
      const hair = c < 0.5 && most3 < 0.5;
      if (
        hair
          ? !(
              c >= faintest &&
              ((c > w + standsOut && c > e + standsOut) || (c > n + standsOut && c > s + standsOut))
            )
          : !whole && (c < 0.5 ? most3 < 0.5 : least3 >= 0.5)
      ) {
        continue;
      }
      // Towards the outside, so against the gradient of the cover.
      const gx = nw + sw + Math.SQRT2 * w - ne - se - Math.SQRT2 * e;
      const gy = nw + ne + Math.SQRT2 * n - sw - se - Math.SQRT2 * s;
      const length = Math.hypot(gx, gy);
      edges[i] = 1;
      list.push(i);
      full[i] = whole ? 1 : 0;
      if (hair || length < 1e-4) {
        off[i] = -c / 2;
        px[i] = x;
        py[i] = y;
        continue;
      }
      nx[i] = gx / length;
      ny[i] = gy / length;
      const away = awayFrom(
        c,
        nx[i],
        ny[i],
        between(x - nx[i], y - ny[i]),
        between(x + nx[i], y + ny[i]),
      );
      off[i] = whole ? -0.5 : away;
      px[i] = x - nx[i] * away;
      py[i] = y - ny[i] * away;
    }
  }
  if (list.length === 0) {
    for (let i = 0; i < d.length; i++) {
      d[i] = data[i] >= 0.5 ? -Infinity : Infinity;
    }
    return out;
  }
  // Only where the contour goes straight on may a pixel speak for what lies beside its point.
  const along = new Float32Array(width * height);
  for (const i of list) {
    let straight = nx[i] !== 0 || ny[i] !== 0;
    for (let j = -1; j <= 1 && straight; j++) {
      for (let k = -1; k <= 1; k++) {
        const o = i + j * width + k;
        if (o >= 0 && o < edges.length && edges[o] && nx[o] * nx[i] + ny[o] * ny[i] < 0.93) {
          straight = false;
        }
      }
    }
    along[i] = straight ? reachAlong : 0;
  }
  const nearest = new Int32Array(width * height).fill(-1);
  let left = width;
  let right = 0;
  let top = height;
  let bottom = 0;
  for (const i of list) {
    const x = i % width;
    const y = (i - x) / width;
    nearest[i] = i;
    if (x < left) {
      left = x;
    }
    if (x > right) {
      right = x;
    }
    if (y < top) {
      top = y;
    }
    if (y > bottom) {
      bottom = y;
    }
  }
  // Nothing is asked farther out than distances are wanted.
  const wide = Math.min(most, width + height);
  left = Math.max(0, Math.floor(left - wide));
  top = Math.max(0, Math.floor(top - wide));
  right = Math.min(width - 1, Math.ceil(right + wide));
  bottom = Math.min(height - 1, Math.ceil(bottom + wide));

  const limit = Math.min(most, 1e9) ** 2;
  const squared = new Float32Array(width * height).fill(Infinity);
  for (const i of list) {
    squared[i] = 0;
  }
  /** Takes over a neighbour's pixel of the edge where its contour is nearer than what is known. */
  const ask = (i: number, x: number, y: number, f: number, outside: boolean): void => {
    let away: number;
    if (outside && full[f]) {
      // A pixel of the edge that is inside as a whole: what is nearest is somewhere on its sides.
      const fx = f % width;
      const u = Math.abs(x - fx) - 0.5;
      const v = Math.abs(y - (f - fx) / width) - 0.5;
      away = (u > 0 ? u * u : 0) + (v > 0 ? v * v : 0);
    } else {
      const u = x - px[f];
      const v = y - py[f];
      const ex = nx[f];
      const ey = ny[f];
      if (along[f] === 0) {
        away = u * u + v * v;
        if (ex === 0 && ey === 0) {
          away = Math.max(0, Math.sqrt(away) + off[f]) ** 2;
        }
      } else {
        const across = u * ex + v * ey;
        const beside = Math.abs(v * ex - u * ey) - along[f];
        away = across * across + (beside > 0 ? beside * beside : 0);
      }
    }
    if (away < squared[i] && away <= limit) {
      squared[i] = away;
      nearest[i] = f;
    }
  };
  // Every pixel asks its neighbours which pixel of the edge is nearest to them, in sweeps that
  // carry the answers across (P.-E. Danielsson, "Euclidean Distance Mapping", Computer Graphics and
  // Image Processing 14, 1980, with true distances).
  for (const down of [1, -1]) {
    for (let k = top; k <= bottom; k++) {
      const y = down > 0 ? k : top + bottom - k;
      const above = y - down;
      const row = y * width;
      const other = above >= top && above <= bottom ? above * width : -1;
      for (let x = left; x <= right; x++) {
        const i = row + x;
        if (edges[i]) {
          continue;
        }
        const outside = data[i] < 0.5;
        let f = -1;
        let g: number;
        if (other >= 0) {
          if ((g = nearest[other + x]) >= 0) {
            ask(i, x, y, g, outside);
            f = g;
          }
          if (x > left && (g = nearest[other + x - 1]) >= 0 && g !== f) {
            ask(i, x, y, g, outside);
            f = g;
          }
          if (x < right && (g = nearest[other + x + 1]) >= 0 && g !== f) {
            ask(i, x, y, g, outside);
            f = g;
          }
        }
        if (x > left && (g = nearest[i - 1]) >= 0 && g !== f) {
          ask(i, x, y, g, outside);
        }
      }
      for (let x = right - 1; x >= left; x--) {
        const i = row + x;
        const g = nearest[i + 1];
        if (g >= 0 && g !== nearest[i] && !edges[i]) {
          ask(i, x, y, g, data[i] < 0.5);
        }
      }
    }
  }
  for (let i = 0; i < d.length; i++) {
    const far = Math.sqrt(squared[i]);
    const signed = data[i] >= 0.5 ? -far : far;
    d[i] = edges[i] ? off[i] : signed;
  }
  return out;
}
