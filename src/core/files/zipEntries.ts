/** What the list of an archive says of one of its files. */
export interface ZipEntry {
  readonly path: string;
  /** Bytes as packed, and as they are to be once unpacked. */
  readonly packed: Uint8Array<ArrayBuffer>;
  readonly size: number;
  readonly method: 'stored' | 'deflated' | 'other';
  readonly encrypted: boolean;
}

/** The list is not one, or points beside the archive. */
export class ZipListError extends Error {}

const u16 = (view: DataView, at: number): number => view.getUint16(at, true);
const u32 = (view: DataView, at: number): number => view.getUint32(at, true);
const u64 = (view: DataView, at: number): number => Number(view.getBigUint64(at, true));

const endSignature = 0x06054b50;
const wideEndSignature = 0x06064b50;
const wideEndPointer = 0x07064b50;
const entrySignature = 0x02014b50;
const fileSignature = 0x04034b50;
const endLength = 22;
/** A comment of at most 65,535 bytes may follow the end record. */
const longestComment = 0xffff;
const wide32 = 0xffffffff;
const wide16 = 0xffff;

/** Where the end record is: from the back, since anything may stand before it. */
function endOf(view: DataView): number {
  const first = Math.max(0, view.byteLength - endLength - longestComment);
  for (let at = view.byteLength - endLength; at >= first; at--) {
    if (u32(view, at) === endSignature) {
      return at;
    }
  }
  throw new ZipListError('it has no list of its files');
}

/** How many files the list has, and where it begins; from the wide record where the other is full. */
function listOf(view: DataView): { count: number; at: number } {
  const end = endOf(view);
  const count = u16(view, end + 10);
  const at = u32(view, end + 16);
  if (count !== wide16 && at !== wide32) {
    return { count, at };
  }
  const pointer = end - 20;
  const wide = pointer >= 0 && u32(view, pointer) === wideEndPointer && u64(view, pointer + 8);
  if (wide === false || u32(view, wide) !== wideEndSignature) {
    return { count, at };
  }
  return { count: u64(view, wide + 32), at: u64(view, wide + 48) };
}

/** The sizes and the offset of an entry that have no room in its own fields, in their fixed order. */
function wideFields(view: DataView, from: number, length: number, narrow: readonly number[]) {
  const end = from + length;
  let at = from;
  while (at + 4 <= end && u16(view, at) !== 1) {
    at += 4 + u16(view, at + 2);
  }
  at += 4;
  return narrow.map((value) => {
    if (value !== wide32) {
      return value;
    }
    if (at + 8 > end) {
      throw new ZipListError('its list breaks off');
    }
    at += 8;
    return u64(view, at - 8);
  });
}

/**
 * The files of an archive by its list, without unpacking any (PKWARE APPNOTE 6.3: 4.3.7, 4.3.12,
 * 4.3.14, 4.3.16, 4.5.3).
 * @throws ZipListError where the list or what it points to does not lie in the archive
 */
export function* zipEntries(bytes: Uint8Array<ArrayBuffer>): Generator<ZipEntry> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  try {
    const { count, at: first } = listOf(view);
    let at = first;
    for (let i = 0; i < count; i++) {
      if (u32(view, at) !== entrySignature) {
        throw new ZipListError('its list breaks off');
      }
      const flags = u16(view, at + 8);
      const method = u16(view, at + 10);
      const nameLength = u16(view, at + 28);
      const extraLength = u16(view, at + 30);
      const name = bytes.subarray(at + 46, at + 46 + nameLength);
      const [size, length, offset] = wideFields(view, at + 46 + nameLength, extraLength, [
        u32(view, at + 24),
        u32(view, at + 20),
        u32(view, at + 42),
      ]);
      if (u32(view, offset) !== fileSignature) {
        throw new ZipListError('its list points beside its files');
      }
      const from = offset + 30 + u16(view, offset + 26) + u16(view, offset + 28);
      if (from + length > bytes.length) {
        throw new ZipListError('it breaks off');
      }
      yield {
        path: nameOf(name, (flags & 0x800) !== 0),
        packed: bytes.subarray(from, from + length),
        size,
        method: ({ 0: 'stored', 8: 'deflated' } as const)[method] ?? 'other',
        encrypted: (flags & 1) !== 0,
      };
      at += 46 + nameLength + extraLength + u16(view, at + 32);
    }
  } catch (error) {
    // A DataView says so where something points beside the archive.
    throw error instanceof RangeError ? new ZipListError('it breaks off') : error;
  }
}

/** A name as UTF-8 where the archive says so or it reads as such, else by single bytes. */
function nameOf(bytes: Uint8Array, unicode: boolean): string {
  try {
    return new TextDecoder('utf-8', { fatal: !unicode }).decode(bytes);
  } catch {
    return new TextDecoder('latin1').decode(bytes);
  }
}
