import { decodedCss, decodedHtml, reencoded, type DecodedText } from '../ownPage/encoding';
import { baseOfPage } from '../ownPage/freeze';
import type { Names } from '../ownPage/patch/sheetPatches';
import { patched, patchedLines, type PatchedLines } from '../files/textPatch';
import { folderOf, folderSource } from '../ownPage/source';
import type { OwnPage } from '../site/model/ownPage';
import { sizeWords } from '../theme/cssText';
import { insideArchive } from './filePlan';
import { documentKey, pagePatches, type TextKey } from './pagePatches';
import type { PageWishes, PlaceWish } from './pageWishes';
import { pastedLines } from './pastedLines';
import { addressOfPath, relativeAddress } from './relativeAddress';
import type { TypedFile } from './zipFiles';

type Bytes = Uint8Array<ArrayBuffer>;

/** A file of the owner's page in which lines change. */
export interface ChangedFile {
  /** Where it lies, as it came. */
  readonly path: string;
  readonly lines: readonly PatchedLines[];
  /** With its lines changed and every other byte as it was; undefined where that cannot be written. */
  readonly bytes: Bytes | undefined;
}

/** What an owner does with the files of their own page. */
export interface OwnPageChanges {
  readonly pageId: string;
  readonly wishes: PageWishes;
  readonly files: readonly ChangedFile[];
  /** The same as rules to put at the end of any style sheet, and tags. */
  readonly pasted: string;
  /** The same for who can upload pictures and set how they lie, a sentence each. */
  readonly said: readonly string[];
}

interface Original {
  readonly key: TextKey;
  readonly path: string;
  readonly bytes: Bytes;
  readonly decoded: DecodedText;
}

async function originalsOf(
  own: OwnPage,
  read: (assetId: string) => Promise<Bytes>,
): Promise<Original[]> {
  const found: Original[] = [];
  if (own.original !== null) {
    const bytes = await read(own.original);
    found.push({ key: documentKey, path: own.file, bytes, decoded: decodedHtml(bytes) });
  }
  for (const { key, path, original } of own.files) {
    if (original !== null) {
      const bytes = await read(original);
      found.push({ key, path, bytes, decoded: decodedCss(bytes) });
    }
  }
  return found;
}

/** The last part of an address is another file's name; where it lies stays as it is written. */
function renamedAddress(address: string, name: string): string {
  const [path] = address.split(/[?#]/, 1);
  const folder = path.slice(0, path.lastIndexOf('/') + 1);
  return folder + addressOfPath(name) + address.slice(path.length);
}

const nameOf = (path: string): string => path.slice(path.lastIndexOf('/') + 1);

/** How the addresses of the texts lead to files, where those lie as they came. */
function namesFor(
  own: OwnPage,
  originals: readonly Original[],
  { replaced }: PageWishes,
): (text: TextKey) => Names {
  const none = new Uint8Array(0);
  const source = folderSource(own.files.map(({ path }) => ({ path, bytes: none })));
  const keys = new Map(own.files.map(({ path, key }) => [path, key]));
  const bases = new Map(
    originals.map(({ key, path, decoded }) => [
      key,
      key === documentKey ? baseOfPage(decoded.text, path) : path,
    ]),
  );
  const pathOfKey = new Map(own.files.map(({ key, path }) => [key, insideArchive(path)]));
  return (text) => ({
    keyOf(address) {
      const found = source.resolve(address, bases.get(text) ?? own.file);
      return typeof found === 'string' ? undefined : keys.get(found.path);
    },
    renamed(key, address) {
      const [before, after] = [pathOfKey.get(key), replaced.get(key)?.path];
      if (before === undefined || after === undefined || before === after) {
        return undefined;
      }
      return folderOf(before) === folderOf(after)
        ? renamedAddress(address, nameOf(after))
        : relativeAddress(originals.find((o) => o.key === text)?.path ?? own.file, after);
    },
  });
}

const laidWords = ({ slot, declared }: PlaceWish): string =>
  declared
    .map(({ property }) => {
      switch (property) {
        case 'background-repeat':
          return `repeat: ${slot.repeat}`;
        case 'background-size':
          return `size: ${sizeWords(slot)}`;
        case 'background-attachment':
          return `attachment: ${slot.attachment}`;
        default:
          return `position: ${slot.position.x.value}${slot.position.x.unit} ${slot.position.y.value}${slot.position.y.unit}`;
      }
    })
    .join(', ');

/** What to do with one picture, for who can upload it and set how it lies. */
function sentences(place: PlaceWish): string {
  const { file, was, declared, slot } = place;
  if (!was) {
    return `Upload ${file.path} and set it as the picture of ${slot.name}, stretched over its whole box.`;
  }
  const before = insideArchive(was.path);
  const over = folderOf(before) === '' ? 'the one of that name' : before;
  const upload =
    before === file.path
      ? `Upload ${nameOf(file.path)} over ${over}.`
      : `Upload ${file.path} and set it in place of ${nameOf(before)}.`;
  return declared.length === 0 ? upload : `${upload} Set ${laidWords(place)}.`;
}

/**
 * What changes of the files of an own page as they came.
 * @param mayChange its style sheets and its document; otherwise it is only said how pictures are to lie
 * @param read an asset's bytes
 */
export async function ownPageChanges(
  { id: pageId, own }: { readonly id: string; readonly own: OwnPage },
  wishes: PageWishes,
  mayChange: boolean,
  read: (assetId: string) => Promise<Bytes>,
): Promise<OwnPageChanges> {
  const said = [
    ...wishes.places.map(sentences),
    ...wishes.inks.map(
      ({ selector, colour }) => `Give the words of ${selector} the colour ${colour}.`,
    ),
  ];
  if (!mayChange) {
    return { pageId, wishes, files: [], pasted: '', said };
  }
  const originals = await originalsOf(own, read);
  const sheets = originals.filter(({ key }) => key !== documentKey);
  const namesIn = namesFor(own, originals, wishes);
  const document = originals.find(({ key }) => key === documentKey);
  const patches = pagePatches(
    {
      document: document?.decoded.text ?? '',
      sheets: new Map(sheets.map(({ key, decoded }) => [key, decoded.text])),
      namesIn,
      addressIn: (text, path) =>
        relativeAddress(originals.find(({ key }) => key === text)?.path ?? own.file, path),
    },
    wishes,
  );
  const files = originals.flatMap(({ key, path, bytes, decoded }): ChangedFile[] => {
    const changes = patches.get(key) ?? [];
    return changes.length === 0
      ? []
      : [
          {
            path: insideArchive(path),
            lines: patchedLines(decoded.text, changes),
            bytes: reencoded(bytes, decoded, patched(decoded.text, changes)),
          },
        ];
  });
  return {
    pageId,
    wishes,
    files,
    pasted: pastedLines(own, wishes),
    said,
  };
}

/**
 * The folder that a page came in, with what changes of it.
 * @param pictures new pictures, by their paths
 */
export async function wholeFolder(
  own: OwnPage,
  changed: readonly ChangedFile[],
  pictures: readonly TypedFile[],
  read: (assetId: string) => Promise<Bytes>,
): Promise<TypedFile[]> {
  const files = new Map<string, TypedFile>();
  const put = (path: string, type: string, bytes: Bytes) => files.set(path, { path, type, bytes });
  for (const { path, type, assetId, original } of own.files) {
    put(insideArchive(path), type, await read(original ?? assetId));
  }
  if (own.original !== null) {
    put(insideArchive(own.file), 'text/html', await read(own.original));
  }
  for (const { path, bytes } of changed) {
    if (bytes) {
      put(path, files.get(path)?.type ?? 'text/html', bytes);
    }
  }
  for (const { path, type, bytes } of pictures) {
    put(path, type, bytes);
  }
  return [...files.values()];
}
