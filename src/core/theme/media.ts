/** Screen widths a rule is for, px; without an end it has none. */
export interface WidthRange {
  readonly min?: number;
  readonly max?: number;
}

const perEm = 16;

const lengthPattern = String.raw`(\d+(?:\.\d+)?|\.\d+)(px|r?em)`;

const px = (value: string, unit: string): number => Number(value) * (unit === 'px' ? 1 : perEm);

const features: readonly [RegExp, (value: number) => WidthRange][] = [
  [new RegExp(String.raw`\(\s*min-width\s*:\s*${lengthPattern}\s*\)`, 'i'), (min) => ({ min })],
  [new RegExp(String.raw`\(\s*max-width\s*:\s*${lengthPattern}\s*\)`, 'i'), (max) => ({ max })],
  [
    new RegExp(String.raw`\(\s*width\s*:\s*${lengthPattern}\s*\)`, 'i'),
    (width) => ({ min: width, max: width }),
  ],
  [new RegExp(String.raw`\bwidth\s*>=?\s*${lengthPattern}`, 'i'), (min) => ({ min })],
  [new RegExp(String.raw`\bwidth\s*<=?\s*${lengthPattern}`, 'i'), (max) => ({ max })],
  [new RegExp(String.raw`(?<![\d.])${lengthPattern}\s*<=?\s*width\b`, 'i'), (min) => ({ min })],
  [new RegExp(String.raw`(?<![\d.])${lengthPattern}\s*>=?\s*width\b`, 'i'), (max) => ({ max })],
];

/**
 * The screen widths of a media query list (Media Queries Level 4, min-/max- and range forms; an em
 * is 16 px there).
 * @returns no range where the query is for no screen, such as `print`; an open one where it does
 * not speak of widths
 */
export function screenWidths(query: string): WidthRange[] {
  return query.split(',').flatMap((part) => {
    if (/^\s*(only\s+)?(print|speech)\b/i.test(part) || /^\s*not\s+(all|screen)\b/i.test(part)) {
      return [];
    }
    return features.reduce<WidthRange>((range, [pattern, read]) => {
      const match = pattern.exec(part);
      return match ? { ...range, ...read(px(match[1], match[2])) } : range;
    }, {});
  });
}

/**
 * Both at once, where a rule stands inside two queries; undefined where no screen can be of both.
 */
export function bothRanges(a: WidthRange, b: WidthRange): WidthRange | undefined {
  const min = Math.max(a.min ?? 0, b.min ?? 0);
  const max = Math.min(a.max ?? Infinity, b.max ?? Infinity);
  return min > max ? undefined : { ...(min > 0 && { min }), ...(max < Infinity && { max }) };
}

/** In words, such as `from 768 px`, `up to 640 px`, `any width`. */
export function rangeWords({ min, max }: WidthRange): string {
  if (min !== undefined && max !== undefined) {
    return `${min} to ${max} px`;
  }
  if (min !== undefined) {
    return `from ${min} px`;
  }
  return max !== undefined ? `up to ${max} px` : 'any width';
}

/** A media query list holds only where dark colours are asked for (Media Queries Level 5). */
export const asksForDark = (query: string): boolean =>
  /prefers-color-scheme\s*:\s*dark/i.test(query) && !/\bnot\b/i.test(query);
