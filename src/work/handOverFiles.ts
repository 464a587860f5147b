import { HandOverStopped, type HandedFile, type HandOverPorts } from '@/core/handover/ports';
import { produceHandOver, type HandOver } from '@/core/handover/produce';
import { wordsOf } from '@/core/refusal';
import type { Site } from '@/core/site/model/site';
import type { TaskContext } from './latestTask';

/** How far a hand-over has come. */
export interface Making {
  /** Files that are written so far, by their paths. */
  readonly files: ReadonlyMap<string, HandedFile>;
  readonly made: HandOver | undefined;
  /** Share that is done and the file that is being written; undefined while nothing is made. */
  readonly running:
    { readonly done: number; readonly of: number; readonly path: string } | undefined;
  readonly failure: string | undefined;
}

export const nothingMade: Making = {
  files: new Map(),
  made: undefined,
  running: undefined,
  failure: undefined,
};

/** Makes the hand-over of a site and tells how far it is. */
export async function makeHandOver(
  site: Site,
  ports: HandOverPorts,
  { isCurrent, update }: TaskContext<Making>,
): Promise<void> {
  update(() => ({ ...nothingMade, running: { done: 0, of: 0, path: '' } }));
  try {
    const made = await produceHandOver(site, ports, {
      wanted: isCurrent,
      onProgress: (done, of, path) => update((m) => ({ ...m, running: { done, of, path } })),
      onFile: (file) => update((m) => ({ ...m, files: new Map([...m.files, [file.path, file]]) })),
    });
    const files = new Map(made.files.map((f) => [f.path, f]));
    update(() => ({ ...nothingMade, made, files }));
  } catch (error) {
    if (!(error instanceof HandOverStopped)) {
      const failure = wordsOf(error);
      update((m) => ({ ...m, running: undefined, failure }));
    }
  }
}
