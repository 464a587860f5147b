import type { PlannedFile } from '@/core/handover/filePlan';

const scaleSign: Readonly<Record<number, string>> = { 2: '2×', 0.5: '½' };
const scaleWords: Readonly<Record<number, string>> = {
  2: 'for dense screens',
  0.5: 'for narrow screens',
};

/** What a file is there for, in short and in words. */
export const whatFor = ({
  scale,
  fallback,
}: Pick<PlannedFile, 'scale' | 'fallback'>): { short: string; words: string } => ({
  short: [fallback ? 'older' : '', scaleSign[scale] ?? ''].filter(Boolean).join(' '),
  words:
    [fallback ? 'for browsers that do not know the newer format' : '', scaleWords[scale] ?? '']
      .filter(Boolean)
      .join(', ') || 'for every screen',
});
