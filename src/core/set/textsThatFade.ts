import { hexOf } from '../colour/hex';
import type { Rgb } from '../raster/raster';
import type { LaidRecipe } from '../recolour/recipe';
import type { SheetText } from '../theme/readTheme';
import { textPairs } from './contrast';
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
  const placeOf = ({ file, line }: { file: string; line: number }) => `${file}:${line}`;
  const byText = new Map<string, typeof pairs>();
  const byGround = new Map<string, typeof pairs>();
  for (const one of pairs) {
    const text = `${placeOf(one.pair.at)} ${hexOf(one.pair.text)}`;
    byText.set(text, [...(byText.get(text) ?? []), one]);
    if (one.pair.groundAt) {
      const list = byGround.get(placeOf(one.pair.groundAt));
      if (list) {
        list.push(one);
      } else {
        byGround.set(placeOf(one.pair.groundAt), [one]);
      }
    }
  }
  const pairsAt = (line: Placed): typeof pairs => {
    if (line.property === 'color') {
      return byText.get(`${placeOf(line)} ${line.oldHex}`) ?? [];
    }
    return /^background/.test(line.property) ? (byGround.get(placeOf(line)) ?? []) : [];
  };
  return lines.map(({ start: _start, end: _end, ...line }, i) => {
    const isText = line.property === 'color';
    const own = pairsAt(lines[i]);
    if (own.length === 0) {
      return line;
    }
    const worst = own.reduce((a, b) => (b.now.ratio < a.now.ratio ? b : a));
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
