import type { ToldReading } from './told';

/** How many readings of a site are not as they should be. */
export interface Counted {
  /** Readings that fail. */
  readonly fails: number;
  /** Readings to be looked at. */
  readonly look: number;
}

/** Counts what is to be put right and what is to be looked at. */
export function counted(bySlot: ReadonlyMap<string, readonly ToldReading[]>): Counted {
  const verdicts = [...bySlot.values()].flat().map((reading) => reading.verdict);
  return {
    fails: verdicts.filter((v) => v === 'fails').length,
    look: verdicts.filter((v) => v === 'look').length,
  };
}
