import * as csstree from 'css-tree';
import { PageError } from './pageError';

/** One element that selectors speak of, as far as they say what it is. */
interface Sketch {
  tag: string | undefined;
  id: string | undefined;
  readonly classes: Set<string>;
  readonly attributes: Map<string, string>;
  readonly children: Sketch[];
}

const sketch = (tag?: string): Sketch => ({
  tag,
  id: undefined,
  classes: new Set(),
  attributes: new Map(),
  children: [],
});

export const builtLimits = { elements: 500, deep: 14, selectors: 4000 } as const;

/** Elements that hold nothing, and those that a page may not begin with. */
const empty = /^(?:img|input|hr|br|source|track|wbr|area|col|embed|link|meta|base)$/;
const notBuilt =
  /^(?:html|head|body|title|style|script|link|meta|base|iframe|frame|frameset|object|embed|param|template|noscript|audio|dialog)$/;

/** What stands in which order on most pages, by what it is called. */
const orderOf = ({ tag, id, classes }: Sketch): number => {
  const names = [tag, id, ...classes].join(' ').toLowerCase();
  if (/foot|copyright|colophon/.test(names)) {
    return 5;
  }
  if (/skip|topbar|top-bar|masthead|head|banner|hero|logo|brand/.test(names)) {
    return 1;
  }
  if (/nav|menu/.test(names)) {
    return 2;
  }
  if (/side|aside|widget|column/.test(names)) {
    return 4;
  }
  return 3;
};

/** One compound selector: an element with what is said of it. */
interface Compound {
  readonly tag: string | undefined;
  readonly id: string | undefined;
  readonly classes: readonly string[];
  readonly attributes: readonly (readonly [string, string])[];
}

/** How a compound stands to the one before it. */
type Relation = 'inside' | 'beside';

type Path = readonly { readonly compound: Compound; readonly relation: Relation }[];

function compoundOf(nodes: readonly csstree.CssNode[]): Compound {
  let tag: string | undefined;
  let id: string | undefined;
  const classes: string[] = [];
  const attributes: [string, string][] = [];
  for (const node of nodes) {
    if (node.type === 'TypeSelector' && node.name !== '*') {
      tag = csstree.ident.decode(node.name).toLowerCase();
    } else if (node.type === 'IdSelector') {
      id = csstree.ident.decode(node.name);
    } else if (node.type === 'ClassSelector') {
      classes.push(csstree.ident.decode(node.name));
    } else if (node.type === 'AttributeSelector') {
      const value = node.value?.type === 'String' ? node.value.value : (node.value?.name ?? '');
      if (node.matcher === null || node.matcher === '=') {
        attributes.push([node.name.name, value]);
      }
    }
  }
  return { tag, id, classes, attributes };
}

/** The compounds of one selector from the outermost on; `&` stands for what is around it. */
function pathsOf(selector: csstree.Selector, around: readonly Path[]): Path[] {
  const parts: { nodes: csstree.CssNode[]; relation: Relation }[] = [];
  let nodes: csstree.CssNode[] = [];
  let relation: Relation = 'inside';
  const close = () => {
    if (nodes.length > 0) {
      parts.push({ nodes, relation });
    }
    nodes = [];
  };
  let nested = false;
  selector.children.forEach((node) => {
    if (node.type === 'Combinator') {
      close();
      relation = node.name === '+' || node.name === '~' ? 'beside' : 'inside';
    } else {
      nested ||= node.type === 'NestingSelector';
      nodes.push(node);
    }
  });
  close();
  const path: Path = parts.map((part) => ({
    compound: compoundOf(part.nodes),
    relation: part.relation,
  }));
  if (around.length === 0) {
    return [path];
  }
  if (nested && parts[0]?.nodes[0]?.type === 'NestingSelector') {
    // What is said of the same element is said of the last compound around.
    return around.map((outer) => {
      const last = outer.at(-1);
      const first = path[0].compound;
      return last
        ? [
            ...outer.slice(0, -1),
            {
              relation: last.relation,
              compound: {
                tag: last.compound.tag ?? first.tag,
                id: last.compound.id ?? first.id,
                classes: [...last.compound.classes, ...first.classes],
                attributes: [...last.compound.attributes, ...first.attributes],
              },
            },
            ...path.slice(1),
          ]
        : path;
    });
  }
  return nested ? [path] : around.map((outer) => [...outer, ...path]);
}

function parsed(css: string): csstree.List<csstree.CssNode> | undefined {
  const tree = csstree.parse(css, { parseValue: false, parseCustomProperty: false });
  return tree.type === 'StyleSheet' ? tree.children : undefined;
}

/** Every selector of a style sheet as a path of elements. */
function pathsIn(css: string): Path[] {
  const paths: Path[] = [];
  const walk = (list: csstree.List<csstree.CssNode>, around: readonly Path[], deep: number) => {
    list.forEach((node) => {
      if (deep > builtLimits.deep || paths.length > builtLimits.selectors) {
        return;
      }
      if (node.type === 'Atrule' && node.block && !/keyframes|font-face|page$/i.test(node.name)) {
        walk(node.block.children, around, deep + 1);
      } else if (node.type === 'Rule' && node.prelude.type === 'SelectorList') {
        const own: Path[] = [];
        node.prelude.children.forEach((selector) => {
          if (selector.type === 'Selector') {
            own.push(...pathsOf(selector, around).slice(0, 8));
          }
        });
        paths.push(...own);
        walk(node.block.children, own, deep + 1);
      } else if (node.type === 'Raw' && node.value.includes('{')) {
        // A rule inside another that begins with no sign is left unread by the library.
        const inner = parsed(node.value);
        if (inner) {
          walk(inner, around, deep + 1);
        }
      }
    });
  };
  const top = parsed(css);
  if (top) {
    walk(top, [], 0);
  }
  return paths;
}

const says = ({ tag, id, classes, attributes }: Compound): boolean =>
  tag !== undefined || id !== undefined || classes.length > 0 || attributes.length > 0;

/** The element may be the one that a compound speaks of. */
function fits(element: Sketch, { tag, id, classes }: Compound): boolean {
  const sameTag = tag === undefined || element.tag === undefined || element.tag === tag;
  const sameId = id === undefined || element.id === undefined || element.id === id;
  const named = id !== undefined || classes.length > 0;
  const known =
    (id !== undefined && element.id === id) || classes.some((name) => element.classes.has(name));
  return sameTag && sameId && (named ? known : tag !== undefined && element.tag === tag);
}

class Building {
  readonly body = sketch('body');
  private count = 0;

  add(path: Path): void {
    let parent = this.body;
    let at: Sketch | undefined;
    for (const [i, { compound, relation }] of path.entries()) {
      const { tag } = compound;
      if (!says(compound) || (tag !== undefined && notBuilt.test(tag))) {
        if (tag === 'body' || tag === 'html') {
          this.say(this.body, compound);
          at = this.body;
        }
        continue;
      }
      if (i >= builtLimits.deep) {
        return;
      }
      const holder: Sketch = relation === 'beside' || !at ? parent : at;
      const found: Sketch | undefined =
        (i === 0 || !at ? this.anywhere(this.body, compound) : undefined) ??
        holder.children.find((child) => fits(child, compound)) ??
        this.anywhere(holder, compound);
      const next: Sketch | undefined = found ?? this.make(holder, compound);
      if (!next) {
        return;
      }
      this.say(next, compound);
      parent = holder;
      at = next;
    }
  }

  private anywhere(from: Sketch, compound: Compound): Sketch | undefined {
    for (const child of from.children) {
      const found = fits(child, compound) ? child : this.anywhere(child, compound);
      if (found) {
        return found;
      }
    }
    return undefined;
  }

  private make(holder: Sketch, { tag }: Compound): Sketch | undefined {
    if (this.count >= builtLimits.elements || (holder.tag && empty.test(holder.tag))) {
      return undefined;
    }
    this.count++;
    const made = sketch(tag);
    holder.children.push(made);
    return made;
  }

  private say(element: Sketch, { tag, id, classes, attributes }: Compound): void {
    element.tag ??= tag;
    element.id ??= id;
    for (const name of classes) {
      element.classes.add(name);
    }
    for (const [name, value] of attributes) {
      if (!/^(?:on|style$|src|href|srcdoc)/i.test(name)) {
        element.attributes.set(name.toLowerCase(), value);
      }
    }
  }
}

/** Words of ours where a page would have its own. */
const words: Readonly<Record<string, string>> = {
  h1: 'The name of the page',
  h2: 'A heading of the page',
  h3: 'A smaller heading',
  h4: 'A heading',
  h5: 'A heading',
  h6: 'A heading',
  p: 'Some words of the page, so that its lines, its <a href="#">links</a> and its colours can be seen where they stand.',
  a: 'a link',
  li: 'One of several',
  button: 'Button',
  label: 'Label',
  th: 'Column',
  td: 'Value',
  blockquote: 'Something that was said.',
  figcaption: 'What is seen.',
  code: 'code',
  pre: 'code',
  strong: 'strong',
  em: 'stressed',
  span: 'words',
  small: 'small words',
};

const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;');

/** A few paragraphs, for where selectors speak of no more than a place for them. */
const filling = `<h2>${words.h2}</h2><p>${words.p}</p><p>${words.p}</p>`;

function contentOf(element: Sketch, tag: string): string {
  const inner = element.children
    .toSorted((a, b) => orderOf(a) - orderOf(b))
    .map(markup)
    .join('');
  if (inner !== '' && /^(?:p|li|td|blockquote)$/.test(tag)) {
    return `${words[tag]} ${inner}`;
  }
  if (inner !== '') {
    return /^(?:ul|ol)$/.test(tag) && !/<li/.test(inner) ? `<li>${inner}</li>` : inner;
  }
  if (/^(?:ul|ol)$/.test(tag)) {
    return `<li>${words.li}</li><li>${words.li}</li>`;
  }
  const known = words[tag];
  if (known !== undefined) {
    return known;
  }
  const names = [tag, element.id, ...element.classes].join(' ').toLowerCase();
  if (/nav|menu/.test(names)) {
    return '<a href="#">Home</a> <a href="#">About</a> <a href="#">News</a>';
  }
  if (/main|article|content|post|entry|text|body|page|wrap|container/.test(names)) {
    return filling;
  }
  if (/side|aside|widget/.test(names)) {
    return `<h3>${words.h3}</h3><p>${words.p}</p><p>${words.p}</p><p>${words.p}</p>`;
  }
  if (/foot/.test(names)) {
    return '<p>At the end of the page</p>';
  }
  return /clear|icon|sprite|spacer|overlay|backdrop/.test(names) ? '' : words.span;
}

function markup(element: Sketch): string {
  const tag = element.tag && /^[a-z][a-z0-9-]*$/.test(element.tag) ? element.tag : 'div';
  const attributes = [
    ...(element.id === undefined ? [] : [`id="${escaped(element.id)}"`]),
    ...(element.classes.size === 0 ? [] : [`class="${escaped([...element.classes].join(' '))}"`]),
    ...[...element.attributes]
      .filter(([name]) => /^[a-z][a-z0-9-]*$/.test(name))
      .map(([name, value]) => `${name}="${escaped(value)}"`),
  ];
  const open = `<${[tag, ...attributes].join(' ')}>`;
  return empty.test(tag) ? open : `${open}${contentOf(element, tag)}</${tag}>`;
}

/**
 * The one box that a page lies in, where selectors name it and say nothing of what is in it: then
 * everything else is.
 */
function wrapped(body: Sketch): void {
  const wrapper = body.children.find(
    ({ children, id, classes }) =>
      children.length === 0 && /wrap|container|page|site|layout/i.test([id, ...classes].join(' ')),
  );
  if (wrapper && body.children.length > 1) {
    const others = body.children.filter((child) => child !== wrapper);
    wrapper.children.push(...others);
    body.children.splice(0, body.children.length, wrapper);
  }
}

/** The page that most themes are for, where selectors say nothing of its content. */
const skeleton: readonly string[] = ['h1', 'p', 'p a', 'h2', 'ul li'];

/**
 * A page out of what style sheets select: their elements, ids, classes and nesting as the selectors
 * say them, in the order that pages usually have, with words of ours.
 * @param linked addresses of those that the page names itself; the others are imported by them
 * @throws PageError where nothing is selected
 */
export function builtPage(
  title: string,
  sheets: readonly { readonly text: string }[],
  linked: readonly string[],
): string {
  const building = new Building();
  const paths = sheets.flatMap(({ text }) => pathsIn(text)).slice(0, builtLimits.selectors);
  // What names its element is placed first; words that may stand anywhere go into it then.
  const named = (path: Path) => path.some(({ compound }) => compound.id ?? compound.classes[0]);
  for (const path of [...paths.filter(named), ...paths.filter((path) => !named(path))]) {
    building.add(path);
  }
  if (paths.length === 0) {
    throw new PageError(`${title}: expected style rules, found none.`);
  }
  for (const text of skeleton) {
    building.add(pathsIn(`${text}{}`)[0]);
  }
  const { body } = building;
  wrapped(body);
  const links = linked
    .map((address) => `<link rel="stylesheet" href="${escaped(address)}">`)
    .join('');
  return `<!doctype html><html><head><meta charset="utf-8"><title>${escaped(title)}</title>${links}</head>${markup(body)}</html>`;
}
