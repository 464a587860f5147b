'use client';

import type { Query } from '@/core/shelf/search';
import type { ShelfItem } from '@/core/site/model/shelf';
import {
  askLibrary,
  libraryPicture,
  libraryQuestion,
  type LibraryFound,
} from '@/standins/library/client';
import type { LibraryPicture } from '@/standins/library/library';
import { shelveBytes } from './useIntake';
import { useLatestTask } from './useLatestTask';

export { libraryAddress } from '@/standins/library/client';
export type { LibraryPicture } from '@/standins/library/library';

/** A pause in typing after which is searched, ms. */
const pause = 250;

const looking: LibraryFound = { state: 'looking' };

/** Searches the library while `active`; a newer question gives the older one up. */
export function useLibrary(
  query: Query & { readonly page: number },
  active: boolean,
): LibraryFound & { again(): void } {
  const question = libraryQuestion(query);
  const { value, current, running, start } = useLatestTask<LibraryFound>(
    active ? question : undefined,
    looking,
    async ({ update }) => {
      const found = await askLibrary(question);
      update(() => found);
    },
    { debounceMs: pause },
  );
  return { ...(current && !running ? value : looking), again: start };
}

/** Takes a picture of the library onto the shelf, with all that is known of it. */
export async function takeFromLibrary(picture: LibraryPicture): Promise<ShelfItem> {
  const { title, maker, licence, date, subject } = picture;
  const bytes = await libraryPicture(picture);
  const item = await shelveBytes(`${title}.jpg`, bytes, 'the picture library');
  return { ...item, maker, licence, date, subject };
}
