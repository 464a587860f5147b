import { boundsOf, turnAbout, unionOf, type Bounds, type Box } from '../arrange/box';
import { barePx, coverScale, keepFilled, type Framing, type Size } from '../frame/placement';
import type { Extent } from '../site/model/blendLayers';
import type { Layer, ObjectLayer } from '../site/model/layer';
import type { TextLayer } from '../site/model/objectLayers';
import type { PhotoLayer } from '../site/model/photoLayer';
import { firstBase } from '../text/lineHeight';
import { photoSize } from './photo';
import { kindOf } from './registry';

/*
 * A picture whose slot gets another size: photos that filled the slot fill it again, and what lay
 * somewhere keeps to what it held to.
 */

/** Boxes of layers as they were last drawn, by their ids. */
export type DrawnBoxes = Readonly<Record<string, Box>>;

/** How wide a letter is where nothing was measured, as a share of the size. */
const letterWidth = 0.5;
/** How deep letters go below the base line, as a share of the size. */
const letterDepth = 0.25;
/** Two margins of a thing that differ by less than this share of the slot are alike. */
const alike = 0.02;
/** A margin up to this share of the slot is held to. */
const near = 0.25;

/** Where a text lies by its figures alone; nearly, since only glyphs tell how wide it is. */
function guessedBox(layer: TextLayer): Box {
  const lines = layer.words.split('\n');
  const letters = Math.max(...lines.map((line) => line.length));
  const width = layer.wrap ?? letters * layer.sizePx * letterWidth * layer.stretchX;
  const tall = (lines.length - 1) * layer.lineHeight + firstBase + letterDepth;
  const height = tall * layer.sizePx * layer.stretchY;
  const share = { left: 0.5, centre: 0, right: -0.5 }[layer.align];
  const middle = { x: layer.x + share * width, y: layer.y + height / 2 };
  return { ...turnAbout(middle, layer, layer.turn), width, height, turn: layer.turn };
}

const boxOf = (layer: ObjectLayer, drawn: DrawnBoxes): Box =>
  layer.kind === 'text' ? (drawn[layer.id] ?? guessedBox(layer)) : kindOf(layer).ownBox!(layer)!;

/** A photograph that leaves nothing of the slot bare. */
const fills = (layer: Layer, slot: Size): layer is PhotoLayer =>
  layer.kind === 'photo' && barePx(layer, photoSize(layer), slot, layer.turn) < 0.5;

/** The photo as much larger than needed as it was, with the same place of it in the slot's middle. */
function filledAgain(layer: PhotoLayer, from: Size, to: Size): Framing {
  const size = photoSize(layer);
  const grown = coverScale(size, to, layer.turn) / coverScale(size, from, layer.turn);
  const scale = layer.scale * grown;
  const along = (at: number, length: number, was: number, is: number): number =>
    is / 2 -
    ((was / 2 - at - (length * layer.scale) / 2) / layer.scale) * scale -
    (length * scale) / 2;
  const framing = {
    scale,
    x: along(layer.x, size.width, from.width, to.width),
    y: along(layer.y, size.height, from.height, to.height),
  };
  return keepFilled(framing, size, to, layer.turn);
}

/** Where a thing begins and ends along an axis, px. */
type Span = readonly [start: number, end: number];

/** How far the middle of a thing moves that stays at the same share of the axis, px. */
const inProportion = ([start, end]: Span, from: number, to: number): number =>
  ((start + end) / 2 / from) * (to - from);

/**
 * How far a thing moves along an axis whose length changes, px.
 * @param start and end of the thing
 */
function heldAlong([start, end]: Span, from: number, to: number): number {
  const before = start;
  const behind = from - end;
  if (Math.abs(before - behind) <= Math.max(2, from * alike)) {
    return (to - from) / 2;
  }
  if (Math.min(before, behind) > from * near) {
    return inProportion([start, end], from, to);
  }
  return before < behind ? 0 : to - from;
}

/** How much smaller a thing becomes so that it takes no more of a shorter axis than it did. */
const fitting = ([start, end]: Span, from: number, to: number): number =>
  end - start <= from && end - start > to ? to / from : 1;

/** What is moved as one: a thing, or lines of words that belong together. */
interface Block {
  readonly layers: readonly ObjectLayer[];
  readonly bounds: Bounds;
}

/** Words right above, below or beside each other, no farther than they are high. */
const together = (a: Block, b: Block): boolean => {
  if (a.layers[0].kind !== 'text' || b.layers[0].kind !== 'text') {
    return false;
  }
  const room = Math.min(a.bounds.bottom - a.bounds.top, b.bounds.bottom - b.bounds.top);
  const apart = Math.max(a.bounds.top, b.bounds.top) - Math.min(a.bounds.bottom, b.bounds.bottom);
  const across = Math.max(a.bounds.left, b.bounds.left) - Math.min(a.bounds.right, b.bounds.right);
  return apart <= room && across <= 0;
};

function blocksOf(things: readonly ObjectLayer[], drawn: DrawnBoxes): Block[] {
  const blocks: Block[] = [];
  for (const layer of things) {
    let block: Block = { layers: [layer], bounds: boundsOf(boxOf(layer, drawn)) };
    for (;;) {
      const at = blocks.findIndex((other) => together(other, block));
      if (at < 0) {
        break;
      }
      const [other] = blocks.splice(at, 1);
      block = {
        layers: [...other.layers, ...block.layers],
        bounds: unionOf([other.bounds, block.bounds])!,
      };
    }
    blocks.push(block);
  }
  return blocks;
}

/** A shape from side to side keeps both its margins. */
const spans = ([start, end]: Span, length: number): boolean => start <= 0 && end >= length;

/** How a block is stretched along an axis, and how far its middle then moves, px. */
interface Held {
  readonly k: number;
  readonly by: number;
}

/** @param shrunk how much smaller the block becomes, 1 for not at all */
function heldSpan(span: Span, from: number, to: number, stretches: boolean, shrunk: number): Held {
  const [start, end] = span;
  if (stretches && spans(span, from)) {
    return { k: Math.max(1, end - start + to - from) / (end - start), by: (to - from) / 2 };
  }
  return {
    k: shrunk,
    by: shrunk === 1 ? heldAlong(span, from, to) : inProportion(span, from, to),
  };
}

/** A block's layers as they come to lie. */
function heldBlock({ layers, bounds }: Block, from: Size, to: Size): ObjectLayer[] {
  const across: Span = [bounds.left, bounds.right];
  const down: Span = [bounds.top, bounds.bottom];
  const stretches = layers.every((layer) => layer.kind === 'shape' && layer.turn === 0);
  const shrunk = Math.min(
    stretches && spans(across, from.width) ? 1 : fitting(across, from.width, to.width),
    stretches && spans(down, from.height) ? 1 : fitting(down, from.height, to.height),
  );
  const x = heldSpan(across, from.width, to.width, stretches, shrunk);
  const y = heldSpan(down, from.height, to.height, stretches, shrunk);
  const pivot = { x: (across[0] + across[1]) / 2, y: (down[0] + down[1]) / 2 };
  return layers.map((layer) => {
    const kind = kindOf(layer);
    const isSame = x.k === 1 && y.k === 1;
    const sized = isSame
      ? layer
      : { ...layer, ...kind.resized!(layer, { kx: x.k, ky: y.k, pivot, turn: 0 }) };
    return { ...sized, ...kind.moved!(sized as Layer, x.by, y.by) } as ObjectLayer;
  });
}

/** A wash in a box keeps to what it held to, as things do. */
function heldExtent(extent: Extent, from: Size, to: Size): Extent {
  if (extent.type !== 'box') {
    return extent;
  }
  const along = (at: number, length: number, was: number, is: number): [number, number] =>
    spans([at, at + length], was)
      ? [at, Math.max(1, length + is - was)]
      : [at + heldAlong([at, at + length], was, is), length];
  const [x, width] = along(extent.x, extent.width, from.width, to.width);
  const [y, height] = along(extent.y, extent.height, from.height, to.height);
  return { ...extent, x, y, width, height };
}

/**
 * The layers of a picture for a slot of another size. A photo that filled the slot fills it again
 * around the same middle; words and things keep to the middle, the side or the margin they held to,
 * and become smaller only where they would not fit any more; lines of words stay together.
 * @param layers back to front
 * @param drawn where texts lie; those that are not in it are guessed by their figures
 */
export function layersAlong(
  layers: readonly Layer[],
  from: Size,
  to: Size,
  drawn: DrawnBoxes = {},
): readonly Layer[] {
  if (from.width === to.width && from.height === to.height) {
    return layers;
  }
  const things = layers.filter(
    (layer): layer is ObjectLayer => kindOf(layer).role === 'thing' && !fills(layer, from),
  );
  const held = new Map(
    blocksOf(things, drawn)
      .flatMap((block) => heldBlock(block, from, to))
      .map((layer) => [layer.id, layer]),
  );
  return layers.map((layer) => {
    if (fills(layer, from)) {
      return { ...layer, ...filledAgain(layer, from, to) };
    }
    if (layer.kind === 'fill') {
      return { ...layer, extent: heldExtent(layer.extent, from, to) };
    }
    return held.get(layer.id) ?? layer;
  });
}
