import type { FolderFile } from './folderFiles';

/** A file of the sample's, as if it had been dropped. @throws Error where it is not served */
export async function sampleFile(name: string): Promise<FolderFile[]> {
  const response = await fetch(`/sample/${name}`);
  if (!response.ok) {
    throw new Error(`${name}: expected the sample's file, found status ${response.status}.`);
  }
  return [{ path: name, file: new File([await response.blob()], name) }];
}
