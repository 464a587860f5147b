import { formatOf } from '../encode/formats/registry';
import { encodeSettings } from '../encode/settings';
import type { ImageFormat } from '../site/model/picture';
import { bestOf, keepsSeam, meetsGoal, SearchStopped, type SearchListener } from './best';
import type { Goal } from './care';
import { searched } from './families';
import {
  searchSamples,
  searchThorough,
  writeLightest,
  writeNearest,
  type Job,
  type Rough,
  worthOf,
  type Worthwhile,
} from './formatSearch';
import type { Judgement, Trial } from './trial';

/**
 * Px up to which a file is written with most effort: it takes about ten seconds for a million of
 * them, which somebody who waits should not.
 */
const thoroughPx = { waits: 200_000, aside: 1_500_000 };

/** Where nobody waits, files that are written until one holds, beyond those of every search. */
const mostMore = 4;

/** Files may come out better than their sample tells: of palettes by more than of others. */
const betterBy = { lossy: 1.15, others: 1.5 };

/**
 * Looks in each format for the file that meets the goal with the fewest bytes, where bytes are the
 * goal for the one that is most alike, and that keeps whatever blends as it was drawn. Most of it
 * is done on a sample; no format is written more than `mostWhole` times in full size, and the others
 * only where they may be lighter than what is nearly always the lightest. Files without loss are
 * written where they can be the best. The best is written with most effort at last where its encoder
 * has it and the picture is small, or nobody waits. What is tried depends on the picture, and on
 * whether there is more than one trial, but never on how long something took. Where no format comes
 * near the goal what comes nearest is written once. A format that cannot be written is passed over.
 * @param trials as many as may work at the same time, one at least; all of the same picture; each
 * is asked for one file after the other, and may be asked before it has answered
 * @param listener is told of every file in full size as soon as there is one
 * @param waits somebody waits for it
 * @throws SearchStopped when the listener did not want it any more; what the codec said where no
 * format could be written
 */
export async function searchLightest(
  goal: Goal,
  formats: readonly ImageFormat[],
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
  const done = new Map<ImageFormat, number>();
  const total = formats.reduce((sum, f) => sum + searched[f].time, 0);
  const scale = trials[0].area.whole / trials[0].area.sample;
  const jobFor = (format: ImageFormat, trial: Trial): Job => ({
    goal,
    more: waits ? 0 : mostMore,
    trial,
    second: undefined,
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
  /** All trials are at its disposal. */
  const aloneFor = (format: ImageFormat): Job => ({
    ...jobFor(format, trials[0]),
    second: trials.at(1),
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
  /** Each trial takes the next of some tasks once it is free; what comes of them is the same. */
  const sideBySide = async (tasks: readonly ((trial: Trial) => Promise<void>)[]) => {
    const left = [...tasks];
    await Promise.all(
      trials.map(async (trial) => {
        for (let task = left.shift(); task; task = left.shift()) {
          const next = task;
          await passingOver(() => next(trial));
        }
      }),
    );
  };
  /** What is known now, whatever is found meanwhile. */
  const mayWin = (off: number): Worthwhile => {
    const best = bestOf(goal, [...judged]);
    return (worth) =>
      !best ||
      !meetsGoal(goal, best) ||
      !keepsSeam(best) ||
      worth < off * (goal.by === 'bytes' ? best.loss.overall : best.bytes);
  };

  const lossy = formats
    .filter((f) => f !== 'png')
    .toSorted((a, b) => searched[b].time - searched[a].time);
  const rough = new Map<ImageFormat, readonly Rough[]>();
  await sideBySide(
    lossy.map((format) => async (trial) => {
      rough.set(format, await searchSamples(format, jobFor(format, trial)));
    }),
  );
  // What is nearly always the lightest is written first, and tells whether others may be.
  for (const format of lossy.filter((f) => !searched[f].always && rough.has(f))) {
    await passingOver(() =>
      writeLightest(format, rough.get(format)!, aloneFor(format), mayWin(betterBy.lossy)),
    );
    aloneFor(format).step(1);
  }
  const lossless = formats.flatMap((f) => searched[f].lossless ?? []);
  const mayBeBest = mayWin(betterBy.lossy);
  const mayBePalette = mayWin(betterBy.others);
  let palette: readonly Rough[] | undefined;
  let plain = 0;
  await sideBySide([
    ...lossy
      .filter((f) => searched[f].always && rough.has(f))
      .map((format) => async (trial: Trial) => {
        const families = rough.get(format)!;
        const job = jobFor(format, trial);
        await writeLightest(format, families, {
          ...job,
          untilOneHolds: !mayBeBest(worthOf(goal, families[0].best, trial)),
        });
        job.step(1);
      }),
    async (trial) => {
      if (formats.includes('png')) {
        palette = await searchSamples('png', jobFor('png', trial), mayBePalette);
      }
    },
    // A PNG is written quickly, and tells about what other files without loss take.
    async (trial) => {
      if (lossless.length > 0) {
        check();
        plain = (await trial.tryOut(encodeSettings('png'), 'sample')).judgement.bytes * scale;
      }
    },
  ]);
  if (palette) {
    const families = palette;
    await passingOver(() =>
      writeLightest('png', families, aloneFor('png'), mayWin(betterBy.others)),
    );
  }
  // No file without loss is below half of a PNG.
  for (const settings of plain > 0 ? lossless : []) {
    await passingOver(async () => {
      const bytes = settings.format === 'png' ? plain : plain / 2;
      const isWorthIt =
        goal.by === 'bytes' ? bytes < goal.bytes * betterBy.others : mayWin(betterBy.others)(bytes);
      if (!isWorthIt) {
        return;
      }
      check();
      const tried = await trials[0].tryOut(settings, 'whole');
      judged.push(tried.judgement);
      listener.onTried(tried);
    });
  }
  const known = [...rough.values(), palette ?? []].flat();
  if (judged.length === 0 && known.length > 0) {
    // Not even what comes nearest comes near: it is shown by how much.
    await passingOver(() => writeNearest(known, aloneFor(formats[0])));
  }
  const [slow] = lossy.filter((f) => formatOf(f).efforts);
  if (slow && trials[0].area.whole <= thoroughPx[waits ? 'waits' : 'aside']) {
    await passingOver(() =>
      searchThorough([...judged], { ...aloneFor(slow), more: 0, step: () => {} }),
    );
  }
  if (judged.length === 0 && failures.length > 0) {
    throw failures[0];
  }
  listener.onProgress(1, formats[0]);
}
