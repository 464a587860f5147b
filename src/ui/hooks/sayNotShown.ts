import { wordsOf } from '@/core/refusal';
import { PageTroubled, forgetTrouble } from '@/engine/page/openings';
import { notify } from '../shared/notices';

/**
 * Tells why a page is not shown.
 * @param again shows it all the same, where that may be tried
 * @returns the reason, in words
 */
export function sayNotShown(error: unknown, again: () => void): string {
  const words = wordsOf(error);
  const action = error instanceof PageTroubled && {
    label: 'Lay it out all the same',
    run: () => {
      forgetTrouble(error.page);
      again();
    },
  };
  notify('bad', `The page could not be shown. ${words}`, action || undefined);
  return words;
}
