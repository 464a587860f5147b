/** What the search takes of a picture, outside of the application. */
import { bestOf } from '../../src/core/lightest/best';
import type { Goal } from '../../src/core/lightest/care';
import { searchLightest } from '../../src/core/lightest/search';
import { createTrial, type TrialResult } from '../../src/core/lightest/trial';
import type { Codecs } from '../../src/core/encode/codecs';
import type { Raster } from '../../src/core/raster/raster';
import { applyEdit } from '../../src/core/site/edit';
import type { ImageFormat } from '../../src/core/site/model/picture';
import { newSite } from '../../src/core/site/newSite';
import { addSlot } from '../../src/core/site/slots';

export const under = '#ffffff';

export interface Taken {
  /** The best file. */
  readonly file: Uint8Array;
  readonly judgement: TrialResult['judgement'];
  /** Files that were written in full size. */
  readonly wholes: number;
  readonly ms: number;
}

export async function taken(
  raster: Raster,
  goal: Goal,
  formats: readonly ImageFormat[],
  codecs: Codecs,
): Promise<Taken> {
  const site = applyEdit(
    newSite('bench', 'home', 'Bench'),
    addSlot('home', { id: 's', kind: 'header', width: raster.width, height: raster.height }),
  );
  const start = performance.now();
  const trial = createTrial({ raster, site, slotId: 's', under, pinned: [] }, codecs);
  const tried: TrialResult[] = [];
  await searchLightest(goal, formats, [trial], {
    onTried: (t) => {
      tried.push(t);
    },
    onProgress: () => {},
    wanted: () => true,
  });
  const best = bestOf(
    goal,
    tried.map((t) => t.judgement),
  );
  const { file, judgement } = tried.find((t) => t.judgement === best)!;
  return { file: file!, judgement, wholes: tried.length, ms: performance.now() - start };
}
