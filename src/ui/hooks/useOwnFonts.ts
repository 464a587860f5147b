'use client';

import { useEffect } from 'react';
import type { Site } from '@/core/site/model/site';
import type { OwnFont } from '@/core/site/model/theme';
import { ownFontId } from '@/core/text/fonts';
import { FontError } from '@/core/text/fontFile';
import { addOwnFace } from '@/engine/fontFaces';
import { assetBytes, putAsset } from '@/store/assets';
import { theDatabase } from './services';

/** Fonts that this document has already, by id. */
const registered = new Set<string>();

/** Gives the document the site's own fonts, for words that it draws itself. */
export function useOwnFonts({ fonts }: Site): void {
  useEffect(() => {
    for (const { id, assetId } of fonts) {
      if (registered.has(id)) {
        continue;
      }
      registered.add(id);
      // The bench says what is wrong with a font that cannot be read, when a text needs it.
      assetBytes(theDatabase(), assetId)
        .then((bytes) => addOwnFace(document.fonts, id, bytes))
        .catch(() => registered.delete(id));
    }
  }, [fonts]);
}

/**
 * Takes a font in: checked by its bytes, read, tried by the browser, and stored once.
 * @throws FontError with a message for people; nothing is stored then
 */
export async function takeFont(file: File): Promise<OwnFont> {
  // The reader of font files is large, and few owners ever need it.
  const { readFont } = await import('@/core/text/readFont');
  const bytes = new Uint8Array(await file.arrayBuffer());
  const { family, weights, xHeight, contrast } = readFont(file.name, bytes);
  await new FontFace('tried', bytes.slice()).load().catch(() => {
    throw new FontError(
      `${file.name}: expected a font that this browser can use, found one that it refuses.`,
    );
  });
  const assetId = await putAsset(theDatabase(), bytes);
  return { id: ownFontId(assetId), assetId, family, weights, xHeight, contrast };
}
