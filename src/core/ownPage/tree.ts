import type { DefaultTreeAdapterMap } from 'parse5';

export type Node = DefaultTreeAdapterMap['node'];
export type Element = DefaultTreeAdapterMap['element'];
export type Tree = DefaultTreeAdapterMap['document'];
export type ParentNode = DefaultTreeAdapterMap['parentNode'];

export const isElement = (node: Node): node is Element => 'tagName' in node;

export const attribute = (element: Element, name: string): string | undefined =>
  element.attrs.find((a) => a.name === name && !a.prefix)?.value;

interface Placed {
  readonly element: Element;
  /** How many elements it lies in. */
  readonly depth: number;
}

/** All elements, outermost first. */
export function* elementsOf(parent: ParentNode): Generator<Placed> {
  const open: { node: Node; depth: number }[] = [];
  const put = (nodes: readonly Node[], depth: number) => {
    for (let i = nodes.length - 1; i >= 0; i--) {
      open.push({ node: nodes[i], depth });
    }
  };
  put(parent.childNodes, 0);
  for (let next = open.pop(); next; next = open.pop()) {
    const { node, depth } = next;
    if (isElement(node)) {
      yield { element: node, depth };
      put('content' in node ? node.content.childNodes : node.childNodes, depth + 1);
    }
  }
}
