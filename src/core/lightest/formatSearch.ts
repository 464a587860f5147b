/* The search within one format: on the sample first, then in full size. */

import type { Loss } from '../likeness/loss';
import { formatOf } from '../encode/formats/registry';
import type { ImageFormat, EncodeSettings } from '../site/model/picture';
import { bestOf, keepsSeam, meetsGoal, seamReading } from './best';
import { goalMargin, type Goal } from './care';
import { searched, type Family, type SearchedFormat } from './families';
import { bracket, marginAt, nextTry, type KnownMargin } from './root';
import type { Judgement, TrialResult, Trial } from './trial';

/**
 * Steps of quality up from the lightest file that holds, among which one is looked for that keeps
 * the seam.
 */
const seamReach = 12;

/** What a sample tells is off by about so much. */
const sampleNear = 0.12;

/** So near to where it was written the sample tells enough. */
const nearSteps = 2;

/** Logarithm of the bytes for one of the margin, about. */
const bytesByMargin = 0.6;

/** Where bytes are the goal, logarithm of what is seen for one of the margin, about. */
const lossByMargin = 0.8;

/**
 * What files are compared by, the less the better, as if each just held: their bytes, or where those
 * are the goal what is seen of the loss.
 * @param margin of the file
 */
const worthAt = (goal: Goal, loss: Loss, bytes: number, margin: number): number =>
  goal.by === 'bytes'
    ? loss.overall * Math.exp(-lossByMargin * margin)
    : bytes * Math.exp(-bytesByMargin * margin);

/** The same of the whole, by what a sample told. */
export function worthOf(goal: Goal, { loss, bytes }: Judgement, { area }: Trial): number {
  const whole = (bytes * area.whole) / area.sample;
  return worthAt(goal, loss, whole, goalMargin(goal, loss, whole));
}

/** Steps that the last file goes beyond where it is likely to hold, where none has yet. */
const lastStride = 4;

/** Files that are written with most effort in full size, at most. */
const mostThorough = 3;

/** Most effort takes so much off the bytes, at most about. */
const thoroughGain = 1.2;

/** Samples of a family that are written at most. */
const mostTries = 6;

/** With little effort a file of the same quality loses more: by about so much of the margin. */
const draftOff = (goal: Goal, { format }: EncodeSettings): number =>
  goal.by === 'bytes' ? 0 : searched[format].draftOff;

/** A family that falls short by so much on the sample is not written whole. */
const hopeless = -0.35;

/** What is known of a family, and where it is likely to just hold. */
interface Line {
  readonly at: number;
  readonly known: readonly KnownMargin[];
}

/** What the sample told of a family. */
export interface Rough extends Line {
  readonly family: Family;
  readonly best: Judgement;
  readonly margin: number;
  /** What is known once the sample was written as the whole is. */
  readonly whole?: Line;
}

/** What a search within a format works with. */
export interface Job {
  readonly goal: Goal;
  /** Files that are written beyond the others where none holds yet. */
  readonly more: number;
  /** Once a file holds a lighter one is not looked for: it is not the lightest of all formats. */
  readonly untilOneHolds?: boolean;
  readonly trial: Trial;
  /** Another trial of the picture, that a second file can be written in at the same time. */
  readonly second: Trial | undefined;
  /** Throws once the search was given up. */
  readonly check: () => void;
  readonly onWhole: (tried: TrialResult) => void;
  readonly step: (done: number) => void;
}

/**
 * For a number of bytes the largest setting is wanted that still holds: the same search from the
 * other end.
 */
const settingAt = (family: Family, goal: Goal, at: number) =>
  family.at(goal.by === 'bytes' ? family.least + family.most - at : at);

/** Whether files that are worth so much may still be the best. */
export type Worthwhile = (worth: number) => boolean;
const always: Worthwhile = () => true;

async function searchSample(
  family: Family,
  guess: number,
  { goal, trial, check }: Job,
  worthwhile: Worthwhile = always,
  tries = mostTries,
): Promise<Rough> {
  const known: KnownMargin[] = [];
  const tried = new Map<number, Judgement>();
  const scale = trial.area.whole / trial.area.sample;
  for (
    let at: number | undefined = guess;
    at !== undefined && known.length < tries;
    at = nextTry(known, family.least, family.most)
  ) {
    check();
    const { judgement } = await trial.tryOut(settingAt(family, goal, at), 'sample');
    tried.set(at, judgement);
    known.push({
      at,
      margin:
        goalMargin(goal, judgement.loss, judgement.bytes * scale) + draftOff(goal, family.at(at)),
    });
    const { low, high } = bracket(known);
    // The whole decides about the last steps: a sample is off by more.
    if (Math.abs(known.at(-1)!.margin) < sampleNear || (low && high && high.at - low.at <= 3)) {
      break;
    }
    // It falls short and is too heavy already, or would be where it just holds. For a number of bytes
    // what is too heavy is followed to what is lighter.
    if (
      goal.by !== 'bytes' &&
      !worthwhile(
        worthAt(goal, judgement.loss, judgement.bytes * scale, Math.max(0, known.at(-1)!.margin)),
      )
    ) {
      break;
    }
  }
  const nearest = known.reduce((a, b) => (Math.abs(b.margin) < Math.abs(a.margin) ? b : a));
  return { family, known, at: nearest.at, best: tried.get(nearest.at)!, margin: nearest.margin };
}

/** How often the sample is written as the whole is, at most. */
const mostAsWhole = 2;

/** Where it just holds, by what is known. */
function crossing(known: readonly KnownMargin[], { least, most }: Family): number {
  let at = least;
  while (at < most && marginAt(known, at) < 0) {
    at++;
  }
  return at;
}

/**
 * Writes the sample with the effort of the whole: how much more a file with little effort loses
 * differs by picture. What is known is moved by how far it was off.
 */
async function asWhole(rough: Rough, { goal, trial, check }: Job): Promise<Rough> {
  const { family } = rough;
  const scale = trial.area.whole / trial.area.sample;
  let { at, known, best } = rough;
  for (let n = 0; n < mostAsWhole; n++) {
    check();
    best = (await trial.tryOut(settingAt(family, goal, at), 'sampleAsWhole')).judgement;
    const off = goalMargin(goal, best.loss, best.bytes * scale) - marginAt(known, at);
    known = known.map((k) => ({ ...k, margin: k.margin + off }));
    const before = at;
    at = crossing(known, family);
    if (Math.abs(at - before) <= nearSteps) {
      break;
    }
  }
  return { ...rough, best, whole: { at, known } };
}

/**
 * A second number to try at the same time: the one that is asked for next if the first does not do;
 * the farther on, the more have failed.
 */
function companion(
  at: number,
  known: readonly KnownMargin[],
  { least, most }: Family,
): number | undefined {
  const { low, high } = bracket(known);
  const beyond = low ? low.at + 2 * known.length : at;
  const above = high ? at + 1 : Math.min(most, Math.max(at + 2, beyond));
  const other = above === high?.at ? at - 1 : above;
  return other !== at && other >= least && other !== low?.at && other !== high?.at
    ? other
    : undefined;
}

/** Of files that all fail: along the line of the last two one a few steps further holds. */
function comesSoon(failed: readonly KnownMargin[]): boolean {
  const [before, last] = failed.slice(-2);
  const gain = (last.margin - before.margin) / (last.at - before.at);
  return gain > 0 && -last.margin / gain <= lastStride;
}

/**
 * Writes the whole along the sample's line, moved by how far that was off, then between its own.
 * @param most files that are written
 * @param patience files that may fail before it is given up
 * @returns how many were written, and whether one holds
 */
async function searchWhole(
  rough: Rough,
  most: number,
  patience: number,
  { near }: SearchedFormat,
  { goal, more, untilOneHolds, trial, second, check, onWhole, step }: Job,
): Promise<{ readonly written: number; readonly holds: boolean }> {
  const { family } = rough;
  const { at: first, known } = rough.whole ?? rough;
  const whole: KnownMargin[] = [];
  const tried = new Map<number, Judgement>();
  const write = async (at: number, on = trial): Promise<Judgement> => {
    check();
    const result = await on.tryOut(settingAt(family, goal, at), 'whole');
    const { judgement } = result;
    tried.set(at, judgement);
    whole.push({ at, margin: goalMargin(goal, judgement.loss, judgement.bytes) });
    // Of two that were written at once either may be the first.
    whole.sort((a, b) => a.at - b.at);
    onWhole(result);
    step(Math.min(1, 0.3 + (0.7 * whole.length) / most));
    return judgement;
  };
  const isBracketed = (): boolean => {
    const { low, high } = bracket(whole);
    return low !== undefined && high !== undefined;
  };
  // Two that lie close together tell little of how steep it is: only between two it is read off them.
  const read = (at: number): number =>
    isBracketed()
      ? marginAt(whole, at)
      : marginAt(known, at) +
        whole.reduce((sum, w) => sum + w.margin - marginAt(known, w.at), 0) / whole.length;
  // The sample's own crossing is where it is likely to hold.
  const room = (): number => (bracket(whole).high ? most : most + more);
  for (let at: number | undefined = first; at !== undefined && whole.length < room();) {
    if (whole.length >= patience && !bracket(whole).high && !comesSoon(whole)) {
      break;
    }
    const beside = second && whole.length + 2 <= most ? companion(at, whole, family) : undefined;
    await Promise.all([write(at), ...(beside === undefined ? [] : [write(beside, second)])]);
    const { low, high } = bracket(whole);
    const next = nextTry(whole, family.least, family.most, read);
    // One step is about two hundredths of the bytes: where the next lower one will hardly hold, or
    // much was written already, it is not worth a file.
    if (
      high &&
      (untilOneHolds ||
        high.margin < near ||
        (next === high.at - 1 && (read(next) < near / 2 || whole.length >= 3)))
    ) {
      break;
    }
    // Each that fails makes the next stride longer, and the last one is not wasted on what may just
    // fail. Of two that are written at once the second takes care of that.
    at =
      high || !low || next === undefined || (second && whole.length + 2 <= most)
        ? next
        : Math.min(
            family.most,
            Math.max(
              next + (whole.length === most - 1 ? lastStride : 0),
              low.at + 2 * whole.length,
            ),
          );
  }
  const { high } = bracket(whole);
  if (
    !high ||
    keepsSeam(tried.get(high.at)!) ||
    !tried.get(high.at)!.lost.every((id) => id.startsWith(seamReading))
  ) {
    return { written: whole.length, holds: high !== undefined };
  }
  for (
    let at = high.at + 1;
    at <= Math.min(family.most, high.at + seamReach) && whole.length < most;
    at++
  ) {
    if (tried.has(at)) {
      continue;
    }
    check();
    const { judgement } = await trial.tryOut(settingAt(family, goal, at), 'borders');
    if (judgement.lost.length === 0 && keepsSeam(await write(at))) {
      break;
    }
  }
  return { written: whole.length, holds: true };
}

/**
 * What the sample tells of a format that has loss: its families, the one that comes off best first.
 * One is followed to where it just holds, the others are looked at there once.
 */
export async function searchSamples(
  format: ImageFormat,
  job: Job,
  worthwhile: Worthwhile = always,
): Promise<readonly Rough[]> {
  const [first, ...others] = searched[format].families;
  const guess = job.goal.by === 'bytes' ? first.least + first.most - first.guess : first.guess;
  const rough = [await searchSample(first, guess, job, worthwhile)];
  job.step(0.1);
  for (const family of others) {
    rough.push(alongLine(await searchSample(family, rough[0].at, job, worthwhile, 1), rough[0]));
    job.step(0.1 + (0.1 * rough.length) / searched[format].families.length);
  }
  // Those that come near are compared as if each just held.
  const comes = (r: Rough) => r.margin > hopeless;
  const worth = (r: Rough) => worthOf(job.goal, r.best, job.trial);
  const among = (a: Rough, b: Rough): number => worth(a) - worth(b);
  const better = (a: Rough, b: Rough): number =>
    Number(comes(b)) - Number(comes(a)) || (comes(a) ? among(a, b) : b.margin - a.margin);
  const [best, ...rest] = rough.toSorted(better);
  const followed =
    best === rough[0] || Math.abs(best.margin) < sampleNear
      ? best
      : alongLine(await searchSample(best.family, nextOf(best), job, worthwhile), best);
  const tellsEnough = searched[format].draftOff === 0 || followed.margin <= hopeless;
  return [tellsEnough ? followed : await asWhole(followed, job), ...rest];
}

/** Of a family of which one file is known: others lie along the line of another of its format. */
function alongLine(rough: Rough, { known }: Line): Rough {
  if (rough.known.length > 1) {
    return rough;
  }
  const [one] = rough.known;
  const off = one.margin - marginAt(known, one.at);
  return { ...rough, known: known.map((k) => ({ at: k.at, margin: k.margin + off })) };
}

/** Where a family is likely to just hold, of which one file is known. */
const nextOf = ({ family, known }: Rough): number =>
  nextTry(known, family.least, family.most) ?? known[0].at;

/** Files of a family that may fail before another is turned to. */
const patience = 2;

/**
 * The lightest file of a format; written whole only if what the sample told of it is worth it. A
 * family that fails in full size, whatever the sample said, makes room for one that is more alike.
 */
export async function writeLightest(
  format: ImageFormat,
  families: readonly Rough[],
  job: Job,
  worthwhile: Worthwhile = always,
): Promise<void> {
  let left = searched[format].wholes;
  let others = families;
  while (others.length > 0 && left > 0) {
    const [rough, ...rest] = others;
    others = rest.filter((r) => r.at <= rough.at && r.margin > rough.margin);
    if (rough.margin <= hopeless || !worthwhile(worthOf(job.goal, rough.best, job.trial))) {
      continue;
    }
    const { written, holds } = await searchWhole(
      rough,
      left,
      others.length > 0 ? patience : left + job.more,
      searched[format],
      job,
    );
    left -= written;
    if (holds) {
      return;
    }
  }
}

/** Writes what comes nearest of families of which none comes near. */
export async function writeNearest(families: readonly Rough[], job: Job): Promise<void> {
  const nearest = families.reduce((a, b) => (b.margin > a.margin ? b : a));
  const { format } = nearest.best.settings;
  await searchWhole(nearest, 1, 1, searched[format], { ...job, more: 0 });
}

/**
 * Settings that just hold on the sample, for showing what a goal means; the most careful there are
 * where none do.
 */
export async function settingsFor(
  goal: Goal,
  format: ImageFormat,
  trial: Trial,
): Promise<EncodeSettings> {
  const [family] = searched[format].families;
  const { at } = await searchSample(family, family.guess, {
    goal,
    more: 0,
    trial,
    second: undefined,
    check: () => {},
    onWhole: () => {},
    step: () => {},
  });
  return settingAt(family, goal, at);
}

/**
 * The same with most effort, for the file that is nearly the best: a lower quality is as alike then.
 * @param usual what was written in full size
 */
export async function searchThorough(usual: readonly Judgement[], job: Job): Promise<void> {
  const { goal } = job;
  const among = usual.filter((j) => formatOf(j.settings.format).efforts && !j.settings.lossless);
  const from = bestOf(goal, among);
  const best = bestOf(goal, usual);
  if (!from || !best || !meetsGoal(goal, from) || from.bytes > best.bytes * thoroughGain) {
    return;
  }
  const { format, chroma } = from.settings;
  const [usually] = searched[format].families;
  const family: Family = {
    ...usually,
    at: (value) => ({ ...from.settings, quality: usually.at(value).quality, effort: 'most' }),
  };
  const placeOf = ({ settings }: Judgement): number => {
    const value = family.of(settings);
    return goal.by === 'bytes' ? family.least + family.most - value : value;
  };
  const known = among
    .filter((j) => j.settings.chroma === chroma)
    .map((j) => ({ at: placeOf(j), margin: goalMargin(goal, j.loss, j.bytes) }))
    .toSorted((a, b) => a.at - b.at);
  const at = Math.max(family.least, placeOf(from) - 2);
  const rough: Rough = { family, known, at, best: from, margin: 0 };
  await searchWhole(rough, mostThorough, mostThorough, searched[format], job);
}
