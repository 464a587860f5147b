/** A number as it was typed, with whatever unit behind it; NaN where it is none. */
export function typedNumber(text: string): number {
  let end = text.length;
  while (end > 0 && !/[\d.-]/.test(text[end - 1])) {
    end--;
  }
  return Number(text.slice(0, end).replace(',', '.'));
}
