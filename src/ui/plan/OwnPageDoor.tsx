'use client';

import { wordsOf } from '@/core/refusal';
import type { FolderFile } from '../hooks/folderFiles';
import { sampleFile } from '../hooks/sampleFile';
import { Button } from '../shared/Button';
import { notify } from '../shared/notices';
import { ChooseFiles } from '../shared/ChooseFiles';
import { DoorCard } from '../shared/DoorCard';

/** How a page is saved, by browser; the folder or the one file is what is dropped here. */
const saving = [
  ['Chrome, Edge', 'Save page as…, then “Webpage, complete” or “Webpage, single file”'],
  ['Firefox', 'Save page as…, then “Web page, complete”'],
  ['Safari', 'open the page in one of the others: its archive cannot be read elsewhere'],
] as const;

/** Where a saved page is dropped or chosen. */
export function OwnPageDoor({ onFiles }: { onFiles(files: readonly FolderFile[]): void }) {
  return (
    <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)] place-items-center overflow-auto bg-board p-6 max-md:p-3">
      <DoorCard label="Drop a saved page" onFiles={onFiles}>
        <h3 className="text-[17px] font-semibold">Your page, as it is</h3>
        <p>
          Save a page of your site from the browser and drop it here, with its folder or as one
          file. It is shown as the browser lays it out, and the places for pictures on it are found
          and measured. A theme’s folder or style sheets will do too: a page is then built of what
          they select. In a picture of the page its places can be pointed at.
        </p>
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
          {saving.map(([browser, how]) => (
            <div key={browser} className="contents">
              <dt className="font-semibold">{browser}</dt>
              <dd className="text-soft">{how}</dd>
            </div>
          ))}
        </dl>
        <div className="flex flex-wrap gap-2">
          <ChooseFiles accept=".html,.htm,.xhtml,.mhtml,.mht,.zip,.css,image/*" onFiles={onFiles} />
          <Button
            className="ml-auto"
            onClick={() =>
              void sampleFile('kiln-weekend.mhtml').then(onFiles, (error: unknown) =>
                notify('bad', wordsOf(error)),
              )
            }
          >
            Try the sample page
          </Button>
        </div>
        <p className="text-soft">
          Nothing leaves this browser: no script of the page runs, and it asks for nothing. The page
          is kept as it came, hidden fields and all, in the site file too: save it while you are
          logged out.
        </p>
      </DoorCard>
    </div>
  );
}
