'use client';

import type { OwnFont } from '@/core/site/model/theme';
import { faceName, type Font } from '@/core/text/fonts';
import { canvasMeter, letterFactsOf, type LetterFacts } from '@/core/text/letterFacts';
import { theFonts } from './tab/fonts';
import { useLatestTask } from './useLatestTask';

async function measured(
  { id, xHeight }: Font,
  own: readonly OwnFont[],
): Promise<LetterFacts | undefined> {
  await theFonts().register(own);
  const family = faceName(id);
  await document.fonts.load(`400 16px "${family}"`, 'abcl');
  const context = new OffscreenCanvas(600, 600).getContext('2d', { willReadFrequently: true });
  return context ? letterFactsOf(canvasMeter(context, family), xHeight) : undefined;
}

/**
 * How bold and wide the letters of a font are; of the owner's own they are measured here.
 * @param own the fonts of the site's owner
 */
export function useLetterFacts(font: Font, own: readonly OwnFont[]): LetterFacts | undefined {
  const { value, current } = useLatestTask<LetterFacts | undefined>(
    font.letters ? undefined : font.id,
    undefined,
    async ({ update }) => {
      const facts = await measured(font, own);
      update(() => facts);
    },
  );
  return font.letters ?? (current ? value : undefined);
}
