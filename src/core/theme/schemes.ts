import { closing, firstComma } from './customProperties';

const call = /\blight-dark\(/i;

/**
 * A value as it holds in one colour scheme: the wanted side of each `light-dark()` (CSS Color
 * Adjustment Level 1, section 4) in its place.
 */
export function inScheme(value: string, dark: boolean): string {
  const at = value.search(call);
  const open = at < 0 ? -1 : value.indexOf('(', at);
  const end = open < 0 ? -1 : closing(value, open);
  if (end < 0) {
    return value;
  }
  const [light, other] = firstComma(value.slice(open + 1, end));
  const side = (dark ? other : light) ?? light;
  return inScheme(`${value.slice(0, at)}${side.trim()}${value.slice(end + 1)}`, dark);
}

/** Whether a place in a value is in the dark side of a `light-dark()`. */
export function isDarkSide(value: string, place: number): boolean {
  for (const m of value.matchAll(/\blight-dark\(/gi)) {
    const open = m.index + m[0].length - 1;
    const end = closing(value, open);
    const [light] = firstComma(value.slice(open + 1, end < 0 ? undefined : end));
    if (place > open + light.length && (end < 0 || place < end)) {
      return true;
    }
  }
  return false;
}
