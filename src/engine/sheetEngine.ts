import type { Followed } from '@/core/set/follow';
import type { HarmonyAsked, HarmonyLaid } from '@/core/set/harmonyOnSheets';
import type { LineContrast } from '@/core/set/sheetLine';
import { createChannel, type WorkerLike } from './channel';
import { unpackFollowed } from './packedFollowed';
import type { FollowAsked, FollowBesideAsked, SheetCalls } from './protocol';
import { twice } from './twice';

/** What becomes of a theme's style sheets, in a worker that pictures do not keep busy. */
export interface SheetEngine {
  /** What they follow with. */
  follow(asked: FollowAsked): Promise<Followed>;
  /** What is put in outside of some rules: soon, whatever else is asked. */
  followBeside(asked: FollowBesideAsked): Promise<Followed['patches']>;
  /** Contrasts of those lines, by their keys. */
  contrasts(asked: FollowAsked): Promise<ReadonlyMap<string, LineContrast>>;
  /** What a harmony makes of a theme. */
  harmony(asked: HarmonyAsked): Promise<HarmonyLaid>;
}

export function createSheetEngine(spawn: () => WorkerLike, silence: number): SheetEngine {
  const channel = createChannel<SheetCalls>(spawn, { silence });
  return {
    follow: async (asked) => unpackFollowed(await twice(() => channel.ask('follow', asked))),
    followBeside: (asked) => twice(() => channel.ask('followBeside', asked)),
    contrasts: (asked) => twice(() => channel.ask('contrasts', asked)),
    harmony: (asked) => twice(() => channel.ask('harmony', asked)),
  };
}
