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
const kept = new Map<string, File>();
const most = 24;

/** One picture at a time: whatever has been overtaken meanwhile is not begun. */
let line: Promise<unknown> = Promise.resolve();

async function press(slot: Slot, picture: Picture, wanted: () => boolean): Promise<File | undefined> {
  const key = pressKey(slot, picture), before = kept.get(key);
  if (before || !wanted()) return before;
  const raster = await theEngine().pixels(drawingOf(slot, picture));
  if (!wanted()) return undefined;
  const { bytes, decoded } = await theEngine().press(raster, picture.press);
  const file = { bytes: bytes.length, data: bytes, decoded, format: picture.press.format, width: decoded.width, height: decoded.height };
  kept.set(key, file);
  for (const oldest of kept.keys()) { if (kept.size <= most) break; kept.delete(oldest); }
  return file;
}

/**
 * The file of a picture as it is now, pressed or as it was pressed before.
 * @param wanted asked before each step; once it says no, nothing more is done
 * @returns undefined when it was not wanted any more
 */
export function pressedFile(slot: Slot, picture: Picture, wanted: () => boolean): Promise<File | undefined> {
  const done = line.then(() => press(slot, picture, wanted));
  line = done.catch(() => {});
  return done;
}
