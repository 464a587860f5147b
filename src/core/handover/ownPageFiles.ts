import { strFromU8, strToU8 } from 'fflate';
import { frozenKey } from '../ownPage/frozen';
import type { OwnPage, OwnPageFile, OwnPlace } from '../site/model/ownPage';
import { insideArchive, type SlotFiles } from './filePlan';
import { endingOf, fileType } from './fileType';
import type { TypedFile } from './zipFiles';

type Bytes = Uint8Array<ArrayBuffer>;

/** Where files of own pages go whose names are taken by other ones. */
const apart = 'page-files';

/** An address that is the same inside and outside of quotes, in markup and in style sheets. */
const address = (path: string): string =>
  path
    .split('/')
    .map((part) => encodeURIComponent(part).replace(/[!'()*]/g, hex))
    .join('/');

const hex = (sign: string): string => `%${sign.charCodeAt(0).toString(16).toUpperCase()}`;

/** The address of a file for what lies in another place of the archive. */
function relative(from: string, to: string): string {
  const folders = from.split('/').slice(0, -1);
  const parts = to.split('/');
  let same = 0;
  while (same < folders.length && same < parts.length - 1 && folders[same] === parts[same]) {
    same++;
  }
  return address([...folders.slice(same).map(() => '..'), ...parts.slice(same)].join('/'));
}

/** A path whose ending says what the file is: hosts go by that. */
function pathOf({ path, type }: OwnPageFile): string {
  const plain = insideArchive(path);
  const ending = endingOf(type);
  return ending === undefined || fileType(plain) === type ? plain : `${plain}.${ending}`;
}

/**
 * Lays a picture in an element of the page that has none, as the plan shows it; none where what comes
 * out of a site file is no plain selector.
 */
const rulesFor = ({ selector }: OwnPlace, path: string, from: string): string[] =>
  selector === '' || /[<{}]/.test(selector)
    ? []
    : [
        `${selector} { background: url("${relative(from, path)}") 0 0 / 100% 100% no-repeat !important }`,
      ];

/** Rules at the end of the document's head, or of the document where it has none. */
function withRules(html: string, rules: readonly string[]): string {
  if (rules.length === 0) {
    return html;
  }
  const style = `<style>\n${rules.join('\n')}\n</style>\n`;
  const head = html.search(/<\/head\s*>/i);
  return head < 0 ? `${html}\n${style}` : html.slice(0, head) + style + html.slice(head);
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
  replaced: ReadonlySet<string>,
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
    const wanted = pathOf(file);
    const there = taken.get(wanted);
    const planned = there === 'planned' && replaced.has(file.path);
    // A sheet of another page may name other files by the same text.
    const same = typeof there === 'object' && there.assetId === file.assetId;
    if (planned || (same && file.type !== 'text/css')) {
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
 * names, with new pictures where slots of the plan take the place of its own.
 * @param name of the document's file
 * @param taken what there is already; what is written is added
 */
export async function ownPageFiles(
  own: OwnPage,
  name: string,
  plan: readonly SlotFiles[],
  taken: Taken,
  read: (assetId: string) => Promise<Bytes>,
): Promise<TypedFile[]> {
  taken.set(name, 'ours');
  const paths = pathsOf(own, new Set(plan.flatMap(({ slot }) => slot.replaces ?? [])), taken);
  const named = (text: string, from: string): string =>
    text.replace(frozenKey, (key) => {
      const to = paths.get(key);
      return to === undefined ? key : relative(from, to.path);
    });
  const rules = own.places.flatMap((place) => {
    const laid = plan.find(({ slot }) => slot.id === place.slot);
    return laid?.slot.replaces === null ? rulesFor(place, laid.files[0].path, name) : [];
  });
  const document = named(strFromU8(await read(own.document)), name);
  const out: TypedFile[] = [
    { path: name, type: 'text/html', bytes: strToU8(withRules(document, rules)) as Bytes },
  ];
  for (const { key, type, assetId } of own.files) {
    const { path, fresh } = paths.get(key)!;
    if (fresh) {
      const content = await read(assetId);
      const bytes = type === 'text/css' ? strToU8(named(strFromU8(content), path)) : content;
      out.push({ path, type, bytes: bytes as Bytes });
    }
  }
  return out;
}
