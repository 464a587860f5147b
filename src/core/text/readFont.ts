import { create, type Font as Opened } from 'fontkit';

import { limits } from '../measure/inspect';
import type { FontFacts } from '../site/model/theme';
import { FontError, isFont, signatureOf } from './fontFile';

/** What a font file says of itself. */
export interface FontReport extends FontFacts {
  readonly family: string;
  readonly weights: readonly [number, number];
}

interface Segment {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

/** The contours of a glyph as short straight pieces. */
function flatten(commands: readonly { command: string; args: number[] }[]): Segment[] {
  const out: Segment[] = [];
  const steps = 16;
  let x = 0;
  let y = 0;
  let startX = 0;
  let startY = 0;
  const to = (nx: number, ny: number) => {
    out.push({ x0: x, y0: y, x1: nx, y1: ny });
    x = nx;
    y = ny;
  };
  for (const { command, args: a } of commands) {
    if (command === 'moveTo') {
      x = startX = a[0];
      y = startY = a[1];
    } else if (command === 'lineTo') {
      to(a[0], a[1]);
    } else if (command === 'closePath') {
      to(startX, startY);
    } else {
      const [sx, sy] = [x, y];
      const cubic = command === 'bezierCurveTo';
      const [c1x, c1y] = a;
      const [c2x, c2y] = cubic ? [a[2], a[3]] : a;
      const [ex, ey] = a.slice(-2);
      for (let i = 1; i <= steps; i++) {
        const t = i / steps;
        const u = 1 - t;
        if (cubic) {
          to(
            u * u * u * sx + 3 * u * u * t * c1x + 3 * u * t * t * c2x + t * t * t * ex,
            u * u * u * sy + 3 * u * u * t * c1y + 3 * u * t * t * c2y + t * t * t * ey,
          );
        } else {
          to(u * u * sx + 2 * u * t * c1x + t * t * ex, u * u * sy + 2 * u * t * c1y + t * t * ey);
        }
      }
    }
  }
  return out;
}

/** Distances from a point, along a direction, at which it meets the contours. */
function crossings(
  segments: readonly Segment[],
  cx: number,
  cy: number,
  dx: number,
  dy: number,
): number[] {
  const found: number[] = [];
  for (const { x0, y0, x1, y1 } of segments) {
    const ex = x1 - x0;
    const ey = y1 - y0;
    const det = ex * dy - ey * dx;
    if (Math.abs(det) < 1e-9) {
      continue;
    }
    const along = ((x0 - cx) * dy - (y0 - cy) * dx) / -det;
    const away = ((x0 - cx) * ey - (y0 - cy) * ex) / -det;
    if (along >= 0 && along < 1 && away > 0) {
      found.push(away);
    }
  }
  return found.sort((a, b) => a - b);
}

/**
 * Thickest part of an o against its thinnest: how far the outer contour is from each place of the
 * inner one.
 * @returns 1 where the letter has no hole to look from
 */
export function strokeContrast(commands: readonly { command: string; args: number[] }[]): number {
  const segments = flatten(commands);
  const xs = segments.flatMap((s) => [s.x0, s.x1]);
  const ys = segments.flatMap((s) => [s.y0, s.y1]);
  const cx = (Math.min(...xs) + Math.max(...xs)) / 2;
  const cy = (Math.min(...ys) + Math.max(...ys)) / 2;
  const inner: [number, number][] = [];
  const outer: [number, number][] = [];
  for (let degrees = 0; degrees < 360; degrees += 2) {
    const t = (degrees * Math.PI) / 180;
    const c = Math.cos(t);
    const s = Math.sin(t);
    const found = crossings(segments, cx, cy, c, s);
    if (found.length < 2) {
      continue;
    }
    inner.push([cx + c * found[0], cy + s * found[0]]);
    outer.push([cx + c * found.at(-1)!, cy + s * found.at(-1)!]);
  }
  const thickness = inner.map(([x, y]) =>
    Math.min(...outer.map(([u, v]) => Math.hypot(u - x, v - y))),
  );
  const thinnest = Math.min(...thickness);
  return thickness.length > 0 && thinnest > 0 ? Math.max(...thickness) / thinnest : 1;
}

const round = (v: number): number => Math.round(v * 1000) / 1000;

interface InnerPoint {
  copy(): InnerPoint;
}

/** What the library keeps of a WOFF2 font and does not name in its types. */
interface Inner {
  _transformedGlyphs?: { points?: InnerPoint[] }[];
  readonly _variationProcessor: { transformPoints(id: number, points: InnerPoint[]): void } | null;
  variationCoords: number[] | null;
}

/**
 * The small o at the regular weight. The library makes no variation of a WOFF2 font, whose glyphs
 * it has unpacked already:
 * there its own table of variations is laid on the unpacked points.
 */
function regularO(font: Opened): readonly { command: string; args: number[] }[] {
  const axis = font.variationAxes?.wght;
  const glyph = font.glyphForCodePoint(0x6f);
  if (!axis) {
    return glyph.path.commands;
  }
  const regular = Math.min(axis.max, Math.max(axis.min, 400));
  const inner = font as unknown as Inner;
  const points = inner._transformedGlyphs?.[glyph.id]?.points;
  if (!points) {
    return font.getVariation({ wght: regular }).glyphForCodePoint(0x6f).path.commands;
  }
  inner.variationCoords = Object.entries(font.variationAxes).map(([tag, a]) =>
    tag === 'wght' ? regular : (a?.default ?? 0),
  );
  // A glyph is followed by four points for its metrics, which are not looked at here.
  inner._variationProcessor?.transformPoints(glyph.id, [
    ...points,
    ...points.slice(0, 1).flatMap((p) => [p.copy(), p.copy(), p.copy(), p.copy()]),
  ]);
  return font.getGlyph(glyph.id).path.commands;
}

function factsOf(font: Opened): FontFacts {
  const xHeight = font.xHeight || font.glyphForCodePoint(0x78).bbox.maxY;
  return {
    xHeight: round(xHeight / font.unitsPerEm),
    contrast: round(strokeContrast(regularO(font))),
  };
}

const wanted = 'a TTF, OTF, WOFF or WOFF2 font';
const collection = 'ttcf';

/**
 * Reads a font file: its name, weights and proportions. Type by its bytes, never by its name.
 * @throws FontError
 */
export function readFont(name: string, bytes: Uint8Array): FontReport {
  const refuse = (found: string) => new FontError(`${name}: expected ${wanted}, found ${found}.`);
  if (bytes.length === 0) {
    throw refuse('an empty file');
  }
  if (bytes.length > limits.bytes) {
    throw refuse(`${(bytes.length / 2 ** 20).toFixed(0)} MB`);
  }
  if (signatureOf(bytes) === collection) {
    throw refuse('a collection of several fonts');
  }
  if (!isFont(bytes)) {
    throw refuse('something else');
  }
  try {
    const font = create(bytes as Buffer) as Opened;
    const axis = font.variationAxes?.wght;
    const own = (font['OS/2'] as { usWeightClass?: number } | undefined)?.usWeightClass ?? 400;
    if (font.numGlyphs < 1 || !font.unitsPerEm) {
      throw new Error('no letters');
    }
    return {
      family: font.familyName || name.replace(/\.[a-z0-9]+$/i, ''),
      ...factsOf(font),
      weights: axis
        ? [Math.max(1, Math.round(axis.min)), Math.min(1000, Math.round(axis.max))]
        : [own, own],
    };
  } catch {
    throw refuse('one that is damaged');
  }
}
