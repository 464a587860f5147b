import { served } from '@/served/address';
import { servedFile } from '@/served/file';
import type { FolderFile } from './folderFiles';

/** A file of the sample's, as if it had been dropped. @throws Refusal where it does not come */
export async function sampleFile(name: string): Promise<FolderFile[]> {
  return [
    { path: name, file: new File([await servedFile(served(`/sample/${name}`), name)], name) },
  ];
}
