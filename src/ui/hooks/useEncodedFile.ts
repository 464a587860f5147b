'use client';

import { useMemo, useState } from 'react';
import { fileKey } from '@/core/readings/survey';
import { wordsOf } from '@/core/refusal';
import type { Picture } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import type { WrittenFile } from '@/work/pictureFiles';
import { theFiles } from './tab/files';
import { useLatestTask } from './useLatestTask';

export type { WrittenFile } from '@/work/pictureFiles';

export interface EncodedFileState {
  /** The newest file there is, and whether it is of the state that is shown. */
  readonly file: WrittenFile | undefined;
  readonly current: boolean;
  readonly failure: string | undefined;
}

const none: EncodedFileState = { file: undefined, current: false, failure: undefined };

/** A picture is pressed once it has rested for so long, ms. */
const rest = 180;

const photosOf = ({ layers }: Picture): string =>
  layers.flatMap((layer) => (layer.kind === 'photo' ? [layer.assetId] : [])).join(' ');

/**
 * Presses a picture whenever it has come to rest, and keeps the last file until the next is done.
 * @param moving a gesture is going on: whatever it makes of the picture is not pressed yet
 */
export function useEncodedFile(
  site: Site,
  slot: Slot,
  picture: Picture,
  moving: boolean,
): EncodedFileState {
  const key = fileKey(site, slot, picture);
  const photos = photosOf(picture);
  const [pressed, setPressed] = useState(photos);
  const { value } = useLatestTask<{ key: string; file?: WrittenFile; failure?: string }>(
    key && !moving ? key : undefined,
    { key: '' },
    async ({ isCurrent, update }) => {
      setPressed(photos);
      try {
        const file = await theFiles().file(site, slot, picture, isCurrent);
        if (file) {
          update(() => ({ key, file }));
        }
        const thorough = await theFiles().thorough(site, slot, picture, isCurrent);
        if (thorough) {
          update(() => ({ key, file: thorough }));
        }
      } catch (error) {
        const failure = wordsOf(error);
        update((before) => ({ ...before, key, failure }));
      }
    },
    // Who gives a photo waits for it, and is not about to give the next.
    { debounceMs: photos === pressed ? rest : 0, keepPrevious: true },
  );
  const ofThis = value.key === key;
  const { file } = value;
  const failure = ofThis ? value.failure : undefined;
  return useMemo(
    () => (key ? { file, current: ofThis && failure === undefined, failure } : none),
    [key, file, ofThis, failure],
  );
}
