'use client';

import { addOwnFace } from '@/engine/fontFaces';
import { OwnFonts } from '@/work/ownFonts';
import { storeAsset, storedAsset } from './assets';
import { lazily } from '@/core/lazily';

/** Fonts of the owner's. */
export const theFonts = lazily(
  () =>
    new OwnFonts({
      asset: storedAsset,
      store: storeAsset,
      // The reader of font files is large, and few owners ever need it.
      read: async (name, bytes) => (await import('@/core/text/readFont')).readFont(name, bytes),
      tryOut: (bytes) => new FontFace('tried', bytes).load(),
      register: (id, bytes) => addOwnFace(document.fonts, id, bytes),
    }),
);
