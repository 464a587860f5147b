import type { FormatDefinition } from './format';

export const webp: FormatDefinition<'webp'> = {
  format: 'webp',
  title: 'WebP',
  endings: ['webp'],
  mediaType: 'image/webp',
  seeThrough: true,
  lossless: 'asked',
  chroma: undefined,
  palette: false,
  tables: false,
  efforts: false,
  plain: false,
};
