import type { Size } from '../frame/placement';

/** What a picture is made small for: cards and strips, or being seen as large as a screen. */
export type SmallKind = 'card' | 'screen';

/** It fits into this, px; one that does already is no larger than it is. */
export const smallRooms: Readonly<Record<SmallKind, Size>> = {
  card: { width: 1600, height: 400 },
  screen: { width: 2048, height: 2048 },
};
