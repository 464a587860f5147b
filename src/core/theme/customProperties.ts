/** Values of custom properties by name, as they are written. */
export type CustomProperties = ReadonlyMap<string, string>;

/** Longer values than this come from definitions that multiply each other. */
const longest = 20_000;

/** End of the bracket that opens at `open`, or -1. */
export function closing(text: string, open: number): number {
  let depth = 0;
  for (let i = open; i < text.length; i++) {
    if (text[i] === '(') {
      depth++;
    }
    if (text[i] === ')' && --depth === 0) {
      return i;
    }
  }
  return -1;
}

/** Splits at the first comma that stands in no bracket. */
export function firstComma(text: string): [string, string | undefined] {
  let depth = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '(') {
      depth++;
    }
    if (text[i] === ')') {
      depth--;
    }
    if (text[i] === ',' && depth === 0) {
      return [text.slice(0, i), text.slice(i + 1)];
    }
  }
  return [text, undefined];
}

/** Puts values in for every `var()`, each as it is looked up; undefined where one has none. */
function put(value: string, lookUp: (name: string) => string | undefined): string | undefined {
  let out = '';
  let rest = value;
  for (;;) {
    const at = rest.search(/\bvar\(/i);
    if (at < 0) {
      return (out + rest).trim();
    }
    const open = rest.indexOf('(', at);
    const end = closing(rest, open);
    if (end < 0) {
      return undefined;
    }
    const [name, fallback] = firstComma(rest.slice(open + 1, end));
    const inner =
      lookUp(name.trim()) ?? (fallback === undefined ? undefined : put(fallback.trim(), lookUp));
    // A value put in keeps its own tokens: it never grows together with what stands beside it.
    out += inner === undefined ? '' : `${rest.slice(0, at)} ${inner.trim()} `;
    if (inner === undefined || out.length > longest) {
      return undefined;
    }
    rest = rest.slice(end + 1);
  }
}

/** Names that a value asks for, in its fallbacks too. */
const askedOf = (value: string): string[] =>
  [...value.matchAll(/\bvar\(\s*(--[^\s,()]+)/gi)].map((match) => match[1]);

/** Values of properties that were worked out already; undefined for those that have none. */
const known = new WeakMap<CustomProperties, Map<string, string | undefined>>();

/**
 * The value of a property with those of all that it names. Each is worked out once, those that others
 * need first, so that neither long chains nor properties that multiply each other take long.
 */
function valueOf(name: string, properties: CustomProperties): string | undefined {
  let values = known.get(properties);
  if (!values) {
    known.set(properties, (values = new Map<string, string | undefined>()));
  }
  const wanted = [name];
  const open = new Set<string>();
  for (let at = wanted.at(-1); at !== undefined; at = wanted.at(-1)) {
    const written = properties.get(at);
    if (values.has(at) || written === undefined || written.length > longest) {
      wanted.pop();
      continue;
    }
    // One that is open already names itself by others: it has no value there.
    const first = open.has(at)
      ? []
      : askedOf(written).filter((one) => one !== at && !open.has(one) && !values.has(one));
    open.add(at);
    const missing = first.filter((one) => properties.has(one));
    if (missing.length > 0) {
      wanted.push(...missing);
      continue;
    }
    values.set(
      at,
      put(written, (one) => (one === at ? undefined : values.get(one))),
    );
    wanted.pop();
  }
  return values.get(name);
}

/**
 * Puts values in for `var()` (CSS Custom Properties for Cascading Variables Level 1, section 3),
 * fallbacks included.
 * @returns undefined where a name has no value and no fallback, or names itself, or where values
 *   multiply each other beyond all bounds
 */
export function resolveVars(value: string, properties: CustomProperties): string | undefined {
  return value.length > longest ? undefined : put(value, (name) => valueOf(name, properties));
}
