'use client';

import type { ReactNode } from 'react';
import { wordsOf } from '@/core/refusal';
import { droppedFiles, type FolderFile } from '../hooks/folderFiles';
import { DropArea } from './DropArea';
import { notify } from './notices';

/** In the middle of an empty screen: where a folder or files are dropped, and what comes of it. */
export function DoorCard({
  label,
  onFiles,
  children,
}: {
  label: string;
  onFiles(files: readonly FolderFile[]): void;
  children: ReactNode;
}) {
  return (
    <DropArea
      label={label}
      className="flex w-[640px] max-w-full flex-col gap-4 px-8 py-8 max-md:p-4"
      rest="border-soft bg-white"
      onDrop={(data) =>
        void droppedFiles(data).then(onFiles, (error: unknown) => notify('bad', wordsOf(error)))
      }
    >
      {children}
    </DropArea>
  );
}
