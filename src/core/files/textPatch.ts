/** A part of a text, and what comes in its place; an insertion where it is empty. */
export interface TextPatch {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** Lines of a text before and after it was patched. */
export interface PatchedLines {
  /** The first of them; 1 is the text's first. */
  readonly line: number;
  readonly before: string;
  readonly after: string;
}

const inOrder = (patches: readonly TextPatch[]): TextPatch[] =>
  [...patches].sort((a, b) => a.from - b.from || a.to - b.to);

/** None lies over another. */
export const areApart = (patches: readonly TextPatch[]): boolean =>
  inOrder(patches).every(({ from }, i, all) => i === 0 || from >= all[i - 1].to);

/**
 * A text with parts of it exchanged.
 * @param patches none of which lies over another; those at one place come in their order
 * @throws RangeError where two lie over each other
 */
export function patched(text: string, patches: readonly TextPatch[]): string {
  const pieces: string[] = [];
  let done = 0;
  for (const { from, to, text: fresh } of inOrder(patches)) {
    if (from < done) {
      throw new RangeError(
        `Expected patches beside each other, found one at ${from} before ${done}`,
      );
    }
    pieces.push(text.slice(done, from), fresh);
    done = to;
  }
  return pieces.join('') + text.slice(done);
}

const startOfLine = (text: string, at: number): number =>
  at === 0 ? 0 : text.lastIndexOf('\n', at - 1) + 1;

function endOfLine(text: string, at: number): number {
  const found = text.indexOf('\n', at);
  return found < 0 ? text.length : found;
}

const withoutReturns = (lines: string): string => lines.replaceAll('\r', '');

/** The lines that patches change, each run of them together. */
export function patchedLines(text: string, patches: readonly TextPatch[]): PatchedLines[] {
  const runs: { from: number; to: number; patches: TextPatch[] }[] = [];
  for (const patch of inOrder(patches)) {
    const from = startOfLine(text, patch.from);
    const to = endOfLine(text, patch.to);
    const last = runs.at(-1);
    if (last && from <= last.to) {
      last.to = Math.max(last.to, to);
      last.patches.push(patch);
    } else {
      runs.push({ from, to, patches: [patch] });
    }
  }
  let line = 1;
  let counted = 0;
  return runs.map(({ from, to, patches: own }) => {
    line += text.slice(counted, from).split('\n').length - 1;
    counted = from;
    const before = text.slice(from, to);
    const moved = own.map((p) => ({ ...p, from: p.from - from, to: p.to - from }));
    return {
      line,
      before: withoutReturns(before),
      after: withoutReturns(patched(before, moved)),
    };
  });
}
