import type { Site } from '../site/model/site';
import { siteFileName } from './names';
import { siteJson } from './siteFile';
import type { TypedFile } from './zipFiles';

/** Where an upload says which site it is of. */
export const uploadedSite = 'site.json';

/**
 * What goes to a host of a hand-over: in place of the site file, which has every photograph whole
 * and which no visitor asks for, what the host goes by.
 */
export const uploadedFiles = (site: Site, files: readonly TypedFile[]): TypedFile[] => [
  ...files.filter(({ path }) => path !== siteFileName(site)),
  { path: uploadedSite, type: 'text/json', bytes: siteJson(site) },
];
