import type { Raster } from '../raster/raster';

/** How a picture joins with itself along an axis, levels. */
export interface JoinStep {
  /** Mean over the join of each pair's largest channel difference. */
  readonly across: number;
  /**
   * The same between neighbouring lines inside the picture: nineteen of twenty pairs of lines have
   * no larger step.
   */
  readonly inside: number;
  /** Largest channel difference of any pair across the join. */
  readonly largest: number;
}

/** Mean of the largest channel differences, premultiplied, of the px of two lines. */
function stepBetween(
  { data }: Raster,
  a: number,
  b: number,
  count: number,
  step: number,
): { mean: number; largest: number } {
  let sum = 0;
  let largest = 0;
  for (let n = 0; n < count; n++, a += step, b += step) {
    const aa = data[a + 3];
    const ab = data[b + 3];
    const d = Math.max(
      Math.abs(data[a] * aa - data[b] * ab) / 255,
      Math.abs(data[a + 1] * aa - data[b + 1] * ab) / 255,
      Math.abs(data[a + 2] * aa - data[b + 2] * ab) / 255,
      Math.abs(aa - ab),
    );
    sum += d;
    if (d > largest) {
      largest = d;
    }
  }
  return { mean: sum / count, largest };
}

/**
 * Mean step between two lines of a raster that lie side by side, levels: columns where the axis is
 * x.
 */
export function lineStep(raster: Raster, axis: 'x' | 'y', a: number, b: number): number {
  const { width, height } = raster;
  const lineAt = axis === 'x' ? 4 : width * 4;
  return stepBetween(
    raster,
    a * lineAt,
    b * lineAt,
    axis === 'x' ? height : width,
    axis === 'x' ? width * 4 : 4,
  ).mean;
}

/**
 * The step across a picture's join against the steps inside of it.
 * @param axis x for a picture that is repeated sideways, y for downwards
 */
export function joinStep(raster: Raster, axis: 'x' | 'y'): JoinStep {
  const { width, height } = raster;
  const length = axis === 'x' ? width : height;
  const count = axis === 'x' ? height : width;
  const lineAt = axis === 'x' ? 4 : width * 4;
  const step = axis === 'x' ? width * 4 : 4;
  const { mean: across, largest } = stepBetween(raster, (length - 1) * lineAt, 0, count, step);
  const inner = Float64Array.from(
    { length: length - 1 },
    (_, i) => stepBetween(raster, i * lineAt, (i + 1) * lineAt, count, step).mean,
  ).sort();
  return {
    across,
    largest,
    inside:
      inner.length === 0 ? 0 : inner[Math.min(inner.length - 1, Math.floor(inner.length * 0.95))],
  };
}

/**
 * It joins where its step is hardly larger than the picture's own, as one in twenty is, or too
 * small to be seen (2 levels; common practice, no source).
 */
export const joinHolds = ({ across, inside }: JoinStep): boolean =>
  across <= Math.max(2, inside * 1.25);
