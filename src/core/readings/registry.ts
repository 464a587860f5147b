import { sides } from '../seam/edges';
import { alternative } from './alternative';
import { backgroundCovers } from './backgroundCovers';
import { backgroundShows } from './backgroundShows';
import { bandTitle, bandTitleRoom } from './bandTitle';
import { calm } from './calm';
import { columnWidth } from './columnWidth';
import { cover } from './cover';
import { credit } from './credit';
import { headerWidth } from './headerWidth';
import { join } from './join';
import { take, type Reading, type ReadingContext, type ReadingKind } from './reading';
import { formatTaken } from './formatTaken';
import { legibility } from './legibility';
import { pageWords } from './pageWords';
import { scaledSeam } from './scaledSeam';
import { seam } from './seam';
import { size } from './size';
import { softness } from './softness';
import { banding, stripEnd } from './strip';
import { tileCount } from './tileCount';
import { tileHeight } from './tileHeight';
import { weight } from './weight';
import { phoneText, safeWords } from './widths';

/* A list of kinds with different values: each is only ever used whole, through `take`. */
const kinds = [
  size,
  headerWidth,
  columnWidth,
  tileHeight,
  backgroundCovers,
  backgroundShows,
  cover,
  softness,
  ...sides.map(seam),
  scaledSeam,
  join('x'),
  join('y'),
  tileCount,
  banding,
  stripEnd,
  legibility,
  pageWords,
  bandTitle,
  bandTitleRoom,
  safeWords,
  phoneText,
  calm,
  weight,
  formatTaken,
  alternative,
  credit,
] as unknown as readonly ReadingKind<unknown>[];

/** All readings that apply to a picture in its slot, in the order of the questions. */
export const takeReadings = (context: ReadingContext): Reading[] =>
  kinds.map((kind) => take(kind, context)).filter((reading) => reading !== undefined);
