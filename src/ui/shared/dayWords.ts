const day = 24 * 60 * 60 * 1000;

const startOf = (ms: number): number => new Date(ms).setHours(0, 0, 0, 0);

/**
 * When something was, as one says it: today, yesterday, or its date.
 * @param now ms since 1970
 */
export function dayWords(ms: number, now: number): string {
  const days = Math.round((startOf(now) - startOf(ms)) / day);
  if (days === 0) {
    return 'today';
  }
  if (days === 1) {
    return 'yesterday';
  }
  const sameYear = new Date(ms).getFullYear() === new Date(now).getFullYear();
  return new Date(ms).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    ...(sameYear ? {} : { year: 'numeric' }),
  });
}
