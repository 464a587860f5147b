import { lightnessOf } from '../colour/lightness';
import { createRaster, crop, type Raster, type Rect } from '../raster/raster';
import type { Side } from '../site/model/slot';

/* Parts that stand for the whole picture, so that most of a search writes small files. */

/** Blocks start on whole groups of what codecs work on, px. */
const grid = 16;
/** Blocks of a sample, about: fewer tell more of one place than of the picture. */
const blockCount = 6;
/** A sample has about so many px, and never more than half of the picture's. */
const samplePx = { least: 50_000, most: 170_000 };

const lightnessAt = ({ data }: Raster, k: number): number =>
  lightnessOf(data[k], data[k + 1], data[k + 2]) * (data[k + 3] / 255);

/**
 * How much goes on in a block: mean step of lightness between every fourth px and its right
 * neighbour.
 */
function activity(raster: Raster, { x, y, width, height }: Rect): number {
  let sum = 0;
  let n = 0;
  for (let v = y; v < y + height; v += 4) {
    for (let u = x; u < x + width - 1; u += 4, n++) {
      const k = (v * raster.width + u) * 4;
      sum += Math.abs(lightnessAt(raster, k + 4) - lightnessAt(raster, k));
    }
  }
  return n > 0 ? sum / n : 0;
}

/** A block of the same size around the middle of an area. */
function around({ width, height }: Raster, block: Rect, area: Rect): Rect {
  const from = (middle: number, length: number, end: number): number =>
    Math.max(0, Math.min(end - length, Math.round((middle - length / 2) / grid) * grid));
  return {
    ...block,
    x: from(area.x + area.width / 2, block.width, width),
    y: from(area.y + area.height / 2, block.height, height),
  };
}

const holds = (block: Rect, { x, y, width, height }: Rect): boolean =>
  block.x <= x &&
  block.y <= y &&
  block.x + block.width >= x + width &&
  block.y + block.height >= y + height;

/**
 * The blocks of a sample: those whose activities stand for all, and with them the place where loss is
 * seen first.
 * @param first that place
 */
export function sampleBlocks(raster: Raster, first: Rect): Rect[] {
  const blocks = evenBlocks(raster);
  return blocks.some((block) => holds(block, first))
    ? blocks
    : [...blocks.slice(0, -1), around(raster, blocks.at(-1)!, first)];
}

/** Px of a sample of a picture. */
export const sampleArea = (raster: Raster): number =>
  evenBlocks(raster).reduce((sum, block) => sum + block.width * block.height, 0);

/** In order of activity every so manieth block. */
function evenBlocks(raster: Raster): Rect[] {
  const { width, height } = raster;
  const wanted = Math.min(
    samplePx.most,
    Math.max(samplePx.least, (width * height) / 8),
    (width * height) / 2,
  );
  const side = Math.sqrt(wanted / blockCount);
  const onGrid = (length: number) => Math.max(grid * 3, Math.round(length / grid) * grid);
  // What is low is taken in its whole height, and what is narrow in its whole width.
  const h = Math.min(height, height < 1.5 * side ? height : onGrid(side));
  const w = Math.min(width, onGrid(wanted / blockCount / h));
  const blocks: Rect[] = [];
  for (let y = 0; y + h <= height; y += Math.max(grid, Math.floor(h / grid) * grid)) {
    for (let x = 0; x + w <= width; x += Math.max(grid, Math.floor(w / grid) * grid)) {
      blocks.push({ x, y, width: w, height: h });
    }
  }
  const count = Math.max(1, Math.min(blocks.length, Math.round(wanted / (w * h))));
  if (count === 1 && w * h > wanted && w * h > grid * grid) {
    // A picture of one block or so: its middle alone.
    const shrink = Math.sqrt(wanted / (w * h));
    const sw = Math.max(1, Math.round(w * shrink));
    const sh = Math.max(1, Math.round(h * shrink));
    return [{ x: (width - sw) >> 1, y: (height - sh) >> 1, width: sw, height: sh }];
  }
  const ranked = blocks
    .map((block) => ({ block, by: activity(raster, block) }))
    .sort((a, b) => a.by - b.by || a.block.y - b.block.y || a.block.x - b.block.x);
  return Array.from(
    { length: count },
    (_, i) => ranked[Math.floor(((i + 0.5) * ranked.length) / count)].block,
  );
}

/** The blocks side by side as one raster. */
export function sampleOf(raster: Raster, first: Rect): Raster {
  const blocks = sampleBlocks(raster, first);
  const [{ width, height }] = blocks;
  const out = createRaster(width * blocks.length, height);
  blocks.forEach((block, i) => {
    const part = crop(raster, block);
    for (let y = 0; y < height; y++) {
      out.data.set(
        part.data.subarray(y * width * 4, (y + 1) * width * 4),
        (y * out.width + i * width) * 4,
      );
    }
  });
  return out;
}

/** Px of a strip along a side; a codec's blocks at the border depend on little more. */
const stripPx = 32;

/** A strip along a side that begins where the codec's blocks begin. */
export function borderStrip(raster: Raster, side: Side): Raster {
  const { width, height } = raster;
  const from = (length: number) => Math.max(0, Math.floor((length - stripPx) / grid) * grid);
  switch (side) {
    case 'top':
      return crop(raster, { x: 0, y: 0, width, height: Math.min(stripPx, height) });
    case 'bottom':
      return crop(raster, { x: 0, y: from(height), width, height: height - from(height) });
    case 'left':
      return crop(raster, { x: 0, y: 0, width: Math.min(stripPx, width), height });
    case 'right':
      return crop(raster, { x: from(width), y: 0, width: width - from(width), height });
  }
}
