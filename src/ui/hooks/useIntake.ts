'use client';

import { useCallback, useState } from 'react';
import { IntakeError, inspectPicture } from '@/core/measure/inspect';
import type { ShelfItem } from '@/core/site/model';
import { putAsset } from '@/store/assets';
import { say } from '../shared/notices';
import { theDatabase, theEngine } from './services';

/**
 * Takes a picture in: checked by its bytes, decoded as a whole, stored once.
 * @throws IntakeError with a message for people; nothing is stored then
 */
async function shelveBytes(fileName: string, bytes: Uint8Array<ArrayBuffer>, source: string): Promise<ShelfItem> {
  const { format } = inspectPicture(fileName, bytes);
  const raster = await theEngine().decode(bytes).catch((error: Error) => {
    throw new IntakeError(`${fileName}: expected a whole ${format.toUpperCase()} picture, but ${error.message}.`);
  });
  const assetId = await putAsset(theDatabase(), bytes), { width, height } = raster;
  await theEngine().adopt(assetId, raster);
  return { assetId, name: fileName.replace(/^.*\//, '').replace(/\.[a-z]+$/i, ''), width, height, format, bytes: bytes.length, maker: '', source, licence: '' };
}

/** Takes in a picture of a theme, named by its path there. */
export const useShelving = () => useCallback((path: string, bytes: Uint8Array<ArrayBuffer>) => shelveBytes(path, bytes, 'theme'), []);

/** Takes picture files in one after the other; what is refused is said and changes nothing. */
export function useIntake(): { take(files: readonly File[], onItem: (item: ShelfItem) => void): Promise<void>; busy: string | undefined } {
  const [busy, setBusy] = useState<string>();
  const take = useCallback(async (files: readonly File[], onItem: (item: ShelfItem) => void) => {
    for (const file of files) {
      setBusy(file.name);
      try {
        onItem(await shelveBytes(file.name, new Uint8Array(await file.arrayBuffer()), 'own file'));
      } catch (error) {
        say('bad', error instanceof Error ? error.message : String(error));
      }
    }
    setBusy(undefined);
  }, []);
  return { take, busy };
}

/** Picture files in a paste or drop, of whatever kind they claim to be. */
export const filesOf = (data: DataTransfer | null): File[] => Array.from(data?.files ?? []);
