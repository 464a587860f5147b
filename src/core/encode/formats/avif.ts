import type { FormatDefinition } from './format';

export const avif: FormatDefinition<'avif'> = {
  format: 'avif',
  title: 'AVIF',
  endings: ['avif'],
  mediaType: 'image/avif',
  seeThrough: true,
  lossless: 'asked',
  // Browsers smooth it, other programs take the nearest.
  chroma: { fullFrom: 0, whenLossless: false, smoothed: 0.5 },
  palette: false,
  tables: false,
  efforts: true,
  plain: false,
};
