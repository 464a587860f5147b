import {
  generate,
  parse,
  walk,
  type CssNode,
  type Rule,
  type Selector,
  type StyleSheet,
} from 'css-tree';
import { nestedSelector } from './selectorText';
import { boundedCache } from '../boundedCache';
import { boundedSheet } from './boundedSheet';
import { asksForDark, bothRanges, screenWidths, type WidthRange } from './media';

export interface Declaration {
  readonly property: string;
  readonly value: string;
  readonly line: number;
}

/** One selector of a rule, with what is declared for it at some screen widths. */
export interface StyleRule {
  readonly selector: string;
  /**
   * What the last part of the selector names: the element's type, if it names one, and everything
   * else it says.
   */
  readonly subject: { readonly type: string | undefined; readonly text: string };
  readonly widths: readonly WidthRange[];
  /** It holds only where dark colours are asked for. */
  readonly dark: boolean;
  readonly declarations: readonly Declaration[];
  readonly file: string;
  readonly line: number;
}

export interface StyleProblem {
  readonly file: string;
  readonly line: number;
  /** What stands there, shortened. */
  readonly text: string;
}

export interface Stylesheet {
  readonly rules: readonly StyleRule[];
  /** What was not understood and passed over. */
  readonly problems: readonly StyleProblem[];
  /** Of its text. */
  readonly characters: number;
}

function subjectOf(selector: Selector): StyleRule['subject'] {
  const parts = selector.children.toArray();
  const last = parts.findLastIndex((node) => node.type === 'Combinator');
  const own = parts.slice(last + 1);
  return {
    type: own.find((node) => node.type === 'TypeSelector')?.name.toLowerCase(),
    text: own.map((node) => generate(node)).join(''),
  };
}

const shorten = (text: string): string => {
  const line = text.trim().replace(/\s+/g, ' ');
  return line.length > 60 ? `${line.slice(0, 59)}…` : line;
};

/**
 * Parses a style sheet as far as it goes, as browsers do: what is broken is passed over to the next
 * declaration or rule.
 */
export function readStylesheet(file: string, text: string): Stylesheet {
  const key = `${file}\n${text}`;
  let known = read.get(key);
  if (!known) {
    read.set(key, (known = parsed(file, text)));
  }
  return known;
}

/** Characters of sheets that are kept as they were read: several ask for the same one by one. */
const mostKept = 4e6;

const read = boundedCache<Stylesheet>(mostKept, (sheet) => sheet.characters);

function parsed(file: string, whole: string): Stylesheet {
  const problems: StyleProblem[] = [];
  const { text, cut } = boundedSheet(whole);
  const lines = text.split('\n');
  const problem = (line: number) => {
    if (!problems.some((p) => p.line === line)) {
      problems.push({ file, line, text: shorten(lines[line - 1] ?? '') });
    }
  };
  if (cut !== undefined) {
    problem(text.slice(0, cut).split('\n').length);
  }
  const tree = parse(text, {
    positions: true,
    parseCustomProperty: false,
    onParseError: (error) => problem((error as unknown as { line: number }).line),
  }) as StyleSheet;
  const rules: StyleRule[] = [];
  const media: (readonly WidthRange[])[] = [];
  const schemes: boolean[] = [];
  /** Selectors of the rules that stand open, each with what it is nested in. */
  const around: string[] = [];

  const readRule = (rule: Rule) => {
    const line = rule.loc?.start.line ?? 1;
    if (rule.prelude.type !== 'SelectorList') {
      problem(line);
      return;
    }
    const declarations: Declaration[] = [];
    for (const node of rule.block.children) {
      if (node.type === 'Declaration') {
        declarations.push({
          // The case of custom properties counts.
          property: node.property.startsWith('--') ? node.property : node.property.toLowerCase(),
          value: generate(node.value as CssNode).trim(),
          line: node.loc?.start.line ?? line,
        });
      } else if (node.type === 'Raw' && node.value.trim()) {
        problem(node.loc?.start.line ?? line);
      }
    }
    const widths = media.reduce<readonly WidthRange[]>(
      (outer, inner) =>
        outer.flatMap((a) => inner.map((b) => bothRanges(a, b)).filter((r) => r !== undefined)),
      [{}],
    );
    if (widths.length === 0) {
      return;
    }
    for (const selector of rule.prelude.children) {
      if (selector.type === 'Selector') {
        rules.push({
          selector: nestedSelector(around.at(-1) ?? '', generate(selector)),
          subject: subjectOf(selector),
          widths,
          dark: schemes.some((dark) => dark),
          declarations,
          file,
          line,
        });
      }
    }
  };

  walk(tree, {
    enter(node: CssNode) {
      if (node.type === 'Atrule' && node.name.toLowerCase() === 'media') {
        const query = node.prelude ? generate(node.prelude) : '';
        media.push(query ? screenWidths(query) : [{}]);
        schemes.push(asksForDark(query));
      }
      // Key frames have selectors of their own kind, and font faces declare nothing of the page.
      if (node.type === 'Atrule' && /(keyframes|font-face|page)$/i.test(node.name)) {
        return walk.skip;
      }
      if (node.type === 'Rule') {
        readRule(node);
        around.push(nestedSelector(around.at(-1) ?? '', generate(node.prelude)));
      }
      return undefined;
    },
    leave(node: CssNode) {
      if (node.type === 'Atrule' && node.name.toLowerCase() === 'media') {
        media.pop();
        schemes.pop();
      }
      if (node.type === 'Rule') {
        around.pop();
      }
    },
  });
  return { rules, problems, characters: text.length };
}
