/**
 * Where plain data holds a number that JSON cannot keep: not finite.
 * @returns its path, as `slots.3.width`, and what it is; undefined where every number is finite
 */
export function unsoundNumber(value: unknown, path = ''): string | undefined {
  if (typeof value === 'number') {
    return Number.isFinite(value)
      ? undefined
      : `Expected ${path || 'the value'} to be a finite number, found ${value}`;
  }
  if (typeof value !== 'object' || value === null) {
    return undefined;
  }
  for (const [key, inside] of Object.entries(value)) {
    const found = unsoundNumber(inside, path ? `${path}.${key}` : key);
    if (found !== undefined) {
      return found;
    }
  }
  return undefined;
}
