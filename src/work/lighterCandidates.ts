import type { LighterOption } from '@/core/lightest/lighterOptions';
import { applyEdit, chain, editPicture, type Edit } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pictureOf, slotOf } from '@/core/site/picture';
import type { Candidate, Searches } from './searches';

/** A way down as it was written. */
export interface LighterCandidate {
  readonly id: string;
  readonly label: string;
  /** Goes the way and presses the picture as the file that was found. */
  readonly edit: Edit;
  readonly file: Candidate;
  /** Px of the file. */
  readonly width: number;
  readonly height: number;
  readonly holds: boolean;
}

/** Searches the lightest file of what each way makes of a picture. */
export class LighterCandidates {
  constructor(private readonly searches: Pick<Searches, 'known'>) {}

  /**
   * All ways, one after the other; one that cannot be written is passed over.
   * @param bytes the most that are wanted
   */
  async all(
    site: Site,
    slot: Slot,
    ways: readonly LighterOption[],
    bytes: number,
    wanted: () => boolean,
    found: (tried: LighterCandidate) => void,
  ): Promise<void> {
    for (const way of ways) {
      const tried = await this.one(site, slot, way, bytes, wanted).catch(() => undefined);
      if (!wanted()) {
        return;
      }
      if (tried) {
        found(tried);
      }
    }
  }

  /** The first step of a way that is light enough, else the last one. */
  private async one(
    site: Site,
    { id: slotId, pictureId }: Slot,
    { id, tries }: LighterOption,
    bytes: number,
    wanted: () => boolean,
  ): Promise<LighterCandidate | undefined> {
    let last: LighterCandidate | undefined;
    for (const { label, care, edit } of tries) {
      const edited = applyEdit(site, edit);
      const slot = slotOf(edited, slotId);
      if (!slot) {
        return last;
      }
      const file = await this.searches.known(
        { site: edited, slot, picture: pictureOf(edited, slot) },
        { goal: { by: 'care', care }, formats: slot.accepts, urgency: 'now' },
        wanted,
      );
      if (!file || !wanted()) {
        return undefined;
      }
      const { settings } = file.judgement;
      last = {
        id,
        label,
        edit: chain(
          edit,
          editPicture(pictureId, (p) => {
            p.press = settings;
            p.fallback = null;
          }),
        ),
        file,
        width: slot.width,
        height: slot.height,
        holds: file.judgement.bytes <= bytes,
      };
      if (last.holds) {
        return last;
      }
    }
    return last;
  }
}
