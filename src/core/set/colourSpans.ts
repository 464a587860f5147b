import { tokenize, tokenTypes } from 'css-tree';
import { hexOf } from '../colour/hex';
import { tryColour, tryOpaqueColour } from '../colour/parse';
import type { Rgb } from '../raster/raster';

/** A colour as it stands in a text. */
export interface ColourSpan {
  readonly start: number;
  readonly end: number;
  readonly text: string;
  readonly rgb: Rgb;
}

const colourFunction = /^(rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\($/i;
const noColour = /^(transparent|currentcolor|none|inherit|initial|unset|auto)$/i;

const { Hash, Ident, LeftParenthesis, RightParenthesis, Function: FunctionToken } = tokenTypes;

/**
 * The colours of a CSS value with where they stand, inside functions too. Ones that are not there
 * to be seen (transparent, currentcolor) are left out.
 * @param offset of the value in the text that places count in
 */
export function colourSpans(value: string, offset = 0): ColourSpan[] {
  const tokens: { type: number; start: number; end: number }[] = [];
  tokenize(value, (type, start, end) => {
    tokens.push({ type, start, end });
  });
  const found: ColourSpan[] = [];
  const take = (start: number, end: number, read: (text: string) => Rgb | undefined): boolean => {
    const text = value.slice(start, end);
    const rgb = noColour.test(text) ? undefined : read(text);
    if (rgb) {
      found.push({ start: offset + start, end: offset + end, text, rgb });
    }
    return rgb !== undefined;
  };
  for (let i = 0; i < tokens.length; i++) {
    const { type, start, end } = tokens[i];
    if (type === Hash) {
      take(start, end, tryColour);
    } else if (type === Ident) {
      take(start, end, tryOpaqueColour);
    } else if (type === FunctionToken && colourFunction.test(value.slice(start, end))) {
      const last = closing(tokens, i);
      // One that is made of others is gone into for those.
      if (last !== undefined && take(start, tokens[last].end, tryColour)) {
        i = last;
      }
    }
  }
  return found;
}

/** The token that closes the bracket which one opens. */
function closing(tokens: readonly { readonly type: number }[], open: number): number | undefined {
  let depth = 0;
  for (let i = open; i < tokens.length; i++) {
    const { type } = tokens[i];
    if (type === FunctionToken || type === LeftParenthesis) {
      depth++;
    } else if (type === RightParenthesis && --depth === 0) {
      return i;
    }
  }
  return undefined;
}

/** Alpha of a hex colour, as it is written. */
const hexAlpha = (digits: string): string => {
  if (digits.length === 4) {
    return digits[3].repeat(2);
  }
  if (digits.length === 8) {
    return digits.slice(6);
  }
  return '';
};

/**
 * What stands for alpha in a colour function: behind a slash, or the fourth value between commas.
 */
function functionAlpha(text: string): string | undefined {
  const inside = text.slice(text.indexOf('(') + 1, -1);
  const parts = inside.split(',');
  const slash = inside.lastIndexOf('/');
  const alpha = slash < 0 && parts.length === 4 ? parts[3] : inside.slice(slash + 1);
  return slash < 0 && parts.length !== 4 ? undefined : alpha.trim() || undefined;
}

/**
 * A colour in place of one as it is written: hex stays hex in its case, rgb() stays rgb() with its
 * commas and its alpha; all other notations become hex, or rgb() where they have an alpha, since a
 * level is not exact in them.
 */
export function writtenLike(text: string, rgb: Rgb): string {
  const hex = hexOf(rgb);
  if (text.startsWith('#')) {
    const digits = text.slice(1);
    const alpha = hexAlpha(digits);
    const upper = /[A-F]/.test(digits) && !/[a-f]/.test(digits);
    const full = `${hex.slice(1)}${alpha.toLowerCase()}`;
    const short =
      digits.length <= 4 && [...full].every((d, i) => (i & 1 ? d === full[i - 1] : true))
        ? [...full].filter((_, i) => (i & 1) === 0).join('')
        : full;
    return `#${upper ? short.toUpperCase() : short}`;
  }
  const alpha = functionAlpha(text);
  const name = /^[a-z]+/i.exec(text)?.[0] ?? '';
  const { r, g, b } = rgb;
  if (/^rgba?$/i.test(name) && text.includes(',')) {
    return `${name}(${[r, g, b, ...(alpha === undefined ? [] : [alpha])].join(text.includes(', ') ? ', ' : ',')})`;
  }
  if (/^rgba?$/i.test(name) && text.includes('(')) {
    return `${name}(${r} ${g} ${b}${alpha === undefined ? '' : ` / ${alpha}`})`;
  }
  return alpha === undefined ? hex : `rgb(${r} ${g} ${b} / ${alpha})`;
}
