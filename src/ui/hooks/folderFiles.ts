/** A file with its place below what was dropped. */
export interface FolderFile {
  readonly path: string;
  readonly file: File;
}

const fileOf = (entry: FileSystemFileEntry): Promise<File> =>
  new Promise((resolve, reject) => entry.file(resolve, reject));

/** All entries of a folder; browsers give them a hundred at a time. */
async function entriesOf(folder: FileSystemDirectoryEntry): Promise<FileSystemEntry[]> {
  const reader = folder.createReader();
  const all: FileSystemEntry[] = [];
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) =>
      reader.readEntries(resolve, reject),
    );
    if (some.length === 0) {
      return all;
    }
    all.push(...some);
  }
}

async function within(entry: FileSystemEntry, path: string): Promise<FolderFile[]> {
  if (entry.isFile) {
    return [{ path: `${path}${entry.name}`, file: await fileOf(entry as FileSystemFileEntry) }];
  }
  const inside = await entriesOf(entry as FileSystemDirectoryEntry);
  return (await Promise.all(inside.map((e) => within(e, `${path}${entry.name}/`)))).flat();
}

/**
 * What was dropped, folders with all that is in them. Asked at once: a drop's entries are gone
 * after the event.
 */
export function droppedFiles(data: DataTransfer): Promise<FolderFile[]> {
  const entries = Array.from(data.items).flatMap((item) => {
    const entry = item.kind === 'file' ? item.webkitGetAsEntry?.() : undefined;
    return entry ? [entry] : [];
  });
  if (entries.length === 0) {
    return Promise.resolve(Array.from(data.files, (file) => ({ path: file.name, file })));
  }
  return Promise.all(entries.map((entry) => within(entry, ''))).then((lists) => lists.flat());
}

/** What was chosen in the browser's own chooser, a folder or files. */
export const chosenFiles = (list: FileList | null): FolderFile[] =>
  Array.from(list ?? [], (file) => ({ path: file.webkitRelativePath || file.name, file }));
