import { encodeSettings } from '../encode/settings';
import type { ImageFormat, EncodeSettings } from '../site/model/picture';
import { careLimits, careMargin } from './care';
import { mostWhole, searched } from './families';
import { searchLightest } from './search';
import { bestOf, borderPriceOf, keepsSeam, SearchStopped, type SearchListener } from './best';
import type { Judgement, Trial, TrialPart, TrialResult } from './trial';

/**
 * A made-up codec: loss falls and bytes grow with quality, each format with its own figures; the
 * sample is off by a part.
 */
const weights: Readonly<Record<ImageFormat, number>> = { avif: 0.5, webp: 0.8, jpeg: 1, png: 4 };

interface Made {
  readonly trial: Trial;
  readonly log: { settings: EncodeSettings; part: TrialPart }[];
}

interface Behaviour {
  loses(settings: EncodeSettings): string[];
  bordersKeep(settings: EncodeSettings): boolean;
  sampleIsOff: number;
  /** How much more a sample loses that is written with little effort. */
  draftIsOff: number;
  /** By how much the whole loses more than it should. */
  wholeIsOff(quality: number): number;
}

function trial({
  loses = () => [],
  bordersKeep = () => true,
  sampleIsOff = 1.2,
  draftIsOff = 1,
  wholeIsOff = () => 1,
}: Partial<Behaviour> = {}): Made {
  const log: Made['log'] = [];
  return {
    log,
    trial: {
      area: { sample: 1, whole: 5 },
      patch: () => Promise.reject(new Error('not asked for')),
      async tryOut(settings, part): Promise<TrialResult> {
        log.push({ settings, part });
        const exact = settings.lossless || (settings.format === 'png' && settings.colours === null);
        const q = settings.format === 'png' ? (settings.colours ?? 256) / 2.6 : settings.quality;
        const isSample = part === 'sample' || part === 'sampleAsWhole';
        const draft = part === 'sample' ? draftIsOff : 1;
        const loss = exact
          ? 0
          : 8 * Math.exp(-0.03 * q) * (isSample ? sampleIsOff : wholeIsOff(q)) * draft;
        const bytes = Math.round(
          (exact ? 90_000 : 3000 * Math.exp(0.025 * q)) *
            weights[settings.format] *
            (isSample ? 0.2 : 1),
        );
        const lostIn: Readonly<Record<TrialPart, () => string[]>> = {
          borders: () => (bordersKeep(settings) ? [] : ['seam-left']),
          whole: () => loses(settings),
          sample: () => [],
          sampleAsWhole: () => [],
        };
        const lost = lostIn[part]();
        return {
          judgement: { settings, bytes, loss: { overall: loss, worst: 2 * loss }, lost },
          ...(part === 'whole' && { file: new Uint8Array(2) }),
        };
      },
    },
  };
}

async function run(
  made: Made,
  formats: readonly ImageFormat[],
  goal: Parameters<typeof searchLightest>[0] = { by: 'care', care: 'careful' },
  part: Partial<SearchListener> = {},
  waits = true,
): Promise<Judgement[]> {
  const found: Judgement[] = [];
  const listener: SearchListener = {
    onTried: ({ judgement }) => {
      found.push(judgement);
    },
    onProgress: () => {},
    wanted: () => true,
    ...part,
  };
  await searchLightest(goal, formats, [made.trial], listener, waits);
  return found;
}

const all: ImageFormat[] = ['avif', 'webp', 'jpeg', 'png'];
const wholes = (made: Made, format: ImageFormat) =>
  made.log.filter(
    ({ part, settings }) =>
      part === 'whole' && settings.format === format && settings.effort === 'usual',
  ).length;
const thorough = (made: Made) => made.log.filter((l) => l.settings.effort === 'most');
/** The least quality of the made-up codec that holds the limit. */
const least = (care: keyof typeof careLimits) =>
  Math.ceil(Math.log(8 / careLimits[care].overall) / 0.03);

/** Steps of an AVIF above the lightest that holds. */
function stepsAbove({ settings }: Judgement, care: keyof typeof careLimits): number {
  const [steps] = searched.avif.families;
  const all = Array.from({ length: steps.most - steps.least + 1 }, (_, i) => steps.least + i);
  return steps.of(settings) - all.find((n) => steps.at(n).quality >= least(care))!;
}

test.each(['close', 'careful', 'light'] as const)(
  '%s: the lightest quality that holds is found within a step, with no format written more than four times',
  async (care) => {
    const made = trial();
    const found = await run(made, all, { by: 'care', care });
    const best = bestOf({ by: 'care', care }, found)!;
    expect(best.settings.format).toBe('avif');
    expect(careMargin(best.loss, careLimits[care])).toBeGreaterThanOrEqual(0);
    expect(stepsAbove(best, care)).toBeLessThanOrEqual(1);
    for (const format of all) {
      expect(wholes(made, format)).toBeLessThanOrEqual(mostWhole);
    }
  },
);

test('how much more a sample loses that is written with little effort is found out on the sample, and costs no file in full size', async () => {
  for (const draftIsOff of [1, 1.15, 1.6]) {
    const made = trial({ draftIsOff, sampleIsOff: 1 });
    const best = bestOf({ by: 'care', care: 'careful' }, await run(made, ['avif']))!;
    expect(careMargin(best.loss, careLimits.careful)).toBeGreaterThanOrEqual(0);
    expect(best.settings.quality - least('careful')).toBeLessThanOrEqual(2);
    expect(made.log.filter((l) => l.part === 'sampleAsWhole').length).toBeLessThanOrEqual(2);
    expect(wholes(made, 'avif')).toBeLessThanOrEqual(2);
  }
});

test('what is nearly always the lightest comes first; of a format that cannot be the lightest nothing is written beyond what holds', async () => {
  const made = trial();
  const found = await run(made, all);
  expect(found[0].settings.format).toBe('avif');
  const jpegs = found.filter((j) => j.settings.format === 'jpeg');
  expect(jpegs.some((j) => careMargin(j.loss, careLimits.careful) >= 0)).toBe(true);
  expect(jpegs.filter((j) => careMargin(j.loss, careLimits.careful) >= 0)).toHaveLength(1);
  expect(found.filter((j) => j.settings.format === 'webp')).toHaveLength(0);
  // Alone it is searched to the end.
  const alone = bestOf({ by: 'care', care: 'careful' }, await run(trial(), ['jpeg']))!;
  expect(alone.settings.quality - least('careful')).toBeLessThanOrEqual(1);
});

test('a sample that tells too much or too little is corrected by the whole', async () => {
  for (const sampleIsOff of [0.5, 0.8, 1.6, 2.5]) {
    const made = trial({ sampleIsOff });
    const best = bestOf({ by: 'care', care: 'careful' }, await run(made, ['webp']))!;
    expect(careMargin(best.loss, careLimits.careful)).toBeGreaterThanOrEqual(0);
    expect(best.settings.quality - least('careful')).toBeLessThanOrEqual(2);
    expect(wholes(made, 'webp')).toBeLessThanOrEqual(mostWhole);
  }
});

test('where nobody waits it goes on until a file holds, and writes no more where one does', async () => {
  // The whole gets no better until far beyond where the sample holds.
  const stubborn = { wholeIsOff: (q: number) => (q < 96 ? 1.05 / (8 * Math.exp(-0.03 * q)) : 1) };
  const care = { by: 'care', care: 'careful' } as const;
  const holds = (found: Judgement[]) =>
    careMargin(bestOf(care, found)!.loss, careLimits.careful) >= 0;
  const [hurried, patient, easy] = [trial(stubborn), trial(stubborn), trial()];
  expect(holds(await run(hurried, ['avif'], care))).toBe(false);
  expect(wholes(hurried, 'avif')).toBeLessThanOrEqual(mostWhole);
  expect(holds(await run(patient, ['avif'], care, {}, false))).toBe(true);
  expect(holds(await run(easy, ['avif'], care, {}, false))).toBe(true);
  expect(wholes(easy, 'avif')).toBeLessThanOrEqual(mostWhole);
});

test('where the lightest loses its seam, strips along the border tell which of the next ones keep it', async () => {
  const keeps = (s: EncodeSettings) => s.format !== 'jpeg' || s.quality % 8 === 0;
  const made = trial({ loses: (s) => (keeps(s) ? [] : ['seam-left']), bordersKeep: keeps });
  const found = await run(made, ['jpeg']);
  const best = bestOf({ by: 'care', care: 'careful' }, found)!;
  expect(keepsSeam(best)).toBe(true);
  expect(best.settings.quality % 8).toBe(0);
  expect(best.settings.quality).toBeGreaterThanOrEqual(least('careful'));
  expect(made.log.some((l) => l.part === 'borders')).toBe(true);
  expect(wholes(made, 'jpeg')).toBeLessThanOrEqual(mostWhole);
});

test('a format that always loses its seam is beaten by a heavier one that keeps it, without loss where it must be', async () => {
  const made = trial({
    loses: (s) => (s.lossless || (s.format === 'png' && s.colours === null) ? [] : ['seam-top']),
    bordersKeep: () => false,
  });
  const best = bestOf({ by: 'care', care: 'careful' }, await run(made, ['avif', 'webp', 'png']))!;
  expect(keepsSeam(best)).toBe(true);
  expect(best.loss.overall).toBe(0);
});

test('so many bytes: the most alike of what fits', async () => {
  const goal = { by: 'bytes', bytes: 8000 } as const;
  const made = trial();
  const best = bestOf(goal, await run(made, all, goal))!;
  expect(best.bytes).toBeLessThanOrEqual(8000);
  // The largest quality of AVIF whose 1500·e^(0.025 q) bytes fit.
  expect(Math.floor(Math.log(8000 / 1500) / 0.025) - best.settings.quality).toBeLessThanOrEqual(1);
  expect(best.settings.format).toBe('avif');
});

test('so many bytes: a family that was looked at once is followed along the line of the first of its format', async () => {
  const made = trial();
  // Chroma for every px loses less, and bytes grow steeply; the whole takes half of what its sample tells.
  const bytesOf = (quality: number) => 3000 * Math.exp(0.1 * (quality - 60));
  const steep: Trial = {
    ...made.trial,
    tryOut: async (settings, part) => {
      const tried = await made.trial.tryOut(settings, part);
      const { loss } = tried.judgement;
      const k = settings.chroma === 'full' ? 0.7 : 1;
      const bytes = bytesOf(settings.quality) * (part === 'whole' ? 0.5 : 0.2);
      return {
        ...tried,
        judgement: { ...tried.judgement, bytes, loss: { overall: loss.overall * k, worst: 1 } },
      };
    },
  };
  const goal = { by: 'bytes', bytes: 3000 } as const;
  const found = await run({ ...made, trial: steep }, ['avif'], goal);
  const best = bestOf(goal, found)!;
  expect(best.settings.chroma).toBe('full');
  expect(best.bytes).toBeLessThanOrEqual(goal.bytes);
  expect(best.bytes).toBeGreaterThan(0.8 * goal.bytes);
  expect(found.filter((j) => j.settings.effort === 'usual').length).toBeLessThanOrEqual(2);
});

test('so many bytes: a palette of the most colours that fit', async () => {
  const goal = { by: 'bytes', bytes: 20_000 } as const;
  const best = bestOf(goal, await run(trial(), ['png'], goal))!;
  expect(best.bytes).toBeLessThanOrEqual(20_000);
  // The largest palette whose 12000·e^(0.025·colours/2.6) bytes fit.
  const most = Math.floor(((Math.log(20_000 / 12_000) / 0.025) * 2.6) / 8);
  expect(most - best.settings.colours! / 8).toBeLessThanOrEqual(1);
});

test('where nothing comes near so few bytes, what comes nearest is written, and nothing else', async () => {
  for (const formats of [all, ['jpeg'], ['png']] as ImageFormat[][]) {
    const made = trial();
    const found = await run(made, formats, { by: 'bytes', bytes: 200 });
    expect(found).toHaveLength(1);
    const { settings, bytes } = found[0];
    expect(formats).toContain(settings.format);
    const family = searched[settings.format].families.find(
      (f) => JSON.stringify(f.at(f.of(settings))) === JSON.stringify(settings),
    )!;
    expect(family.of(settings)).toBe(family.least);
    expect(bytes).toBeGreaterThan(200);
  }
});

test('with two trials what takes long is written two at a time, and what is tried does not depend on how long anything takes', async () => {
  const tried = async (slow: readonly [number, number], care: keyof typeof careLimits) => {
    const made = trial();
    const found: Judgement[] = [];
    let atOnce = 0;
    let most = 0;
    const late = (ms: number): Trial => ({
      ...made.trial,
      async tryOut(settings, part) {
        most = Math.max(most, ++atOnce);
        await new Promise((resolve) => {
          setTimeout(resolve, ms);
        });
        atOnce--;
        return made.trial.tryOut(settings, part);
      },
    });
    await searchLightest({ by: 'care', care }, all, slow.map(late), {
      onTried: ({ judgement }) => {
        found.push(judgement);
      },
      onProgress: () => {},
      wanted: () => true,
    });
    for (const format of all) {
      expect(wholes(made, format)).toBeLessThanOrEqual(mostWhole);
    }
    return {
      best: bestOf({ by: 'care', care }, found)!,
      most,
      log: made.log.map((l) => JSON.stringify(l)).sort(),
    };
  };
  for (const care of ['close', 'careful', 'light'] as const) {
    const even = await tried([1, 1], care);
    const uneven = await tried([0, 9], care);
    const other = await tried([9, 0], care);
    expect(even.most).toBeGreaterThanOrEqual(2);
    expect(uneven.log).toEqual(even.log);
    expect(other.log).toEqual(even.log);
    expect(even.best.settings).toEqual(uneven.best.settings);
    expect(careMargin(even.best.loss, careLimits[care])).toBeGreaterThanOrEqual(0);
    expect(stepsAbove(even.best, care)).toBeLessThanOrEqual(1);
  }
});

test('formats that the host does not take are not written', async () => {
  const made = trial();
  expect(
    bestOf({ by: 'care', care: 'light' }, await run(made, ['png'], { by: 'care', care: 'light' }))!
      .settings.format,
  ).toBe('png');
  // A sample in PNG stands for the others' files without loss.
  expect(new Set(made.log.map((l) => l.settings.format))).toEqual(new Set(['png']));
});

test('given up, it ends at the next step, and what was tried is with the listener', async () => {
  const made = trial();
  const found: Judgement[] = [];
  await expect(
    searchLightest({ by: 'care', care: 'careful' }, all, [made.trial], {
      onTried: ({ judgement }) => {
        found.push(judgement);
      },
      onProgress: () => {},
      wanted: () => found.length < 1,
    }),
  ).rejects.toThrow(SearchStopped);
  expect(found).toHaveLength(1);
});

test('a format that cannot be written is passed over; where none can, what the codec said is passed on', async () => {
  const made = trial();
  const failing: Trial = {
    ...made.trial,
    tryOut: (s, p) =>
      s.format === 'avif' ? Promise.reject(new Error('no room for AVIF')) : made.trial.tryOut(s, p),
  };
  expect(
    bestOf({ by: 'care', care: 'careful' }, await run({ ...made, trial: failing }, all))!.settings
      .format,
  ).toBe('webp');
  await expect(run({ ...made, trial: failing }, ['avif'])).rejects.toThrow('no room for AVIF');
});

test('progress only grows, to the whole', async () => {
  const seen: number[] = [];
  await run(trial(), all, undefined, {
    onProgress: (done) => {
      seen.push(done);
    },
  });
  expect(seen).toEqual([...seen].sort((a, b) => a - b));
  expect(seen.at(-1)).toBe(1);
});

test('of files that miss the aim the nearest is the best, and nothing of nothing', () => {
  const judgement = (overall: number, bytes: number, lost: string[] = []): Judgement => ({
    settings: searched.webp.families[0].at(50),
    bytes,
    loss: { overall, worst: overall },
    lost,
  });
  expect(
    bestOf({ by: 'care', care: 'close' }, [judgement(4, 10), judgement(0.9, 500)])?.bytes,
  ).toBe(500);
  expect(
    bestOf({ by: 'care', care: 'light' }, [
      judgement(0.2, 30),
      judgement(0.9, 20),
      judgement(0.9, 10, ['seam-left']),
    ])?.bytes,
  ).toBe(20);
  expect(bestOf({ by: 'care', care: 'light' }, [])).toBeUndefined();
});

test('the worst place counts apart: a file that is alike but for one place does not hold', async () => {
  const made = trial();
  const { tryOut } = made.trial;
  // Below quality 90 one place suffers, whatever the rest says.
  const spoilt: Trial = {
    ...made.trial,
    tryOut: async (settings, part) => {
      const tried = await tryOut(settings, part);
      const { overall } = tried.judgement.loss;
      const worst = Math.max(0.01, (90 - settings.quality) / 10 + careLimits.careful.worst);
      return { ...tried, judgement: { ...tried.judgement, loss: { overall, worst } } };
    },
  };
  const found = await run({ ...made, trial: spoilt }, ['webp']);
  const best = bestOf({ by: 'care', care: 'careful' }, found)!;
  expect(best.loss.worst).toBeLessThanOrEqual(careLimits.careful.worst);
  expect(best.settings.lossless || best.settings.quality >= 90).toBe(true);
  expect(
    careMargin({ overall: 0, worst: 2 * careLimits.careful.worst }, careLimits.careful),
  ).toBeLessThan(0);
});

test('a family that fails in full size, whatever the sample said, makes room for one that is more alike', async () => {
  const made = trial();
  const { tryOut } = made.trial;
  // With half of the colours a place outside of the sample never holds; all colours lose a little less.
  const levelled: Trial = {
    ...made.trial,
    tryOut: async (settings, part) => {
      const tried = await tryOut(settings, part);
      const { loss } = tried.judgement;
      const half = settings.chroma === 'half';
      const overall = half && part === 'whole' ? Math.max(1.1, loss.overall) : loss.overall;
      return {
        ...tried,
        judgement: {
          ...tried.judgement,
          bytes: tried.judgement.bytes * (half ? 1 : 1.1),
          loss: { ...loss, overall: half ? overall : overall * 0.9 },
        },
      };
    },
  };
  const found = await run({ ...made, trial: levelled }, ['avif']);
  const best = bestOf({ by: 'care', care: 'careful' }, found)!;
  expect(careMargin(best.loss, careLimits.careful)).toBeGreaterThanOrEqual(0);
  expect(best.settings.chroma).toBe('full');
  expect(found.filter((j) => j.settings.chroma === 'half')).toHaveLength(2);
  expect(wholes(made, 'avif')).toBeLessThanOrEqual(mostWhole);
});

describe('most effort', () => {
  /** A file of the same quality loses a little less then, in fewer bytes. */
  const better = (made: Made, area = made.trial.area): Made => ({
    ...made,
    trial: {
      ...made.trial,
      area,
      async tryOut(settings, part) {
        const tried = await made.trial.tryOut(settings, part);
        const { judgement } = tried;
        const { loss, bytes } = judgement;
        const k = settings.effort === 'most' ? 0.94 : 1;
        return {
          ...tried,
          judgement: {
            ...judgement,
            bytes: bytes * k,
            loss: { overall: loss.overall * k, worst: loss.worst * k },
          },
        };
      },
    },
  });
  const large = { sample: 1, whole: 1_000_000 };

  test('the file that is kept is written with it, at the quality that is as alike then', async () => {
    for (const goal of [
      { by: 'care', care: 'careful' } as const,
      { by: 'bytes', bytes: 9000 } as const,
    ]) {
      const made = better(trial());
      const found = await run(made, all, goal);
      const best = bestOf(goal, found)!;
      expect(best.settings).toMatchObject({ format: 'avif', effort: 'most' });
      const usual = bestOf(
        goal,
        found.filter((j) => j.settings.effort === 'usual'),
      )!;
      expect(
        goal.by === 'care' ? best.bytes / usual.bytes : best.loss.overall / usual.loss.overall,
      ).toBeLessThan(0.95);
      expect(thorough(made).length).toBeLessThanOrEqual(3);
      expect(thorough(made).every((l) => l.part === 'whole')).toBe(true);
    }
  });

  test('of a large picture nobody has to wait for it', async () => {
    const waiting = better(trial(), large);
    await run(waiting, all);
    expect(thorough(waiting)).toEqual([]);
    const later = better(trial(), large);
    const listener = { onTried: () => {}, onProgress: () => {}, wanted: () => true };
    await searchLightest({ by: 'care', care: 'careful' }, all, [later.trial], listener, false);
    expect(thorough(later).length).toBeGreaterThan(0);
    const huge = better(trial(), { sample: 1, whole: 5_000_000 });
    await searchLightest({ by: 'care', care: 'careful' }, all, [huge.trial], listener, false);
    expect(thorough(huge)).toEqual([]);
  });

  test('where another format is lighter by far, no time is spent on it', async () => {
    const made = better(trial());
    const heavy: Trial = {
      ...made.trial,
      async tryOut(settings, part) {
        const tried = await made.trial.tryOut(settings, part);
        const { judgement } = tried;
        const k = settings.format === 'avif' ? 4 : 1;
        return { ...tried, judgement: { ...judgement, bytes: judgement.bytes * k } };
      },
    };
    await run({ ...made, trial: heavy }, all);
    expect(thorough(made)).toEqual([]);
  });
});

test('what a border costs is told where a lighter file loses nothing but its colour', () => {
  const judged = (quality: number, bytes: number, overall: number, lost: string[]): Judgement => ({
    settings: encodeSettings('avif', quality),
    bytes,
    loss: { overall, worst: 1 },
    lost,
  });
  const goal = { by: 'care', care: 'careful' } as const;
  const tooRough = judged(50, 4000, 1.4, ['seam-top']);
  const loses = judged(60, 6000, 0.9, ['seam-top', 'seam-left']);
  const losesMore = judged(61, 5800, 0.9, ['seam-top', 'strip']);
  const kept = judged(66, 7100, 0.7, []);
  const heavier = judged(70, 8000, 0.6, []);
  const all = [heavier, tooRough, kept, loses, losesMore];
  expect(borderPriceOf(goal, all)).toEqual({ without: loses, kept });
  expect(borderPriceOf(goal, [loses, tooRough])).toBeUndefined();
  expect(borderPriceOf(goal, [kept, heavier, tooRough, losesMore])).toBeUndefined();
  expect(borderPriceOf(goal, [kept, { ...loses, bytes: 7200 }])).toBeUndefined();
});
