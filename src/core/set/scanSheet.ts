import { string, tokenize, tokenTypes, url } from 'css-tree';
import { boundedCache } from '../boundedCache';
import { asksForDark } from '../theme/media';
import { colourSpans, type ColourSpan } from './colourSpans';
import { boundedSheet } from '../theme/boundedSheet';
import { nestedSelector, tidySelector } from '../theme/selectorText';

/** A declaration with where its value stands in the sheet's text; in a source, a variable. */
export interface Declared {
  /**
   * Of the rule it is in, parted by commas; of a nested one what it is in is put in for `&`. Of key
   * frames and other at-rules that declare, their own words; of a source's variable nothing.
   */
  readonly selector: string;
  /** In lower case; custom properties as they are written, since their case counts. */
  readonly property: string;
  /** As it is written, without `!important`. */
  readonly value: string;
  readonly start: number;
  readonly line: number;
  /** It holds only where dark colours are asked for. */
  readonly dark: boolean;
  readonly colours: readonly ColourSpan[];
  readonly urls: readonly string[];
}

/** Properties that have no colour, but may have a word that is a colour's name. */
const colourless =
  /^(-[a-z]+-)?(font|animation|transition|grid|counter|content$|will-change|list-style-type|quotes|src$|unicode-range|display|view-transition|syntax$|inherits$)/;

const {
  Comment,
  WhiteSpace,
  Ident,
  AtKeyword,
  Colon,
  Semicolon,
  LeftCurlyBracket,
  RightCurlyBracket,
  LeftParenthesis,
  RightParenthesis,
  LeftSquareBracket,
  RightSquareBracket,
  Function: FunctionToken,
  Url,
  String: StringToken,
} = tokenTypes;

interface Token {
  readonly type: number;
  readonly start: number;
  readonly end: number;
}

/** What stands open: a rule, or an at-rule that holds rules or declarations. */
interface Block {
  readonly selector: string;
  readonly dark: boolean;
  /** Of font faces nothing is read. */
  readonly skipped: boolean;
}

/** Deeper than this nothing more is told of what rules are nested in. */
const deepest = 60;
const opens = new Set<number>([LeftParenthesis, LeftSquareBracket, FunctionToken]);
const closes = new Set<number>([RightParenthesis, RightSquareBracket]);

/**
 * All declarations of a style sheet in their order (CSS Syntax Level 3, with CSS Nesting): those in
 * media queries, layers, key frames and nested rules too. Fonts are left out, and what is broken is
 * passed over.
 */
export function scanSheet(text: string): readonly Declared[] {
  let known = scanned.get(text);
  if (!known) {
    known = { declared: scan(text), characters: text.length };
    scanned.set(text, known);
  }
  return known.declared;
}

/** Characters of sheets that are kept as they were scanned: a recipe is laid on them anew and anew. */
const mostKept = 4e6;

const scanned = boundedCache<{
  readonly declared: readonly Declared[];
  readonly characters: number;
}>(mostKept, (s) => s.characters);

function scan(whole: string): Declared[] {
  const { text } = boundedSheet(whole);
  const tokens: Token[] = [];
  tokenize(text, (type, start, end) => {
    tokens.push({ type, start, end });
  });
  const lines = lineStarts(text);
  const found: Declared[] = [];
  const blocks: Block[] = [];
  let from = 0;
  let depth = 0;
  const declare = (to: number) => {
    const block = blocks.at(-1);
    const declared = block && !block.skipped && declaration(text, tokens, from, to);
    if (declared) {
      const { property, start, end, urls } = declared;
      const value = text.slice(start, end);
      found.push({
        selector: block.selector,
        property,
        value,
        start,
        line: lineAt(lines, declared.at),
        dark: block.dark,
        colours: colourless.test(property) ? [] : colourSpans(value, start),
        urls,
      });
    }
    from = to + 1;
  };
  tokens.forEach(({ type }, i) => {
    if (opens.has(type)) {
      depth++;
    } else if (closes.has(type)) {
      depth = Math.max(0, depth - 1);
    } else if (type === Semicolon && depth === 0) {
      if (tokens[firstOf(tokens, from, i)]?.type !== AtKeyword) {
        declare(i);
      }
      from = i + 1;
    } else if (type === LeftCurlyBracket) {
      // A bracket that was left open ends with its rule.
      depth = 0;
      blocks.push(opened(text, tokens, from, i, blocks));
      from = i + 1;
    } else if (type === RightCurlyBracket) {
      depth = 0;
      declare(i);
      blocks.pop();
    }
  });
  declare(tokens.length);
  return found;
}

/** The first token that is no white space, from one up to another. */
function firstOf(tokens: readonly Token[], from: number, to: number): number {
  let i = from;
  while (i < to && (tokens[i].type === WhiteSpace || tokens[i].type === Comment)) {
    i++;
  }
  return i;
}

/** The block that begins behind some tokens. */
function opened(
  text: string,
  tokens: readonly Token[],
  from: number,
  to: number,
  blocks: readonly Block[],
): Block {
  const parent = blocks.at(-1) ?? { selector: '', dark: false, skipped: false };
  const first = firstOf(tokens, from, to);
  if (first === to || blocks.length > deepest) {
    return parent;
  }
  const words = tidySelector(text.slice(tokens[first].start, tokens[to - 1].end));
  if (tokens[first].type !== AtKeyword) {
    // What stands in key frames is told by their name.
    const selector = parent.selector.startsWith('@') ? parent.selector : words;
    return { ...parent, selector: nestedSelector(parent.selector, selector) };
  }
  const name = text.slice(tokens[first].start + 1, tokens[first].end).toLowerCase();
  if (/keyframes$|^property$|^page$/.test(name)) {
    return { ...parent, selector: words };
  }
  return {
    selector: parent.selector,
    dark: parent.dark || (name === 'media' && asksForDark(words)),
    skipped: parent.skipped || /^font-(face|feature-values|palette-values)$/.test(name),
  };
}

interface Parts {
  readonly property: string;
  /** Of its name. */
  readonly at: number;
  /** Of its value. */
  readonly start: number;
  readonly end: number;
  readonly urls: readonly string[];
}

/** A declaration in some tokens: a name, a colon and a value. */
function declaration(
  text: string,
  tokens: readonly Token[],
  from: number,
  to: number,
): Parts | undefined {
  const name = firstOf(tokens, from, to);
  // Stars and underscores before a name are how rules were once hidden from all browsers but one.
  const ident = tokens[name]?.type === Ident ? name : name + 1;
  const colon = firstOf(tokens, ident + 1, to);
  if (tokens[ident]?.type !== Ident || tokens[colon]?.type !== Colon || colon >= to) {
    return undefined;
  }
  const first = firstOf(tokens, colon + 1, to);
  let last = to - 1;
  while (last >= first && [WhiteSpace, Comment].includes(tokens[last].type)) {
    last--;
  }
  if (last < first) {
    return undefined;
  }
  const written = text.slice(tokens[ident].start, tokens[ident].end);
  const { start } = tokens[first];
  const value = text.slice(start, tokens[last].end);
  const mark = value.lastIndexOf('!');
  const important = mark >= 0 && /^!\s*important\s*$/i.test(value.slice(mark));
  const end = start + (important ? value.slice(0, mark).trimEnd() : value).length;
  return {
    property: written.startsWith('--') ? written : written.toLowerCase(),
    at: tokens[ident].start,
    start,
    end,
    urls: urlsOf(text, tokens, first, last),
  };
}

/** Functions whose strings are addresses. */
const addressed = /^(url|src|(-webkit-)?image-set)\($/i;

function urlsOf(text: string, tokens: readonly Token[], first: number, last: number): string[] {
  const found: string[] = [];
  const inside: string[] = [];
  for (const { type, start, end } of tokens.slice(first, last + 1)) {
    if (type === Url) {
      found.push(url.decode(text.slice(start, end)));
    } else if (type === FunctionToken) {
      inside.push(text.slice(start, end));
    } else if (type === LeftParenthesis) {
      inside.push('');
    } else if (type === RightParenthesis) {
      inside.pop();
    } else if (type === StringToken && addressed.test(inside.at(-1) ?? '')) {
      found.push(string.decode(text.slice(start, end)));
    }
  }
  return found;
}

function lineStarts(text: string): number[] {
  const starts = [0];
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) {
    starts.push(at + 1);
  }
  return starts;
}

/** The line that a place is in, from 1 on. */
function lineAt(starts: readonly number[], at: number): number {
  let low = 0;
  let high = starts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (starts[middle] <= at) {
      low = middle;
    } else {
      high = middle - 1;
    }
  }
  return low + 1;
}
