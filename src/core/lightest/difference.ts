import { referenceOf } from '../likeness/loss';
import { lossWeights } from '../likeness/weights';
import { worstArea } from '../likeness/worstArea';
import { createRaster, type Raster, type Rect } from '../raster/raster';
import type { Hex } from '../site/model/hex';

/** The area that is marked, px: about a word. */
const marked = { width: 64, height: 32 };
/** Colour of the mark, and how far off the area and how wide it is, px. */
const mark = [168, 50, 42] as const;
const markWidth = 2;

function frame(raster: Raster, rect: Rect): void {
  const left = Math.max(0, rect.x - markWidth);
  const top = Math.max(0, rect.y - markWidth);
  const right = Math.min(raster.width, rect.x + rect.width + markWidth);
  const bottom = Math.min(raster.height, rect.y + rect.height + markWidth);
  for (let y = top; y < bottom; y++) {
    for (let x = left; x < right; x++) {
      const onFrame =
        x < left + markWidth ||
        x >= right - markWidth ||
        y < top + markWidth ||
        y >= bottom - markWidth;
      if (onFrame) {
        raster.data.set([...mark, 255], (y * raster.width + x) * 4);
      }
    }
  }
}

/**
 * How a file differs from what was drawn, on middle grey: each channel's difference times a factor,
 * with see-through px counted as black. The area where most is seen of it is framed, if any is.
 * @param drawn of the same size as the file
 * @param times how much it is amplified
 * @param under colour of the page, seen where the picture is see-through
 */
export function difference(drawn: Raster, file: Raster, times: number, under: Hex): Raster {
  const out = createRaster(drawn.width, drawn.height);
  for (let k = 0; k < out.data.length; k += 4) {
    const a = drawn.data[k + 3] / 255;
    const b = file.data[k + 3] / 255;
    for (let c = 0; c < 3; c++) {
      out.data[k + c] = 128 + times * (file.data[k + c] * b - drawn.data[k + c] * a);
    }
    out.data[k + 3] = 255;
  }
  const seen = referenceOf(drawn, under).seen(file, under, lossWeights);
  if (seen.some((v) => v > 0)) {
    frame(out, worstArea(seen, drawn, marked));
  }
  return out;
}
