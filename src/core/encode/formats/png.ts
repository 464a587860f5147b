import type { FormatDefinition } from './format';

export const png: FormatDefinition<'png'> = {
  format: 'png',
  title: 'PNG',
  endings: ['png'],
  mediaType: 'image/png',
  seeThrough: true,
  lossless: 'always',
  chroma: undefined,
  palette: true,
  tables: false,
  efforts: false,
  plain: true,
};
