import { UploadGuard, type UploadGuardLimits } from '@/standins/host/uploadGuard';
import { createHost, type Host } from '@/standins/host/host';
import { hostLimits } from '@/standins/host/limits';
import { look } from './looking';

/** One host for all routes: each may be bundled with a copy of this file. */
const shared = globalThis as unknown as { soyezHost?: Host; soyezDoor?: UploadGuard };

/** The site file beside the pictures may be as large again as they are. */
const doorLimits: UploadGuardLimits = {
  bytes: 2 * hostLimits.siteBytes,
  allBytes: 4 * hostLimits.siteBytes,
  longest: 120_000,
  uploads: 120,
  within: 60_000,
};

export const theUploadGuard = (): UploadGuard =>
  (shared.soyezDoor ??= new UploadGuard(doorLimits, () => Date.now()));

export const theHost = (): Host =>
  (shared.soyezHost ??= createHost({ look, now: () => Date.now(), limits: hostLimits }));
