import type { SlotKind } from '../site/model/slot';
import type { BackgroundFound } from '../theme/readTheme';

/** What kind of slot a picture has, by the words of its selector and its path, and by its shape. */
export function kindByName(
  found: Pick<BackgroundFound, 'selector'> | undefined,
  path: string,
  { width, height }: { width: number; height: number },
): SlotKind {
  const subject = (found?.selector ?? '').split(/[\s>+~]+/).at(-1) ?? '';
  const words = `${found?.selector ?? ''} ${path.split('/').at(-1) ?? ''}`.toLowerCase();
  if (/^(html|body)\b/i.test(subject)) {
    return 'background';
  }
  if (/button|btn|menu|nav|icon|bullet|arrow/.test(words)) {
    return 'piece';
  }
  if (/logo|brand|mark\b/.test(words)) {
    return width > 500 ? 'header' : 'mark';
  }
  if (/divider|separator|wave|ridge/.test(words)) {
    return 'divider';
  }
  if (/sidebar|aside|widget|column/.test(words)) {
    return 'sidebar';
  }
  if (/hero|title|band|intro/.test(words)) {
    return 'band';
  }
  if (/header|masthead|banner/.test(words)) {
    return width >= 400 && width > height * 1.5 ? 'header' : 'piece';
  }
  return 'piece';
}
