'use client';

import { useCallback, useRef, useState } from 'react';
import { IntakeError, inspectPicture } from '@/core/measure/inspect';
import type { ShelfItem } from '@/core/site/model/shelf';
import { shelfItem } from '@/core/shelf/item';
import { putAsset } from '@/store/assets';
import { say } from '../shared/notices';
import { theDatabase, theEngine } from './services';

/**
 * Takes a picture in: checked by its bytes, decoded as a whole, stored once.
 * @throws IntakeError with a message for people; nothing is stored then
 */
export async function shelveBytes(
  fileName: string,
  bytes: Uint8Array<ArrayBuffer>,
  source: string,
): Promise<ShelfItem> {
  const { format } = inspectPicture(fileName, bytes);
  const raster = await theEngine()
    .decode(bytes)
    .catch((error: Error) => {
      throw new IntakeError(
        `${fileName}: expected a whole ${format.toUpperCase()} picture, but ${error.message}.`,
      );
    });
  const assetId = await putAsset(theDatabase(), bytes);
  const { width, height } = raster;
  await theEngine().adopt(assetId, raster);
  return shelfItem({
    assetId,
    name: fileName.replace(/^.*\//, '').replace(/\.[a-z]+$/i, ''),
    width,
    height,
    format,
    bytes: bytes.length,
    source,
  });
}

export interface Intake {
  /** Takes picture files in one after the other; what is refused is said and changes nothing. */
  take(files: readonly File[], onItem: (item: ShelfItem) => void): Promise<void>;
  /** What is being read, with its place among several. */
  readonly busy: string | undefined;
  /** Share of the files that are done, 0..1. */
  readonly share: number;
  /** Leaves out what has not been read yet. */
  cancel(): void;
}

export function useIntake(): Intake {
  const [busy, setBusy] = useState<{ words: string; share: number }>();
  const run = useRef(0);
  const take = useCallback(async (files: readonly File[], onItem: (item: ShelfItem) => void) => {
    const own = ++run.current;
    for (const [i, file] of files.entries()) {
      if (run.current !== own) {
        break;
      }
      setBusy({
        words: files.length > 1 ? `${i + 1} of ${files.length}, ${file.name}` : file.name,
        share: i / files.length,
      });
      try {
        const item = await shelveBytes(
          file.name,
          new Uint8Array(await file.arrayBuffer()),
          'own file',
        );
        if (run.current === own) {
          onItem(item);
        }
      } catch (error) {
        say('bad', error instanceof Error ? error.message : String(error));
      }
    }
    if (run.current === own) {
      setBusy(undefined);
    }
  }, []);
  const cancel = useCallback(() => {
    run.current++;
    setBusy(undefined);
  }, []);
  return { take, busy: busy?.words, share: busy?.share ?? 0, cancel };
}

/** Picture files in a paste or drop, of whatever kind they claim to be. */
export const filesOf = (data: DataTransfer | null): File[] => Array.from(data?.files ?? []);
