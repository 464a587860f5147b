import type { Site } from '../site/model/site';
import { safeName } from './fileName';

/** What the files of a hand-over are called that are no pictures. */
export const styleSheetName = 'style.css';
export const markupName = 'markup.html';
export const creditsName = 'credits.html';

export const siteFileName = (site: Pick<Site, 'name'>): string => `${safeName(site.name)}.soyez`;
export const archiveName = (site: Pick<Site, 'name'>): string =>
  `${safeName(site.name)}-hand-over.zip`;
