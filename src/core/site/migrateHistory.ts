import { applyPatches, type Patch } from 'immer';
import type { Step } from './timeline';

type Plain = Readonly<Record<string, unknown>>;

const equal = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * What turns one state into another: whole fields of the site that differ, of pictures each by
 * itself.
 */
function difference(from: Plain, to: Plain): Patch[] {
  return [...new Set([...Object.keys(from), ...Object.keys(to)])].flatMap((key): Patch[] => {
    if (equal(from[key], to[key])) {
      return [];
    }
    if (key !== 'pictures') {
      return [
        key in to ? { op: 'replace', path: [key], value: to[key] } : { op: 'remove', path: [key] },
      ];
    }
    const before = from.pictures as Plain;
    const after = to.pictures as Plain;
    return [...new Set([...Object.keys(before), ...Object.keys(after)])]
      .filter((id) => !equal(before[id], after[id]))
      .map((id): Patch =>
        id in after
          ? { op: id in before ? 'replace' : 'add', path: ['pictures', id], value: after[id] }
          : { op: 'remove', path: ['pictures', id] },
      );
  });
}

/**
 * The steps of a history that was written by an older version, for sites as they are now: each
 * state is gone back to as it was stored, brought up to the present version, and what differs
 * between neighbours becomes the step.
 * @param site as it is stored, at `cursor`
 * @param steps in order
 */
export function migrateHistory(
  site: Plain,
  cursor: number,
  steps: readonly Step[],
  migrate: (site: unknown) => unknown,
): Step[] {
  const past = steps.filter((s) => s.seq <= cursor).toReversed();
  const future = steps.filter((s) => s.seq > cursor);
  const now = migrate(site) as Plain;
  const out: Step[] = [];
  const walk = (list: readonly Step[], back: boolean) => {
    let stored = site;
    let seen = now;
    for (const step of list) {
      stored = applyPatches(stored, [...(back ? step.inverse : step.patches)]);
      const next = migrate(stored) as Plain;
      const [before, after] = back ? [next, seen] : [seen, next];
      out.push({ ...step, patches: difference(before, after), inverse: difference(after, before) });
      seen = next;
    }
  };
  walk(past, true);
  walk(future, false);
  return out.sort((a, b) => a.seq - b.seq);
}
