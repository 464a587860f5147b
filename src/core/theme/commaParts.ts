/** The parts of a list in CSS at its commas, not at those inside brackets or quotes. */
export function commaParts(list: string): string[] {
  const parts: string[] = [];
  let depth = 0;
  let quote = '';
  let begin = 0;
  for (let i = 0; i < list.length; i++) {
    const sign = list[i];
    if (quote) {
      if (sign === '\\') {
        i++;
      } else if (sign === quote) {
        quote = '';
      }
    } else if (sign === '"' || sign === "'") {
      quote = sign;
    } else if (sign === '(') {
      depth++;
    } else if (sign === ')') {
      depth--;
    } else if (sign === ',' && depth === 0) {
      parts.push(list.slice(begin, i).trim());
      begin = i + 1;
    }
  }
  return [...parts, list.slice(begin).trim()].filter((part) => part !== '');
}
