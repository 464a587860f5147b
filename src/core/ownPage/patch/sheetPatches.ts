import { parse, type CssNode, type Declaration, type DeclarationList } from 'css-tree';
import { addressesIn, writtenAddress } from '../cssAddresses';
import { rulesNamingFiles } from '../ruleText';
import type { TextPatch } from '../../files/textPatch';

/** What a rule is to declare. */
export interface Declared {
  readonly property: string;
  readonly value: string;
}

/** Where the files of a page lie that a text names. */
export interface Names {
  /** The file that an address of the text leads to; undefined for any other. */
  keyOf(address: string): string | undefined;
  /** What an address of a file is from now on; undefined where it stays as it is. */
  renamed(key: string, address: string): string | undefined;
}

/** Declarations for the rule that names a file. */
export interface RuleWish {
  readonly key: string;
  /** Of the sheet, on which the rule begins. */
  readonly line: number;
  readonly declared: readonly Declared[];
}

/** Addresses of files that have another name. */
export const renamedIn = (css: string, { keyOf, renamed }: Names): TextPatch[] =>
  addressesIn(css).flatMap((span) => {
    const key = span.use === 'file' ? keyOf(span.address) : undefined;
    const fresh = key === undefined ? undefined : renamed(key, span.address);
    return fresh === undefined
      ? []
      : [{ from: span.start, to: span.end, text: writtenAddress(fresh, span) }];
  });

const isDeclaration = (node: CssNode): node is Declaration => node.type === 'Declaration';

interface Placed {
  readonly property: string;
  readonly important: boolean;
  /** Of all of it, and of its value; in the text of the block. */
  readonly from: number;
  readonly to: number;
  readonly valueFrom: number;
  readonly valueTo: number;
}

/** Where what ends here is written to, without the spaces after it. */
const endOf = (block: string, at: number): number => block.slice(0, at).trimEnd().length;

function placedIn(block: string): Placed[] {
  const list = parse(block, {
    context: 'declarationList',
    positions: true,
    parseValue: false,
    parseCustomProperty: false,
  }) as DeclarationList;
  return list.children.toArray().flatMap((node) =>
    isDeclaration(node)
      ? [
          {
            property: node.property.toLowerCase(),
            important: Boolean(node.important),
            from: node.loc!.start.offset,
            to: endOf(block, node.loc!.end.offset),
            valueFrom: node.value.loc!.start.offset,
            valueTo: endOf(block, node.value.loc!.end.offset),
          },
        ]
      : [],
  );
}

/** What stands between a declaration and the next, as its own rule has it. */
function gapBefore(block: string, { from }: Placed): string {
  const before = block.slice(0, from);
  const gap = /^(?:\r?\n)?[ \t]*$/;
  const line = before.slice(before.lastIndexOf('\n') + 1);
  if (line === before || !gap.test(line)) {
    return ' ';
  }
  return (before.at(-line.length - 2) === '\r' ? '\r\n' : '\n') + line;
}

/**
 * Declarations in a block that has some of the same property, or its shorthand: a value where it is
 * declared in effect, a line after the shorthand where it is not.
 * @param block what stands inside a rule's brackets, or in a `style` attribute
 */
export function declaredIn(block: string, declared: readonly Declared[]): TextPatch[] {
  const placed = placedIn(block);
  const patches: TextPatch[] = [];
  const added: Declared[] = [];
  for (const { property, value } of declared) {
    const shorthand = property.replace(/-.*/, '');
    const last = placed.findLast((p) => p.property === property || p.property === shorthand);
    if (last?.property === property) {
      patches.push({ from: last.valueFrom, to: last.valueTo, text: value });
    } else {
      added.push({ property, value });
    }
  }
  if (added.length === 0) {
    return patches;
  }
  const related = added.map(({ property }) => property.replace(/-.*/, ''));
  const anchor =
    placed.findLast((p) => related.some((word) => p.property.startsWith(word))) ?? placed.at(-1);
  if (!anchor) {
    return [{ from: 0, to: 0, text: added.map((d) => ` ${d.property}: ${d.value};`).join('') }];
  }
  const gap = gapBefore(block, anchor);
  const force = anchor.important ? ' !important' : '';
  const lines = added.map((d) => `${gap}${d.property}: ${d.value}${force}`);
  const ended = /^\s*;/.exec(block.slice(anchor.to));
  const at = anchor.to + (ended ? ended[0].length : 0);
  const text = ended ? lines.map((line) => `${line};`).join('') : `;${lines.join(';')}`;
  return [...patches, { from: at, to: at, text }];
}

const moved = (patches: readonly TextPatch[], by: number): TextPatch[] =>
  patches.map(({ from, to, text }) => ({ from: from + by, to: to + by, text }));

/**
 * What changes of a style sheet, or of a style element of the page.
 * @param wishes those that find no such rule change nothing
 */
export function sheetPatches(css: string, names: Names, wishes: readonly RuleWish[]): TextPatch[] {
  const rules = wishes.length > 0 ? rulesNamingFiles(css) : [];
  const laid = wishes.flatMap(({ key, line, declared }) => {
    const rule = rules.find(
      (r) => r.line === line && r.addresses.some((address) => names.keyOf(address) === key),
    );
    return rule ? moved(declaredIn(css.slice(rule.from, rule.to), declared), rule.from) : [];
  });
  return [...renamedIn(css, names), ...laid];
}
