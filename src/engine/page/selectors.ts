/** The shortest selectors that only one element of a document has. */
export class ShortestSelectors {
  private readonly known = new Map<Element, string>();

  constructor(private readonly document: Document) {}

  of(element: Element): string {
    const before = this.known.get(element);
    if (before !== undefined) {
      return before;
    }
    const selector = this.shortest(element);
    this.known.set(element, selector);
    return selector;
  }

  private shortest(element: Element): string {
    const { escape } = (this.document.defaultView! as Window & typeof globalThis).CSS;
    const tag = escape(element.localName);
    const only = (selector: string) => {
      const found = this.document.querySelectorAll(selector);
      return found.length === 1 && found[0] === element;
    };
    const classes = [...element.classList].map((name) => `.${escape(name)}`);
    const own = [
      tag,
      ...(element.id ? [`#${escape(element.id)}`] : []),
      ...classes,
      ...classes.map((name) => tag + name),
      ...(classes.length > 1 ? [classes.join('')] : []),
    ];
    const found = own.find(only);
    if (found) {
      return found;
    }
    const parent = element.parentElement;
    if (!parent) {
      return tag;
    }
    const within = this.of(parent);
    const below = own.map((part) => `${within} > ${part}`).find(only);
    return below ?? `${within} > ${tag}:nth-child(${[...parent.children].indexOf(element) + 1})`;
  }
}
