import type { Picture, PressFormat, PressSettings } from '../site/model/picture';
import { formatTitle } from './codecs';

/** Every format there is, the lightest for photographs first. */
export const pressFormats: readonly PressFormat[] = ['avif', 'webp', 'jpeg', 'png'];

/** Settings with all of a format's colours, and with loss where it has any. */
export const pressAs = (format: PressFormat, quality = 80): PressSettings => ({
  format,
  quality,
  lossless: false,
  colours: null,
  chroma: format === 'avif' || (format === 'jpeg' && quality >= 90) ? 'full' : 'half',
  table: 3,
});

/** What of a picture is not drawn, as it is to begin with. */
export const plainPicture = (
  press: PressSettings,
): Pick<Picture, 'press' | 'aim' | 'fallback' | 'alt' | 'decorative'> => ({
  press,
  aim: { by: 'care', care: 'careful' },
  fallback: null,
  alt: '',
  decorative: false,
});

/** Every level of the file is as it was drawn. */
export const isLossless = ({ format, lossless, colours }: PressSettings): boolean =>
  format === 'png' ? colours === null : format !== 'jpeg' && lossless;

/** The settings in a few words: “WebP 80”, “PNG, 64 colours”. */
export function pressWords(settings: PressSettings): string {
  const title = formatTitle[settings.format];
  if (settings.format === 'png') {
    return settings.colours === null ? title : `${title}, ${settings.colours} colours`;
  }
  return isLossless(settings) ? `${title}, no loss` : `${title} ${settings.quality}`;
}
