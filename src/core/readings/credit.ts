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
    const photos = photosIn(site, picture);
    const names = (list: typeof photos) => list.map((item) => item.name);
    return {
      photos: photos.length,
      withoutMaker: names(
        photos.filter((i) => licenceOf(i.licence)?.asksForCredit && !i.maker.trim()),
      ),
      unchecked: names(photos.filter((i) => !i.rightsChecked)),
    };
  },
  judge: ({ withoutMaker, unchecked }) => {
    if (withoutMaker.length) {
      return 'fails';
    }
    if (unchecked.length) {
      return 'look';
    }
    return 'holds';
  },
  figure: ({ withoutMaker, unchecked, photos }) => {
    if (withoutMaker.length) {
      return 'maker missing';
    }
    if (unchecked.length) {
      return `${unchecked.length} not checked`;
    }
    return `${photos} checked`;
  },
  plain: ({ withoutMaker, unchecked }) => {
    if (withoutMaker.length > 0) {
      return 'A maker has to be named';
    }
    return unchecked.length > 0
      ? 'Nobody checked yet if it may be used'
      : 'Every photo may be used';
  },
  say: ({ withoutMaker, unchecked }) => {
    if (withoutMaker.length) {
      return `The licence of ${named(withoutMaker)} asks for a credit, and no maker is named. Write the maker on the shelf.`;
    }
    if (unchecked.length) {
      return `Nobody has made sure yet that ${named(unchecked)} may be used. Check its licence and tick it on the shelf.`;
    }
    return 'Every photo may be used, and whoever must be named is.';
  },
};
