import type { Effect } from '../site/model/effects';
import type { Outsets } from './kind';
import { effectOf } from './registry';

/** Px that all effects together reach beyond their shape. */
export function outsetsOf(effects: readonly Effect[]): Outsets {
  const sides = effects.map((e) => effectOf(e).outsets(e));
  // Shadows and glows go round the outlines too.
  const outlined = Math.max(
    0,
    ...effects.map((e, i) => (e.kind === 'outline' ? sides[i].left : 0)),
  );
  const most = (side: keyof Outsets) =>
    sides.length ? Math.max(0, ...sides.map((s) => s[side])) + outlined : 0;
  return { left: most('left'), top: most('top'), right: most('right'), bottom: most('bottom') };
}
