'use client';

import clsx from 'clsx';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useRef, type DragEvent, type ReactNode } from 'react';
import { droppedKind, isSiteFile } from '@/core/files/dropped';
import { wordsOf } from '@/core/refusal';
import { droppedFiles, type FolderFile } from '../hooks/folderFiles';
import { notePlace } from '../hooks/lastPlace';
import { bring } from '../hooks/tab/arrivals';
import { filesOf } from '../hooks/useIntake';
import { newSites } from './newSites';
import { notify } from './notices';
import { useKeptFocus } from './useKeptFocus';

/** A field that would have words of what is pasted. */
const wordsGoTo = (event: ClipboardEvent): boolean =>
  event.target instanceof HTMLElement &&
  event.target.closest('input, textarea, [contenteditable]') !== null &&
  (event.clipboardData?.types.includes('text/plain') ?? false);

/**
 * A whole screen that files can be dropped on and pasted into: a site file is opened wherever it
 * comes; pages and pictures do what the screen says, else pages go to the site's plan and pictures
 * to its shelf.
 */
export function DropScreen({
  siteId,
  className,
  onComing,
  onPages,
  onPictures,
  children,
}: {
  /** The site that is open, if one is. */
  siteId?: string;
  className?: string;
  /** Something is being dragged in. */
  onComing?(): void;
  onPages?(files: readonly FolderFile[]): void;
  onPictures?(files: readonly FolderFile[]): void;
  children: ReactNode;
}) {
  const router = useRouter();
  const screen = useRef<HTMLDivElement>(null);
  useKeptFocus(screen);
  const take = async (files: readonly FolderFile[]) => {
    const kind = droppedKind(files.map(({ path, file }) => ({ path, type: file.type })));
    if (kind === 'site') {
      const site = files.find(({ path }) => isSiteFile(path))!;
      router.push(`/sites/${await (await newSites()).openSiteFile(site.file)}`);
    } else if (kind === 'page' && onPages) {
      onPages(files);
    } else if ((kind === 'pictures' || kind === 'other') && onPictures) {
      // What is no picture after all is refused by its bytes, with what it is.
      onPictures(files);
    } else if (kind === 'page' && siteId) {
      bring(siteId, { files });
      router.push(`/sites/${siteId}`);
    } else if (kind === 'pictures' && siteId) {
      bring(siteId, { pictures: files.map(({ file }) => file) });
      router.push(`/sites/${siteId}/shelf`);
    } else if (files.length > 0) {
      notify(
        'bad',
        `${files[0].path} is no picture, page, theme or site file. Drop a photo, a saved page, a theme’s folder or a .soyez file.`,
      );
    }
  };
  const takeAll = (coming: Promise<readonly FolderFile[]>) =>
    void coming.then(take).catch((error: unknown) => notify('bad', wordsOf(error)));
  const dropped = (event: DragEvent) => {
    if (filesOf(event.dataTransfer).length === 0) {
      return;
    }
    event.preventDefault();
    takeAll(droppedFiles(event.dataTransfer));
  };
  const pasted = useEffectEvent((event: ClipboardEvent) => {
    const files = filesOf(event.clipboardData);
    if (files.length === 0 || wordsGoTo(event)) {
      return;
    }
    event.preventDefault();
    takeAll(Promise.resolve(files.map((file) => ({ path: file.name, file }))));
  });
  useEffect(() => {
    const paste = (event: ClipboardEvent) => pasted(event);
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  }, []);
  const path = usePathname();
  useEffect(() => {
    if (siteId) {
      notePlace(path);
    }
  }, [siteId, path]);
  return (
    <div
      ref={screen}
      className={clsx('flex h-screen flex-col', className)}
      onDragEnter={onComing}
      onDragOver={(e) => e.preventDefault()}
      onDrop={dropped}
    >
      {children}
    </div>
  );
}
