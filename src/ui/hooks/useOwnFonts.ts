'use client';

import { useEffect } from 'react';
import type { Site } from '@/core/site/model/site';
import type { OwnFont } from '@/core/site/model/theme';
import { theFonts } from './tab/fonts';

/** Gives the document the site's own fonts, for words that it draws itself. */
export function useOwnFonts({ fonts }: Site): void {
  useEffect(() => {
    void theFonts().register(fonts);
  }, [fonts]);
}

/** Takes a font in. @throws FontError with a message for people; nothing is stored then */
export const takeFont = (file: File): Promise<OwnFont> => theFonts().take(file);
