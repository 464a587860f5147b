'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect } from 'react';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { asFiled, drawingKey, isBlank, pictureOf } from '@/core/site/picture';
import { thumbOf } from '@/store/thumbs';
import { theAddresses } from './tab/addresses';
import { theDatabase } from './tab/database';
import { theDrawings } from './tab/drawings';
import { useLatestTask } from './useLatestTask';

/** The last drawing of a slot's picture as pixels, if there is one. */
export async function thumbBitmap(
  siteId: string,
  slotId: string,
): Promise<ImageBitmap | undefined> {
  const kept = await thumbOf(theDatabase(), siteId, slotId);
  return kept && createImageBitmap(kept.png);
}

/**
 * Address of a drawing of the slot's picture, drawn anew when the picture has changed; undefined
 * while there is none.
 */
export function useThumb(site: Site, slot: Slot, fresh = true): string | undefined {
  const picture = asFiled(pictureOf(site, slot));
  const blank = isBlank(picture);
  const row = useLiveQuery(() => thumbOf(theDatabase(), site.id, slot.id), [site.id, slot.id]);
  // The same state may be drawn anew: of what was missing at first more may be there.
  const key = row && `${row.key} ${row.at} ${row.png.size}`;
  useEffect(() => (key === undefined ? undefined : theAddresses().hold(key)), [key]);
  useLatestTask(
    fresh && !blank ? drawingKey(picture, slot) : undefined,
    undefined,
    () => theDrawings().refresh(site, slot),
    { debounceMs: 150 },
  );
  return blank || key === undefined ? undefined : theAddresses().put(key, row!.png);
}
