import { string, tokenize, tokenTypes, url } from 'css-tree';

/** A rule in the text of a style sheet that names files. */
export interface RuleText {
  /** As it is written, without comments. */
  readonly selector: string;
  /** Of the sheet, on which the rule begins; the first is 1. */
  readonly line: number;
  /** As they are written, in their order. */
  readonly addresses: readonly string[];
  /** Where its declarations begin and end in the text, inside its brackets. */
  readonly from: number;
  readonly to: number;
}

interface OpenRule {
  readonly selector: string;
  readonly start: number;
  readonly addresses: string[];
  readonly from: number;
  to: number;
}

/**
 * The rules of a style sheet that name files in their declarations, in the order of the text; those
 * inside others on their own. At-rules are no rules here, and what they hold is.
 */
export function rulesNamingFiles(css: string): RuleText[] {
  const found: OpenRule[] = [];
  const open: OpenRule[] = [];
  let prelude: string[] = [];
  let start = -1;
  const fresh = () => {
    prelude = [];
    start = -1;
  };
  /** What stands in a condition inside a rule is that rule's. */
  const named = (address: string) => {
    const rule = open.findLast(({ selector }) => !selector.startsWith('@'));
    rule?.addresses.push(address);
  };
  tokenize(css, (type, from, to) => {
    switch (type) {
      case tokenTypes.Comment:
        return;
      case tokenTypes.LeftCurlyBracket: {
        const rule = {
          selector: prelude.join('').trim(),
          start: Math.max(start, 0),
          addresses: [],
          from: to,
          to: css.length,
        };
        open.push(rule);
        found.push(rule);
        fresh();
        return;
      }
      case tokenTypes.RightCurlyBracket: {
        const closed = open.pop();
        if (closed) {
          closed.to = from;
        }
        fresh();
        return;
      }
      case tokenTypes.Semicolon:
        fresh();
        return;
      case tokenTypes.Url:
        named(url.decode(css.slice(from, to)));
        break;
      case tokenTypes.String:
        named(string.decode(css.slice(from, to)));
        break;
    }
    if (type !== tokenTypes.WhiteSpace && start < 0) {
      start = from;
    }
    prelude.push(css.slice(from, to));
  });
  return withLines(css, found);
}

function withLines(css: string, found: readonly OpenRule[]): RuleText[] {
  const breaks = /\r\n|[\n\r\f]/g;
  let line = 1;
  let next = breaks.exec(css);
  return found.flatMap(({ selector, start, addresses, from, to }) => {
    for (; next && next.index < start; next = breaks.exec(css)) {
      line++;
    }
    return addresses.length > 0 ? [{ selector, line, addresses, from, to }] : [];
  });
}
