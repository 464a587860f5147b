/** A map that forgets what was not asked for longest once it weighs too much. */
export interface Newest<V> {
  get(key: string): V | undefined;
  /** @returns the keys that had to make room */
  set(key: string, value: V): readonly string[];
}

/**
 * @param weigh of one value, in any unit
 * @param most weight of all values together
 * @param least so many of the newest stay whatever they weigh
 */
export function keepNewest<V>(weigh: (value: V) => number, most: number, least: number): Newest<V> {
  const kept = new Map<string, V>();
  return {
    get(key) {
      const value = kept.get(key);
      if (value !== undefined) {
        kept.delete(key);
        kept.set(key, value);
      }
      return value;
    },
    set(key, value) {
      kept.delete(key);
      kept.set(key, value);
      const gone: string[] = [];
      let total = [...kept.values()].reduce((sum, v) => sum + weigh(v), 0);
      for (const [old, v] of kept) {
        if (total <= most || kept.size <= least) {
          break;
        }
        kept.delete(old);
        total -= weigh(v);
        gone.push(old);
      }
      return gone;
    },
  };
}
