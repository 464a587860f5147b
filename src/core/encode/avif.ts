import { joinedBytes } from '../files/joinedBytes';

/*
 * AVIF files taken apart and put together: the boxes of ISO/IEC 14496-12 and the items of ISO/IEC
 * 23008-12 that a picture and its alpha are made of.
 */

interface Box {
  readonly type: string;
  /** Without its head. */
  readonly body: Uint8Array;
  /** With it. */
  readonly whole: Uint8Array;
}

const text = (bytes: Uint8Array, at: number): string =>
  String.fromCharCode(...bytes.subarray(at, at + 4));
const view = (bytes: Uint8Array): DataView =>
  new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

function boxesOf(bytes: Uint8Array): Box[] {
  const out: Box[] = [];
  const v = view(bytes);
  for (let at = 0; at + 8 <= bytes.length;) {
    const size = v.getUint32(at) || bytes.length - at;
    if (size < 8 || at + size > bytes.length) {
      throw new Error('Expected an AVIF file of whole boxes.');
    }
    out.push({
      type: text(bytes, at + 4),
      body: bytes.subarray(at + 8, at + size),
      whole: bytes.subarray(at, at + size),
    });
    at += size;
  }
  return out;
}

function find(boxes: readonly Box[], type: string): Uint8Array {
  const box = boxes.find((b) => b.type === type);
  if (!box) {
    throw new Error(`Expected an AVIF file with a box ${type}.`);
  }
  return box.body;
}

/** A number of 0, 4 or 8 bytes; files of pictures stay below 2^53. */
const sized = (v: DataView, at: number, size: number): number => {
  if (size === 8) {
    return Number(v.getBigUint64(at));
  }
  if (size === 4) {
    return v.getUint32(at);
  }
  return 0;
};

/**
 * The main item of a file: its coded picture, and its properties with whether a reader must know
 * them.
 */
interface Item {
  readonly data: Uint8Array;
  readonly properties: readonly { readonly box: Uint8Array; readonly essential: boolean }[];
}

function mainItem(file: Uint8Array): Item {
  const meta = boxesOf(find(boxesOf(file), 'meta').subarray(4));
  const pitm = find(meta, 'pitm');
  const id = pitm[0] === 0 ? view(pitm).getUint16(4) : view(pitm).getUint32(4);
  const iloc = find(meta, 'iloc');
  const v = view(iloc);
  const version = iloc[0];
  const offsetSize = iloc[4] >> 4;
  const lengthSize = iloc[4] & 15;
  const baseSize = iloc[5] >> 4;
  const indexSize = version > 0 ? iloc[5] & 15 : 0;
  let at = version < 2 ? 8 : 10;
  let data: Uint8Array | undefined;
  for (let n = version < 2 ? v.getUint16(6) : v.getUint32(6); n > 0; n--) {
    const item = version < 2 ? v.getUint16(at) : v.getUint32(at);
    at += version < 2 ? 2 : 4;
    const method = version > 0 ? v.getUint16(at) & 15 : 0;
    at += (version > 0 ? 2 : 0) + 2;
    const base = sized(v, at, baseSize);
    const extents = v.getUint16(at + baseSize);
    const parts: Uint8Array[] = [];
    at += baseSize + 2;
    const from = method === 1 ? find(meta, 'idat') : file;
    for (let e = 0; e < extents; e++) {
      at += indexSize;
      const offset = base + sized(v, at, offsetSize);
      const length = sized(v, at + offsetSize, lengthSize);
      at += offsetSize + lengthSize;
      parts.push(from.subarray(offset, offset + length));
    }
    if (item === id) {
      data = joinedBytes(parts);
    }
  }
  if (!data) {
    throw new Error('Expected an AVIF file with a main picture.');
  }
  const iprp = boxesOf(find(meta, 'iprp'));
  const all = boxesOf(find(iprp, 'ipco'));
  const ipma = find(iprp, 'ipma');
  const p = view(ipma);
  const wide = (ipma[3] & 1) === 1;
  const properties: { box: Uint8Array; essential: boolean }[] = [];
  at = 8;
  for (let n = p.getUint32(4); n > 0; n--) {
    const item = ipma[0] < 1 ? p.getUint16(at) : p.getUint32(at);
    const count = ipma[(at += ipma[0] < 1 ? 2 : 4)];
    at++;
    for (let i = 0; i < count; i++, at += wide ? 2 : 1) {
      const word = wide ? p.getUint16(at) : ipma[at];
      const essential = (word & (wide ? 0x8000 : 0x80)) !== 0;
      const index = word & (wide ? 0x7fff : 0x7f);
      if (item === id && index > 0) {
        properties.push({ box: all[index - 1].whole, essential });
      }
    }
  }
  return { data, properties };
}

const ascii = (s: string): Uint8Array => Uint8Array.from(s, (c) => c.charCodeAt(0));
const u16 = (v: number): Uint8Array => Uint8Array.of(v >> 8, v & 255);
const u32 = (v: number): Uint8Array =>
  Uint8Array.of(v >>> 24, (v >> 16) & 255, (v >> 8) & 255, v & 255);

function box(type: string, ...parts: readonly Uint8Array[]): Uint8Array {
  const body = joinedBytes(parts);
  return joinedBytes([u32(body.length + 8), ascii(type), body]);
}

const fullBox = (
  type: string,
  version: number,
  flags: number,
  ...parts: readonly Uint8Array[]
): Uint8Array => box(type, u32((version << 24) | flags), ...parts);

/**
 * One AVIF file of a picture without alpha and another of its alpha alone, such as one that was
 * written without loss.
 * @param colour an AVIF file of three channels
 * @param alpha an AVIF file of one channel and of the same size
 * @throws Error when either is no AVIF file of one coded picture
 */
export function avifWithAlpha(colour: Uint8Array, alpha: Uint8Array): Uint8Array<ArrayBuffer> {
  const items = [mainItem(colour), mainItem(alpha)];
  const kept = [items[0].properties, items[1].properties.filter((p) => text(p.box, 4) !== 'colr')];
  const auxiliary = {
    box: fullBox('auxC', 0, 0, ascii('urn:mpeg:mpegB:cicp:systems:auxiliary:alpha\0')),
    essential: true,
  };
  const properties = [kept[0], [...kept[1], auxiliary]];
  let index = 0;
  const associations = properties.map((list, i) =>
    joinedBytes([
      u16(i + 1),
      Uint8Array.of(list.length),
      ...list.map(({ essential }) => Uint8Array.of((essential ? 0x80 : 0) | ++index)),
    ]),
  );
  const infe = (id: number, name: string) =>
    fullBox('infe', 2, id === 2 ? 1 : 0, u16(id), u16(0), ascii('av01'), ascii(`${name}\0`));
  const metaWith = (offset: number) => {
    const extents = items.map((item, i) =>
      joinedBytes([
        u16(i + 1),
        u16(0),
        u16(1),
        u32(offset + (i === 0 ? 0 : items[0].data.length)),
        u32(item.data.length),
      ]),
    );
    return fullBox(
      'meta',
      0,
      0,
      fullBox('hdlr', 0, 0, u32(0), ascii('pict'), u32(0), u32(0), u32(0), ascii('\0')),
      fullBox('pitm', 0, 0, u16(1)),
      fullBox('iloc', 0, 0, Uint8Array.of(0x44, 0x00), u16(2), ...extents),
      fullBox('iinf', 0, 0, u16(2), infe(1, 'Color'), infe(2, 'Alpha')),
      fullBox('iref', 0, 0, box('auxl', u16(2), u16(1), u16(1))),
      box(
        'iprp',
        box('ipco', ...properties.flat().map((p) => p.box)),
        fullBox('ipma', 0, 0, u32(2), ...associations),
      ),
    );
  };
  const head = box(
    'ftyp',
    ascii('avif'),
    u32(0),
    ascii('avif'),
    ascii('mif1'),
    ascii('miaf'),
    ascii('MA1A'),
  );
  const length = head.length + metaWith(0).length;
  return joinedBytes([head, metaWith(length + 8), box('mdat', items[0].data, items[1].data)]);
}
