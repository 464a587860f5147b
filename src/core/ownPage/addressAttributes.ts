/** Attributes that name one file, whatever element they are on. */
export const fileAttributes: ReadonlySet<string> = new Set([
  'src',
  'poster',
  'background',
  'dynsrc',
  'lowsrc',
]);

/** Attributes where pages keep the address of a picture that a script puts in place later. */
export const lateFile = [
  'data-src',
  'data-original',
  'data-lazy-src',
  'data-lazy',
  'data-hi-res-src',
];
export const lateSet = ['data-srcset', 'data-lazy-srcset', 'data-original-set'];
export const lateBackground = [
  'data-bg',
  'data-background',
  'data-background-image',
  'data-bg-src',
];
