import type { Followed } from '@/core/set/follow';
import type { HarmonyAsked, HarmonyLaid } from '@/core/set/harmonyOnSheets';
import type { LineContrast } from '@/core/set/sheetLine';
import { createChannel, type WorkerLike } from './channel';
import { unpackFollowed } from './packedFollowed';
import type { FollowAsked, SheetCalls } from './protocol';
import { twice } from './twice';

/** What becomes of a theme's style sheets, in a worker that pictures do not keep busy. */
export interface SheetEngine {
  /** What they follow with. */
  follow(asked: FollowAsked): Promise<Followed>;
  /** Contrasts of those lines, by their keys. */
  contrasts(asked: FollowAsked): Promise<ReadonlyMap<string, LineContrast>>;
  /** What a harmony makes of a theme. */
  harmony(asked: HarmonyAsked): Promise<HarmonyLaid>;
}

export function createSheetEngine(spawn: () => WorkerLike, silence: number): SheetEngine {
  const channel = createChannel<SheetCalls>(spawn, { silence });
  return {
    follow: async (asked) => unpackFollowed(await twice(() => channel.ask('follow', asked))),
    contrasts: (asked) => twice(() => channel.ask('contrasts', asked)),
    harmony: (asked) => twice(() => channel.ask('harmony', asked)),
  };
}
