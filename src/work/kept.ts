import type { StoreFailure } from '@/core/site/siteStore';

/** Whether everything that was done is on the disk. */
export type Kept =
  | { readonly state: 'kept' }
  | { readonly state: 'writing' }
  | {
      readonly state: 'not';
      readonly why: StoreFailure | 'removed' | 'unreadable';
      /** What is, and what to do. */
      readonly words: string;
    };

const steps = (count: number): string =>
  count === 1 ? 'The last step is' : `The last ${count} steps are`;

const reasons: Readonly<Record<StoreFailure | 'removed' | 'unreadable', string>> = {
  full: 'this browser gives Soyez no more room. Remove a site you do not need, or free space on the disk.',
  closed: 'the browser closed its store. Reload when you have saved the site file.',
  other: 'the browser could not write. The disk may be full or asleep.',
  removed: 'this site was removed in another tab. Put it back, save its file, or let it go.',
  unreadable: 'another tab keeps this site in a form that this one cannot read. Reload to see it.',
};

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** @param count steps that are not on the disk; where there are none, the reason alone is said */
export const notKept = (
  why: StoreFailure | 'removed' | 'unreadable',
  count: number,
  detail = '',
): Kept => ({
  state: 'not',
  why,
  words: `${count > 0 ? `${steps(count)} not kept: ${reasons[why]}` : capital(reasons[why])}${detail ? ` (${detail})` : ''}`,
});
