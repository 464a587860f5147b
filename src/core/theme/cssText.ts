import type { Length, Slot } from '../site/model/slot';

export const length = (value: Length | 'auto'): string =>
  value === 'auto' ? value : `${value.value}${value.unit}`;

export function rule(selector: string, lines: readonly (string | false | undefined)[]): string {
  return `${selector} {\n${lines
    .filter(Boolean)
    .map((line) => `  ${line};`)
    .join('\n')}\n}\n`;
}

/** A rule inside others around it, the outermost first. */
export const ruleWithin = (
  within: readonly string[],
  selector: string,
  lines: readonly string[],
): string =>
  within.reduceRight((text, around) => `${around} {\n${indented(text)}}\n`, rule(selector, lines));

export const sizeWords = ({ size }: Pick<Slot, 'size'>): string =>
  typeof size === 'string' ? size : `${length(size.x)} ${length(size.y)}`;

/** Narrower than a width; browsers count fractions of a px. */
export const below = (width: number): string => `(max-width: ${width - 0.02}px)`;

export const indented = (css: string): string => css.replace(/^(?=.)/gm, '  ');
