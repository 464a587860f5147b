import { formatOf, imageFormats } from '../encode/formats/registry';
import { isLossless, encodeSettings, encodeSettingsWords } from '../encode/settings';
import { editPicture } from '../site/edit';
import type { ImageFormat, EncodeSettings } from '../site/model/picture';
import { isBlank } from '../site/picture';
import { kilobytes } from './say';
import type { ReadingKind } from './reading';

/** Bytes of the pressed file against the slot's budget. */
export const weight: ReadingKind<number> = {
  id: 'weight',
  question: 6,
  title: 'Weight',
  applies: ({ picture }) => !isBlank(picture),
  measure: ({ file }) => file?.bytes,
  judge: (bytes, { slot }) => {
    if (bytes <= slot.budgetBytes) {
      return 'holds';
    }
    if (bytes <= slot.budgetBytes * 1.5) {
      return 'look';
    }
    return 'fails';
  },
  figure: (bytes, { slot }) => `${kilobytes(bytes)} of ${kilobytes(slot.budgetBytes)}`,
  plain: (bytes, { slot }) => (bytes <= slot.budgetBytes ? 'Light enough' : 'Heavier than planned'),
  say: (bytes, { slot }) =>
    bytes <= slot.budgetBytes
      ? `${kilobytes(bytes)}, within the ${kilobytes(slot.budgetBytes)} for this slot.`
      : `${kilobytes(bytes - slot.budgetBytes)} over the ${kilobytes(slot.budgetBytes)} for this slot. Lower the quality or take a lighter format.`,
  mend(_bytes, { picture, slot }) {
    const press = lighter(picture.press, slot.accepts);
    return (
      press && {
        label: `Write it as ${encodeSettingsWords(press)}`,
        edit: editPicture(picture.id, (p) => {
          p.press = press;
        }),
      }
    );
  },
};

/** Below this quality a file is seldom worth looking at (ours, by looking). */
const leastQuality = 40;
const fewestColours = 32;

/**
 * The settings one step lighter, in a format that the host takes; undefined where there are none.
 */
export function lighter(
  press: EncodeSettings,
  accepts: readonly ImageFormat[],
): EncodeSettings | undefined {
  const { format, quality, colours } = press;
  const modern = (['webp', ...imageFormats] as const).find(
    (f) => accepts.includes(f) && !formatOf(f).plain,
  );
  if (formatOf(format).plain && modern) {
    return encodeSettings(modern, quality);
  }
  if (formatOf(format).palette) {
    const fewer = colours === null ? 256 : Math.floor(colours / 2);
    return fewer >= fewestColours ? { ...press, colours: fewer } : undefined;
  }
  if (isLossless(press)) {
    return encodeSettings(format, quality);
  }
  return quality > leastQuality
    ? { ...press, quality: Math.max(leastQuality, quality - 15) }
    : undefined;
}
