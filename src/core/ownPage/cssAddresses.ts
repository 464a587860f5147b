import { string, tokenize, tokenTypes, url } from 'css-tree';

/** What an address in a style sheet is for. */
export type AddressUse = 'import' | 'file';

/** Functions whose strings are addresses (CSS Images Level 4, section 2.4; CSS Values Level 4). */
const addressed = /^(?:url|src|(?:-webkit-)?image-set)$/i;

/**
 * A style sheet, or the declarations of a `style` attribute, with its addresses exchanged: in
 * `url()` with and without quotes, `src()`, strings of `image-set()` and `@import`. Everything else
 * stays as it is written.
 * @param exchange gives the new address, or undefined to leave the old one
 */
export function exchangeAddresses(
  css: string,
  exchange: (address: string, use: AddressUse) => string | undefined,
): string {
  const pieces: string[] = [];
  let done = 0;
  /** Names of the functions that are open, innermost last; brackets and braces have none. */
  const open: string[] = [];
  /** The at-rule whose prelude is being read. */
  let prelude = '';
  const put = (start: number, end: number, address: string, quoted: boolean) => {
    // The names of spaces are no addresses.
    if (prelude === 'namespace') {
      return;
    }
    const wanted = exchange(address, prelude === 'import' ? 'import' : 'file');
    if (wanted !== undefined) {
      const written = string.encode(wanted);
      pieces.push(css.slice(done, start), quoted ? written : `url(${written})`);
      done = end;
    }
  };
  tokenize(css, (type, start, end) => {
    switch (type) {
      case tokenTypes.AtKeyword:
        prelude = css.slice(start + 1, end).toLowerCase();
        return;
      case tokenTypes.Semicolon:
      case tokenTypes.LeftCurlyBracket:
        prelude = '';
        return;
      case tokenTypes.Function:
        open.push(css.slice(start, end - 1));
        return;
      case tokenTypes.LeftParenthesis:
        open.push('');
        return;
      case tokenTypes.RightParenthesis:
        open.pop();
        return;
      case tokenTypes.Url:
        put(start, end, url.decode(css.slice(start, end)), false);
        return;
      case tokenTypes.String:
        if (addressed.test(open.at(-1) ?? '') || (prelude === 'import' && open.length === 0)) {
          put(start, end, string.decode(css.slice(start, end)), true);
        }
    }
  });
  return pieces.join('') + css.slice(done);
}
