import { formatTitle } from '../press/codecs';
import { pressAs } from '../press/settings';
import { editPicture } from '../site/edit';
import type { PressFormat } from '../site/model/picture';
import { isBlank } from '../site/picture';
import type { ReadingKind } from './reading';

/** The file's format against those that the host takes. */
export const formatTaken: ReadingKind<PressFormat> = {
  id: 'format-taken',
  question: 6,
  title: 'Format',
  applies: ({ slot, picture }) => !isBlank(picture) && !slot.accepts.includes(picture.press.format),
  measure: ({ picture }) => picture.press.format,
  judge: () => 'fails',
  figure: (format) => formatTitle[format],
  say: (format, { slot }) =>
    `The host does not take ${formatTitle[format]}; it takes ${slot.accepts.map((f) => formatTitle[f]).join(', ')}.`,
  mend: (_format, { slot, picture }) => ({
    label: `Press as ${formatTitle[slot.accepts[0]]}`,
    edit: editPicture(picture.id, (p) => {
      p.press = pressAs(slot.accepts[0], picture.press.quality);
    }),
  }),
};
