import { strFromU8, strToU8 } from 'fflate';
import { frozenKey } from '../ownPage/frozen';
import { patched } from '../files/textPatch';
import type { OwnPage, OwnPageFile } from '../site/model/ownPage';
import { insideArchive } from './filePlan';
import { endingOf, fileType } from './fileType';
import { documentKey, keyNames, pagePatches, type TextKey } from './pagePatches';
import type { PageWishes } from './pageWishes';
import { relativeAddress } from './relativeAddress';
import type { TypedFile } from './zipFiles';

type Bytes = Uint8Array<ArrayBuffer>;

/** Where files of own pages go whose names are taken by other ones. */
const apart = 'page-files';

/** A path whose ending says what the file is: hosts go by that. */
function pathOf({ path, type }: OwnPageFile): string {
  const plain = insideArchive(path);
  const ending = endingOf(type);
  return ending === undefined || fileType(plain) === type ? plain : `${plain}.${ending}`;
}

/** What lies at a path already: a file of ours, a picture of the plan, or an asset of a page. */
export type Taken = Map<string, 'ours' | 'planned' | { readonly assetId: string }>;

interface Placed {
  readonly path: string;
  /** It is not there yet. */
  readonly fresh: boolean;
}

/** Where each file of a page goes, by its key. Those that lie there already are not written again. */
function pathsOf(
  own: OwnPage,
  { replaced }: PageWishes,
  taken: Taken,
): ReadonlyMap<string, Placed> {
  const free = (path: string): string => {
    let found = path;
    for (let n = 1; taken.has(found); n++) {
      found = `${apart}${n > 1 ? `-${n}` : ''}/${path}`;
    }
    return found;
  };
  const placed = own.files.map((file): [string, Placed] => {
    const planned = replaced.get(file.key);
    if (planned) {
      return [file.key, { path: planned.path, fresh: false }];
    }
    const wanted = pathOf(file);
    const there = taken.get(wanted);
    // A sheet of another page may name other files by the same text.
    if (typeof there === 'object' && there.assetId === file.assetId && file.type !== 'text/css') {
      return [file.key, { path: wanted, fresh: false }];
    }
    const path = free(wanted);
    taken.set(path, { assetId: file.assetId });
    return [file.key, { path, fresh: true }];
  });
  return new Map(placed);
}

/**
 * The owner's own page as files of a host: its document, and everything that it uses under its own
 * names, with what the slots of the plan change of them.
 * @param name of the document's file
 * @param taken what there is already; what is written is added
 */
export async function ownPageFiles(
  own: OwnPage,
  name: string,
  wishes: PageWishes,
  taken: Taken,
  read: (assetId: string) => Promise<Bytes>,
): Promise<TypedFile[]> {
  taken.set(name, 'ours');
  const paths = pathsOf(own, wishes, taken);
  const placeOf = (text: TextKey): string => (text === documentKey ? name : paths.get(text)!.path);
  const named = (text: string, from: string): string =>
    text.replace(frozenKey, (key) => {
      const to = paths.get(key);
      return to === undefined ? key : relativeAddress(from, to.path);
    });
  const sheets = new Map<TextKey, string>();
  for (const { key, type, assetId } of own.files) {
    if (type === 'text/css') {
      sheets.set(key, strFromU8(await read(assetId)));
    }
  }
  const document = strFromU8(await read(own.document));
  const patches = pagePatches(
    {
      document,
      sheets,
      namesIn: () => keyNames,
      addressIn: (text, path) => relativeAddress(placeOf(text), path),
    },
    wishes,
  );
  const written = (text: string, key: TextKey): Bytes =>
    strToU8(named(patched(text, patches.get(key) ?? []), placeOf(key))) as Bytes;
  const out: TypedFile[] = [
    { path: name, type: 'text/html', bytes: written(document, documentKey) },
  ];
  for (const { key, type, assetId } of own.files) {
    const { path, fresh } = paths.get(key)!;
    if (fresh) {
      const css = sheets.get(key);
      out.push({
        path,
        type,
        bytes: css === undefined ? await read(assetId) : written(css, key),
      });
    }
  }
  return out;
}
