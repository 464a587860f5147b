import { colourOf } from '../colour/parse';
import { createComposer, type Drawing } from '../compose/compose';
import type { DrawContext } from '../layers/kind';
import { drawOf } from '../layers/draw/registry';
import { kindOf } from '../layers/registry';
import { composite, fillRect } from '../raster/composite';
import { createRaster, type Mask, type Raster, type Rect } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { Layer } from '../site/model/layer';
import type { TextLayer } from '../site/model/objectLayers';
import { wantedContrast } from './contrast';
import {
  behindWords,
  inkRatio,
  textContrast,
  unpack,
  type Ink,
  type TextContrast,
} from './measure';
import { leastVeil } from './veil';

/** A veil that brings words to the wanted contrast, and its least strength in whole percent. */
export interface Veil {
  readonly colour: Hex;
  readonly percent: number;
}

/** How one text can be read, and what would make it. */
export interface TextReport {
  /** Where its glyphs lie on the picture. */
  readonly bounds: Rect;
  readonly contrast: TextContrast;
  /** What it is to be: 3 for large text, 4.5 for other. */
  readonly wanted: number;
  /** Where that is not reached everywhere: veils that reach it, weakest first. */
  readonly veils: readonly Veil[];
  /** Of the colours offered, those that the words would reach it in as things are. */
  readonly inks: readonly Hex[];
}

/** Cover of a text's own glyphs, with its corner on the picture. */
function coverOf(
  layer: TextLayer,
  context: DrawContext,
): { mask: Mask; x: number; y: number } | undefined {
  const kind = kindOf(layer);
  const paint = drawOf(layer)(layer, context);
  const at = kind.place(layer, context);
  if (paint?.type === 'mask') {
    return { mask: paint.mask, x: paint.x + at.x, y: paint.y + at.y };
  }
  if (paint?.type !== 'raster') {
    return undefined;
  }
  const { width, height, data } = paint.raster;
  return {
    mask: {
      width,
      height,
      data: Uint8Array.from({ length: width * height }, (_, i) => data[i * 4 + 3]),
    },
    x: paint.x + at.x,
    y: paint.y + at.y,
  };
}

/**
 * How each visible text of a picture stands off what lies behind it.
 * @param backdrop what shows through where the picture does not cover the page
 * @param colours for veils and for the words themselves
 */
export function legibilityOf(
  drawing: Drawing,
  resources: Pick<DrawContext, 'glyphs' | 'photo'>,
  backdrop: Hex,
  colours: readonly Hex[],
): Record<string, TextReport> {
  const composer = createComposer(resources);
  const reports: Record<string, TextReport> = {};
  const context: DrawContext = {
    ...resources,
    width: drawing.width,
    height: drawing.height,
    outsets: { left: 0, top: 0, right: 0, bottom: 0 },
    cutOut: () => {
      throw new Error('A text is never cut out.');
    },
  };
  const drawn = (layers: readonly Layer[]): Raster => {
    const out = createRaster(drawing.width, drawing.height);
    fillRect(out, colourOf(backdrop));
    composite(out, {
      type: 'raster',
      raster: composer.compose({ ...drawing, layers }).raster,
      x: 0,
      y: 0,
    });
    return out;
  };
  drawing.layers.forEach((layer, i) => {
    if (layer.kind !== 'text' || layer.hidden || layer.opacity <= 0) {
      return;
    }
    const cover = coverOf(layer, context);
    const dressed = layer.effects.some(
      (e) =>
        e.kind !== 'relief' &&
        !(e.kind === 'glow' && e.side === 'inside') &&
        !(e.kind === 'outline' && e.side === 'inside'),
    );
    if (!cover || cover.mask.width === 0) {
      return;
    }
    const behind = behindWords(
      drawn(drawing.layers.slice(0, dressed ? i + 1 : i)),
      cover.mask,
      cover.x,
      cover.y,
      dressed,
    );
    if (!behind) {
      return;
    }
    const ink: Ink = { colour: colourOf(layer.colour), opacity: layer.opacity };
    const contrast = textContrast(behind, ink);
    const wanted = wantedContrast(layer);
    const reached = contrast.worst >= wanted;
    // What an outline or a shadow covers, a veil would not change: then only another colour helps.
    const veils =
      reached || dressed
        ? []
        : colours.flatMap((colour): Veil[] => {
            const percent = leastVeil(behind, ink, colourOf(colour), wanted);
            return percent === undefined ? [] : [{ colour, percent }];
          });
    reports[layer.id] = {
      bounds: { x: cover.x, y: cover.y, width: cover.mask.width, height: cover.mask.height },
      contrast,
      wanted,
      veils: veils.sort((a, b) => a.percent - b.percent),
      inks: reached
        ? []
        : colours.filter((c) =>
            behind.colours.every(
              (packed) => inkRatio({ ...ink, colour: colourOf(c) }, unpack(packed)) >= wanted,
            ),
          ),
    };
  });
  return reports;
}
