import { commaParts } from './commaParts';

/** Selectors longer than this come from rules that multiply each other. */
const longest = 2000;

/** A nested selector with what it is in put in for `&`, or before it where it has none. */
export function nestedSelector(parent: string, selector: string): string {
  if (!parent || parent.startsWith('@')) {
    return selector;
  }
  const around = parent.includes(',') ? `:is(${parent})` : parent;
  const all = commaParts(selector)
    .map((one) => (one.includes('&') ? one.replaceAll('&', around) : `${around} ${one}`))
    .join(',');
  return all.length > longest ? selector : all;
}

/** Without comments and needless space, so that selectors written alike are the same text. */
export const tidySelector = (text: string): string =>
  text
    .replace(/\/\*[\s\S]*?(?:\*\/|$)/g, '')
    .replace(/\s+/g, ' ')
    .replace(/ ?([,>+~]) ?/g, '$1')
    .trim();
