import type { Edit } from '@/core/site/edit';
import { stepAt, stepId, walkedTo, withEdit, type Timeline } from '@/core/site/timeline';

/** Something the owner did, as it can be done again to a site that has changed meanwhile. */
export type Done =
  | {
      readonly kind: 'edit';
      readonly id: string;
      readonly label: string;
      readonly edit: Edit;
    }
  /** Steps taken back or done again, by their ids, in the order in which they were. */
  | { readonly kind: 'back' | 'forth'; readonly ids: readonly string[] };

const idAt = (timeline: Timeline, seq: number): string | undefined => stepId(stepAt(timeline, seq));

/** The walk from one state of a history to another. */
export function walkBetween(from: Timeline, to: Timeline): Done {
  const back = to.cursor < from.cursor;
  const first = back ? to.cursor + 1 : from.cursor + 1;
  const last = back ? from.cursor : to.cursor;
  const ids = from.steps.filter((s) => s.seq >= first && s.seq <= last).map((s) => stepId(s)!);
  return back ? { kind: 'back', ids: ids.toReversed() } : { kind: 'forth', ids };
}

/**
 * What the owner did, done to a timeline. A walk ends where the step that comes next is another
 * one than the owner saw: what another tab did meanwhile is not taken back unseen.
 * @throws RefusedEdit, and what the edit throws
 */
export function redo(timeline: Timeline, done: Done): Timeline {
  if (done.kind === 'edit') {
    return withEdit(timeline, done.id, done.label, done.edit);
  }
  const by = done.kind === 'back' ? -1 : 1;
  let at = timeline;
  for (const id of done.ids) {
    const next = done.kind === 'back' ? at.cursor : at.cursor + 1;
    if (idAt(at, next) !== id) {
      break;
    }
    at = walkedTo(at, at.cursor + by);
  }
  return at;
}

/** What a step is called where it cannot be kept. */
export const nameOf = (done: Done): string =>
  done.kind === 'edit' ? `“${done.label}”` : 'Going back or forth';
