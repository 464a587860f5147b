'use client';

import type { SetIntake } from '../hooks/useSetIntake';
import type { FolderFile } from '../hooks/folderFiles';
import { sampleFile } from '../hooks/sampleFile';
import { Button } from '../shared/Button';
import { say } from '../shared/notices';
import { ChooseFiles } from '../shared/ChooseFiles';
import { DoorCard } from '../shared/DoorCard';

/** No set yet: where one is dropped. */
export function EmptySet({
  intake,
  onFiles,
}: {
  intake: SetIntake;
  onFiles(files: readonly FolderFile[]): void;
}) {
  return (
    <main className="grid min-h-0 grow place-items-center bg-board p-6">
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
            <Button
              className="ml-auto"
              onClick={() =>
                void sampleFile('slate-theme.zip').then(onFiles, (error: unknown) =>
                  say('bad', error instanceof Error ? error.message : String(error)),
                )
              }
            >
              Try the sample theme
            </Button>
          </div>
        )}
        <p className="text-soft">
          Nothing leaves this browser, and nothing of your site changes until you lay the pieces on
          the plan.
        </p>
      </DoorCard>
    </main>
  );
}
