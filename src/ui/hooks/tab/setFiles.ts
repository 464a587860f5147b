'use client';

import { SetFiles } from '@/work/setFiles';
import { storedAsset } from './assets';
import { theEngine } from './engine';
import { once } from './once';

/** The files of sets, recoloured. */
export const theSetFiles = once(() => {
  const { sheets, look, follow, recolour, handed } = theEngine().set;
  return new SetFiles({ asset: storedAsset, sheets, look, follow, recolour, handed });
});
