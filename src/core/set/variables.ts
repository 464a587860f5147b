import type { Declared } from './scanSheet';

const called = /var\(\s*(--[^\s,)]+)/gi;

/** The declarations that put each variable in, by its name. */
export function usersOf(declared: readonly Declared[]): ReadonlyMap<string, readonly Declared[]> {
  const users = new Map<string, Declared[]>();
  for (const d of declared) {
    for (const [, name] of d.value.matchAll(called)) {
      const list = users.get(name);
      if (list) {
        list.push(d);
      } else {
        users.set(name, [d]);
      }
    }
  }
  return users;
}

/** A variable that is put in, with its fallback. */
export const varCall = /var\(\s*--[\w-]+\s*(?:,[^()]*)?\)/g;

/** The name of the variable that is put in. */
export const variableOf = (call: string): string => /--[\w-]+/.exec(call)![0];

/** Variables that are declared anew where dark colours are asked for. */
export const variedInDark = (declared: readonly Declared[]): ReadonlySet<string> =>
  new Set(declared.filter((d) => d.dark && d.property.startsWith('--')).map((d) => d.property));

export const placeOfVariable = (d: Declared): number | undefined => {
  const [variable] = d.value.matchAll(varCall);
  return variable && d.start + variable.index;
};

/** A colour that is made of others: only all of it can be another. */
export const isComputed = ({ value }: Declared): boolean =>
  /^color-mix\(/i.test(value) || /^[a-z]+\(\s*from\s/i.test(value);
