'use client';

import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { OpenedPage } from '@/core/ownPage/openPages';
import type { Page } from '@/core/site/model/page';
import type { FolderFile } from '../hooks/folderFiles';
import { useOwnPages } from '../hooks/useOwnPages';
import { useReadWhenOpened } from '../hooks/useReadWhenOpened';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { Switch } from '../shared/Switch';
import { OwnPageDoor } from './OwnPageDoor';
import { OwnPageView } from './OwnPageView';

interface Props {
  session: Session;
  page: Page;
  open: boolean;
  /** Files that were dropped to open this; none where it was asked for. */
  files: readonly FolderFile[];
  /** Pages that another screen read. */
  brought: readonly OpenedPage[] | undefined;
  onOpenChange(open: boolean): void;
  /** A page was taken over and stands there. */
  onPage(pageId: string): void;
}

const nameOf = (path: string): string => path.slice(path.lastIndexOf('/') + 1);

/** The owner's saved page as it is, with the places for pictures that were found on it. */
export function OwnPageDialog({
  session,
  page,
  open,
  files,
  brought,
  onOpenChange,
  onPage,
}: Props) {
  const pages = useOwnPages(brought);
  const [path, setPath] = useState<string>();
  const read = pages.open;
  const close = useReadWhenOpened(pages, open, files, onOpenChange);
  const { opened, busy } = pages;
  const asked = files.length === 0;
  const seen = opened?.find((p) => p.path === path) ?? opened?.[0];
  return (
    <Dialog.Root
      open={open && (asked || busy !== undefined || opened !== undefined)}
      onOpenChange={close}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content
          className="fixed inset-4 z-40 flex flex-col rounded-sm border border-line bg-white max-md:inset-1"
          aria-describedby={undefined}
        >
          <div className="flex h-[46px] shrink-0 items-center gap-3 border-b border-hair px-4">
            <Dialog.Title className="shrink-0 font-semibold">My own page</Dialog.Title>
            {opened && opened.length > 1 && opened.length <= 4 && (
              <Switch
                label="Page"
                value={seen!.path}
                choices={opened.map((p) => ({
                  value: p.path,
                  label: (
                    <span className="max-w-32 truncate" title={p.path}>
                      {nameOf(p.path)}
                    </span>
                  ),
                }))}
                onChange={setPath}
              />
            )}
            {busy !== undefined && (
              <span role="status" className="flex min-w-0 items-center gap-2 text-soft">
                <span className="truncate">Reading {busy}…</span>
                <Button onClick={() => close(false)}>Cancel</Button>
              </span>
            )}
            <Dialog.Close asChild>
              <Button className="ml-auto">Close</Button>
            </Dialog.Close>
          </div>
          {!seen && <OwnPageDoor onFiles={(list) => void read(list)} />}
          {seen && (
            <OwnPageView
              key={seen.path}
              opened={seen}
              session={session}
              page={page}
              onDone={(pageId) => {
                onPage(pageId);
                close(false);
              }}
            />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
