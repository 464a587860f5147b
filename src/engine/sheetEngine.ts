import type { RecolouredSheets } from '@/core/set/recolourSheets';
import type { HarmonyAsked, HarmonyLaid } from '@/core/set/harmonyOnSheets';
import type { LineContrast } from '@/core/set/sheetLine';
import { createChannel, type WorkerLike } from './channel';
import { unpackRecolouredSheets } from './packedRecolouredSheets';
import type { SheetRecolourRequest, PartialSheetRecolourRequest, SheetCalls } from './protocol';
import { retryAfterCrash } from './retryAfterCrash';

/** What becomes of a theme's style sheets, in a worker that pictures do not keep busy. */
export interface SheetEngine {
  /** What they follow with. */
  follow(asked: SheetRecolourRequest): Promise<RecolouredSheets>;
  /** What is put in outside of some rules: soon, whatever else is asked. */
  followBeside(asked: PartialSheetRecolourRequest): Promise<RecolouredSheets['patches']>;
  /** Contrasts of those lines, by their keys. */
  contrasts(asked: SheetRecolourRequest): Promise<ReadonlyMap<string, LineContrast>>;
  /** What a harmony makes of a theme. */
  harmony(asked: HarmonyAsked): Promise<HarmonyLaid>;
}

export function createSheetEngine(spawn: () => WorkerLike, silence: number): SheetEngine {
  const channel = createChannel<SheetCalls>(spawn, { silence });
  return {
    follow: async (asked) =>
      unpackRecolouredSheets(await retryAfterCrash(() => channel.ask('follow', asked))),
    followBeside: (asked) => retryAfterCrash(() => channel.ask('followBeside', asked)),
    contrasts: (asked) => retryAfterCrash(() => channel.ask('contrasts', asked)),
    harmony: (asked) => retryAfterCrash(() => channel.ask('harmony', asked)),
  };
}
