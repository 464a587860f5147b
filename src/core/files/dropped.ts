/** What files are that are dropped together. */
export type DroppedKind = 'site' | 'page' | 'pictures' | 'other';

const endsIn =
  (pattern: RegExp) =>
  (path: string): boolean =>
    pattern.test(path);

/** A site as Soyez saves it. */
export const isSiteFile = endsIn(/\.soyez$/i);
/** A saved page, a theme's style sheets, or a folder or zip of either. */
export const isPageFile = endsIn(/\.(?:x?html?|xht|mht(?:ml)?|css|zip)$/i);
const isPictureFile = endsIn(/\.(?:jpe?g|jfif|png|webp|avif|gif|svg|ora)$/i);

/**
 * What is meant by files that are dropped together: a site, whatever lies beside it; a page or
 * theme, with its pictures; else pictures.
 * @param files each with its path and its media type, which tells where the name says nothing
 */
export function droppedKind(
  files: readonly { readonly path: string; readonly type: string }[],
): DroppedKind {
  if (files.some(({ path }) => isSiteFile(path))) {
    return 'site';
  }
  if (files.some(({ path }) => isPageFile(path))) {
    return 'page';
  }
  const isPicture = files.some(
    ({ path, type }) => isPictureFile(path) || type.startsWith('image/'),
  );
  return isPicture ? 'pictures' : 'other';
}
