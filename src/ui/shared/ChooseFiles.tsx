'use client';

import { useEffect, useRef } from 'react';
import { chosenFiles, type FolderFile } from '../hooks/folderFiles';
import { Button } from './Button';

/** Buttons that choose files or a folder. */
export function ChooseFiles({
  onFiles,
  disabled,
  accept = '.zip,.css,image/*',
}: {
  onFiles(files: readonly FolderFile[]): void;
  disabled?: boolean;
  /** Of single files. */
  accept?: string;
}) {
  const files = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  useEffect(() => folder.current?.setAttribute('webkitdirectory', ''), []);
  return (
    <>
      <input
        ref={files}
        type="file"
        multiple
        accept={accept}
        data-picks="Pieces"
        aria-hidden
        tabIndex={-1}
        className="hidden"
        onChange={(e) => {
          const list = chosenFiles(e.target.files);
          e.target.value = '';
          onFiles(list);
        }}
      />
      <input
        ref={folder}
        type="file"
        multiple
        data-picks="Folder"
        aria-hidden
        tabIndex={-1}
        className="hidden"
        onChange={(e) => {
          const list = chosenFiles(e.target.files);
          e.target.value = '';
          onFiles(list);
        }}
      />
      <Button disabled={disabled} onClick={() => files.current?.click()}>
        Choose files
      </Button>
      <Button disabled={disabled} onClick={() => folder.current?.click()}>
        Choose a folder
      </Button>
    </>
  );
}
