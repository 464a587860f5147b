import { createHash } from 'node:crypto';
import { setImmediate } from 'node:timers/promises';
import { nodeCodecs } from '@/engine/nodeCodecs';
import { Door, type DoorLimits } from '@/standins/host/door';
import { createHost, hostLimits, type Host } from '@/standins/host/host';
import type { Codecs } from '@/core/press/codecs';

/** One host for all routes: each may be bundled with a copy of this file. */
const shared = globalThis as unknown as { soyezHost?: Host; soyezDoor?: Door };

/** The site file beside the pictures may be as large again as they are. */
const doorLimits: DoorLimits = {
  bytes: 2 * hostLimits.siteBytes,
  allBytes: 4 * hostLimits.siteBytes,
  longest: 120_000,
};

export const theDoor = (): Door => (shared.soyezDoor ??= new Door(doorLimits));

let codecs: Promise<Codecs> | undefined;

export const theHost = (): Host =>
  (shared.soyezHost ??= createHost({
    codecs: () => (codecs ??= nodeCodecs().then((c) => c.codecs)),
    digest: (bytes) => createHash('sha256').update(bytes).digest('hex').slice(0, 24),
    now: () => Date.now(),
    rest: setImmediate,
    limits: hostLimits,
  }));
