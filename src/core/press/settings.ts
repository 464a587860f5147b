import type { PressFormat, PressSettings } from '../site/model';
import { formatTitle } from './codecs';

/** Settings with all of a format's colours, and with loss where it has any. */
export const pressAs = (format: PressFormat, quality = 80): PressSettings => ({ format, quality, lossless: false, colours: null });

/** Every level of the file is as it was drawn. */
export const isLossless = ({ format, lossless, colours }: PressSettings): boolean => (format === 'png' ? colours === null : format !== 'jpeg' && lossless);

/** The settings in a few words: “WebP 80”, “PNG, 64 colours”. */
export function pressWords(settings: PressSettings): string {
  const title = formatTitle[settings.format];
  if (settings.format === 'png') return settings.colours === null ? title : `${title}, ${settings.colours} colours`;
  return isLossless(settings) ? `${title}, no loss` : `${title} ${settings.quality}`;
}
