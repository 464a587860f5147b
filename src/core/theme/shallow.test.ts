import fc from 'fast-check';
import { shallow } from './shallow';
import { readStylesheet } from './stylesheet';

const nest = (deep: number, inside: string) =>
  '@media screen {\n'.repeat(deep) + inside + '}'.repeat(deep);

test('what is as deep as people write it stays to the letter', () => {
  const text = `a { b: "}{{{{" } /* {{{{ */ ${nest(2, 'c { d: e }')}`;
  expect(shallow(text, 3)).toEqual({ text, cut: undefined });
});

test('what lies deeper is left out, and all else keeps its place', () => {
  const text = `a{}${nest(4, 'c { d: e }')} f { g: h }`;
  const { text: rest, cut } = shallow(text, 3);
  expect(rest).toHaveLength(text.length);
  expect(rest.split('\n')).toHaveLength(text.split('\n').length);
  expect(rest).not.toContain('d: e');
  expect(rest.indexOf('f { g: h }')).toBe(text.indexOf('f { g: h }'));
  expect(text[cut!]).toBe('{');
});

test('nothing of it makes it longer or deeper, however it is broken', () => {
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom('{', '}', '"', "'", '/*', '*/', '\\', 'a', '\n', ';'), {
        maxLength: 60,
      }),
      (parts) => {
        const { text } = shallow(parts.join(''), 2);
        expect(text).toHaveLength(parts.join('').length);
        expect(shallow(text, 2)).toEqual({ text, cut: undefined });
      },
    ),
  );
});

test('twenty thousand blocks inside each other are read as far as they go, and told', () => {
  const text = `a { color: red }\n${nest(20_000, 'b { color: blue }')}\nc { color: green }`;
  const { rules, problems } = readStylesheet('deep.css', text);
  expect(rules.map((r) => r.selector)).toEqual(['a', 'c']);
  expect(problems.length).toBeGreaterThan(0);
});
