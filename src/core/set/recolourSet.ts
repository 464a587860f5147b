import { mainColours } from '../colour/palette';
import type { Codecs } from '../encode/codecs';
import { wholePixels, type Raster } from '../raster/raster';
import type { Sample } from '../recolour/offers';
import { layRecipe } from '../recolour/recipe';
import { Refusal, clauseOf } from '../refusal';
import type { PieceSet } from '../site/model/pieceSet';
import type { SheetText } from '../theme/readTheme';
import { recolourSheets, type RecolouredSheets, type SheetRecolourInput } from './recolourSheets';
import { readSheet } from './inside';
import { setFiles, type SetHanded, type WrittenPiece } from './produce';
import { recolourFile, type Recoloured } from './recolourFile';
import { SetStopped, wantsEnds, type SetListener } from './listener';
import { rolesOf } from './roles';

/**
 * The main colours of a piece, with its share of px that are seen: together below 1 where it is
 * see-through.
 */
export function samplesOf(raster: Raster): Sample[] {
  // An alpha of 128 or more has its highest bit set.
  let seen = 0;
  const pixels = wholePixels(raster);
  for (let i = 0; i < pixels.length; i++) {
    seen += pixels[i] >>> 31;
  }
  const share = seen / (raster.width * raster.height);
  return mainColours(raster, 5).map((c) => ({ colour: c.colour, share: c.share * share }));
}

/** What the style sheets of a set follow by, from what is known of its pieces. */
export function sheetRecolourInput(
  set: PieceSet,
  sheets: readonly SheetText[],
  samples: ReadonlyMap<string, readonly Sample[]>,
  ends: SheetRecolourInput['ends'],
): SheetRecolourInput {
  const kept = new Set(set.pieces.filter((p) => !p.leftOut).map((p) => p.path));
  const within = <V>(map: ReadonlyMap<string, V>) =>
    new Map([...map].filter(([path]) => kept.has(path)));
  return {
    sheets,
    samples: within(samples),
    ends: within(ends),
    areas: new Map(set.pieces.map((p) => [p.path, p.width * p.height])),
    set,
    decided: set.lines,
  };
}

export interface SetPorts extends Codecs {
  asset(assetId: string): Promise<Uint8Array<ArrayBuffer>>;
}

/**
 * Recolours a whole set, one file after the other, with no more than one of them decoded at a time.
 * @param all whether files that do not change are among what is given back
 * @throws SetStopped when the listener did not want it any more; Error naming the file that could
 * not be read
 */
export async function recolourSet(
  set: PieceSet,
  ports: SetPorts,
  listener: SetListener,
  all: boolean,
): Promise<{ files: SetHanded[]; followed: RecolouredSheets }> {
  const originals = new Map<string, Uint8Array<ArrayBuffer>>();
  const written = new Map<string, WrittenPiece>();
  const samples = new Map<string, Sample[]>();
  const ends = new Map<string, NonNullable<Recoloured['ends']>>();
  for (const { path, assetId } of [...set.pieces, ...set.sheets, ...set.others]) {
    originals.set(path, await ports.asset(assetId));
  }
  const sheets = set.sheets.map(({ path }) => readSheet(path, originals.get(path)!));
  const roles = rolesOf(sheets, set.pieces);
  const laid = layRecipe(set.recipe);
  const wanted = set.pieces.filter((p) => !p.leftOut);
  for (const [i, { path, format }] of wanted.entries()) {
    if (!listener.wanted()) {
      throw new SetStopped('Recolouring was stopped.');
    }
    listener.onProgress(i, wanted.length, path);
    const bytes = originals.get(path)!;
    try {
      const raster = await ports.decode(bytes);
      samples.set(path, samplesOf(raster));
      const made = await recolourFile(
        format,
        bytes,
        laid,
        ports,
        wantsEnds(roles.get(path)),
        raster,
      );
      written.set(path, { path, ...made });
      if (made.ends) {
        ends.set(path, made.ends);
      }
    } catch (error) {
      throw new Refusal(
        `${path}: expected a whole ${format.toUpperCase()} picture, but ${clauseOf(error)}.`,
      );
    }
  }
  const followed = recolourSheets(sheetRecolourInput(set, sheets, samples, ends));
  listener.onProgress(wanted.length, wanted.length, '');
  return { files: setFiles(set, originals, written, followed, all), followed };
}
