import { createHash } from 'node:crypto';
import { nodeCodecs } from '@/engine/nodeCodecs';
import { createHost, hostLimits, type Host } from '@/standins/host/host';
import type { Codecs } from '@/core/press/codecs';

/** One host for all routes: each may be bundled with a copy of this file. */
const shared = globalThis as unknown as { soyezHost?: Host };

let codecs: Promise<Codecs> | undefined;

export const theHost = (): Host =>
  (shared.soyezHost ??= createHost({
    codecs: () => (codecs ??= nodeCodecs().then((c) => c.codecs)),
    digest: (bytes) => createHash('sha256').update(bytes).digest('hex').slice(0, 24),
    now: () => Date.now(),
    limits: hostLimits,
  }));
