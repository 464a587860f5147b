'use client';

import { useCallback, useState } from 'react';
import { useStore } from 'zustand';
import { archiveLimits } from '@/core/files/unzip';
import { pieceSetOf } from '@/core/set/pieceSetOf';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Site } from '@/core/site/model/site';
import { putAssets } from '@/store/assets';
import { FileReading } from '@/work/fileReading';
import { notify } from '../shared/notices';
import type { FolderFile } from './folderFiles';
import { theDatabase } from './tab/database';
import { theEngine } from './tab/engine';

const limits = { together: archiveLimits.unpacked, count: archiveLimits.entries };

export interface SetIntake {
  /**
   * Reads a folder, a zip or pictures and stores them; what is refused is said and changes nothing.
   */
  take(files: readonly FolderFile[], site: Site, onSet: (set: PieceSet) => void): Promise<void>;
  /** What is being done. */
  readonly busy: string | undefined;
  cancel(): void;
}

export function useSetIntake(): SetIntake {
  const [reading] = useState(() => new FileReading((words) => notify('bad', words)));
  const busy = useStore(reading.state, (s) => s.busy);
  const take = useCallback<SetIntake['take']>(
    async (files, site, onSet) => {
      const set = await reading.read(files, limits, async (read, signal) => {
        const opened = await theEngine().set.open(read, signal);
        const all = [...opened.pieces, ...opened.sheets, ...opened.others];
        const ids = await putAssets(theDatabase(), all);
        const idOf = new Map(all.map(({ path }, i) => [path, ids[i]]));
        return pieceSetOf(opened, site, (path) => idOf.get(path)!, crypto.randomUUID());
      });
      if (set) {
        onSet(set);
      }
    },
    [reading],
  );
  const cancel = useCallback(() => reading.cancel(), [reading]);
  return { take, busy, cancel };
}
