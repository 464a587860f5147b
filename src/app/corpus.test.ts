/**
 * Every file of the corpus through the part of the core behind its door: something is made of it, or
 * it is refused with a sentence; nothing else is thrown, and nothing lasts.
 */
import { strFromU8 } from 'fflate';
import { readSiteFile } from '@/core/handover/siteFile';
import { inspectPicture } from '@/core/measure/inspect';
import { IntakeError } from '@/core/measure/intakeError';
import { readVisitors } from '@/core/measure/readVisitors';
import { readOpenRaster } from '@/core/openRaster/openRaster';
import { openPages } from '@/core/ownPage/openPages';
import type { Codecs } from '@/core/press/codecs';
import { readRecipe } from '@/core/recolour/recipeFile';
import { Refusal } from '@/core/refusal';
import { openSet } from '@/core/set/openSet';
import { recolourSvg } from '@/core/set/svg';
import { openTheme } from '@/core/theme/openTheme';
import { readThemeColours } from '@/core/theme/tokens';
import { readFont } from '@/core/text/readFont';
import { nodeCodecs } from '@/engine/nodeCodecs';
import { corpus, type Door, type Specimen } from './corpus.fixture';

let codecs: Codecs;
let close: () => void;
beforeAll(async () => {
  ({ codecs, close } = await nodeCodecs());
});
afterAll(() => close());

const doors: Readonly<Record<Door, (specimen: Specimen) => unknown>> = {
  picture: async ({ name, bytes }) => {
    inspectPicture(name, bytes);
    return codecs.decode(bytes).catch((error: Error) => {
      throw new IntakeError(`${name}: expected a whole picture, but ${error.message}.`);
    });
  },
  sheet: ({ name, bytes }) => openTheme([{ name, bytes }]),
  archive: ({ name, bytes }) => openTheme([{ name, bytes }]),
  page: ({ name, bytes }) => openPages([{ path: name, bytes }]),
  set: ({ name, bytes }) => {
    const opened = openSet([{ path: name, bytes }]);
    if (name.endsWith('.svg')) {
      recolourSvg(strFromU8(bytes), ({ r, g, b }) => ({ r: g, g: b, b: r }));
    }
    return opened;
  },
  tokens: ({ name, bytes }) => readThemeColours(name, strFromU8(bytes)),
  visitors: ({ name, bytes }) => readVisitors(name, strFromU8(bytes)),
  font: ({ name, bytes }) => readFont(name, bytes),
  openRaster: ({ name, bytes }) => readOpenRaster(name, bytes),
  site: ({ name, bytes }) => readSiteFile(name, bytes),
  recipe: ({ name, bytes }) => readRecipe(name, strFromU8(bytes), 'recipe-1'),
};

/** Words of programs, which say nothing to people. */
const raw =
  /undefined|\[object|\bNaN\b|TypeError|RangeError|Cannot read|is not a function|is not iterable|Unexpected (?:token|end)|call stack|Invalid array|out of bounds|must be a `|validation|\bat \w+ \(/i;

/** Processor time for one file, ms. */
const longest = 5000;

test('there are hundreds, for every door, and each has a name of its own', async () => {
  const all = await corpus();
  expect(all.length).toBeGreaterThanOrEqual(300);
  expect(new Set(all.map((s) => s.door))).toEqual(new Set(Object.keys(doors)));
  expect(new Set(all.map((s) => `${s.door} ${s.name}`)).size).toBe(all.length);
});

test.each(Object.keys(doors) as Door[])(
  'what comes through the door of a %s',
  async (door) => {
    const found: string[] = [];
    for (const specimen of (await corpus()).filter((s) => s.door === door)) {
      const before = process.cpuUsage();
      const outcome = await Promise.resolve()
        .then(() => doors[door](specimen))
        .then(
          () => undefined,
          (error: unknown) => error,
        );
      const { user, system } = process.cpuUsage(before);
      const ms = (user + system) / 1000;
      if (ms > longest) {
        found.push(`${specimen.name}: ${Math.round(ms)} ms`);
      }
      if (outcome !== undefined) {
        const message = outcome instanceof Error ? outcome.message : String(outcome);
        if (!(outcome instanceof Refusal) || raw.test(ownWords(message, specimen))) {
          found.push(
            `${specimen.name}: ${(outcome as Error).constructor.name}: ${message.slice(0, 200)}`,
          );
        }
      }
    }
    expect(found).toEqual([]);
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  },
  240_000,
);

/** A message without what it says of the file: its name, and what stands in it. */
const ownWords = (message: string, { name }: Specimen): string =>
  message.replace(name, '').replace(/“[^”]*”/g, '');
