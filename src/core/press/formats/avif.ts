import type { FormatDefinition } from './format';

export const avif: FormatDefinition<'avif'> = {
  format: 'avif',
  title: 'AVIF',
  endings: ['avif'],
  mediaType: 'image/avif',
  seeThrough: true,
  lossless: 'asked',
  chroma: { fullFrom: 0, whenLossless: false },
  palette: false,
  tables: false,
  efforts: true,
  plain: false,
};
