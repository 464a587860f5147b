import { Refusal } from '@/core/refusal';
import type { VisitorWidth } from '@/core/site/model/site';
import type { ThemeColour } from '@/core/site/model/theme';
import { stylesheetLimits } from '@/core/theme/sheetText';
import { theEngine } from './tab/engine';

/* What a site takes out of a file of another program's; read by a worker. */

/** Of one file, bytes: what any of the readers takes. */
const { bytes: most } = stylesheetLimits;

/** @throws Refusal where it is larger */
async function bytesOf(file: File): Promise<Uint8Array<ArrayBuffer>> {
  if (file.size > most) {
    throw new Refusal(
      `${file.name}: expected at most ${most / 1e6} MB, found ${(file.size / 1e6).toFixed(1)} MB.`,
    );
  }
  return new Uint8Array(await file.arrayBuffer());
}

/** Colours of a style sheet, or of design tokens. @throws Refusal */
export const coloursFrom = async (file: File): Promise<readonly ThemeColour[]> =>
  theEngine().readColours(file.name, await bytesOf(file));

/** How many visitors have which width of the screen. @throws Refusal */
export const visitorsFrom = async (file: File): Promise<readonly VisitorWidth[]> =>
  theEngine().readVisitors(file.name, await bytesOf(file));
