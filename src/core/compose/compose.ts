import { colourOf } from '../colour/parse';
import type { Box } from '../arrange/box';
import { createCutOuts } from '../cutout/cutOut';
import { applyEffects, type FramedShape } from '../effects/applyEffects';
import { outsetsOf } from '../effects/outsets';
import type { DrawContext } from '../layers/kind';
import { drawOf, roughDrawOf } from '../layers/draw/registry';
import { isObject, kindOf } from '../layers/registry';
import { isRecolour } from '../layers/recolour';
import { adjust, type PixelMap } from '../raster/adjust';
import type { Photos } from '../frame/photos';
import { fileSize, hasOverlap, noOverlap, slotInFile, type Overlap } from '../frame/overlap';
import { composite, compositeAll, fillRect, type Paint } from '../raster/composite';
import { drawGradient } from '../raster/gradient';
import {
  copyRect,
  createRaster,
  intersect,
  isEmpty,
  unite,
  wholeRaster,
  type Raster,
  type Rect,
  type Rgb,
} from '../raster/raster';
import type { Layer } from '../site/model/layer';
import type { Ground } from '../site/model/picture';

/** What there is to draw; names, texts and settings of a picture are no part of it. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  readonly ground: Ground;
  readonly layers: readonly Layer[];
  /**
   * Px that the raster reaches beyond the slot, for layers that hang out over its edges; none where
   * it is left out.
   */
  readonly overlap?: Overlap;
}

export interface Composed {
  /** The whole picture; it belongs to the composer and changes with the next call. */
  readonly raster: Raster;
  /** Where it was drawn anew since the call before. */
  readonly changed: Rect;
  /** Nothing outside the focus is left as it was before: the raster is this drawing everywhere. */
  readonly complete: boolean;
  /** Something in it was drawn roughly, because it is in hand. */
  readonly rough: boolean;
  /** Where each visible layer has its pixels; layers that lie everywhere have the whole picture. */
  readonly bounds: Readonly<Record<string, Rect>>;
  /**
   * Where each layer that has a place lies, hidden ones too; of texts without their font nothing is
   * known yet.
   */
  readonly boxes: Readonly<Record<string, Box>>;
  /** Assets that were asked for and are not there yet. */
  readonly missing: readonly MissingAsset[];
}

/** An asset that is needed, and of a photo how often it may be halved. */
export interface MissingAsset {
  readonly assetId: string;
  readonly mipLevel: number;
}

type Missing = Map<string, MissingAsset['mipLevel']>;

const assetsOf = (missing: Missing): MissingAsset[] =>
  [...missing].map(([assetId, mipLevel]) => ({ assetId, mipLevel }));

/** A photo that is not there as large as it is needed, and how large it is. */
interface Lack extends MissingAsset {
  /** How often what is there is halved; undefined where there is none. */
  readonly found: number | undefined;
}

interface Painted {
  readonly state: string;
  readonly paint: Paint | undefined;
  readonly bounds: Rect;
  /** Where it may be seen. */
  readonly room: Rect;
  readonly layer: Layer;
  readonly rough: boolean;
}

/** What a layer draws: its own paint, and that with its effects. */
interface Shape {
  readonly key: string;
  readonly own: Paint | undefined;
  /** Of what it was drawn from; what is drawn of smaller photos stands until they come. */
  readonly lacking: readonly Lack[];
  readonly dressing: string;
  readonly paint: Paint | undefined;
  readonly framed?: FramedShape;
  /** The part in sight alone, and not as exactly. */
  readonly rough?: true;
}

/** A change of colours that reaches one layer only, with its strength. */
interface Recolouring {
  readonly state: string;
  readonly map: PixelMap;
  readonly strength: number;
}

/** Changes up to so many pixels are drawn at once, whatever the focus. */
const smallChange = 300_000;

const nowhere: Rect = { x: 0, y: 0, width: 0, height: 0 };

/** Paints that have no place of their own. */
const isEverywhere = (
  paint: Paint,
): paint is Extract<Paint, { type: 'solid' | 'adjust' | 'rework' }> =>
  paint.type === 'solid' || paint.type === 'adjust' || paint.type === 'rework';

function shift(paint: Paint, by: { x: number; y: number }): Paint {
  return isEverywhere(paint) ? paint : { ...paint, x: paint.x + by.x, y: paint.y + by.y };
}

function boundsOf(paint: Paint | undefined, whole: Rect): Rect {
  if (!paint) {
    return nowhere;
  }
  if (isEverywhere(paint)) {
    return whole;
  }
  const { width, height } = paint.type === 'raster' ? paint.raster : paint.mask;
  return { x: paint.x, y: paint.y, width, height };
}

/** A colour as it is after a change of colours. */
function recoloured(colour: Rgb, map: PixelMap, strength: number): Rgb {
  const one = createRaster(1, 1);
  fillRect(one, colour);
  adjust(one, map, strength);
  return { r: one.data[0], g: one.data[1], b: one.data[2] };
}

/** What was made of a paint, for one of the same pixels that may lie elsewhere. */
function movedTo(made: Paint, from: Paint, now: Paint): Paint | undefined {
  if (from === now) {
    return made;
  }
  return from.type === 'raster' &&
    now.type === 'raster' &&
    made.type === 'raster' &&
    from.raster === now.raster
    ? { ...made, x: now.x, y: now.y }
    : undefined;
}

const overlapOf = ({ overlap }: Drawing): Overlap => overlap ?? noOverlap;

/** Where a layer may be seen in the raster: in the slot, and beyond it if it hangs out. */
const roomOf = (layer: Layer, drawing: Drawing): Rect =>
  isObject(layer) && layer.hangs
    ? wholeRaster(fileSize(drawing, overlapOf(drawing)))
    : slotInFile(drawing, overlapOf(drawing));

/** A paint with its own colours changed, before it is laid on anything. */
function recolour(paint: Paint, list: readonly Recolouring[]): Paint {
  if (paint.type === 'adjust' || paint.type === 'erase' || paint.type === 'rework') {
    return paint;
  }
  if (paint.type !== 'raster') {
    return {
      ...paint,
      colour: list.reduce(
        (colour, { map, strength }) => recoloured(colour, map, strength),
        paint.colour,
      ),
    };
  }
  const raster = { ...paint.raster, data: paint.raster.data.slice() };
  for (const { map, strength } of list) {
    adjust(raster, map, strength);
  }
  return { ...paint, raster };
}

/**
 * Draws a picture again and again, and each time only what an edit changed: shapes are kept per
 * layer, what lies below the lowest changed layer is kept flattened, and only the rectangle that
 * the changed layers cover is composed. With a focus, of a large change only the part inside it is
 * drawn, layers that take long roughly, and all the rest by a later call without one.
 */
export function createComposer(resources: Pick<DrawContext, 'glyphs' | 'photos'>): {
  compose(drawing: Drawing, focus?: Rect): Composed;
  /** Lists the photographs and fonts that this drawing lacks; draws nothing. */
  lacking(drawing: Drawing): MissingAsset[];
} {
  let shapes = new Map<string, Shape>();
  /** Layers with their own colours changed, and what they were made of. */
  let recolours = new Map<string, { changes: string; from: Paint; paint: Paint }>();
  let grounds: { key: string; raster: Raster } | undefined;
  let last:
    { ground: string; painted: Painted[]; raster: Raster; stale: Rect; from: number } | undefined;
  let below: { states: string; raster: Raster } | undefined;
  const cutOut = createCutOuts();

  /** True while the assets that a shape lacked are still lacking. */
  const lacksTheSame = ({ lacking }: Shape): boolean =>
    lacking.every(
      ({ assetId, mipLevel, found }) =>
        resources.photos.exactly(assetId, mipLevel)?.mipLevel === found,
    );

  /**
   * A layer's own paint with its effects; both are used again for as long as nothing of them
   * changed.
   */
  function shapeOf(
    layer: Layer,
    drawing: Drawing,
    before: Shape | undefined,
    focus: Rect | undefined,
  ): Shape {
    const size = { width: drawing.width, height: drawing.height };
    const beyond = isObject(layer) && layer.hangs ? overlapOf(drawing) : noOverlap;
    const kind = kindOf(layer);
    const key = `${size.width}×${size.height} ${hasOverlap(beyond) ? JSON.stringify(beyond) : ''} ${layer.kind} ${kind.key(layer, size)}`;
    const effects = isObject(layer) ? layer.effects : [];
    const outsets = outsetsOf(effects);
    const same = before?.key === key && before.own && lacksTheSame(before) ? before : undefined;
    const lacking: Lack[] = [];
    const photos: Photos = {
      ...resources.photos,
      exactly(assetId, mipLevel) {
        const found = resources.photos.exactly(assetId, mipLevel);
        if (!found || found.mipLevel > mipLevel) {
          lacking.push({ assetId, mipLevel, found: found?.mipLevel });
        }
        return found;
      },
    };
    const context = {
      ...resources,
      photos,
      ...size,
      cutOut,
      outsets: {
        left: outsets.left + beyond.left,
        top: outsets.top + beyond.top,
        right: outsets.right + beyond.right,
        bottom: outsets.bottom + beyond.bottom,
      },
    };
    const hollow = kind.hollow?.(layer) ?? false;
    // The first time there is nothing to be quick for. Effects go by all of a shape.
    if (focus && before?.own && !same && effects.length === 0 && !hollow) {
      const { left, top } = overlapOf(drawing);
      const sight = { ...focus, x: focus.x - left, y: focus.y - top };
      const paint = roughDrawOf(layer)?.(layer, context, sight);
      if (paint) {
        const rough = `${key} in sight ${JSON.stringify(sight)}`;
        return { key: rough, own: paint, dressing: rough, paint, rough: true, lacking };
      }
    }
    const own = same?.own ?? drawOf(layer)(layer, context);
    const drawn = { key, own, lacking: same?.lacking ?? lacking };
    const dressing = `${key} ${JSON.stringify(drawn.lacking)} ${hollow} ${JSON.stringify(effects)}`;
    if (same?.dressing === dressing) {
      return same;
    }
    if (!own || isEverywhere(own) || own.type === 'erase' || (effects.length === 0 && !hollow)) {
      return { ...drawn, dressing, paint: own };
    }
    if (effects.length === 0) {
      return { ...drawn, dressing, paint: undefined };
    }
    const { paint, framed } = applyEffects({ paint: own, hollow }, effects, same?.framed);
    return { ...drawn, dressing, paint, framed };
  }

  /** Each layer's shape, drawn or as it was drawn before. */
  function drawLayers(
    drawing: Drawing,
    missing: Missing,
    focus: Rect | undefined,
  ): { layer: Layer; key: string; paint: Paint | undefined; rough: boolean }[] {
    const kept: typeof shapes = new Map();
    const drawn = drawing.layers
      .filter((layer) => !layer.hidden && layer.opacity > 0)
      .map((layer) => {
        const shape = shapeOf(layer, drawing, shapes.get(layer.id), focus);
        for (const { assetId, mipLevel } of shape.lacking) {
          missing.set(assetId, Math.min(mipLevel, missing.get(assetId) ?? mipLevel));
        }
        if (!shape.own) {
          for (const assetId of kindOf(layer).assets?.(layer) ?? []) {
            missing.set(assetId, missing.get(assetId) ?? 0);
          }
        }
        kept.set(layer.id, shape);
        return { layer, key: shape.dressing, paint: shape.paint, rough: shape.rough ?? false };
      });
    shapes = kept;
    return drawn;
  }

  const boxesOf = ({ layers, width, height }: Drawing): Record<string, Box> =>
    Object.fromEntries(
      layers.flatMap((layer) => {
        const box = kindOf(layer).box?.(layer, { glyphs: resources.glyphs, width, height });
        return box ? [[layer.id, box]] : [];
      }),
    );

  /**
   * Recolourings that reach only the layer beneath, by that layer; several above one layer follow
   * each other.
   */
  function reaching(drawn: ReturnType<typeof drawLayers>): Map<string, Recolouring[]> {
    const found = new Map<string, Recolouring[]>();
    drawn.forEach(({ layer, key, paint }, i) => {
      if (!isRecolour(layer) || layer.reach === 'below' || paint?.type !== 'adjust') {
        return;
      }
      const target = drawn.slice(0, i).findLast((d) => !isRecolour(d.layer))?.layer.id;
      if (target !== undefined) {
        found.set(target, [
          ...(found.get(target) ?? []),
          { state: `${key} ${layer.opacity}`, map: paint.map, strength: layer.opacity },
        ]);
      }
    });
    return found;
  }

  function paintLayers(drawing: Drawing, missing: Missing, focus: Rect | undefined): Painted[] {
    const drawn = drawLayers(drawing, missing, focus);
    const reached = reaching(drawn);
    const kept: typeof recolours = new Map();
    const { left, top } = overlapOf(drawing);
    const painted = drawn.map(({ layer, key, paint: shape, rough }): Painted => {
      const list = reached.get(layer.id);
      const changes = list?.map((r) => r.state).join() ?? '';
      let own = shape;
      if (shape && list) {
        const before = recolours.get(layer.id);
        own =
          (before?.changes === changes && movedTo(before.paint, before.from, shape)) ||
          recolour(shape, list);
        kept.set(layer.id, { changes, from: shape, paint: own });
      }
      // What reaches one layer only is in that layer's paint already.
      if (isRecolour(layer) && layer.reach === 'beneath') {
        return {
          state: `${layer.id} in the layer beneath`,
          paint: undefined,
          layer,
          bounds: nowhere,
          room: nowhere,
          rough: false,
        };
      }
      const at = kindOf(layer).place(layer, drawing);
      const place = { x: at.x + left, y: at.y + top };
      const paint = own && shift(own, place);
      const room = roomOf(layer, drawing);
      return {
        state: JSON.stringify([
          layer.id,
          key,
          changes,
          place.x,
          place.y,
          room,
          layer.opacity,
          layer.blend,
          own !== undefined,
        ]),
        paint,
        layer,
        bounds: intersect(boundsOf(paint, room), room),
        room,
        rough,
      };
    });
    recolours = kept;
    return painted;
  }

  function layGround(raster: Raster, drawing: Drawing): void {
    const { ground, width, height } = drawing;
    const at = slotInFile(drawing, overlapOf(drawing));
    if (ground.type === 'colour') {
      fillRect(raster, colourOf(ground.colour), at);
    }
    if (ground.type !== 'gradient') {
      return;
    }
    const key = `${width}×${height} ${JSON.stringify(ground)}`;
    if (grounds?.key !== key) {
      grounds = { key, raster: drawGradient(ground, width, height) };
    }
    composite(raster, { type: 'raster', raster: grounds.raster, x: at.x, y: at.y });
  }

  function lay(raster: Raster, painted: readonly Painted[], clip: Rect): void {
    compositeAll(
      raster,
      painted.flatMap(({ paint, layer: { opacity, blend: mode }, room }) =>
        paint ? [{ paint, opacity, mode, clip: intersect(clip, room) }] : [],
      ),
    );
  }

  /**
   * The flattened ground and lower layers; kept until another number or state of them is wanted.
   */
  function flattened(drawing: Drawing, ground: string, lower: readonly Painted[]): Raster {
    const states = [ground, ...lower.map((p) => p.state)].join();
    if (below?.states !== states) {
      const { width, height } = fileSize(drawing, overlapOf(drawing));
      const raster = createRaster(width, height);
      layGround(raster, drawing);
      lay(raster, lower, wholeRaster(raster));
      below = { states, raster };
    }
    return below.raster;
  }

  function compose(drawing: Drawing, focus?: Rect): Composed {
    const missing: Missing = new Map();
    const painted = paintLayers(drawing, missing, focus);
    const size = fileSize(drawing, overlapOf(drawing));
    const ground = JSON.stringify([
      drawing.ground,
      drawing.width,
      drawing.height,
      overlapOf(drawing),
    ]);
    const same = last?.ground === ground ? last : undefined;
    const raster = same?.raster ?? createRaster(size.width, size.height);
    let changed = wholeRaster(raster);
    let from = 0;
    if (same) {
      while (
        from < painted.length &&
        from < same.painted.length &&
        painted[from].state === same.painted[from].state
      ) {
        from++;
      }
      const states = new Set(painted.map((p) => p.state));
      const before = new Set(same.painted.map((p) => p.state));
      const touched = [
        ...same.painted.slice(from).filter((p) => !states.has(p.state)),
        ...painted.slice(from).filter((p) => !before.has(p.state)),
      ];
      // The layers that stayed, in another order: everything from the first difference may look
      // different.
      const stayed = (list: readonly Painted[], other: Set<string>) =>
        list
          .filter((p) => other.has(p.state))
          .map((p) => p.state)
          .join();
      const reordered = stayed(painted, before) !== stayed(same.painted, states);
      const area = [...touched, ...(reordered ? painted.slice(from) : [])].reduce(
        (sum, p) => unite(sum, p.bounds),
        nowhere,
      );
      // What an earlier call left undone is still to be drawn.
      changed = intersect(unite(area, same.stale), wholeRaster(raster));
      if (!isEmpty(same.stale)) {
        from = Math.min(from, same.from);
      }
    }
    // What makes the picture anew needs all of it, as it is below.
    const remade = !isEmpty(changed) && painted.slice(from).some((p) => p.paint?.type === 'rework');
    if (remade) {
      changed = wholeRaster(raster);
    }
    const wanted = changed;
    if (focus && !remade && changed.width * changed.height > smallChange) {
      changed = intersect(changed, focus);
    }
    const rough = painted.some((p) => p.rough);
    const complete = !rough && changed.width * changed.height === wanted.width * wanted.height;
    if (!isEmpty(changed)) {
      copyRect(raster, flattened(drawing, ground, painted.slice(0, from)), changed);
      lay(raster, painted.slice(from), changed);
    }
    last = { ground, painted, raster, stale: complete ? nowhere : wanted, from };
    return {
      raster,
      changed,
      complete,
      rough,
      bounds: Object.fromEntries(painted.map((p) => [p.layer.id, p.bounds])),
      boxes: boxesOf(drawing),
      missing: assetsOf(missing),
    };
  }

  function lacking(drawing: Drawing): MissingAsset[] {
    const missing: Missing = new Map();
    const layers = drawing.layers.filter((layer) => kindOf(layer).assets);
    drawLayers({ ...drawing, layers }, missing, undefined);
    return assetsOf(missing);
  }

  return { compose, lacking };
}
