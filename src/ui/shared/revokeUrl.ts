/** What asked for an address may still be loading it when nothing shows it any more, ms. */
const grace = 60_000;

/** Frees what an address of `URL.createObjectURL` stands for, once nothing can be loading it. */
export const revokeUrl = (url: string): void => {
  setTimeout(() => URL.revokeObjectURL(url), grace);
};
