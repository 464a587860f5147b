import { hexOf } from '../colour/hex';
import { layRecipe } from '../recolour/recipe';
import { textPairs } from './contrast';
import type { RecolouredSheets, SheetRecolourInput } from './recolourSheets';
import { pieceColours } from './pieceColours';
import { readableOn } from './readable';
import { readOnce } from './sheetsRead';
import { isWeak, leastContrast, type LineContrast, type SheetLine } from './sheetLine';

/**
 * Of each line the contrast of the text it is of, or of the worst text on the ground it is of, as
 * selectors tell it.
 * @returns by the line's key; lines that are of no text and no ground are left out
 */
export function lineContrasts(
  { sheets: all, samples, set }: SheetRecolourInput,
  { lines, sheets: after }: RecolouredSheets,
): Map<string, LineContrast> {
  const { sheets } = readOnce(all);
  const { before: were, became } = pieceColours(samples, layRecipe(set.recipe));
  const before = textPairs(sheets, were);
  const then = textPairs(
    sheets.map(({ path }) => ({ path, text: after.get(path)! })),
    became,
  );
  const pairs = before.map((pair, i) => ({ pair, now: then[i] ?? pair }));
  const placeOf = ({ file, line }: { file: string; line: number }) => `${file}:${line}`;
  const byText = new Map<string, typeof pairs>();
  const byGround = new Map<string, typeof pairs>();
  const put = (map: typeof byText, key: string, one: (typeof pairs)[number]) => {
    const list = map.get(key);
    if (list) {
      list.push(one);
    } else {
      map.set(key, [one]);
    }
  };
  for (const one of pairs) {
    put(byText, `${placeOf(one.pair.at)} ${hexOf(one.pair.text)}`, one);
    if (one.pair.groundAt) {
      put(byGround, placeOf(one.pair.groundAt), one);
    }
  }
  const pairsAt = (line: SheetLine): typeof pairs => {
    if (line.property === 'color') {
      return byText.get(`${placeOf(line)} ${line.oldHex}`) ?? [];
    }
    return /^background/.test(line.property) ? (byGround.get(placeOf(line)) ?? []) : [];
  };
  return new Map(
    lines.flatMap((line): [string, LineContrast][] => {
      const own = pairsAt(line);
      if (own.length === 0) {
        return [];
      }
      const worst = own.reduce((a, b) => (b.now.ratio < a.now.ratio ? b : a));
      const contrast = {
        before: worst.pair.ratio,
        after: worst.now.ratio,
        selector: worst.pair.selector,
      };
      const mend =
        line.property === 'color' && isWeak(contrast)
          ? { mend: hexOf(readableOn(worst.now.grounds, worst.now.text, leastContrast)) }
          : {};
      return [[line.key, { ...contrast, ...mend }]];
    }),
  );
}
