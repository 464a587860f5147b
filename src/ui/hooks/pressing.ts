import type { PressedFile } from '@/core/readings/reading';
import type { Picture, Slot } from '@/core/site/model';
import { drawingKey, isBlank } from '@/core/site/picture';
import { theEngine } from './services';
import { drawingOf } from './useThumb';

export type File = PressedFile & { readonly data: Uint8Array<ArrayBuffer> };

/** Equal for states of a picture that press to the same file; empty where there is nothing to press. */
export const pressKey = (slot: Slot, picture: Picture): string =>
  (isBlank(picture) ? '' : `${drawingKey(picture, slot)} ${picture.press.format} ${picture.press.quality}`);

/** Files of the tab, newest last, so that plan and bench press each state once. */
const kept = new Map<string, Promise<File>>();
const most = 24;

async function press(slot: Slot, picture: Picture): Promise<File> {
  const raster = await theEngine().pixels(drawingOf(slot, picture));
  const { bytes, decoded } = await theEngine().press(raster, picture.press);
  return { bytes: bytes.length, data: bytes, decoded, format: picture.press.format, width: decoded.width, height: decoded.height };
}

/** The file of a picture as it is now, pressed or as it was pressed before. */
export function pressedFile(slot: Slot, picture: Picture): Promise<File> {
  const key = pressKey(slot, picture), file = kept.get(key) ?? press(slot, picture);
  kept.delete(key);
  kept.set(key, file);
  file.catch(() => kept.delete(key));
  for (const oldest of kept.keys()) { if (kept.size <= most) break; kept.delete(oldest); }
  return file;
}
