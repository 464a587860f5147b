import { boundedCache } from '@/core/boundedCache';
import type { HandOverPorts, EncodedPicture } from '@/core/handover/ports';

type Bytes = Uint8Array<ArrayBuffer>;

/** Files that are kept so that handing over again writes only what has changed, bytes. */
const mostBytes = 24e6;

/** Where files outlive the tab, and where those are that were pressed for the eye. */
export interface FileShelves {
  /** The file of a picture as it is pressed, if it was. */
  encoded(picture: EncodedPicture): Promise<Bytes | undefined>;
  recall(key: string): Promise<Bytes | undefined>;
  keep(key: string, bytes: Bytes): Promise<void>;
}

/** The ports of a hand-over, keeping what they wrote, and writing nothing that is there. */
export function keepingFiles(
  ports: Omit<HandOverPorts, 'kept'>,
  { encoded, recall, keep }: FileShelves,
): HandOverPorts {
  const written = boundedCache<{ readonly bytes: Bytes }>(mostBytes, ({ bytes }) => bytes.length);
  const there = async (key: string, picture: EncodedPicture | undefined) => {
    try {
      return (picture && (await encoded(picture))) ?? (await recall(key));
    } catch {
      // What cannot be read again is written again.
      return undefined;
    }
  };
  return {
    ...ports,
    async kept(key, make, picture) {
      let found = written.get(key)?.bytes ?? (await there(key, picture));
      if (!found) {
        found = await make();
        void keep(key, found).catch(() => {});
      }
      written.set(key, { bytes: found });
      return found;
    },
  };
}
