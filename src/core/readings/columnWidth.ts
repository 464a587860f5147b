import { resizeSlot } from '../site/slots';
import { pagesWith } from '../site/pages';
import type { ReadingContext, ReadingKind } from './reading';

/**
 * Px by which the strip is wider than its column; negative where it is narrower. The page where it
 * is worst counts.
 */
function off({ site, slot }: ReadingContext): { by: number; column: number } | undefined {
  const columns = pagesWith(site, slot).flatMap((page) =>
    page.body.sidebars.filter((s) => s.slot === slot.id),
  );
  const found = columns
    .map((c) => ({ by: slot.width - c.width, column: c.width }))
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by));
  return found[0];
}

/** A strip that repeats downwards is exactly as wide as the column it lies under. */
export const columnWidth: ReadingKind<{ by: number; column: number }> = {
  id: 'column-width',
  question: 1,
  title: 'Width against column',
  applies: (context) => context.slot.kind === 'sidebar' && off(context) !== undefined,
  measure: off,
  judge: ({ by }) => (by === 0 ? 'holds' : 'fails'),
  figure: ({ by, column }) =>
    by === 0 ? `${column} px` : `${by > 0 ? '+' : '−'}${Math.abs(by)} px`,
  plain: ({ by }) => {
    if (by === 0) {
      return 'As wide as its column';
    }
    return by < 0 ? 'Too narrow for its column' : 'Too wide for its column';
  },
  say: ({ by, column }) => {
    if (by === 0) {
      return `Exactly as wide as its column, ${column} px.`;
    }
    if (by < 0) {
      return `${-by} px too narrow for its column of ${column} px: a bare stripe shows.`;
    }
    return `${by} px too wide for its column of ${column} px: its right side is cut off.`;
  },
  mend: ({ column }, { slot }) => ({
    label: `Make it ${column} px wide`,
    edit: resizeSlot(slot.id, { width: column }),
  }),
};
