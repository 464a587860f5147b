import { resolveVars } from './customProperties';

const properties = (count: number, value: (next: string) => string) =>
  new Map<string, string>([
    ...Array.from({ length: count }, (_, i): [string, string] => [`--p${i}`, value(`--p${i + 1}`)]),
    [`--p${count}`, '#123456'],
  ]);

/** How often a value is looked up: work, whatever the machine. */
function counted(of: Map<string, string>): { readonly map: Map<string, string>; asked: number } {
  const counter = { map: of, asked: 0 };
  const get = of.get.bind(of);
  of.get = (name) => {
    counter.asked++;
    return get(name);
  };
  return counter;
}

test('a chain of twenty thousand properties has the value at its end, each asked for a few times', () => {
  const chain = counted(properties(20_000, (next) => `var(${next})`));
  expect(resolveVars('1px solid var(--p0)', chain.map)).toBe('1px solid  #123456');
  expect(chain.asked).toBeLessThan(100_000);
});

test('properties that multiply each other have a value as far as it is one, and take no time beyond', () => {
  const bush = counted(properties(60, (next) => `var(${next}) var(${next})`));
  expect(resolveVars('var(--p57)', bush.map)?.match(/#123456/g)).toHaveLength(8);
  expect(resolveVars('var(--p0)', bush.map)).toBeUndefined();
  expect(resolveVars('var(--p0, red)', bush.map)).toBe('red');
  expect(bush.asked).toBeLessThan(1000);
});

test('who names itself, by others too, has none; a fallback counts', () => {
  const ring = new Map([
    ['--a', 'var(--b)'],
    ['--b', 'var(--c, var(--a))'],
    ['--c', 'var(--c)'],
    ['--d', 'var(--gone, #fff)'],
  ]);
  expect(resolveVars('var(--a)', ring)).toBeUndefined();
  expect(resolveVars('var(--c, blue)', ring)).toBe('blue');
  expect(resolveVars('var(--d)', ring)).toBe('#fff');
});
