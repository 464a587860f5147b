import { hexOf } from '../colour/hex';
import type { Rgb } from '../raster/raster';
import type { LaidRecipe } from '../recolour/recipe';
import type { SheetText } from '../theme/readTheme';
import { textPairs, type TextPair } from './contrast';
import { leastRatio, readableOn } from './readable';
import type { FollowInput } from './follow';
import { pieceColours } from './pieceColours';
import { type SheetLine, type Placed, leastContrast, isWeak } from './sheetLine';

/** Contrast wanted on a picture, against a plain ground: some of it is lighter than what is known. */
const onPictures = 1.15;

/**
 * Text that the recipe would fade into its ground: a recipe that lightens a theme is not to lighten
 * its dark text away. It takes the new hue, with the contrast it had on the recoloured ground as
 * far as there is room.
 * @returns what it becomes, by file, line and colour; `sure` where it could be read and its
 * selector says what it lies on
 */
export function textsThatFade(
  sheets: readonly SheetText[],
  laid: LaidRecipe,
  samples: FollowInput['samples'],
): Map<string, { readonly readable: Rgb; readonly sure: boolean }> {
  const { before } = pieceColours(samples, laid);
  return new Map(
    textPairs(sheets, before).flatMap(({ text, grounds, ratio, at, sure, picture }) => {
      const under = grounds.map(laid.colour);
      const became = laid.colour(text);
      const then = leastRatio(became, under);
      const least = leastContrast * (picture ? onPictures : 1);
      return then < least && then < ratio - 0.005
        ? [
            [
              `${at.file}:${at.line} ${hexOf(text)}`,
              {
                readable: readableOn(under, became, Math.max(least, ratio)),
                sure: sure && ratio >= leastContrast,
              },
            ] as const,
          ]
        : [];
    }),
  );
}

/**
 * Each line with the contrast of the text it is of, or of the worst text on the ground it is of.
 */
export function withContrast(
  lines: readonly Placed[],
  sheets: readonly SheetText[],
  after: ReadonlyMap<string, string>,
  samples: FollowInput['samples'],
  laid: LaidRecipe,
): SheetLine[] {
  const { before: were, became } = pieceColours(samples, laid);
  const before = textPairs(sheets, were);
  const then = textPairs(
    sheets.map(({ path }) => ({ path, text: after.get(path)! })),
    became,
  );
  const pairs = before.map((pair, i) => ({ pair, now: then[i] ?? pair }));
  const at = (where: TextPair['groundAt'], line: Placed) =>
    where?.file === line.file && where.line === line.line;
  return lines.map(({ start: _start, end: _end, ...line }, i) => {
    const isText = line.property === 'color';
    const own = pairs.filter(({ pair }) =>
      isText
        ? at(pair.at, lines[i]) && hexOf(pair.text) === line.oldHex
        : /^background/.test(line.property) && at(pair.groundAt, lines[i]),
    );
    const worst = own.sort((a, b) => a.now.ratio - b.now.ratio)[0];
    if (!worst) {
      return line;
    }
    const contrast = {
      before: worst.pair.ratio,
      after: worst.now.ratio,
      selector: worst.pair.selector,
    };
    return isText && isWeak(contrast)
      ? {
          ...line,
          contrast,
          mend: hexOf(readableOn(worst.now.grounds, worst.now.text, leastContrast)),
        }
      : { ...line, contrast };
  });
}
