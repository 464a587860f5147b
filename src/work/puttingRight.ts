import { takeReadings } from '@/core/readings/registry';
import { applyEdit, chain, type Edit } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { isBlank, pictureOf, slotOf } from '@/core/site/picture';
import type { PictureFiles } from './pictureFiles';

/** So often at most: each time the worst words of a picture get what they need. */
const rounds = 5;

/**
 * Mends that are done together: what one of them leaves short because of another is measured and
 * mended again, such as words that became larger on a phone after a veil was found for them.
 * @param first the mends as they were found, each by itself
 * @param ids readings that are to hold afterwards
 * @param wanted asked before each step; once it says no, nothing more is done
 */
export async function puttingRight(
  files: Pick<PictureFiles, 'file'>,
  { site, slot }: { readonly site: Site; readonly slot: Slot },
  first: Edit,
  ids: readonly string[],
  wanted: () => boolean,
): Promise<Edit> {
  let edit = first;
  for (let round = 0; round < rounds; round++) {
    const after = applyEdit(site, edit);
    const there = slotOf(after, slot.id);
    const picture = there && pictureOf(after, there);
    if (!picture || isBlank(picture)) {
      return edit;
    }
    const file = await files.file(after, there, picture, wanted);
    if (!file) {
      return edit;
    }
    const short = takeReadings({ site: after, slot: there, picture, file }).filter(
      ({ id, verdict, mend }) =>
        ids.includes(id) && mend && (verdict === 'fails' || verdict === 'look'),
    );
    if (short.length === 0) {
      return edit;
    }
    edit = chain(edit, ...short.map(({ mend }) => mend!.edit));
  }
  return edit;
}
