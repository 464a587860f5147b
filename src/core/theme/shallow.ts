/** Strings and comments, in which brackets are none; and the brackets of blocks. */
const pieces = /"(?:[^"\\\n]|\\[^])*"?|'(?:[^'\\\n]|\\[^])*'?|\/\*[^]*?(?:\*\/|$)|[{}]/g;

/**
 * A style sheet without the blocks that lie deeper in others than anybody writes them, spaces in
 * their places: whoever reads it goes into each, and would come to the end of the stack.
 * @param deepest how many blocks may lie inside each other
 * @returns the text, as long as before, and where the first of them began
 */
export function shallow(
  text: string,
  deepest: number,
): { readonly text: string; readonly cut: number | undefined } {
  let depth = 0;
  let from: number | undefined;
  let cut: number | undefined;
  let out = '';
  let done = 0;
  for (const { 0: piece, index } of text.matchAll(pieces)) {
    if (piece === '{' && ++depth === deepest + 1) {
      from = index;
      cut ??= index;
    } else if (piece === '}' && depth > 0 && depth-- === deepest + 1) {
      out += text.slice(done, from) + blank(text.slice(from, index + 1));
      done = index + 1;
      from = undefined;
    }
  }
  return {
    text:
      cut === undefined
        ? text
        : out + text.slice(done, from) + blank(text.slice(from ?? text.length)),
    cut,
  };
}

const blank = (text: string): string => text.replace(/[^\n]/g, ' ');
