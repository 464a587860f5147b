import { strFromU8 } from 'fflate';
import { readSiteFile } from '@/core/handover/siteFile';
import { inspectPicture } from '@/core/measure/inspect';
import { IntakeError } from '@/core/measure/intakeError';
import { readVisitors } from '@/core/measure/readVisitors';
import { readOpenRaster } from '@/core/openRaster/openRaster';
import { openPages } from '@/core/ownPage/openPages';
import type { Codecs } from '@/core/encode/codecs';
import { readRecipe } from '@/core/recolour/recipeFile';
import { Refusal } from '@/core/refusal';
import { openSet } from '@/core/set/openSet';
import { recolourSvg } from '@/core/set/svg';
import { openTheme } from '@/core/theme/openTheme';
import { readThemeColours } from '@/core/theme/tokens';
import { readFont } from '@/core/text/readFont';
import type { Door, Specimen } from './corpus.fixture';

/** What becomes of a file behind each door, as far as the core goes. */
export const doors: Readonly<Record<Door, (specimen: Specimen) => unknown>> = {
  picture: ({ name, bytes }) => inspectPicture(name, bytes),
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

/** A picture is decoded too. */
export const decodedBy =
  (codecs: Codecs) =>
  async (specimen: Specimen): Promise<unknown> => {
    doors.picture(specimen);
    return codecs.decode(specimen.bytes).catch((error: Error) => {
      throw new IntakeError(`${specimen.name}: expected a whole picture, but ${error.message}.`);
    });
  };

/** Words of programs, which say nothing to people. */
const raw =
  /undefined|\[object|\bNaN\b|TypeError|RangeError|Cannot read|is not a function|is not iterable|Unexpected (?:token|end)|call stack|Invalid array|out of bounds|must be a `|validation|\bat \w+ \(/i;

/** Processor time for one file, ms. */
const longest = 5000;

/** A message without what it says of the file: its name, and what stands in it. */
const ownWords = (message: string, { name }: Specimen): string =>
  message.replace(name, '').replace(/“[^”]*”/g, '');

/**
 * Takes a file through a door.
 * @returns what is wrong with what came of it: it lasted, or was refused in words of programs
 */
export async function wrongWith(
  specimen: Specimen,
  take: (specimen: Specimen) => unknown = doors[specimen.door],
): Promise<string[]> {
  const wrong: string[] = [];
  const before = process.cpuUsage();
  try {
    await take(specimen);
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    if (!(error instanceof Refusal) || raw.test(ownWords(message, specimen))) {
      wrong.push(
        `${specimen.name}: ${(error as Error).constructor.name}: ${message.slice(0, 200)}`,
      );
    }
  }
  const { user, system } = process.cpuUsage(before);
  const ms = (user + system) / 1000;
  return ms > longest ? [...wrong, `${specimen.name}: ${Math.round(ms)} ms`] : wrong;
}
