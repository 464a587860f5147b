import { LRUCache } from 'lru-cache';

/** What was used of late, as much of it as a weight allows; the rest is forgotten, oldest first. */
export type BoundedCache<V extends object> = LRUCache<string, V>;

/**
 * @param most weight of all values together; a heavier one alone is not kept at all
 * @param weigh of one value, in the unit of `most`
 * @param gone told what had to make room
 */
export const boundedCache = <V extends object>(
  most: number,
  weigh: (value: V) => number,
  gone?: (key: string, value: V) => void,
): BoundedCache<V> =>
  new LRUCache<string, V>({
    maxSize: most,
    sizeCalculation: (value) => Math.max(1, Math.ceil(weigh(value))),
    ...(gone && {
      dispose: (value, key, reason) => {
        if (reason === 'evict') {
          gone(key, value);
        }
      },
    }),
  });

/** Bytes of pixels, four for each. */
export const pixelBytes = ({ width, height }: { width: number; height: number }): number =>
  width * height * 4;
