'use client';

import type { FolderFile } from '../folderFiles';

/** Files that were dropped on one screen, for the plan of a site to open. */
const arrived = new Map<string, readonly FolderFile[]>();

export const bring = (siteId: string, files: readonly FolderFile[]): void => {
  arrived.set(siteId, files);
};

/** What was brought for a site, once. */
export function takeArrived(siteId: string): readonly FolderFile[] {
  const files = arrived.get(siteId) ?? [];
  arrived.delete(siteId);
  return files;
}
