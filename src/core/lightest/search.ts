import type { PressFormat, PressSettings } from '../site/model/picture';
import { formatOf } from '../press/formats/registry';
import { pressAs } from '../press/settings';
import {
  bestOf,
  keepsSeam,
  meetsGoal,
  seamReading,
  SearchStopped,
  type SearchListener,
} from './best';
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

/** Logarithm of the bytes for one of the margin, about. */
const bytesByMargin = 0.6;

/** Steps that the last file goes beyond where it is likely to hold, where none has yet. */
const lastStride = 4;

/** Files that are written with most effort in full size, at most. */
const mostThorough = 3;

/**
 * Px up to which a file is written with most effort: it takes about ten seconds for a million of
 * them, which somebody who waits should not.
 */
const thoroughPx = { waits: 200_000, aside: 1_500_000 };

/** Most effort takes so much off the bytes, at most about. */
const thoroughGain = 1.2;

/** Where nobody waits, files that are written until one holds, beyond those of every search. */
const mostMore = 4;

/** Samples of a family that are written at most. */
const mostTries = 6;

/** With little effort a file of the same quality loses more: by about so much of the margin. */
const draftOff = (goal: Goal, { format }: PressSettings): number =>
  goal.by === 'bytes' ? 0 : searched[format].draftOff;

/** A family that falls short by so much on the sample is not written whole. */
const hopeless = -0.35;

/** What the sample told of a family. */
interface Rough {
  readonly family: Family;
  readonly known: readonly KnownMargin[];
  /** Where it comes nearest to just holding. */
  readonly at: number;
  readonly best: Judgement;
  readonly margin: number;
}

interface Job {
  readonly goal: Goal;
  /** Files that are written beyond the others where none holds yet. */
  readonly more: number;
  readonly trial: Trial;
  /** Another trial of the picture, that a second file can be written in at the same time. */
  readonly second: Trial | undefined;
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

type Worthwhile = (bytes: number) => boolean;
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
    // It falls short and is too heavy already.
    if (known.at(-1)!.margin < 0 && !worthwhile(judgement.bytes * scale)) {
      break;
    }
  }
  const nearest = known.reduce((a, b) => (Math.abs(b.margin) < Math.abs(a.margin) ? b : a));
  return { family, known, at: nearest.at, best: tried.get(nearest.at)!, margin: nearest.margin };
}

/**
 * A second number to try at the same time: the one that is asked for next if the first does not do.
 */
function companion(
  at: number,
  known: readonly KnownMargin[],
  { least, most }: Family,
): number | undefined {
  const { low, high } = bracket(known);
  const other = high ? at - 1 : Math.min(most, at + 2);
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
  { family, known, at: first }: Rough,
  most: number,
  patience: number,
  { near }: SearchedFormat,
  { goal, more, trial, second, check, onWhole, step }: Job,
): Promise<{ readonly written: number; readonly holds: boolean }> {
  const whole: KnownMargin[] = [];
  const tried = new Map<number, Judgement>();
  const write = async (at: number, on = trial): Promise<Judgement> => {
    check();
    const one = await on.tryOut(settingAt(family, goal, at), 'whole');
    tried.set(at, one.judgement);
    whole.push({ at, margin: goalMargin(goal, one.judgement.loss, one.judgement.bytes) });
    // Of two that were written at once either may be the first.
    whole.sort((a, b) => a.at - b.at);
    onWhole(one);
    step(Math.min(1, 0.3 + (0.7 * whole.length) / most));
    return one.judgement;
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
      (high.margin < near || (next === high.at - 1 && (read(next) < near / 2 || whole.length >= 3)))
    ) {
      break;
    }
    // Each that fails makes the next stride longer, and the last one is not wasted on what may just
    // fail.
    at =
      high || !low || next === undefined
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
async function searchSamples(
  format: PressFormat,
  job: Job,
  worthwhile: Worthwhile = always,
): Promise<readonly Rough[]> {
  const [first, ...others] = searched[format].families;
  const guess = job.goal.by === 'bytes' ? first.least + first.most - first.guess : first.guess;
  const rough = [await searchSample(first, guess, job, worthwhile)];
  job.step(0.1);
  for (const family of others) {
    rough.push(await searchSample(family, rough[0].at, job, worthwhile, 1));
    job.step(0.1 + (0.1 * rough.length) / searched[format].families.length);
  }
  // Those that come near are compared as if each just held.
  const comes = (r: Rough) => r.margin > hopeless;
  const bytes = (r: Rough) => r.best.bytes * Math.exp(-bytesByMargin * r.margin);
  const among = (a: Rough, b: Rough): number =>
    job.goal.by === 'bytes' ? a.best.loss.overall - b.best.loss.overall : bytes(a) - bytes(b);
  const better = (a: Rough, b: Rough): number =>
    Number(comes(b)) - Number(comes(a)) || (comes(a) ? among(a, b) : b.margin - a.margin);
  const [best, ...rest] = rough.toSorted(better);
  const followed =
    best === rough[0] || Math.abs(best.margin) < sampleNear
      ? best
      : await searchSample(best.family, nextOf(best), job, worthwhile);
  return [followed, ...rest];
}

/** Where a family is likely to just hold, of which one file is known. */
const nextOf = ({ family, known }: Rough): number =>
  nextTry(known, family.least, family.most) ?? known[0].at;

/** Files of a family that may fail before another is turned to. */
const patience = 2;

/**
 * The lightest file of a format; written whole only if its bytes, as the sample has them, are worth
 * it. A family that fails in full size, whatever the sample said, makes room for one that is more
 * alike.
 */
async function writeLightest(
  format: PressFormat,
  families: readonly Rough[],
  job: Job,
  worthwhile: Worthwhile = always,
): Promise<void> {
  const scale = job.trial.area.whole / job.trial.area.sample;
  let left = searched[format].wholes;
  let others = families;
  while (others.length > 0 && left > 0) {
    const [rough, ...rest] = others;
    others = rest.filter((r) => r.at <= rough.at && r.margin > rough.margin);
    if (rough.margin <= hopeless || !worthwhile(rough.best.bytes * scale)) {
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

/**
 * Settings that just hold on the sample, for showing what a goal means; the most careful there are
 * where none do.
 */
export async function settingsFor(
  goal: Goal,
  format: PressFormat,
  trial: Trial,
): Promise<PressSettings> {
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
async function searchThorough(usual: readonly Judgement[], job: Job): Promise<void> {
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

/**
 * Looks in each format for the file that meets the goal with the fewest bytes, where bytes are the
 * goal for the one that is most alike, and that keeps whatever blends as it was drawn. Most of it
 * is done on a sample; no format is written more than `mostWhole` times in full size, and the others
 * only where they may be lighter than what takes longest. Files without loss are written where they
 * can be the best. The best is written with most effort at last where its encoder has it and the
 * picture is small, or nobody waits. What is tried depends on the picture, and on whether there is
 * more than one trial, but never on how long something took.
 * @param trials as many as may work at the same time, one at least; all of the same picture; each
 * is asked for one file after the other, and may be asked before it has answered
 * @param listener is told of every file in full size as soon as there is one
 * @param waits somebody waits for it
 * A format that cannot be written is passed over.
 * @throws SearchStopped when the listener did not want it any more; what the codec said where no
 * format could be written
 */
export async function searchLightest(
  goal: Goal,
  formats: readonly PressFormat[],
  trials: readonly Trial[],
  listener: SearchListener,
  waits = true,
): Promise<void> {
  const check = () => {
    if (!listener.wanted()) {
      throw new SearchStopped('The search was stopped.');
    }
  };
  const judged: Judgement[] = [];
  const done = new Map<PressFormat, number>();
  const total = formats.reduce((sum, f) => sum + searched[f].time, 0);
  const scale = trials[0].area.whole / trials[0].area.sample;
  const jobFor = (format: PressFormat, worker: number): Job => ({
    goal,
    more: waits ? 0 : mostMore,
    trial: trials[worker],
    second:
      searched[format].twoAtOnce && trials.length > 1
        ? trials[(worker + 1) % trials.length]
        : undefined,
    check,
    onWhole(tried) {
      judged.push(tried.judgement);
      listener.onTried(tried);
    },
    step(share) {
      done.set(format, share);
      listener.onProgress(
        (0.95 * formats.reduce((sum, f) => sum + searched[f].time * (done.get(f) ?? 0), 0)) / total,
        format,
      );
    },
  });
  const failures: unknown[] = [];
  const passingOver = async (work: () => Promise<void>) => {
    try {
      await work();
    } catch (error) {
      if (error instanceof SearchStopped) {
        throw error;
      }
      failures.push(error);
    }
  };
  /** @param off bytes are what the sample has, and may be too many by so much */
  const mayWin =
    (among: readonly Judgement[], off = 1.5) =>
    (bytes: number): boolean => {
      const best = bestOf(goal, among);
      return goal.by === 'bytes'
        ? bytes < goal.bytes * 1.3
        : !best || !meetsGoal(goal, best) || !keepsSeam(best) || bytes < best.bytes * off;
    };

  const lossy = formats
    .filter((f) => f !== 'png')
    .toSorted((a, b) => searched[b].time - searched[a].time);
  const quick: readonly PressFormat[] = lossy.filter((f) => !searched[f].twoAtOnce);
  const ended = new Map<PressFormat, () => void>();
  const quickEnded = Promise.all(
    quick.map(
      (f) =>
        new Promise<void>((resolve) => {
          ended.set(f, resolve);
        }),
    ),
  );
  const lossless = formats.flatMap((f) => searched[f].lossless ?? []);
  /** Where one format is nearly always the lightest, others wait for it, but for what all browsers know. */
  const comesAfter = (format: PressFormat): boolean =>
    lossy.some((f) => searched[f].twoAtOnce) && !searched[format].twoAtOnce && format !== 'jpeg';
  const waiting = new Map<PressFormat, readonly Rough[]>();
  let palette: readonly Rough[] | undefined;
  let plain = 0;
  // Palettes are seldom the lightest: they come when it is known what they are up against, and what
  // takes longest is not waited for.
  const tasks = [
    ...lossy.map((format) => async (worker: number) => {
      const job = jobFor(format, worker);
      try {
        await passingOver(async () => {
          const rough = await searchSamples(format, job);
          if (comesAfter(format)) {
            waiting.set(format, rough);
          } else {
            await writeLightest(format, rough, job);
          }
        });
      } finally {
        ended.get(format)?.();
      }
      job.step(1);
    }),
    async (worker: number) => {
      await quickEnded;
      if (formats.includes('png')) {
        await passingOver(async () => {
          palette = await searchSamples(
            'png',
            jobFor('png', worker),
            mayWin(judged.filter((j) => quick.includes(j.settings.format))),
          );
        });
      }
      // A PNG is written quickly, and tells about what other files without loss take.
      if (lossless.length > 0) {
        await passingOver(async () => {
          check();
          plain = (await trials[worker].tryOut(pressAs('png'), 'sample')).judgement.bytes * scale;
        });
      }
    },
  ];
  await Promise.all(
    trials.map(async (_, worker) => {
      for (let task = tasks.shift(); task; task = tasks.shift()) {
        await task(worker);
      }
    }),
  );
  for (const [format, rough] of waiting) {
    await passingOver(() => writeLightest(format, rough, jobFor(format, 0), mayWin(judged, 1.15)));
  }
  if (palette) {
    const rough = palette;
    await passingOver(() => writeLightest('png', rough, jobFor('png', 0), mayWin(judged)));
  }
  // No file without loss is below half of a PNG.
  for (const settings of plain > 0 ? lossless : []) {
    await passingOver(async () => {
      if (!mayWin(judged)(settings.format === 'png' ? plain : plain / 2)) {
        return;
      }
      check();
      const tried = await trials[0].tryOut(settings, 'whole');
      judged.push(tried.judgement);
      listener.onTried(tried);
    });
  }
  const [slow] = lossy.filter((f) => formatOf(f).efforts);
  if (slow && trials[0].area.whole <= thoroughPx[waits ? 'waits' : 'aside']) {
    await passingOver(() =>
      searchThorough([...judged], { ...jobFor(slow, 0), more: 0, step: () => {} }),
    );
  }
  if (judged.length === 0 && failures.length > 0) {
    throw failures[0];
  }
  listener.onProgress(1, formats[0]);
}
