import { boundedCache, pixelBytes } from '@/core/boundedCache';
import { colourOf } from '@/core/colour/parse';
import { resample } from '@/core/frame/resample';
import { mipLevelOf, mipLevelFor } from '@/core/frame/mipLevels';
import type { Raster } from '@/core/raster/raster';
import { leftOver, offersFor, type Sample } from '@/core/recolour/offers';
import { layRecipe } from '@/core/recolour/recipe';
import { readSheet } from '@/core/set/inside';
import { openSet } from '@/core/set/openSet';
import { setFiles } from '@/core/set/produce';
import { samplesOf } from '@/core/set/recolourSet';
import { rolesOf } from '@/core/set/roles';
import type { Recipe } from '@/core/site/model/recipe';
import { serve, type ServerScope } from './channel';
import { lastRecipe } from './lastRecipe';
import { mostPieceBytes } from './limits';
import { unpackRecolouredSheets } from './packedRecolouredSheets';
import type { Preview, SetCalls } from './protocol';

/** The largest a piece is kept at, px. */
const room = { width: 220, height: 110 };

interface Known {
  readonly raster: Raster;
  /** Of its own px. */
  readonly scale: number;
  readonly samples: readonly Sample[];
}

/** Pieces that had to make room since this was last asked. */
let gone: string[] = [];
/** Previews are small: there is room for the largest theme's. */
const pieces = boundedCache<Known>(
  mostPieceBytes,
  ({ raster }) => pixelBytes(raster),
  (assetId) => gone.push(assetId),
);
const laidAs = lastRecipe();

/** A piece as small as a list needs it; tiny ones stay as they are. */
function small(raster: Raster): { raster: Raster; scale: number } {
  const scale = Math.min(1, room.width / raster.width, room.height / raster.height);
  return { raster: scale === 1 ? raster : reduced(raster, scale), scale };
}

function reduced(raster: Raster, scale: number): Raster {
  const near = mipLevelOf(raster, mipLevelFor(scale));
  const width = Math.max(1, Math.round(raster.width * scale));
  const height = Math.max(1, Math.round(raster.height * scale));
  return resample(
    near,
    { x: 0, y: 0, scaleX: width / near.width, scaleY: height / near.height },
    width,
    height,
  );
}

function previewsOf(
  laid: ReturnType<typeof layRecipe> | undefined,
  assetIds: readonly string[],
): Preview[] {
  return assetIds.flatMap((assetId): Preview[] => {
    const known = pieces.get(assetId);
    if (!known) {
      return [];
    }
    const raster = { ...known.raster, data: known.raster.data.slice() };
    laid?.on(raster, known.scale);
    return [{ assetId, raster }];
  });
}

const buffers = (previews: readonly Preview[]): Transferable[] =>
  previews.map((p) => p.raster.data.buffer);
const laidOrNot = (recipe: Recipe | null) => (recipe ? laidAs(recipe) : undefined);

serve<SetCalls>(self as unknown as ServerScope, {
  open: ({ files }) => ({ answer: openSet(files) }),
  sheets({ files, pieces: list }) {
    const sheets = files.map((f) => readSheet(f.path, f.bytes));
    return { answer: { sheets, roles: rolesOf(sheets, list) } };
  },
  handed({ set, originals, written, followed, all }) {
    const files = new Map([...written].map(([path, f]) => [path, { path, ...f }] as const));
    return { answer: setFiles(set, originals, files, unpackRecolouredSheets(followed), all) };
  },
  piece({ assetId, raster }) {
    const samples = samplesOf(raster);
    pieces.set(assetId, { ...small(raster), samples });
    const answer = { samples, gone };
    gone = [];
    return { answer };
  },
  previews({ recipe, assetIds }) {
    const answer = previewsOf(laidOrNot(recipe), assetIds);
    return { answer, transfer: buffers(answer) };
  },
  smaller({ raster, most }) {
    const pixels = raster.width * raster.height;
    const answer = pixels > most ? reduced(raster, Math.sqrt(most / pixels)) : raster;
    return { answer, transfer: [answer.data.buffer] };
  },
  whole({ recipe, raster, scale }) {
    laidAs(recipe).on(raster, scale);
    return { answer: raster, transfer: [raster.data.buffer] };
  },
  offers({ from, to, reach, assetIds, shown }) {
    const old = colourOf(from);
    const wanted = colourOf(to);
    const samples = assetIds.flatMap((id) => {
      const known = pieces.get(id);
      return known ? [known.samples] : [];
    });
    const answer = offersFor(old, wanted, samples.flat()).map((offer) => {
      const laid = layRecipe({ steps: offer.steps, ...reach });
      return {
        offer,
        left: leftOver(samples, old, wanted, laid.colour),
        previews: previewsOf(laid, shown),
      };
    });
    return { answer, transfer: answer.flatMap((a) => buffers(a.previews)) };
  },
});
