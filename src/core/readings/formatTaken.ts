import { formatOf } from '../encode/formats/registry';
import { encodeSettings } from '../encode/settings';
import { editPicture } from '../site/edit';
import type { ImageFormat } from '../site/model/picture';
import { isBlank } from '../site/picture';
import type { ReadingKind } from './reading';

/** The file's format against those that the host takes. */
export const formatTaken: ReadingKind<ImageFormat> = {
  id: 'format-taken',
  question: 6,
  title: 'Format',
  applies: ({ slot, picture }) => !isBlank(picture) && !slot.accepts.includes(picture.press.format),
  measure: ({ picture }) => picture.press.format,
  judge: () => 'fails',
  figure: (format) => formatOf(format).title,
  plain: () => 'The host does not accept this format',
  say: (format, { slot }) =>
    `The host does not accept ${formatOf(format).title}; it accepts ${slot.accepts.map((f) => formatOf(f).title).join(', ')}.`,
  mend: (_format, { slot, picture }) => ({
    label: `Write it as ${formatOf(slot.accepts[0]).title}`,
    edit: editPicture(picture.id, (p) => {
      p.press = encodeSettings(slot.accepts[0], picture.press.quality);
    }),
  }),
};
