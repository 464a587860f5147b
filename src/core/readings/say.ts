import type { Hex } from '../site/model/hex';
import type { Site } from '../site/model/site';

/** Bytes as kilobytes of 1000, the way hosts count: one decimal below 100. */
export function kilobytes(bytes: number): string {
  const kb = bytes / 1000;
  return `${kb >= 100 ? Math.round(kb) : kb.toFixed(1)} KB`;
}

/** What a colour is called in a site: by its theme's name, as black or white, or by its digits. */
export const colourName = ({ theme }: Pick<Site, 'theme'>, hex: Hex): string =>
  theme.colours.find((c) => c.hex === hex)?.name ??
  ({ '#000000': 'black', '#ffffff': 'white' } as Readonly<Record<string, string>>)[hex] ??
  hex;
