import { boundedCache } from '@/core/boundedCache';
import type { HandOverPorts } from '@/core/handover/produce';

type Bytes = { readonly bytes: Uint8Array<ArrayBuffer> };

/** Files that are kept so that handing over again writes only what has changed, bytes. */
const mostBytes = 120e6;

/** The ports of a hand-over, keeping what they wrote. */
export function keepingFiles(ports: Omit<HandOverPorts, 'kept'>): HandOverPorts {
  const written = boundedCache<Bytes>(mostBytes, ({ bytes }) => bytes.length);
  return {
    ...ports,
    async kept(key, make) {
      const found = written.get(key) ?? { bytes: await make() };
      written.set(key, found);
      return found.bytes;
    },
  };
}
