'use client';

import { wordsOf } from '@/core/refusal';
import type { SetIntake } from '../hooks/useSetIntake';
import type { FolderFile } from '../hooks/folderFiles';
import type { OwnPage } from '@/core/site/model/ownPage';
import type { Site } from '@/core/site/model/site';
import { sampleFile } from '../hooks/sampleFile';
import { Button } from '../shared/Button';
import { folderWith } from '../hooks/wholeFolder';
import { notify } from '../shared/notices';
import { ChooseFiles } from '../shared/ChooseFiles';
import { DoorCard } from '../shared/DoorCard';

const nameOf = ({ title, file }: OwnPage): string => title.trim() || file;

/** The folder of the owner's own page as it came, under the page's name. */
const folderOf = async (own: OwnPage): Promise<FolderFile[]> =>
  (await folderWith(own, [], [])).map(({ path, bytes, type }) => ({
    path: `${nameOf(own).replace(/[/\\]/g, ' ')}/${path}`,
    file: new File([bytes], path.split('/').at(-1)!, { type }),
  }));

/** Own pages whose folder is at hand: what was saved as one file, or is a picture, has none. */
const withFolder = ({ pages }: Site): OwnPage[] =>
  pages.flatMap(({ own }) =>
    own && (own.original !== null || own.from === 'style sheets') ? [own] : [],
  );

/** No set yet: where one is dropped. */
export function EmptySet({
  site,
  intake,
  onFiles,
}: {
  site: Site;
  intake: SetIntake;
  onFiles(files: readonly FolderFile[]): void;
}) {
  const open = (files: Promise<FolderFile[]>) =>
    void files.then(onFiles, (error: unknown) => notify('bad', wordsOf(error)));
  return (
    <main className="grid min-h-0 grow grid-cols-[minmax(0,1fr)] place-items-center overflow-auto bg-board p-6 max-md:p-3">
      <h1 className="sr-only">Recolour a set for {site.name}</h1>
      <DoorCard label="Drop a theme" onFiles={onFiles}>
        <h2 className="text-[17px] font-semibold">A theme you like, in a colour you do not</h2>
        <p>
          Drop the theme’s folder, a zip of it, or its pictures. Every picture then goes through one
          recipe at one strength and keeps its name, size, format and transparency; the colours of
          the style sheet follow.
        </p>
        {intake.busy ? (
          <p role="status" className="flex items-center gap-3">
            Reading {intake.busy}…<Button onClick={intake.cancel}>Cancel</Button>
          </p>
        ) : (
          <div className="flex flex-wrap gap-2">
            <ChooseFiles onFiles={onFiles} />
            <Button className="ml-auto" onClick={() => open(sampleFile('slate-theme.zip'))}>
              Try the sample theme
            </Button>
          </div>
        )}
        {!intake.busy &&
          withFolder(site).map((own) => (
            <Button
              key={own.document}
              className="max-w-full self-start"
              onClick={() => open(folderOf(own))}
            >
              <span className="truncate" title={nameOf(own)}>
                Recolour the page you brought: {nameOf(own)}
              </span>
            </Button>
          ))}
        <p className="text-soft">
          Nothing leaves this browser, and nothing of your site changes until you lay the pieces on
          the plan.
        </p>
      </DoorCard>
    </main>
  );
}
