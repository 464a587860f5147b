import LineBreaker from 'linebreak';

/**
 * Pieces of a text that no line break goes through, each with the spaces that follow it:
 * opportunities of Unicode Standard Annex 14.
 */
function pieces(text: string): string[] {
  const breaker = new LineBreaker(text);
  const out: string[] = [];
  let from = 0;
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
    out.push(text.slice(from, next.position));
    from = next.position;
  }
  return out;
}

const graphemes = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/**
 * Breaks words into lines: at every \n, and where a line would become wider than it may be. A piece
 * that is too wide by itself is broken between characters as people see them. Spaces at the end of
 * a broken line do not count.
 * @param widthOf width of a line, in the unit of `most`
 * @param most undefined where only \n breaks
 */
export function breakLines(
  words: string,
  widthOf: (line: string) => number,
  most?: number,
): string[] {
  const given = words.split('\n');
  if (most === undefined) {
    return given;
  }
  const fits = (line: string) => widthOf(line.trimEnd()) <= most;
  return given.flatMap((paragraph) => {
    const lines: string[] = [];
    let line = '';
    const put = (piece: string) => {
      if (line !== '' && !fits(line + piece)) {
        lines.push(line.trimEnd());
        line = piece;
      } else {
        line += piece;
      }
    };
    for (const piece of pieces(paragraph)) {
      if (fits(piece)) {
        put(piece);
      } else {
        for (const { segment } of graphemes.segment(piece)) {
          put(segment);
        }
      }
    }
    lines.push(line.trimEnd());
    return lines;
  });
}
