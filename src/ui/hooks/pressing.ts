import { drawingOf } from '@/core/compose/drawing';
import type { PressedFile } from '@/core/readings/reading';
import { isUnderContent, wrapsOf } from '@/core/readings/calm';
import { hasOverlap, overlapOf, slotInFile } from '@/core/frame/overlap';
import { crop } from '@/core/raster/raster';
import { backdropOf } from '@/core/seam/beside';
import type { Picture } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { asFiled, drawingKey, isBlank } from '@/core/site/picture';
import { siteColours } from '@/core/site/colours';
import { pagesWith } from '@/core/site/pages';
import type { SurveyQuestions } from '@/engine/protocol';
import { theEngine } from './services';

export type File = PressedFile & { readonly data: Uint8Array<ArrayBuffer> };

const hasWords = (picture: Picture): boolean =>
  picture.layers.some((l) => l.kind === 'text' && !l.hidden);

/** Colours that a veil or the words themselves may take: the theme's, and black and white. */
const coloursOf = ({ theme }: Site): string[] => [
  ...new Set([...theme.colours.map((c) => c.hex), '#000000', '#ffffff']),
];

/** There are words to be read, its own or the page's over it. */
const isSurveyed = (slot: Slot, picture: Picture): boolean =>
  hasWords(picture) || isUnderContent(slot);

function questionsOf(site: Site, slot: Slot): SurveyQuestions {
  const backdrop = backdropOf(site, slot);
  const page = pagesWith(site, slot)[0];
  return {
    backdrop,
    colours: coloursOf(site),
    calm: isUnderContent(slot)
      ? { limit: site.limits.calm, veil: page?.ground ?? backdrop, wraps: wrapsOf(slot) }
      : null,
  };
}

/**
 * Equal for states of a picture that press to the same file and read alike; empty where there is
 * nothing to press.
 */
export function pressKey(site: Site, slot: Slot, picture: Picture): string {
  if (isBlank(picture)) {
    return '';
  }
  return [
    drawingKey(picture, slot),
    JSON.stringify(picture.press),
    ...(picture.press.colours === null ? [] : siteColours(site)),
    ...(isSurveyed(slot, picture) ? [JSON.stringify(questionsOf(site, slot))] : []),
  ].join(' ');
}

/**
 * Files of the tab, newest last, so that plan and bench press each state once, and ways to mend are
 * tried once.
 */
const kept = new Map<string, File>();
/** As many as have so many px decoded. */
const mostPixels = 40e6;

/** One picture at a time: whatever has been overtaken meanwhile is not begun. */
let line: Promise<unknown> = Promise.resolve();

async function press(
  site: Site,
  slot: Slot,
  picture: Picture,
  wanted: () => boolean,
): Promise<File | undefined> {
  const key = pressKey(site, slot, picture);
  const before = kept.get(key);
  if (before || !wanted()) {
    return before;
  }
  const raster = await theEngine().pixels(drawingOf(slot, asFiled(picture)));
  if (!wanted()) {
    return undefined;
  }
  const { bytes, decoded: all } = await theEngine().press(raster, picture.press, siteColours(site));
  const overlap = overlapOf(slot);
  const hangs = hasOverlap(overlap);
  const decoded = hangs ? crop(all, slotInFile(slot, overlap)) : all;
  if (!wanted()) {
    return undefined;
  }
  // Live words are measured too: they lie over the same picture.
  const { texts, calm } = isSurveyed(slot, picture)
    ? await theEngine().survey(
        { ...drawingOf(slot, picture), overlap: undefined },
        questionsOf(site, slot),
      )
    : { texts: {}, calm: undefined };
  const file = {
    bytes: bytes.length,
    data: bytes,
    decoded,
    ...(hangs && { whole: all }),
    format: picture.press.format,
    width: all.width,
    height: all.height,
    texts,
    calm,
  };
  kept.set(key, file);
  let pixels = [...kept.values()].reduce((sum, f) => sum + f.width * f.height, 0);
  for (const [oldest, { width, height }] of kept) {
    if (pixels <= mostPixels || oldest === key) {
      break;
    }
    kept.delete(oldest);
    pixels -= width * height;
  }
  return file;
}

/**
 * The file of a picture as it is now, pressed or as it was pressed before.
 * @param wanted asked before each step; once it says no, nothing more is done
 * @returns undefined when it was not wanted any more
 */
export function pressedFile(
  site: Site,
  slot: Slot,
  picture: Picture,
  wanted: () => boolean,
): Promise<File | undefined> {
  const done = line.then(() => press(site, slot, picture, wanted));
  line = done.catch(() => {});
  return done;
}
