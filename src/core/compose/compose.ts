import { colourOf } from '../colour/parse';
import type { DrawContext } from '../layers/kind';
import { kindOf } from '../layers/registry';
import { composite, fillRect, type Paint } from '../raster/composite';
import { copyRect, createRaster, intersect, isEmpty, unite, wholeRaster, type Raster, type Rect } from '../raster/raster';
import type { Ground, Layer } from '../site/model';

/** What there is to draw; names, texts and settings of a picture are no part of it. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  readonly ground: Ground;
  readonly layers: readonly Layer[];
}

export interface Composed {
  /** The whole picture; it belongs to the composer and changes with the next call. */
  readonly raster: Raster;
  /** Where it differs from the call before. */
  readonly changed: Rect;
  /** Where each visible layer has its pixels; layers that lie everywhere have the whole picture. */
  readonly bounds: Readonly<Record<string, Rect>>;
  /** Assets that were asked for and are not there yet. */
  readonly missing: readonly string[];
}

interface Painted {
  readonly state: string;
  readonly paint: Paint | undefined;
  readonly bounds: Rect;
  readonly layer: Layer;
}

const nowhere: Rect = { x: 0, y: 0, width: 0, height: 0 };

function shift(paint: Paint, by: { x: number; y: number }): Paint {
  return paint.type === 'solid' ? paint : { ...paint, x: paint.x + by.x, y: paint.y + by.y };
}

function boundsOf(paint: Paint | undefined, whole: Rect): Rect {
  if (!paint) return nowhere;
  if (paint.type === 'solid') return whole;
  const { width, height } = paint.type === 'mask' ? paint.mask : paint.raster;
  return { x: paint.x, y: paint.y, width, height };
}

/**
 * Draws a picture again and again, and each time only what an edit changed: shapes are kept per layer, what lies below
 * the lowest changed layer is kept flattened, and only the rectangle that the changed layers cover is composed.
 */
export function createComposer(resources: Pick<DrawContext, 'glyphs' | 'photo'>): { compose(drawing: Drawing): Composed } {
  let shapes = new Map<string, { key: string; paint: Paint | undefined }>();
  let last: { width: number; height: number; ground: string; painted: Painted[]; raster: Raster } | undefined;
  let below: { states: string; raster: Raster } | undefined;

  function paintLayers(drawing: Drawing, missing: Set<string>): Painted[] {
    const context: DrawContext = { ...resources, width: drawing.width, height: drawing.height };
    const kept: typeof shapes = new Map();
    const painted = drawing.layers.filter((layer) => !layer.hidden && layer.opacity > 0).map((layer) => {
      const kind = kindOf(layer), key = `${drawing.width}×${drawing.height} ${kind.key(layer)}`;
      const before = shapes.get(layer.id);
      const drawn = before?.key === key && before.paint ? before.paint : kind.draw(layer, context);
      if (!drawn && layer.kind === 'photo') missing.add(layer.assetId);
      kept.set(layer.id, { key, paint: drawn });
      const paint = drawn && shift(drawn, kind.place(layer)), place = kind.place(layer);
      const state = JSON.stringify([layer.id, key, place.x, place.y, layer.opacity, layer.blend, drawn !== undefined]);
      return { state, paint, layer, bounds: boundsOf(paint, { x: 0, y: 0, width: drawing.width, height: drawing.height }) };
    });
    shapes = kept;
    return painted;
  }

  function lay(raster: Raster, painted: readonly Painted[], clip: Rect): void {
    for (const { paint, layer } of painted) if (paint) composite(raster, paint, layer.opacity, layer.blend, clip);
  }

  /** The flattened ground and lower layers; kept until another number or state of them is wanted. */
  function flattened(drawing: Drawing, ground: string, lower: readonly Painted[]): Raster {
    const states = [ground, drawing.width, drawing.height, ...lower.map((p) => p.state)].join();
    if (below?.states !== states) {
      const raster = createRaster(drawing.width, drawing.height);
      if (drawing.ground.type === 'colour') fillRect(raster, colourOf(drawing.ground.colour));
      lay(raster, lower, wholeRaster(raster));
      below = { states, raster };
    }
    return below.raster;
  }

  function compose(drawing: Drawing): Composed {
    const missing = new Set<string>();
    const painted = paintLayers(drawing, missing);
    const ground = JSON.stringify(drawing.ground);
    const same = last && last.width === drawing.width && last.height === drawing.height && last.ground === ground ? last : undefined;
    const raster = same?.raster ?? createRaster(drawing.width, drawing.height);
    let changed = wholeRaster(raster), from = 0;
    if (same) {
      while (from < painted.length && from < same.painted.length && painted[from].state === same.painted[from].state) from++;
      const states = new Set(painted.map((p) => p.state)), before = new Set(same.painted.map((p) => p.state));
      const touched = [...same.painted.slice(from).filter((p) => !states.has(p.state)), ...painted.slice(from).filter((p) => !before.has(p.state))];
      // The layers that stayed, in another order: everything from the first difference may look different.
      const stayed = (list: readonly Painted[], other: Set<string>) => list.filter((p) => other.has(p.state)).map((p) => p.state).join();
      const reordered = stayed(painted, before) !== stayed(same.painted, states);
      const area = [...touched, ...(reordered ? painted.slice(from) : [])].reduce((sum, p) => unite(sum, p.bounds), nowhere);
      changed = intersect(area, wholeRaster(raster));
    }
    if (!isEmpty(changed)) {
      copyRect(raster, flattened(drawing, ground, painted.slice(0, from)), changed);
      lay(raster, painted.slice(from), changed);
    }
    last = { width: drawing.width, height: drawing.height, ground, painted, raster };
    return { raster, changed, bounds: Object.fromEntries(painted.map((p) => [p.layer.id, p.bounds])), missing: [...missing] };
  }

  return { compose };
}
