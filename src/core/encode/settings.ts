import { usualLight } from '../effects/usualLight';
import type { Picture, ImageFormat, EncodeSettings } from '../site/model/picture';
import { formatOf } from './formats/registry';

/** Settings with all of a format's colours, and with loss where it has any. */
export const encodeSettings = (format: ImageFormat, quality = 80): EncodeSettings => ({
  format,
  quality,
  lossless: false,
  colours: null,
  chroma: quality >= (formatOf(format).chroma?.fullFrom ?? Infinity) ? 'full' : 'half',
  table: 3,
  effort: 'usual',
  dithered: false,
});

/**
 * How a picture is written at first: the lightest usual way that its host accepts.
 * @param isPhoto it covers all of it with a photo that has no transparency
 */
export function firstEncodeSettings(
  accepts: readonly ImageFormat[],
  isPhoto = false,
): EncodeSettings {
  const wanted: readonly ImageFormat[] = isPhoto
    ? ['webp', 'avif', 'jpeg', 'png']
    : ['webp', 'avif', 'png', 'jpeg'];
  return encodeSettings(wanted.find((format) => accepts.includes(format)) ?? wanted[0]);
}

/** What of a picture is neither ground nor layer, as it is to begin with. */
export const plainPicture = (
  press: EncodeSettings,
): Pick<Picture, 'light' | 'press' | 'aim' | 'fallback' | 'sized' | 'alt' | 'decorative'> => ({
  light: usualLight,
  press,
  aim: { by: 'care', care: 'careful' },
  fallback: null,
  sized: [],
  alt: '',
  decorative: false,
});

/** Every level of the file is as it was drawn. */
export const isLossless = ({ format, lossless, colours }: EncodeSettings): boolean =>
  formatOf(format).lossless === 'always'
    ? colours === null
    : formatOf(format).lossless === 'asked' && lossless;

/** The settings in a few words: “WebP 80”, “PNG, 64 colours”. */
export function encodeSettingsWords(settings: EncodeSettings): string {
  const { title, palette } = formatOf(settings.format);
  if (palette) {
    const mixed = settings.dithered ? ', dithered' : '';
    return settings.colours === null ? title : `${title}, ${settings.colours} colours${mixed}`;
  }
  if (isLossless(settings)) {
    return `${title}, no loss`;
  }
  return `${title} ${settings.quality}${settings.effort === 'most' ? ', most effort' : ''}`;
}
