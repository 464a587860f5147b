import { tokenize, tokenTypes } from 'css-tree';

/** What of a style sheet is read; more than anybody writes (ours). */
export const sheetLimits = {
  /** Brackets of any kind inside each other: each is gone into. */
  deep: 64,
  /**
   * Mixed colours inside each other: Chromium takes twice as long for each where the innermost is
   * none (measured: 20 take over a second).
   */
  mixes: 8,
  /**
   * Selectors that nested rules come to all together: each stands for those around it, once for
   * every `&` (CSS Nesting Module Level 1, section 3).
   */
  selectors: 500_000,
  /** Custom properties that name others: what is made of one is followed from name to name. */
  references: 4000,
  /** Tokens of an at-rule before its block. */
  prelude: 10_000,
} as const;

/** What several sheets of one page may come to together. */
export class SheetBudget {
  private selectors = 0;
  private readonly references = new Set<string>();

  /** @returns whether so many more are too many */
  spends(selectors: number): boolean {
    const enough = this.selectors + selectors <= sheetLimits.selectors;
    this.selectors += enough ? selectors : 0;
    return !enough;
  }

  /** @returns whether one more custom property that names others is too many */
  refers(name: string): boolean {
    if (this.references.size < sheetLimits.references) {
      this.references.add(name);
    }
    return !this.references.has(name);
  }
}

/** A style sheet as it is read. */
export interface BoundedSheet {
  /** As long as before, with blanks where something was left out. */
  readonly text: string;
  /** Where the first of what was left out began. */
  readonly cut: number | undefined;
}

const closers: ReadonlyMap<number, number> = new Map([
  [tokenTypes.Function, tokenTypes.RightParenthesis],
  [tokenTypes.LeftParenthesis, tokenTypes.RightParenthesis],
  [tokenTypes.LeftSquareBracket, tokenTypes.RightSquareBracket],
  [tokenTypes.LeftCurlyBracket, tokenTypes.RightCurlyBracket],
]);

const passedOver: ReadonlySet<number> = new Set([tokenTypes.WhiteSpace, tokenTypes.Comment]);

/** A declaration, or a rule up to its block. */
interface Statement {
  readonly from: number;
  readonly name: string;
  readonly at: boolean;
  tokens: number;
  commas: number;
  ands: number;
  /** It has come to too much. */
  spent: boolean;
}

class Bounding {
  readonly cuts: [from: number, to: number][] = [];
  /** Of the brackets that stand open, what closes them. */
  private readonly open: number[] = [];
  /** How many brackets stand open around each mixed colour that does. */
  private readonly mixes: number[] = [];
  /** Of the blocks that stand open, how many selectors they stand for; 0 outside of rules. */
  private readonly rules: number[] = [];
  private statement: Statement | undefined;
  /** What is being left out, and how many brackets are open where it ends. */
  private cutting: { readonly from: number; readonly depth: number } | undefined;

  constructor(
    private readonly css: string,
    private readonly budget: SheetBudget,
  ) {}

  token(type: number, start: number, end: number): void {
    const closer = closers.get(type);
    if (closer !== undefined) {
      this.opens(type, closer, start, end);
    } else if (type === this.open.at(-1)) {
      this.closes(type, start, end);
    } else if (!this.cutting) {
      this.plain(type, start, end);
    }
  }

  end(): void {
    const from = this.cutting?.from ?? (this.statement?.spent ? this.statement.from : undefined);
    if (from !== undefined) {
      this.cuts.push([from, this.css.length]);
    }
  }

  /** Statements stand here, not parts of one. */
  private get betweenStatements(): boolean {
    const inner = this.open.at(-1);
    return inner === undefined || inner === tokenTypes.RightCurlyBracket;
  }

  private opens(type: number, closer: number, start: number, end: number): void {
    if (!this.cutting) {
      const mixes = type === tokenTypes.Function && /^color-mix/i.test(this.css.slice(start, end));
      if (mixes) {
        this.mixes.push(this.open.length);
      }
      if (this.open.length >= sheetLimits.deep || this.mixes.length > sheetLimits.mixes) {
        this.cutting = { from: start, depth: this.open.length };
      } else if (type === tokenTypes.LeftCurlyBracket && this.betweenStatements) {
        this.block(start);
      } else {
        this.plain(type, start, end);
      }
    }
    this.open.push(closer);
  }

  /** A block begins, of what was read of its rule. */
  private block(start: number): void {
    const rule = this.statement;
    this.statement = undefined;
    const around = this.rules.at(-1) ?? 0;
    const own = Math.max(around > 0 ? (rule?.ands ?? 0) : 0, (rule?.commas ?? 0) + 1);
    const selectors = rule?.at ? around : Math.max(1, around) * own;
    if (rule?.spent || (around > 0 && !rule?.at && this.budget.spends(selectors))) {
      this.cutting = { from: rule?.from ?? start, depth: this.open.length };
    } else {
      this.rules.push(selectors);
    }
  }

  private closes(type: number, start: number, end: number): void {
    const within = this.statement;
    this.open.pop();
    if (this.mixes.at(-1) === this.open.length) {
      this.mixes.pop();
    }
    if (this.cutting) {
      if (this.open.length === this.cutting.depth) {
        this.cuts.push([this.cutting.from, end]);
        this.cutting = undefined;
      }
    } else if (type === tokenTypes.RightCurlyBracket && this.betweenStatements) {
      this.finish(within, start);
      this.rules.pop();
    }
  }

  private finish(statement: Statement | undefined, at: number): void {
    if (statement?.spent) {
      this.cuts.push([statement.from, at]);
    }
    this.statement = undefined;
  }

  private plain(type: number, start: number, end: number): void {
    if (passedOver.has(type)) {
      return;
    }
    if (type === tokenTypes.Semicolon && this.betweenStatements) {
      this.finish(this.statement, end);
      return;
    }
    const statement = (this.statement ??= {
      from: start,
      name: this.css.slice(start, Math.min(end, start + 200)),
      at: type === tokenTypes.AtKeyword,
      tokens: 0,
      commas: 0,
      ands: 0,
      spent: false,
    });
    statement.tokens++;
    if (type === tokenTypes.Comma) {
      statement.commas++;
    } else if (type === tokenTypes.Delim && this.css[start] === '&') {
      statement.ands++;
    } else if (
      type === tokenTypes.Function &&
      statement.name.startsWith('--') &&
      /^var\($/i.test(this.css.slice(start, end))
    ) {
      statement.spent ||= this.budget.refers(statement.name);
    }
    statement.spent ||= statement.at && statement.tokens > sheetLimits.prelude;
  }
}

/**
 * A style sheet, or declarations, without what whoever reads it would come to the end of the stack
 * by, or not come to an end of: what lies too deep inside, rules nested into too many, too long a
 * chain of custom properties. Brackets are told as browsers tell them (CSS Syntax Module Level 3):
 * one that closes another kind closes nothing.
 * @param budget of the page that it belongs to
 */
export function boundedSheet(css: string, budget = new SheetBudget()): BoundedSheet {
  const bounding = new Bounding(css, budget);
  tokenize(css, (type, start, end) => bounding.token(type, start, end));
  bounding.end();
  const { cuts } = bounding;
  let text = '';
  let done = 0;
  for (const [from, to] of cuts) {
    text += css.slice(done, from) + blank(css.slice(from, to));
    done = to;
  }
  return { text: cuts.length === 0 ? css : text + css.slice(done), cut: cuts.at(0)?.[0] };
}

const blank = (text: string): string => text.replace(/[^\n]/g, ' ');
