import { least } from 'd3-array';
import { colourOf } from '../colour/parse';
import { createComposer, type Drawing } from '../compose/compose';
import type { DrawContext } from '../layers/kind';
import { drawOf } from '../layers/draw/registry';
import { kindOf } from '../layers/registry';
import { composite, fillRect } from '../raster/composite';
import { createRaster, unite, type Mask, type Raster, type Rect } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { Layer } from '../site/model/layer';
import type { TextLayer } from '../site/model/objectLayers';
import {
  behindWords,
  inkRatio,
  textContrast,
  unpack,
  type Behind,
  type Ink,
  type TextContrast,
} from './measure';
import { sizesShown, type LiveScales } from './liveSizes';
import { leastVeil } from './veil';

/** A veil that brings words to the wanted contrast, and its least strength in whole percent. */
export interface Veil {
  readonly colour: Hex;
  readonly percent: number;
}

/** How one text can be read, and what would make it. */
export interface TextReport {
  /** Where its glyphs lie on the picture, in all sizes that they are shown in. */
  readonly bounds: Rect;
  readonly contrast: TextContrast;
  /** What it is to be: 3 for large text, 4.5 for other. */
  readonly wanted: number;
  /** A screen width that all this is so at; undefined for the picture at its own size. */
  readonly screen?: number;
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

/** A text in one of the sizes it is shown in. */
interface Shown extends Pick<TextReport, 'bounds' | 'contrast' | 'wanted' | 'screen'> {
  readonly behind: Behind;
}

/** The least veil of a colour with which a text is read in all of its sizes; undefined if none is. */
function veilOf(colour: Hex, shown: readonly Shown[], ink: Ink): Veil | undefined {
  let percent = 0;
  for (const { behind, wanted } of shown) {
    const needed = leastVeil(behind, ink, colourOf(colour), wanted);
    if (needed === undefined) {
      return undefined;
    }
    percent = Math.max(percent, needed);
  }
  return { colour, percent };
}

/**
 * How each visible text of a picture stands off what lies behind it: words that are text of the page
 * in every size that they are shown in, and reported as they stand where they stand worst.
 * @param backdrop what shows through where the picture does not cover the page
 * @param colours for veils and for the words themselves
 * @param live undefined where no words are text of the page
 * @param rest waited for between the sizes, so that what a person does goes first
 */
export async function legibilityOf(
  drawing: Drawing,
  resources: Pick<DrawContext, 'glyphs' | 'photos'>,
  backdrop: Hex,
  colours: readonly Hex[],
  live?: LiveScales,
  rest: () => Promise<void> = async () => {},
): Promise<Record<string, TextReport>> {
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
  for (const [i, layer] of drawing.layers.entries()) {
    if (layer.kind !== 'text' || layer.hidden || layer.opacity <= 0) {
      continue;
    }
    const dressed = layer.effects.some(
      (e) =>
        e.kind !== 'relief' &&
        !(e.kind === 'glow' && e.side === 'inside') &&
        !(e.kind === 'outline' && e.side === 'inside'),
    );
    const under = drawn(drawing.layers.slice(0, dressed ? i + 1 : i));
    const ink: Ink = { colour: colourOf(layer.colour), opacity: layer.opacity };
    const shown: Shown[] = [];
    for (const size of sizesShown(layer, layer.live ? live : undefined)) {
      const cover = coverOf({ ...layer, sizePx: layer.sizePx * size.enlarged }, context);
      const behind =
        cover && cover.mask.width > 0
          ? behindWords(under, cover.mask, cover.x, cover.y, dressed)
          : undefined;
      if (cover && behind) {
        const { mask, x, y } = cover;
        shown.push({
          behind,
          bounds: { x, y, width: mask.width, height: mask.height },
          contrast: textContrast(behind, ink),
          wanted: size.wanted,
          screen: size.screen,
        });
      }
      await rest();
    }
    const worst = least(shown, ({ contrast, wanted }) => contrast.worst / wanted);
    if (!worst) {
      continue;
    }
    const reached = worst.contrast.worst >= worst.wanted;
    // What an outline or a shadow covers, a veil would not change: then only another colour helps.
    const veils = reached || dressed ? [] : colours.flatMap((c) => veilOf(c, shown, ink) ?? []);
    const { contrast, wanted, screen } = worst;
    reports[layer.id] = {
      bounds: shown.map(({ bounds }) => bounds).reduce(unite),
      contrast,
      wanted,
      ...(screen !== undefined && { screen }),
      veils: veils.sort((a, b) => a.percent - b.percent),
      inks: reached
        ? []
        : colours.filter((c) =>
            shown.every(({ behind, wanted: ratio }) =>
              behind.colours.every(
                (packed) => inkRatio({ ...ink, colour: colourOf(c) }, unpack(packed)) >= ratio,
              ),
            ),
          ),
    };
  }
  return reports;
}
