import type { PressedFile } from '@/core/readings/reading';
import { backdropOf } from '@/core/legibility/report';
import type { Picture, Site, Slot } from '@/core/site/model';
import { drawingKey, isBlank } from '@/core/site/picture';
import { theEngine } from './services';
import { drawingOf } from './useThumb';

export type File = PressedFile & { readonly data: Uint8Array<ArrayBuffer> };

const hasWords = (picture: Picture): boolean => picture.layers.some((l) => l.kind === 'text' && !l.hidden);

/** Colours that a veil or the words themselves may take: the theme's, and black and white. */
const coloursOf = ({ theme }: Site): string[] => [...new Set([...theme.colours.map((c) => c.hex), '#000000', '#ffffff'])];

/** Equal for states of a picture that press to the same file and read alike; empty where there is nothing to press. */
export const pressKey = (site: Site, slot: Slot, picture: Picture): string =>
  (isBlank(picture) ? '' : `${drawingKey(picture, slot)} ${picture.press.format} ${picture.press.quality}${hasWords(picture) ? ` ${backdropOf(slot)} ${coloursOf(site).join()}` : ''}`);

/** Files of the tab, newest last, so that plan and bench press each state once. */
const kept = new Map<string, File>();
const most = 24;

/** One picture at a time: whatever has been overtaken meanwhile is not begun. */
let line: Promise<unknown> = Promise.resolve();

async function press(site: Site, slot: Slot, picture: Picture, wanted: () => boolean): Promise<File | undefined> {
  const key = pressKey(site, slot, picture), before = kept.get(key);
  if (before || !wanted()) return before;
  const raster = await theEngine().pixels(drawingOf(slot, picture));
  if (!wanted()) return undefined;
  const { bytes, decoded } = await theEngine().press(raster, picture.press);
  if (!wanted()) return undefined;
  const texts = hasWords(picture) ? await theEngine().legibility(drawingOf(slot, picture), backdropOf(slot), coloursOf(site)) : {};
  const file = { bytes: bytes.length, data: bytes, decoded, format: picture.press.format, width: decoded.width, height: decoded.height, texts };
  kept.set(key, file);
  for (const oldest of kept.keys()) { if (kept.size <= most) break; kept.delete(oldest); }
  return file;
}

/**
 * The file of a picture as it is now, pressed or as it was pressed before.
 * @param wanted asked before each step; once it says no, nothing more is done
 * @returns undefined when it was not wanted any more
 */
export function pressedFile(site: Site, slot: Slot, picture: Picture, wanted: () => boolean): Promise<File | undefined> {
  const done = line.then(() => press(site, slot, picture, wanted));
  line = done.catch(() => {});
  return done;
}
