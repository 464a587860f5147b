'use client';

import { SetFiles } from '@/work/setFiles';
import { storedAsset } from './assets';
import { theEngine } from './engine';
import { lazily } from '@/core/lazily';

/** The files of sets, recoloured. */
export const theSetFiles = lazily(() => {
  const { sheets, look, recolour, handed } = theEngine().set;
  const { follow, followBeside } = theEngine().sheets;
  return new SetFiles({ asset: storedAsset, sheets, look, follow, followBeside, recolour, handed });
});
