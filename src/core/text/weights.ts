import type { Font } from './fonts';

/**
 * What weights are called: the names of CSS Fonts 4, section 2.2 (from memory), and “Regular”, as
 * fonts call themselves, for its “Normal”.
 */
const names: Readonly<Record<number, string>> = {
  100: 'Thin',
  200: 'Extra light',
  300: 'Light',
  400: 'Regular',
  500: 'Medium',
  600: 'Semi bold',
  700: 'Bold',
  800: 'Extra bold',
  900: 'Black',
};

const hundreds = Object.keys(names).map(Number);

/** A weight in a word; one that has none by its figure. */
export const weightName = (weight: number): string => names[weight] ?? `Weight ${weight}`;

/**
 * Weights of a font that there is a word for, and the one it has now; lightest first, each once.
 * @param weight within the font's own
 */
export function weightsOf(
  { weights: [lightest, boldest] }: Pick<Font, 'weights'>,
  weight: number,
): number[] {
  const named = hundreds.filter((one) => one >= lightest && one <= boldest);
  return [...new Set([...named, weight])].sort((a, b) => a - b);
}
