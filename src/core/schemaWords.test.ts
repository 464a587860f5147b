import { array, boolean, mixed, number, object, string, type Schema, ValidationError } from 'yup';
import { schemaWords } from './schemaWords';

const said = (schema: Schema, value: unknown): string => {
  try {
    schema.validateSync(value, { strict: true });
  } catch (error) {
    return schemaWords(error as ValidationError);
  }
  return '';
};

test.each<[string, Schema, unknown, string]>([
  ['a kind', object({ a: number() }), { a: 'wide' }, 'Expected a number at a, found “wide”'],
  ['a kind in a list', array(boolean()), [true, 4], 'Expected true or false at [1], found 4'],
  [
    'a group',
    object({ a: object() }),
    { a: [1, 2] },
    'Expected a group of fields at a, found a list of 2',
  ],
  ['the whole', object(), 'x', 'Expected a group of fields, found “x”'],
  ['not a number', number(), Number.NaN, 'Expected a number, found nothing'],
  [
    'what is missing',
    object({ a: string().defined() }),
    {},
    'Expected something at a, found nothing',
  ],
  ['what may not be nothing', string().defined(), null, 'Expected something, found nothing'],
  ['what is empty', string().required(), '', 'Expected something, found an empty text'],
  ['too little', number().min(1), 0, 'Expected at least 1, found 0'],
  ['too many', array().max(1), [1, 2], 'Expected at most 1 entries, found a list of 2'],
  ['too long', string().max(3), 'abcd', 'Expected at most 3 signs, found “abcd”'],
  ['a part', number().integer(), 1.5, 'Expected a whole number, found 1.5'],
  ['a length', array().length(2), [1], 'Expected 2 entries, found a list of 1'],
  ['another', string().oneOf(['a', 'b']), 'c', 'Expected one of a, b, found “c”'],
  ['our own words', string().matches(/^a/, 'Expected an a'), 'b', 'Expected an a'],
  ['anything else', mixed().test(() => false), {}, 'Expected something, found a group of fields'],
  ['a long text', number(), 'x'.repeat(50), `Expected a number, found “${'x'.repeat(40)}…”`],
])('%s that does not hold is told in words', (_, schema, value, words) => {
  expect(said(schema, value)).toBe(words);
});
