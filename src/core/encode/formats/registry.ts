import type { ImageFormat } from '../../site/model/picture';
import { avif } from './avif';
import type { FormatDefinition } from './format';
import { jpeg } from './jpeg';
import { png } from './png';
import { webp } from './webp';

/** The lightest for photographs first. */
const formats = { avif, webp, jpeg, png } as const satisfies {
  [F in ImageFormat]: FormatDefinition<F>;
};

export const formatOf = (format: ImageFormat): FormatDefinition => formats[format];

/** Every format there is, the lightest for photographs first. */
export const imageFormats: readonly ImageFormat[] = Object.values(formats).map((f) => f.format);

/** The format of a file by its ending; undefined for one that is not written. */
export function formatByEnding(path: string): ImageFormat | undefined {
  const ending = /\.([a-z0-9]+)$/i.exec(path)?.[1].toLowerCase() ?? '';
  return imageFormats.find((f) => formats[f].endings.includes(ending));
}

/** A name that is one of the formats', as decoders give it. */
export const formatNamed = (name: string): ImageFormat | undefined =>
  imageFormats.find((f) => f === name);
