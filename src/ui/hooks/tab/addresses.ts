'use client';

import { lazily } from '@/core/lazily';
import { KeptAddresses } from '@/work/keptAddresses';
import { revokeUrl } from '../../shared/revokeUrl';

/** As many as lists of pictures and plans of a large site show while one goes to and fro. */
const room = 200;

/** Addresses of pictures that are shown. */
export const theAddresses = lazily(
  () =>
    new KeptAddresses<Blob>({ make: (blob) => URL.createObjectURL(blob), free: revokeUrl }, room),
);
