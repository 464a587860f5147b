import { boundedCache } from '../boundedCache';
import { generate, type CssNode, type Value } from 'css-tree';
// A parser of its own: one that has read a long sheet goes over as much room again for each value.
import parse from 'css-tree/parser';
import { hexOf } from '../colour/hex';
import { tryOpaqueColour } from '../colour/parse';
import type { Hex } from '../site/model/hex';
import type { Attachment, BackgroundSize, Length, Position, Repeat } from '../site/model/slot';

/** What a style sheet says of one background: unset fields are left to their initial values. */
export interface BackgroundDeclared {
  url?: string;
  repeat?: Repeat;
  x?: Length;
  y?: Length;
  size?: BackgroundSize;
  attachment?: Attachment;
  colour?: Hex;
}

const perEm = 16;
const zero: Length = { value: 0, unit: '%' };

/** Initial values of CSS Backgrounds and Borders Level 3. */
export const initialBackground: {
  readonly repeat: Repeat;
  readonly position: Position;
  readonly size: BackgroundSize;
  readonly attachment: Attachment;
} = {
  repeat: 'repeat',
  position: { x: zero, y: zero },
  size: { x: 'auto', y: 'auto' },
  attachment: 'scroll',
};

/**
 * The parts of a value; nothing where it breaks off, since browsers drop such a declaration too.
 */
function valueOf(text: string): CssNode[] {
  try {
    return (parse(text, { context: 'value' }) as Value).children.toArray();
  } catch {
    return [];
  }
}

/** The layers of a comma-separated value; the first one is the one in front. */
function layersOf(nodes: readonly CssNode[]): CssNode[][] {
  const layers: CssNode[][] = [[]];
  for (const node of nodes) {
    if (node.type === 'Operator' && node.value === ',') {
      layers.push([]);
    } else {
      layers.at(-1)!.push(node);
    }
  }
  return layers;
}

/**
 * px and percentages; em counts as 16 px. Undefined for what cannot be told without the page, such
 * as calc() or vw.
 */
function lengthOf(node: CssNode): Length | undefined {
  if (node.type === 'Percentage') {
    return { value: Number(node.value), unit: '%' };
  }
  if (node.type === 'Number' && Number(node.value) === 0) {
    return { value: 0, unit: 'px' };
  }
  if (node.type !== 'Dimension') {
    return undefined;
  }
  const unit = node.unit.toLowerCase();
  if (unit === 'px') {
    return { value: Number(node.value), unit: 'px' };
  }
  if (/^r?em$/.test(unit)) {
    return { value: Number(node.value) * perEm, unit: 'px' };
  }
  return undefined;
}

const repeatWords = /^(repeat-x|repeat-y|repeat|no-repeat|round|space)$/i;
const placeWords = /^(left|right|top|bottom|center)$/i;

/** `round` and `space` repeat too. */
function repeatOf(words: readonly string[]): Repeat | undefined {
  const [first, second] = words.map((w) => w.toLowerCase());
  if (first === 'repeat-x' || first === 'repeat-y') {
    return first;
  }
  if (first === undefined) {
    return undefined;
  }
  const x = first !== 'no-repeat';
  const y = (second ?? first) !== 'no-repeat';
  if (x) {
    if (y) {
      return 'repeat';
    }
    return 'repeat-x';
  }
  if (y) {
    return 'repeat-y';
  }
  return 'no-repeat';
}

const shareOf: Readonly<Record<string, number>> = {
  left: 0,
  top: 0,
  center: 50,
  right: 100,
  bottom: 100,
};
const ofWord = (word: string): Length => ({ value: shareOf[word], unit: '%' });

/**
 * One to four values (CSS Backgrounds and Borders Level 3, section 2.6). An offset from the right
 * or bottom in px has no place in the model and is left out.
 */
function positionOf(nodes: readonly CssNode[]): { x: Length; y: Length } | undefined {
  const parts = nodes.map((node) =>
    node.type === 'Identifier' ? node.name.toLowerCase() : lengthOf(node),
  );
  if (parts.length === 0 || parts.includes(undefined)) {
    return undefined;
  }
  const offset = (word: string, by: Length): Length => {
    if (word === 'right' || word === 'bottom') {
      if (by.unit === '%') {
        return { value: 100 - by.value, unit: '%' };
      }
      return ofWord(word);
    }
    return by;
  };
  if (parts.length <= 2) {
    const [a, b = 'center'] = parts as (string | Length)[];
    const turned = a === 'top' || a === 'bottom' || b === 'left' || b === 'right';
    const [x, y] = turned ? [b, a] : [a, b];
    return { x: typeof x === 'string' ? ofWord(x) : x, y: typeof y === 'string' ? ofWord(y) : y };
  }
  let x: Length | undefined;
  let y: Length | undefined;
  for (let i = 0; i < parts.length; i++) {
    const word = parts[i];
    const next = parts[i + 1];
    // Three values and more are offsets from named sides; anything else is no position.
    if (typeof word !== 'string' || !(word in shareOf)) {
      return undefined;
    }
    const value = typeof next === 'object' ? offset(word, next) : ofWord(word);
    if (typeof next === 'object') {
      i++;
    }
    if (word === 'top' || word === 'bottom') {
      y = value;
    } else if (word === 'left' || word === 'right' || x === undefined) {
      x = value;
    } else {
      y = value;
    }
  }
  return { x: x ?? ofWord('center'), y: y ?? ofWord('center') };
}

function sizeOf(nodes: readonly CssNode[]): BackgroundSize | undefined {
  const parts = nodes.map((node) =>
    node.type === 'Identifier' ? node.name.toLowerCase() : lengthOf(node),
  );
  if (parts[0] === 'cover' || parts[0] === 'contain') {
    return parts[0];
  }
  const side = (part: string | Length | undefined): Length | 'auto' =>
    typeof part === 'object' ? part : 'auto';
  return parts.length && !parts.includes(undefined)
    ? { x: side(parts[0]), y: side(parts[1]) }
    : undefined;
}

const colourIn = (node: CssNode): Hex | undefined => {
  if (node.type !== 'Hash' && node.type !== 'Identifier' && node.type !== 'Function') {
    return undefined;
  }
  const colour = tryOpaqueColour(generate(node));
  return colour && hexOf(colour);
};

const urlOf = (node: CssNode): string | undefined => {
  if (node.type === 'Url') {
    return node.value;
  }
  if (node.type === 'Function' && /image-set$/i.test(node.name)) {
    return node.children
      .toArray()
      .map(urlOf)
      .find((u) => u !== undefined);
  }
  return node.type === 'String' ? node.value : undefined;
};

function shorthandLayer(nodes: readonly CssNode[]): BackgroundDeclared {
  const slash = nodes.findIndex((node) => node.type === 'Operator' && node.value === '/');
  const found: BackgroundDeclared = {};
  const repeats: string[] = [];
  const place: CssNode[] = [];
  const size: CssNode[] = [];
  nodes.forEach((node, i) => {
    const word = node.type === 'Identifier' ? node.name : '';
    const after = slash >= 0 && i > slash && i <= slash + 2;
    if (after && (lengthOf(node) || /^(auto|cover|contain)$/i.test(word))) {
      size.push(node);
    } else if (repeatWords.test(word)) {
      repeats.push(word);
    } else if (placeWords.test(word) || lengthOf(node)) {
      place.push(node);
    } else if (/^(scroll|fixed|local)$/i.test(word)) {
      found.attachment = word.toLowerCase() === 'fixed' ? 'fixed' : 'scroll';
    } else {
      const url = urlOf(node);
      const colour = colourIn(node);
      if (url !== undefined) {
        found.url = url;
      }
      if (colour) {
        found.colour = colour;
      }
    }
  });
  const position = positionOf(place);
  // A shorthand sets everything: what it does not say goes back to its initial value.
  return {
    url: undefined,
    colour: undefined,
    repeat: repeatOf(repeats) ?? initialBackground.repeat,
    x: position?.x ?? zero,
    y: position?.y ?? zero,
    size: sizeOf(size) ?? initialBackground.size,
    attachment: 'scroll',
    ...found,
  };
}

/**
 * Reads one declaration of the background family, with `var()` already resolved.
 * @returns what it sets of each layer, front layer first; undefined for other properties
 */
export function readBackground(
  property: string,
  value: string,
): readonly BackgroundDeclared[] | undefined {
  if (
    !/^background(-(image|repeat|position|position-x|position-y|size|attachment|color))?$/.test(
      property,
    )
  ) {
    return undefined;
  }
  const key = `${property}:${value}`;
  let known = declared.get(key);
  if (!known) {
    declared.set(key, (known = layersDeclared(property, value)));
  }
  return known;
}

/** A sheet is read again and again while its colours change, and most of it says the same. */
const declared = boundedCache<readonly BackgroundDeclared[]>(20_000, () => 1);

function layersDeclared(property: string, value: string): BackgroundDeclared[] {
  const layers = layersOf(valueOf(value));
  return layers.map((nodes): BackgroundDeclared => {
    switch (property) {
      case 'background':
        return shorthandLayer(nodes);
      case 'background-image':
        return { url: nodes.map(urlOf).find((u) => u !== undefined) };
      case 'background-repeat':
        return {
          repeat: repeatOf(nodes.flatMap((n) => (n.type === 'Identifier' ? [n.name] : []))),
        };
      case 'background-position':
        return positionOf(nodes) ?? {};
      case 'background-position-x':
        return { x: positionOf(nodes)?.x };
      case 'background-position-y':
        return {
          y:
            nodes[0]?.type === 'Identifier'
              ? ofWord(nodes[0].name.toLowerCase())
              : nodes[0] && lengthOf(nodes[0]),
        };
      case 'background-size':
        return { size: sizeOf(nodes) };
      case 'background-attachment':
        return {
          attachment:
            nodes[0]?.type === 'Identifier' && nodes[0].name.toLowerCase() === 'fixed'
              ? 'fixed'
              : 'scroll',
        };
      default:
        return { colour: nodes[0] && colourIn(nodes[0]) };
    }
  });
}

/**
 * All opaque colours in a value; see-through ones depend on what lies below them and are left out.
 */
export const coloursIn = (value: string): Hex[] => colours(valueOf(value));

const colours = (nodes: readonly CssNode[]): Hex[] =>
  nodes.flatMap((node) => {
    const colour = colourIn(node);
    if (colour) {
      return [colour];
    }
    if (node.type === 'Function') {
      return colours(node.children.toArray());
    }
    return [];
  });
