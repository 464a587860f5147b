/** Values of custom properties by name, as they are written. */
export type CustomProperties = ReadonlyMap<string, string>;

/** Deeper than this, or in a ring, a value stays unresolved. */
const deepest = 24;

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

/**
 * Puts values in for `var()` (CSS Custom Properties for Cascading Variables Level 1, section 3),
 * fallbacks included.
 * @returns undefined where a name has no value and no fallback, or names itself
 */
export function resolveVars(
  value: string,
  properties: CustomProperties,
  depth = 0,
): string | undefined {
  if (depth > deepest || value.length > longest) {
    return undefined;
  }
  const at = value.search(/\bvar\(/i);
  if (at < 0) {
    return value;
  }
  const open = value.indexOf('(', at);
  const end = closing(value, open);
  if (end < 0) {
    return undefined;
  }
  const [name, fallback] = firstComma(value.slice(open + 1, end));
  const found = properties.get(name.trim());
  const inner =
    (found === undefined ? undefined : resolveVars(found, properties, depth + 1)) ??
    (fallback === undefined ? undefined : resolveVars(fallback.trim(), properties, depth + 1));
  const rest =
    inner === undefined ? undefined : resolveVars(value.slice(end + 1), properties, depth);
  // A value put in keeps its own tokens: it never grows together with what stands beside it.
  return inner === undefined || rest === undefined
    ? undefined
    : `${value.slice(0, at)} ${inner.trim()} ${rest}`.trim();
}
