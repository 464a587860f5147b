import { XMLBuilder, XMLParser } from 'fast-xml-parser';
import { strFromU8, strToU8, zipSync, type Zippable } from 'fflate';
import { ArchiveError, unzip } from '../files/unzip';
import { inspectPicture } from '../measure/inspect';
import type { BlendMode } from '../raster/blend';
import { oraModes } from './modes';

/*
 * OpenRaster, the layered picture of freedesktop.org (baseline specification 0.0.6): a zip whose
 * first entry is its type, with `stack.xml`, a PNG for each layer, the merged picture and a
 * thumbnail.
 */

/** A layer of a file: a PNG that lies at a place. */
export interface OraLayer {
  readonly name: string;
  readonly png: Uint8Array<ArrayBuffer>;
  readonly x: number;
  readonly y: number;
  /** 0..1 */
  readonly opacity: number;
  readonly blend: BlendMode;
  readonly hidden: boolean;
}

export interface OraPicture {
  readonly width: number;
  readonly height: number;
  /** From back to front. */
  readonly layers: readonly OraLayer[];
}

const type = 'image/openraster';
const time = { mtime: '1980-01-01T12:00:00' } as const;

const modeOf = (op: string): BlendMode | undefined =>
  (Object.keys(oraModes) as BlendMode[]).find((mode) => oraModes[mode] === op);

/**
 * @param merged PNG of the whole picture @param thumbnail PNG of at most 256×256 px
 * @throws RangeError for a mode that the format does not have
 */
export function writeOpenRaster(
  { width, height, layers }: OraPicture,
  merged: Uint8Array,
  thumbnail: Uint8Array,
): Uint8Array<ArrayBuffer> {
  const files: Zippable = { mimetype: [strToU8(type), { level: 0, ...time }] };
  const described = layers.map(({ name, x, y, opacity, blend, hidden, png }, i) => {
    const op = oraModes[blend];
    const src = `data/layer${String(i).padStart(3, '0')}.png`;
    if (!op) {
      throw new RangeError(`Expected a blend mode that OpenRaster has, found ${blend}`);
    }
    files[src] = [png, { level: 0, ...time }];
    return {
      '@name': name,
      '@src': src,
      '@x': x,
      '@y': y,
      '@opacity': opacity,
      '@composite-op': op,
      '@visibility': hidden ? 'hidden' : 'visible',
    };
  });
  const xml = new XMLBuilder({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    format: true,
    suppressEmptyNode: true,
    suppressBooleanAttributes: false,
  })
    // Front first, as the format has it.
    .build({
      '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
      image: {
        '@version': '0.0.6',
        '@w': width,
        '@h': height,
        stack: { layer: described.toReversed() },
      },
    });
  files['stack.xml'] = [strToU8(xml), { level: 9, ...time }];
  files['mergedimage.png'] = [new Uint8Array(merged), { level: 0, ...time }];
  files['Thumbnails/thumbnail.png'] = [new Uint8Array(thumbnail), { level: 0, ...time }];
  return zipSync(files) as Uint8Array<ArrayBuffer>;
}

/** Bounds of a picture that comes in. */
const oraLimits = { stackBytes: 1e6, layers: 200, depth: 20 } as const;

interface Node {
  readonly [tag: string]: readonly Node[] | Readonly<Record<string, string>> | undefined;
}

const attributesOf = (node: Node): Readonly<Record<string, string>> =>
  (node[':@'] ?? {}) as Readonly<Record<string, string>>;
const childrenOf = (node: Node, tag: string): readonly Node[] =>
  (node[tag] ?? []) as readonly Node[];

/** What is read, and what of it is not as it was there. */
export interface ReadOra extends OraPicture {
  readonly notes: readonly string[];
}

/**
 * Reads a file; groups are taken apart into their layers.
 * @throws ArchiveError or IntakeError, saying what was expected and what was found
 */
export function readOpenRaster(name: string, bytes: Uint8Array): ReadOra {
  const files = new Map(unzip(name, bytes).map((f) => [f.path, f.bytes] as const));
  const refuse = (expected: string, found: string) =>
    new ArchiveError(`${name}: expected ${expected}, found ${found}.`);
  const said = files.get('mimetype');
  if (!said || strFromU8(said).trim() !== type) {
    throw refuse(
      'an OpenRaster picture',
      said
        ? `a file of type “${strFromU8(said).trim().slice(0, 60)}”`
        : 'an archive without a type',
    );
  }
  const stack = files.get('stack.xml');
  if (!stack) {
    throw refuse('a list of its layers in stack.xml', 'none');
  }
  if (stack.length > oraLimits.stackBytes) {
    throw refuse(
      `stack.xml of at most ${oraLimits.stackBytes / 1e6} MB`,
      `${(stack.length / 1e6).toFixed(1)} MB`,
    );
  }
  let parsed: Node[];
  try {
    parsed = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      attributeNamePrefix: '',
      parseAttributeValue: false,
      processEntities: true,
    }).parse(strFromU8(stack), true) as Node[];
  } catch {
    // What the library says is not for people.
    throw refuse('stack.xml to be XML', 'something else');
  }
  const image = parsed.find((n) => n.image);
  const size = image && attributesOf(image);
  const width = Number(size?.w);
  const height = Number(size?.h);
  if (
    !image ||
    !(
      Number.isInteger(width) &&
      Number.isInteger(height) &&
      width >= 1 &&
      height >= 1 &&
      width <= 20000 &&
      height <= 20000
    )
  ) {
    throw refuse('an image of whole px', image ? `${size?.w ?? '?'}×${size?.h ?? '?'}` : 'none');
  }
  const layers: OraLayer[] = [];
  const notes = new Set<string>();
  const number = (value: string | undefined, otherwise: number): number => {
    const n = value === undefined ? otherwise : Number(value);
    return Number.isFinite(n) ? n : otherwise;
  };
  const walk = (
    nodes: readonly Node[],
    at: { x: number; y: number; opacity: number; hidden: boolean },
    depth: number,
  ) => {
    if (depth > oraLimits.depth) {
      throw refuse(`groups at most ${oraLimits.depth} deep`, 'more');
    }
    for (const node of nodes) {
      const a = attributesOf(node);
      const x = at.x + Math.round(number(a.x, 0));
      const y = at.y + Math.round(number(a.y, 0));
      const opacity = at.opacity * Math.min(1, Math.max(0, number(a.opacity, 1)));
      const hidden = at.hidden || a.visibility === 'hidden';
      const op = a['composite-op'] ?? 'svg:src-over';
      const mode = modeOf(op);
      if (node.stack) {
        if (opacity !== at.opacity || op !== 'svg:src-over') {
          notes.add(
            `The group “${a.name ?? ''}” was taken apart; its strength went to each of its layers.`,
          );
        }
        walk(childrenOf(node, 'stack'), { x, y, opacity, hidden }, depth + 1);
      } else if (node.layer) {
        const png = a.src === undefined ? undefined : files.get(a.src);
        if (!png) {
          throw refuse(`a picture ${a.src ?? ''} for the layer “${a.name ?? ''}”`, 'none');
        }
        if (inspectPicture(`${name}, ${a.src}`, png).format !== 'png') {
          throw refuse(`${a.src} to be a PNG`, 'another picture');
        }
        if (!mode) {
          notes.add(`“${a.name ?? ''}” is laid as normal: there is no ${op.replace('svg:', '')}.`);
        }
        if (layers.length === oraLimits.layers) {
          throw refuse(`at most ${oraLimits.layers} layers`, 'more');
        }
        layers.push({
          name: (a.name ?? '').slice(0, 200),
          png,
          x,
          y,
          opacity,
          blend: mode ?? 'normal',
          hidden,
        });
      }
    }
  };
  const root = childrenOf(image, 'image').find((n) => n.stack);
  if (root) {
    walk(childrenOf(root, 'stack'), { x: 0, y: 0, opacity: 1, hidden: false }, 0);
  }
  if (layers.length === 0) {
    throw refuse('at least one layer', 'none');
  }
  return { width, height, layers: layers.toReversed(), notes: [...notes] };
}
