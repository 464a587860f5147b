import type { ValidationError } from 'yup';

const kinds: Readonly<Record<string, string>> = {
  array: 'a list',
  boolean: 'true or false',
  number: 'a number',
  object: 'a group of fields',
  string: 'a text',
};

/** Signs of a text that are told. */
const told = 40;

function found(value: unknown): string {
  if (typeof value === 'string') {
    return value === ''
      ? 'an empty text'
      : `“${value.length > told ? `${value.slice(0, told)}…` : value}”`;
  }
  if (Array.isArray(value)) {
    return `a list of ${value.length}`;
  }
  if (typeof value === 'object' && value !== null) {
    return kinds.object;
  }
  return value === undefined || value === null || Number.isNaN(value) ? 'nothing' : String(value);
}

/** What a bound counts. */
function counted(value: unknown): string {
  if (typeof value === 'string') {
    return ' signs';
  }
  return Array.isArray(value) ? ' entries' : '';
}

type Params = Readonly<Record<string, unknown>>;

const wanted: Readonly<Record<string, (params: Params, value: unknown) => string>> = {
  typeError: ({ type }) => kinds[String(type)] ?? 'something else',
  min: ({ min }, value) => `at least ${String(min)}${counted(value)}`,
  max: ({ max }, value) => `at most ${String(max)}${counted(value)}`,
  length: ({ length }, value) => `${String(length)}${counted(value)}`,
  integer: () => 'a whole number',
  oneOf: ({ values }) => `one of ${String(values)}`,
};

/**
 * What of a schema did not hold, in words for people: what was expected where, and what was found.
 * The library's own messages are for programmers; those that we wrote begin with “Expected”.
 */
export function schemaWords({ message, type, params, path }: ValidationError): string {
  if (message.startsWith('Expected')) {
    return message;
  }
  // The error's own value is that of the whole.
  const value = params?.value;
  const what = wanted[type ?? '']?.(params ?? {}, value) ?? 'something';
  return `Expected ${what}${path ? ` at ${path}` : ''}, found ${found(value)}`;
}
