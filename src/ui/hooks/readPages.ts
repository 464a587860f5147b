import { archiveLimits } from '@/core/files/unzip';
import { pageLimits } from '@/core/ownPage/limits';
import type { OpenedPage } from '@/core/ownPage/openPages';
import { FileReading } from '@/work/fileReading';
import { notify } from '../shared/notices';
import type { FolderFile } from './folderFiles';
import { theEngine } from './tab/engine';

const limits = { together: pageLimits.all, count: archiveLimits.entries };

export const newPageReading = (): FileReading => new FileReading((words) => notify('bad', words));

/**
 * The pages among files, read in the worker. What is refused is said.
 * @returns undefined where there was none, or a newer reading came first
 */
export const readPages = (
  files: readonly FolderFile[],
  reading = newPageReading(),
): Promise<readonly OpenedPage[] | undefined> =>
  reading.read(files, limits, (read, signal) => theEngine().openPages(read, signal));
