import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';
import { Refusal } from '../refusal';
import type { Edit } from './edit';
import type { Site } from './model/site';
import { brokenReference } from './references';
import { unsoundNumber } from './soundNumbers';

enablePatches();

/** One step of a site's history: what changed, and how to go back. */
export interface Step {
  readonly seq: number;
  /** Tells it from every other step of the site; absent in histories of earlier versions. */
  readonly id?: string;
  readonly label: string;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}

/** A site with its history. */
export interface Timeline {
  readonly site: Site;
  /** Number of the last step that is applied; below the first one's where all are undone. */
  readonly cursor: number;
  /** In order, without gaps; those after the cursor have been undone. */
  readonly steps: readonly Step[];
}

/** More steps than this are forgotten from the oldest on. */
export const longestHistory = 500;

/** An edit that cannot be kept; the message says what would be wrong with the site. */
export class RefusedEdit extends Refusal {}

export const stepAt = ({ steps }: Timeline, seq: number): Step | undefined =>
  steps.find((s) => s.seq === seq);

/** What tells a step from others; steps of earlier versions are told by their number. */
export const stepId = (step: Step | undefined): string | undefined =>
  step && (step.id ?? `step ${step.seq}`);

/**
 * The timeline with one more step; whatever was undone before it is dropped.
 * @returns the same timeline when the edit changes nothing
 * @throws RefusedEdit when the site would not be sound afterwards, and what the edit throws
 */
export function withEdit(timeline: Timeline, id: string, label: string, edit: Edit): Timeline {
  const [site, patches, inverse] = produceWithPatches(timeline.site, (draft) => {
    edit(draft);
  });
  if (patches.length === 0) {
    return timeline;
  }
  const problem =
    patches.map((p) => unsoundNumber(p.value)).find((path) => path !== undefined) ??
    brokenReference(site);
  if (problem !== undefined) {
    throw new RefusedEdit(problem);
  }
  const seq = timeline.cursor + 1;
  const past = timeline.steps.filter((s) => s.seq < seq);
  const steps = [...past, { seq, id, label, patches, inverse }].slice(-longestHistory);
  return { site, cursor: seq, steps };
}

/**
 * The timeline walked until the step of that number is the last one applied, or as far as there
 * are steps: what has been forgotten cannot be gone back to.
 */
export function walkedTo(timeline: Timeline, seq: number): Timeline {
  const { steps } = timeline;
  const least = (steps[0]?.seq ?? timeline.cursor + 1) - 1;
  const most = steps.at(-1)?.seq ?? timeline.cursor;
  const to = Math.min(most, Math.max(least, seq));
  let { site, cursor } = timeline;
  while (cursor !== to) {
    const back = to < cursor;
    const step = stepAt(timeline, back ? cursor : cursor + 1);
    if (!step) {
      break;
    }
    site = applyPatches(site, [...(back ? step.inverse : step.patches)]);
    cursor += back ? -1 : 1;
  }
  return cursor === timeline.cursor ? timeline : { site, cursor, steps };
}

/** What has to be written of a history so that it becomes another one. */
export interface HistoryChange {
  /** Steps of this number and above are dropped first. */
  readonly dropFrom: number;
  /** Steps below this number are forgotten. */
  readonly forgetBelow: number;
  /** In order. */
  readonly add: readonly Step[];
}

/** @param before what is stored @param after what is wanted */
export function historyChange(before: readonly Step[], after: readonly Step[]): HistoryChange {
  const there = new Map(before.map((s) => [s.seq, stepId(s)]));
  const kept = (s: Step) => there.get(s.seq) === stepId(s);
  const first = after.find((s) => !kept(s));
  const end = (after.at(-1)?.seq ?? 0) + 1;
  const dropFrom = first?.seq ?? end;
  return {
    dropFrom,
    forgetBelow: after[0]?.seq ?? 0,
    add: after.filter((s) => s.seq >= dropFrom),
  };
}
