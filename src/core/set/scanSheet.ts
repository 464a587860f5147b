import {
  generate,
  parse,
  walk,
  type CssNode,
  type StyleSheet,
  type Value,
  type WalkContext,
} from 'css-tree';
import { colourSpans, type ColourSpan } from './colourSpans';

/** A declaration with where its value stands in the sheet's text. */
export interface Declared {
  /** Of the rule it is in, parted by commas; of key frames their at-rule's name. */
  readonly selector: string;
  readonly property: string;
  /** As it is written, without `!important`. */
  readonly value: string;
  readonly start: number;
  readonly line: number;
  readonly colours: readonly ColourSpan[];
  readonly urls: readonly string[];
}

/** Properties that have no colour, but may have a word that is a colour's name. */
const colourless =
  /^(-[a-z]+-)?(font|animation|transition|grid|counter|content$|will-change|list-style-type|quotes|src$|unicode-range|display|view-transition)/;

function urlsOf(value: string): string[] {
  try {
    const found: string[] = [];
    walk(parse(value, { context: 'value' }) as Value, (node: CssNode) => {
      if (node.type === 'Url') {
        found.push(node.value);
      }
    });
    return found;
  } catch {
    return [];
  }
}

const generated = (node: CssNode | null | undefined): string => (node ? generate(node) : '');

/**
 * All declarations of a style sheet in their order, those in media queries and key frames too;
 * fonts are left out, and what is broken is passed over.
 */
export function scanSheet(text: string): Declared[] {
  const found: Declared[] = [];
  const tree = parse(text, {
    positions: true,
    parseCustomProperty: false,
    onParseError: () => {},
  }) as StyleSheet;
  let inFont = 0;
  walk(tree, {
    enter(this: WalkContext, node: CssNode) {
      if (node.type === 'Atrule' && /font-face$/i.test(node.name)) {
        inFont++;
      }
      if (node.type !== 'Declaration' || inFont > 0 || !node.value.loc) {
        return;
      }
      const { start, end } = node.value.loc;
      const value = text.slice(start.offset, end.offset);
      const property = node.property.toLowerCase();
      const prelude = this.rule?.prelude;
      const inFrames = this.atrule && /keyframes$/i.test(this.atrule.name);
      const selector = inFrames
        ? `@${this.atrule!.name} ${generated(this.atrule!.prelude)}`.trim()
        : generated(prelude);
      found.push({
        selector,
        property,
        value,
        start: start.offset,
        line: node.loc!.start.line,
        colours: colourless.test(property) ? [] : colourSpans(value, start.offset),
        urls: /url\(/i.test(value) ? urlsOf(value) : [],
      });
    },
    leave(node: CssNode) {
      if (node.type === 'Atrule' && /font-face$/i.test(node.name)) {
        inFont--;
      }
    },
  });
  return found;
}
