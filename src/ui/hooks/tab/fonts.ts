'use client';

import { addOwnFace } from '@/engine/fontFaces';
import { OwnFonts } from '@/work/ownFonts';
import { storeAsset, storedAsset } from './assets';
import { theEngine } from './engine';
import { lazily } from '@/core/lazily';

/** Fonts of the owner's. */
export const theFonts = lazily(
  () =>
    new OwnFonts({
      asset: storedAsset,
      store: storeAsset,
      read: (name, bytes) => theEngine().readFont(name, bytes),
      tryOut: (bytes) => new FontFace('tried', bytes).load(),
      register: (id, bytes) => addOwnFace(document.fonts, id, bytes),
    }),
);
