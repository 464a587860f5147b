/** Elements that lie in each other, at most; drawings have a dozen. */
export const mostNested = 256;

const tags =
  /<!--[\s\S]*?(?:-->|$)|<!\[CDATA\[[\s\S]*?(?:\]\]>|$)|<(\/?)[a-z_](?:"[^"]*"|'[^']*'|[^'"<>])*>/gi;

/**
 * Whether elements of a drawing lie deeper in each other than what draws them can follow. Told by
 * its tags alone, without reading it.
 */
export function isTooDeep(bytes: Uint8Array): boolean {
  let depth = 0;
  for (const [tag, closes] of new TextDecoder().decode(bytes).matchAll(tags)) {
    if (closes === undefined || tag.endsWith('/>')) {
      continue;
    }
    depth += closes ? -1 : 1;
    if (depth > mostNested) {
      return true;
    }
  }
  return false;
}
