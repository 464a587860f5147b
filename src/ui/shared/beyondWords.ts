import type { WordsMeasured } from '../hooks/useLostContrast';

/** What nothing is known of, said so that nothing is promised of it; a space before each sentence. */
export function beyondWords({ unread, pagesLeft }: WordsMeasured): string {
  return [
    ...(unread > 0
      ? [` ${unread === 1 ? '1 text far down was' : `${unread} texts far down were`} not measured.`]
      : []),
    ...(pagesLeft > 0
      ? [` ${pagesLeft === 1 ? '1 more page was' : `${pagesLeft} more pages were`} not measured.`]
      : []),
  ].join('');
}
