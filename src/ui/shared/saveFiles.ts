import { siteFileName } from '@/core/handover/names';
import type { TypedFile } from '@/core/handover/zipFiles';
import { wordsOf } from '@/core/refusal';
import type { Site } from '@/core/site/model/site';
import { download } from './download';
import { notify } from './notices';

const message = (error: unknown): string => wordsOf(error);

/** Saves a site with all it needs as one file; what goes wrong is said. */
export async function saveSiteFile(site: Site): Promise<void> {
  try {
    // Every screen can save the site, and few ever do.
    const { packedSite } = await import('../hooks/packedSite');
    download(siteFileName(site), await packedSite(site), 'application/zip');
  } catch (error) {
    notify('bad', `The site file could not be made: ${message(error)}`);
  }
}

/** Saves files as one archive; what goes wrong is said. */
export async function saveArchive(
  name: string,
  files: readonly TypedFile[] | Promise<readonly TypedFile[]>,
): Promise<void> {
  try {
    const { zipped } = await import('../hooks/zipped');
    download(name, await zipped(await files), 'application/zip');
  } catch (error) {
    notify('bad', `The archive could not be made: ${message(error)}`);
  }
}
