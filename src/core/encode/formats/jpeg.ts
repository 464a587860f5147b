import type { FormatDefinition } from './format';

export const jpeg: FormatDefinition<'jpeg'> = {
  format: 'jpeg',
  title: 'JPEG',
  endings: ['jpg', 'jpeg'],
  mediaType: 'image/jpeg',
  seeThrough: false,
  lossless: 'never',
  chroma: { fullFrom: 90, whenLossless: true, smoothed: 1 },
  palette: false,
  tables: true,
  efforts: false,
  plain: true,
};
