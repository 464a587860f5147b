import type { Site } from '../site/model/site';
import { pictureOf } from '../site/picture';
import type { EncodedFile, Reading } from './reading';
import { takeReadings } from './registry';

/** A reading as it crosses to another thread: of its mend, which is a function, only the label. */
export interface ToldReading extends Omit<Reading, 'mend' | 'ways'> {
  readonly mend: string | undefined;
}

function told({ mend, ways: _ways, ...reading }: Reading): ToldReading {
  return { ...reading, mend: mend?.label };
}

/**
 * All readings of all slots, or of some.
 * @param fileOf the file of a slot's picture as it is, where it is known
 * @param only ids of those that are read
 */
export const readingsOfSite = (
  site: Site,
  fileOf: (slotId: string) => EncodedFile | undefined,
  only?: ReadonlySet<string>,
): ReadonlyMap<string, readonly ToldReading[]> =>
  new Map(
    site.slots
      .filter(({ id }) => only?.has(id) ?? true)
      .map((slot) => [
        slot.id,
        takeReadings({ site, slot, picture: pictureOf(site, slot), file: fileOf(slot.id) }).map(
          told,
        ),
      ]),
  );
