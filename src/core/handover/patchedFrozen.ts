import { strFromU8, strToU8 } from 'fflate';
import type { FrozenFile, FrozenPage } from '../ownPage/frozen';
import { patched } from '../files/textPatch';
import { documentKey, keyNames, pagePatches, type TextKey } from './pagePatches';
import type { OwnPage, OwnPlace } from '../site/model/ownPage';
import type { PageWishes } from './pageWishes';
import type { TypedFile } from './zipFiles';

/** Above all keys of a page's own files. */
const firstKey = 1_000_000;

const keyOfRule = (index: number): string => `frozen:${firstKey + index}`;

/** A place of the page with the file that it is to show. */
export interface AskedPlace {
  readonly place: OwnPlace;
  /** Of the file that lies there before, and from now on; undefined where there was none. */
  readonly was: string | undefined;
  readonly becomes: string;
}

/** What each place of a patched page is to show. */
export const askedOf = (own: OwnPage, { places, own: rules }: PageWishes): AskedPlace[] =>
  places.flatMap(({ slot, was }): AskedPlace[] => {
    const place = own.places.find((p) => p.slot === slot.id);
    const rule = rules.findIndex((r) => r.slot === slot.id && r.picture !== undefined);
    const becomes = rule < 0 ? was?.key : keyOfRule(rule);
    return place && becomes !== undefined ? [{ place, was: was?.key, becomes }] : [];
  });

/**
 * A page as it is once what the site wants of its files is done, to be shown as the page itself is.
 * @param files of the hand-over
 */
export function patchedFrozen(
  page: FrozenPage,
  wishes: PageWishes,
  files: readonly TypedFile[],
): FrozenPage {
  const byPath = new Map(files.map((file) => [file.path, file]));
  const added = wishes.own.flatMap(({ picture }, i) =>
    picture === undefined ? [] : [{ path: picture, key: keyOfRule(i) }],
  );
  const sheets = new Map<TextKey, string>(
    page.files
      .filter(({ type }) => type === 'text/css')
      .map(({ key, bytes }) => [key, strFromU8(bytes)]),
  );
  const patches = pagePatches(
    {
      document: page.html,
      sheets,
      namesIn: () => keyNames,
      addressIn: (_text, path) => added.find((one) => one.path === path)?.key ?? path,
    },
    wishes,
  );
  const fresh = (file: FrozenFile): FrozenFile => {
    const css = sheets.get(file.key);
    const planned = wishes.replaced.get(file.key);
    const made = planned && byPath.get(planned.path);
    if (css !== undefined) {
      const text = patched(css, patches.get(file.key) ?? []);
      return { ...file, bytes: strToU8(text) as FrozenFile['bytes'] };
    }
    return made && planned
      ? {
          ...file,
          type: made.type,
          bytes: made.bytes,
          size: { width: planned.width, height: planned.height },
        }
      : file;
  };
  const more = added.flatMap(({ path, key }): FrozenFile[] => {
    const made = byPath.get(path);
    return made
      ? [{ key, name: path, path, type: made.type, bytes: made.bytes, size: undefined }]
      : [];
  });
  // Sheets come after what they name.
  return {
    ...page,
    html: patched(page.html, patches.get(documentKey) ?? []),
    files: [...more, ...page.files.map(fresh)],
  };
}
