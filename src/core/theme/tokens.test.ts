import type { ThemeColour } from '../site/model/theme';
import { readThemeColours, toCustomProperties, toDesignTokens, TokensError } from './tokens';

const colours: ThemeColour[] = [
  { name: 'kiln', hex: '#3b4a45' },
  { name: 'Warm Clay', hex: '#a4553a' },
  { name: 'kiln', hex: '#000000' },
];

test('custom properties, and back', () => {
  const css = toCustomProperties(colours);
  expect(css).toBe(
    ':root {\n  --kiln: #3b4a45;\n  --warm-clay: #a4553a;\n  --kiln-2: #000000;\n}\n',
  );
  expect(readThemeColours('t.css', css).map((c) => [c.name, c.hex])).toEqual([
    ['kiln', '#3b4a45'],
    ['warm-clay', '#a4553a'],
    ['kiln-2', '#000000'],
  ]);
});

test('design tokens, and back, to the level', () => {
  const many = Array.from({ length: 60 }, (_, i) => ({
    name: `c${i}`,
    hex: `#${((i * 279_639 + 77) % 16_777_216).toString(16).padStart(6, '0')}`,
  }));
  expect(readThemeColours('t.json', toDesignTokens(many))).toEqual(many);
  // Without the hex that is written beside them the components alone must give the same level.
  const bare = JSON.stringify(JSON.parse(toDesignTokens(many)), (key, value: unknown) =>
    key === 'hex' ? undefined : value,
  );
  expect(readThemeColours('t.json', bare)).toEqual(many);
});

/**
 * The forms of the Design Tokens Community Group's modules: groups, inherited types, aliases, plain
 * text of the drafts (from memory).
 */
test('groups, aliases and inherited types', () => {
  const text = JSON.stringify({
    brand: { $type: 'color', base: { $value: '#112233' }, link: { $value: '{brand.base}' } },
    space: { $type: 'dimension', small: { $value: '4px' } },
    accent: { $type: 'color', $value: { colorSpace: 'hsl', components: [0, 100, 50] } },
    loop: { $type: 'color', a: { $value: '{loop.b}' } },
  });
  expect(() => readThemeColours('t.json', text)).toThrow(
    new TokensError('t.json: expected a colour for loop.a, found "{loop.b}".'),
  );
  expect(readThemeColours('t.json', text.replace('{loop.b}', 'red'))).toEqual([
    { name: 'brand base', hex: '#112233' },
    { name: 'brand link', hex: '#112233' },
    { name: 'accent', hex: '#ff0000' },
    { name: 'loop a', hex: '#ff0000' },
  ]);
});

test.each([
  ['{"a": ', /^t: expected design tokens to be JSON, found something else\.$/],
  ['[1]', /^t: expected an object of design tokens, found a list\.$/],
  ['body { color: red }', /^t: expected custom properties such as .* found no colour\.$/],
  ['', /found no colour/],
  [JSON.stringify({ a: { $type: 'color', $value: '{a}' } }), /expected a colour for a/],
])('what holds no colours is refused (%#)', (text, message) =>
  expect(() => readThemeColours('t', text)).toThrow(message),
);
