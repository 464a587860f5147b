import { rulesOf } from './rules';

const addressAttributes = ['src', 'srcset', 'poster', 'href', 'xlink:href', 'background'] as const;

/** A text of the document that names a file. */
interface Naming {
  read(): string;
  write(text: string): void;
}

const attribute = (element: Element, name: string): Naming => ({
  read: () => element.getAttribute(name) ?? '',
  write: (text) => element.setAttribute(name, text),
});

/** As text, since a value with a variable in it has no parts of its own yet. */
const declarations = (style: CSSStyleDeclaration): Naming => ({
  read: () => style.cssText,
  write(text) {
    style.cssText = text;
  },
});

/** Every text of a document that may name files, in attributes, in styles of elements, in sheets. */
function* namingsOf(document: Document): Generator<Naming> {
  for (const element of document.querySelectorAll<HTMLElement>('*')) {
    for (const name of addressAttributes) {
      if (element.hasAttribute(name)) {
        yield attribute(element, name);
      }
    }
    if (element.hasAttribute('style')) {
      yield declarations(element.style);
    }
  }
  for (const rule of rulesOf(document)) {
    if ('style' in rule) {
      yield declarations(rule.style as CSSStyleDeclaration);
    }
  }
}

/**
 * Puts other files in place of those that a document shows, wherever it names them. Nothing is laid
 * out anew but what depends on their sizes.
 */
export class FileSwaps {
  /** By the address that the document came with: where it is named, and what stands there now. */
  private readonly swapped = new Map<string, { namings: readonly Naming[]; now: string }>();

  constructor(private readonly document: Document) {}

  /** What stands in the place of a file now. */
  at(from: string): string {
    return this.swapped.get(from)?.now ?? from;
  }

  /** @param to the file's own address puts it back */
  put(from: string, to: string): void {
    const known = this.swapped.get(from);
    const now = known?.now ?? from;
    if (now === to) {
      return;
    }
    const namings =
      known?.namings ?? [...namingsOf(this.document)].filter((one) => one.read().includes(from));
    this.swapped.set(from, { namings, now: to });
    for (const naming of namings) {
      naming.write(naming.read().replaceAll(now, to));
    }
  }
}
