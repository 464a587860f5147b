import type { Mend, Verdict, Way } from '@/core/readings/reading';
import { takeReadings } from '@/core/readings/registry';
import { applyEdit } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pictureOf, slotOf } from '@/core/site/picture';
import type { PictureFiles, WrittenFile } from './pictureFiles';

/** A way as it was tried: what came of it, and at which price. */
export interface MendCandidate {
  readonly id: string;
  readonly mend: Mend;
  readonly file: WrittenFile;
  readonly verdict: Verdict;
  readonly figure: string;
}

/** Presses what each way would make of a picture, and takes the reading of it. */
export class MendCandidates {
  constructor(private readonly files: Pick<PictureFiles, 'file'>) {}

  /**
   * All ways, one after the other; one that cannot be tried is passed over.
   * @param readingId whose figure tells what came of it
   */
  async all(
    site: Site,
    slot: Slot,
    readingId: string,
    ways: readonly Way[],
    wanted: () => boolean,
    found: (tried: MendCandidate) => void,
  ): Promise<void> {
    for (const way of ways) {
      const tried = await this.one(site, slot, readingId, way, wanted).catch(() => undefined);
      if (!wanted()) {
        return;
      }
      if (tried) {
        found(tried);
      }
    }
  }

  /** The first setting of a way that makes the reading hold, else the last one. */
  private async one(
    site: Site,
    slot: Slot,
    readingId: string,
    { id, tries }: Way,
    wanted: () => boolean,
  ): Promise<MendCandidate | undefined> {
    let last: MendCandidate | undefined;
    for (const mend of tries) {
      const edited = applyEdit(site, mend.edit);
      const there = slotOf(edited, slot.id);
      if (!there) {
        return last;
      }
      const picture = pictureOf(edited, there);
      const file = await this.files.file(edited, there, picture, wanted);
      if (!file) {
        return undefined;
      }
      const readings = takeReadings({ site: edited, slot: there, picture, file });
      const reading = readings.find((r) => r.id === readingId);
      // A reading that does not apply any more has nothing left to say against it.
      last = {
        id,
        mend,
        file,
        verdict: reading?.verdict ?? 'holds',
        figure: reading?.figure ?? '',
      };
      if (last.verdict === 'holds') {
        return last;
      }
    }
    return last;
  }
}
