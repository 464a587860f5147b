'use client';

import { assetBytes, putAsset } from '@/store/assets';
import { theDatabase } from './database';

type Bytes = Uint8Array<ArrayBuffer>;

/** Bytes of a stored file. @throws Error when there is none */
export const storedAsset = (id: string): Promise<Bytes> => assetBytes(theDatabase(), id);

/** Stores a file. @returns its id */
export const storeAsset = (bytes: Bytes): Promise<string> => putAsset(theDatabase(), bytes);
