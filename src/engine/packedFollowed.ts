import type { Followed } from '@/core/set/follow';

/**
 * What style sheets follow with, as it goes from worker to worker: a large theme has tens of
 * thousands of lines, which take longer to be copied than to be found, and are seldom looked at.
 */
export interface PackedFollowed extends Omit<Followed, 'lines' | 'inks'> {
  /** Lines and inks as JSON in UTF-8. */
  readonly packed: Uint8Array<ArrayBuffer>;
}

const known = new WeakMap<Followed, PackedFollowed>();

export function packFollowed(followed: Followed): PackedFollowed {
  const before = known.get(followed);
  if (before) {
    return before;
  }
  const { lines, inks, ...rest } = followed;
  return { ...rest, packed: new TextEncoder().encode(JSON.stringify({ lines, inks })) };
}

/** Lines and inks are read once they are asked for. */
export function unpackFollowed(from: PackedFollowed): Followed {
  const { packed, ...rest } = from;
  let read: Pick<Followed, 'lines' | 'inks'> | undefined;
  const all = () =>
    (read ??= JSON.parse(new TextDecoder().decode(packed)) as Pick<Followed, 'lines' | 'inks'>);
  const followed: Followed = {
    ...rest,
    get lines() {
      return all().lines;
    },
    get inks() {
      return all().inks;
    },
  };
  known.set(followed, from);
  return followed;
}
