'use client';

import { useCallback, useRef, useState } from 'react';
import { archiveLimits } from '@/core/files/unzip';
import { emptyRecipe } from '@/core/set/edits';
import type { OpenedSet } from '@/core/set/openSet';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Site } from '@/core/site/model/site';
import { putAssets } from '@/store/setFiles';
import { say } from '../shared/notices';
import type { FolderFile } from './folderFiles';
import { theDatabase } from './tab/database';
import { theEngine } from './tab/engine';

async function stored(opened: OpenedSet, site: Site): Promise<PieceSet> {
  const all = [...opened.pieces, ...opened.sheets, ...opened.others];
  const ids = await putAssets(theDatabase(), all);
  const idOf = new Map(all.map((f, i) => [f.path, ids[i]]));
  const filed = (f: { path: string; bytes: Uint8Array }) => ({
    path: f.path,
    assetId: idOf.get(f.path)!,
    bytes: f.bytes.length,
  });
  const from = opened.colour ?? site.theme.colours[0]?.hex ?? '#3b4a45';
  return {
    name: opened.name.slice(0, 80),
    pieces: opened.pieces.map((p) => ({
      ...filed(p),
      width: p.width,
      height: p.height,
      format: p.format,
      leftOut: false,
    })),
    sheets: opened.sheets.map(filed),
    others: opened.others.map((o) => ({ ...filed(o), why: o.why })),
    recipe: { ...emptyRecipe(crypto.randomUUID()), spare: true },
    from,
    to: site.theme.colours.find((c) => c.hex !== from)?.hex ?? '#a9b79a',
    lines: {},
  };
}

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
  const [busy, setBusy] = useState<string>();
  const stop = useRef<AbortController>(undefined);
  const take = useCallback(
    async (files: readonly FolderFile[], site: Site, onSet: (set: PieceSet) => void) => {
      if (files.length === 0) {
        return;
      }
      stop.current?.abort();
      const own = new AbortController();
      stop.current = own;
      try {
        const total = files.reduce((sum, f) => sum + f.file.size, 0);
        if (total > archiveLimits.unpacked) {
          throw new Error(
            `${files[0].path}: expected at most ${archiveLimits.unpacked / 2 ** 20} MB, found ${Math.round(total / 2 ** 20)} MB.`,
          );
        }
        if (files.length > archiveLimits.entries) {
          throw new Error(
            `${files[0].path}: expected at most ${archiveLimits.entries} files, found ${files.length}.`,
          );
        }
        setBusy(files.length === 1 ? files[0].path : `${files.length} files`);
        const read = await Promise.all(
          files.map(async ({ path, file }) => ({
            path,
            bytes: new Uint8Array(await file.arrayBuffer()),
          })),
        );
        if (own.signal.aborted) {
          return;
        }
        const opened = await theEngine().set.open(read, own.signal);
        if (own.signal.aborted) {
          return;
        }
        const set = await stored(opened, site);
        if (!own.signal.aborted) {
          onSet(set);
        }
      } catch (error) {
        if (!own.signal.aborted) {
          say('bad', error instanceof Error ? error.message : String(error));
        }
      } finally {
        if (stop.current === own) {
          setBusy(undefined);
        }
      }
    },
    [],
  );
  const cancel = useCallback(() => {
    stop.current?.abort();
    stop.current = undefined;
    setBusy(undefined);
  }, []);
  return { take, busy, cancel };
}
