'use client';

import { faceName, type Font } from '@/core/text/fonts';
import { canvasMeter, letterFactsOf, type LetterFacts } from '@/core/text/letterFacts';
import { useKeyed } from './useKeyed';

async function measured({ id, xHeight }: Font): Promise<LetterFacts | undefined> {
  const family = faceName(id);
  await document.fonts.load(`400 16px "${family}"`, 'abcl');
  const context = new OffscreenCanvas(600, 600).getContext('2d', { willReadFrequently: true });
  return context ? letterFactsOf(canvasMeter(context, family), xHeight) : undefined;
}

/** How bold and wide the letters of a font are; of the owner's own they are measured here. */
export function useLetterFacts(font: Font): LetterFacts | undefined {
  const { value, current } = useKeyed<LetterFacts | undefined>(
    font.letters ? undefined : font.id,
    undefined,
    async ({ put }) => {
      const facts = await measured(font);
      put(() => facts);
    },
  );
  return font.letters ?? (current ? value : undefined);
}
