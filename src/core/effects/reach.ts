import type { Effect } from '../site/model/effects';
import type { Reach } from './kind';
import { effectOf } from './registry';

/** Px that all effects together reach beyond their shape. */
export function reachOf(effects: readonly Effect[]): Reach {
  const sides = effects.map((e) => effectOf(e).reach(e));
  // Shadows and glows go round the outlines too.
  const outlined = Math.max(
    0,
    ...effects.map((e, i) => (e.kind === 'outline' ? sides[i].left : 0)),
  );
  const most = (side: keyof Reach) =>
    sides.length ? Math.max(0, ...sides.map((s) => s[side])) + outlined : 0;
  return { left: most('left'), top: most('top'), right: most('right'), bottom: most('bottom') };
}
