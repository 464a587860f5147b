import { photosIn } from '../handover/credits';
import { licenceOf } from '../shelf/licences';
import type { ReadingKind } from './reading';

interface Rights {
  /** Names of photos whose licence asks for a credit and whose maker is not known. */
  readonly withoutMaker: readonly string[];
  /** Names of photos nobody has made sure of. */
  readonly unchecked: readonly string[];
  readonly photos: number;
}

const named = (names: readonly string[]): string =>
  `${names
    .slice(0, 2)
    .map((n) => `“${n}”`)
    .join(', ')}${names.length > 2 ? ` and ${names.length - 2} more` : ''}`;

/** Every photo may be used, and whoever must be named can be. */
export const credit: ReadingKind<Rights> = {
  id: 'credit',
  question: 7,
  title: 'Rights and credit',
  applies: ({ site, picture }) => photosIn(site, picture).length > 0,
  measure({ site, picture }) {
    const photos = photosIn(site, picture),
      names = (list: typeof photos) => list.map((item) => item.name);
    return {
      photos: photos.length,
      withoutMaker: names(
        photos.filter((i) => licenceOf(i.licence)?.asksForCredit && !i.maker.trim()),
      ),
      unchecked: names(photos.filter((i) => !i.rightsChecked)),
    };
  },
  judge: ({ withoutMaker, unchecked }) =>
    withoutMaker.length ? 'fails' : unchecked.length ? 'look' : 'holds',
  figure: ({ withoutMaker, unchecked, photos }) =>
    withoutMaker.length
      ? 'maker missing'
      : unchecked.length
        ? `${unchecked.length} not checked`
        : `${photos} checked`,
  say: ({ withoutMaker, unchecked }) =>
    withoutMaker.length
      ? `The licence of ${named(withoutMaker)} asks for a credit, and no maker is named. Write the maker on the shelf.`
      : unchecked.length
        ? `Nobody has made sure yet that ${named(unchecked)} may be used. Check its licence and tick it on the shelf.`
        : 'Every photo may be used, and whoever must be named is.',
};
