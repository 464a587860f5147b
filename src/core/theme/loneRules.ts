import { generate, parse, type CssNode, type List, type Rule, type SelectorList } from 'css-tree';
import { boundedSheet } from './boundedSheet';

/** A rule of a style sheet that can be left out by itself. */
export interface LoneRule {
  /** Selects all that the rule ever styles, and maybe more: states and parts are not asked for. */
  readonly selects: string;
  /** Of the rule in the sheet's text. */
  readonly start: number;
  readonly end: number;
}

/** At-rules that hold rules of the page, and are nothing more where these do not hold. */
const gone = /^(media|supports|layer|container)$/i;

/**
 * A complex selector without its pseudo-classes and pseudo-elements: what is left selects at least
 * as much. Undefined for one that only what is around its rule makes a whole.
 */
function broader(selector: CssNode): string | undefined {
  if (selector.type !== 'Selector') {
    return undefined;
  }
  let text = '';
  let compound = '';
  for (const part of selector.children) {
    switch (part.type) {
      case 'Combinator':
        text += `${compound === '' && text !== '' ? '*' : compound}${generate(part)}`;
        compound = '';
        break;
      case 'PseudoClassSelector':
      case 'PseudoElementSelector':
        compound ||= '*';
        break;
      case 'TypeSelector':
      case 'IdSelector':
      case 'ClassSelector':
      case 'AttributeSelector':
        compound = (compound === '*' ? '' : compound) + generate(part);
        break;
      default:
        return undefined;
    }
  }
  return text + (compound === '' ? '*' : compound);
}

const selectorsOf = ({ prelude }: Rule): SelectorList | undefined =>
  prelude.type === 'SelectorList' ? prelude : undefined;

/** Whatever a parser makes of it, rules inside a rule have brackets, and may speak of it by `&`. */
const holdsRules = ({ block }: Rule, css: string): boolean => {
  const { start, end } = block.loc!;
  return /[{&]/.test(css.slice(start.offset + 1, end.offset));
};

/**
 * The rules of a style sheet whose declarations style what they select and nothing else, in the
 * order of the text: one that selects nothing can be left out, and the page is laid out the same.
 * Rules that hold others, key frames and whatever is not understood are not among them.
 */
export function loneRules(css: string): LoneRule[] {
  const { text } = boundedSheet(css);
  const found: LoneRule[] = [];
  const into = (nodes: List<CssNode>) => {
    for (const node of nodes) {
      if (node.type === 'Atrule') {
        if (node.block && gone.test(node.name)) {
          into(node.block.children);
        }
        continue;
      }
      const list = node.type === 'Rule' && !holdsRules(node, text) ? selectorsOf(node) : undefined;
      const selectors = list?.children.toArray().map(broader);
      if (selectors && selectors.length > 0 && selectors.every((s) => s !== undefined)) {
        const { start, end } = node.loc!;
        found.push({ selects: selectors.join(), start: start.offset, end: end.offset });
      }
    }
  };
  const sheet = parse(text, {
    positions: true,
    parseValue: false,
    parseAtrulePrelude: false,
  });
  if (sheet.type === 'StyleSheet') {
    into(sheet.children);
  }
  return found;
}
