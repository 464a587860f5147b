'use client';

import { fontFolder } from '@/engine/vendor';
import { served } from '@/served/address';
import { servedFile } from '@/served/file';
import { keepingFiles } from '@/work/keepingFiles';
import { keepWritten, writtenOf } from '@/store/written';
import { storedAsset } from './assets';
import { built } from './built';
import { theDatabase } from './database';
import { theEngine } from './engine';
import { theFiles } from './files';
import { lazily } from '@/core/lazily';
import { theSetFiles } from './setFiles';

const shippedFont = ({ file }: { readonly file: string }): Promise<Uint8Array<ArrayBuffer>> =>
  servedFile(served(`${fontFolder}/${file}`), file);

const stateOf = (key: string): string => `${built} handed ${key}`;

/** Keeps a file where handing over looks for it; one that could not be kept is written again. */
export const keepHanded = (key: string, data: Uint8Array<ArrayBuffer>): void =>
  void keepWritten(theDatabase(), stateOf(key), { data, at: Date.now() }).catch(() => {});

/** What handing over asks for; files that were written once are kept. */
export const theHandOver = lazily(() => {
  const engine = theEngine();
  return keepingFiles(
    {
      atOnce: engine.atOnce,
      draw: (drawing) => engine.pixels(drawing, 'soon'),
      encode: engine.encode,
      asset: storedAsset,
      resize: engine.bulk.resize,
      packSite: engine.bulk.packSite,
      packPicture: engine.bulk.packPicture,
      theme: (set, listener) => theSetFiles().theme(set, listener),
      shippedFont,
      survey: engine.readSurvey,
    },
    {
      encoded: ({ site, slot, picture }) => theFiles().bytes(site, slot, picture),
      recall: async (key) => (await writtenOf(theDatabase(), stateOf(key)))?.data,
      keep: (key, data) => keepWritten(theDatabase(), stateOf(key), { data, at: Date.now() }),
    },
  );
});
