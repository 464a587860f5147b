import { string, tokenize, tokenTypes, url } from 'css-tree';
import { patched, type TextPatch } from '../files/textPatch';
import { boundedSheet } from '../theme/boundedSheet';

/** What an address in a style sheet is for. */
export type AddressUse = 'import' | 'file';

/** An address in the text of a style sheet. */
export interface AddressSpan {
  /** Of all that is exchanged with it: `url(…)` without quotes, or the string with its quotes. */
  readonly start: number;
  readonly end: number;
  readonly address: string;
  readonly use: AddressUse;
  /** It stands as a string. */
  readonly quoted: boolean;
}

/** Functions whose strings are addresses (CSS Images Level 4, section 2.4; CSS Values Level 4). */
const addressed = /^(?:url|src|(?:-webkit-)?image-set)$/i;

/**
 * The addresses in a style sheet, or in the declarations of a `style` attribute, in their order: in
 * `url()` with and without quotes, `src()`, strings of `image-set()` and `@import`.
 */
export function addressesIn(css: string): AddressSpan[] {
  const spans: AddressSpan[] = [];
  /** Names of the functions that are open, innermost last; brackets and braces have none. */
  const open: string[] = [];
  /** The at-rule whose prelude is being read. */
  let prelude = '';
  const put = (start: number, end: number, address: string, quoted: boolean) => {
    // The names of spaces are no addresses.
    if (prelude !== 'namespace') {
      spans.push({ start, end, address, use: prelude === 'import' ? 'import' : 'file', quoted });
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
  return spans;
}

/** An address as it is written in the place of another one. */
export const writtenAddress = (address: string, { quoted }: Pick<AddressSpan, 'quoted'>): string =>
  quoted ? string.encode(address) : `url(${string.encode(address)})`;

/**
 * A style sheet, or declarations, with its addresses exchanged. Everything else stays as it is
 * written.
 * @param exchange gives the new address, or undefined to leave the old one
 */
export function exchangeAddresses(
  css: string,
  exchange: (address: string, use: AddressUse) => string | undefined,
): string {
  const pieces: string[] = [];
  let done = 0;
  for (const span of addressesIn(css)) {
    const wanted = exchange(span.address, span.use);
    if (wanted !== undefined) {
      pieces.push(css.slice(done, span.start), writtenAddress(wanted, span));
      done = span.end;
    }
  }
  return pieces.join('') + css.slice(done);
}

/**
 * What gives a style sheet the addresses that another form of it has, one after the other.
 * @returns undefined where they are not as many, or where one brings another sheet in
 */
export function addressPatches(css: string, other: string): TextPatch[] | undefined {
  const [own, others] = [addressesIn(css), addressesIn(other)];
  return own.length !== others.length || own.some((span) => span.use === 'import')
    ? undefined
    : own.map((span, i) => ({
        from: span.start,
        to: span.end,
        text: writtenAddress(others[i].address, span),
      }));
}

/**
 * What lays a style sheet out by the addresses of another form of it, while other patches change
 * colours of it.
 * @returns null where that cannot be told by patches
 */
export const layingPatches = (css: string, other: string): readonly TextPatch[] | null =>
  (boundedSheet(css).cut === undefined && addressPatches(css, other)) || null;

/** A style sheet with the addresses of another form of it; undefined as for `addressPatches`. */
export function withAddressesOf(css: string, other: string): string | undefined {
  const patches = addressPatches(css, other);
  return patches && patched(css, patches);
}
