import type { ChainPart } from '../site/model/slot';

/** Width of a strip that lies under all the parts, px. */
export const chainLength = (parts: readonly ChainPart[]): number =>
  parts.reduce((sum, part) => sum + part.px, 0);

/** Where each part begins and ends, px from the left end of the chain. */
export function chainPlaces(
  parts: readonly ChainPart[],
): { readonly part: ChainPart; readonly from: number; readonly to: number }[] {
  let at = 0;
  return parts.map((part) => ({ part, from: at, to: (at += part.px) }));
}

/** The sum in words, such as `300 + 28 gap = 328`. */
export const chainWords = (parts: readonly ChainPart[]): string =>
  `${parts.map(({ what, px }) => (what === 'column' ? `${px}` : `${px} ${what}`)).join(' + ')} = ${chainLength(parts)}`;
