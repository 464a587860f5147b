/*
 * Texts that end a browser's tab, or that it comes to no end with, when they are handed to it as they
 * are: each was tried in Chromium.
 */

const around = (opens: string, levels: number, inside: string, closes = ')'): string =>
  opens.repeat(levels) + inside + closes.repeat(levels);

const each = (count: number, one: (i: number) => string): string =>
  Array.from({ length: count }, (_, i) => one(i)).join('');

const values: readonly (readonly [string, string, string?])[] = [
  ['mixes', 'color-mix(in srgb,red,'],
  ['variables', 'var(--a,'],
  ['surroundings', 'env(a,'],
  ['ifs', 'if(style(--a:b): '],
  ['fades', '-webkit-cross-fade(url(a),', 'url(b),1%'],
  ['schemes', 'light-dark(red,'],
  ['relatives', 'rgb(from '],
  ['attributes', 'attr(a type(*),'],
];

const selectors = [':not(', ':is(', ':where(', ':has(', ':nth-child(1 of ', ':host('];

const conditions: readonly (readonly [string, string, string])[] = [
  ['@supports', '(', 'color:red'],
  ['@supports', '(not (', 'color:red'],
  ['@media', '(', 'color'],
  ['@media', '(not ', '(color)'],
  ['@container', '(', 'width'],
  ['@container', '(not ', '(width)'],
  ['@container', 'style(', '--a:b'],
];

/** Style sheets, by what they are of. */
export const deepSheets: readonly (readonly [string, string])[] = [
  ...values.map(
    ([name, opens, inside = 'red']) =>
      [`deep ${name}`, `body{background:${around(opens, 50_000, inside)}}`] as const,
  ),
  ...selectors.map(
    (opens, i) => [`deep selector ${i}`, `${around(opens, 50_000, 'a')}{color:red}`] as const,
  ),
  ...conditions.map(
    ([rule, opens, inside], i) =>
      [`deep condition ${i}`, `${rule} ${around(opens, 50_000, inside)}{a{color:red}}`] as const,
  ),
  ['doubling rules', `${'&,& {'.repeat(40)}color:red`],
  ['doubling lists', `${'a,b {'.repeat(40)}color:red`],
  ['layers of names', `@layer ${'a.'.repeat(100_000)}a;`],
  [
    'chain of properties',
    `body{${each(20_000, (i) => `--v${i}:var(--v${i + 1});`)}--v20000:red;color:var(--v0)}`,
  ],
];

const chainOf = (one: (id: number, next: number) => string): string =>
  `${each(5000, (i) => one(i, i + 1))}<g id="n5000"><rect width="1" height="1"/></g>`;

const mixed = around('color-mix(in srgb,red,', 50_000, 'red');

/** The insides of drawings. */
export const deepDrawings: readonly (readonly [string, string])[] = [
  ['deep rules', `<style>${'a{'.repeat(20_000)}</style>`],
  ['deep import', `<style>@import "data:text/css,${'a%7B'.repeat(20_000)}";</style>`],
  [
    'deep drawing',
    `<image width="9" height="9" href="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg'%3E%3Cstyle%3E${'a%7B'.repeat(20_000)}%3C/style%3E%3C/svg%3E"/>`,
  ],
  ['deep style', `<g style="fill:${mixed}"/>`],
  ['deep colour', `<g fill="${mixed}"/>`],
  [
    'tripling',
    `${each(20, (i) => `<g id="n${i}">${`<use href="#n${i + 1}"/>`.repeat(3)}</g>`)}<g id="n20"><rect width="1" height="1"/></g><use href="#n0"/>`,
  ],
  [
    'chain of uses',
    `${chainOf((i, next) => `<g id="n${i}"><use href="#n${next}"/></g>`)}<use href="#n0"/>`,
  ],
  [
    'chain of patterns',
    `${chainOf((i, next) => `<pattern id="n${i}" width="1" height="1"><rect width="1" height="1" fill="url(#n${next})"/></pattern>`)}<rect width="9" height="9" fill="url(#n0)"/>`,
  ],
  [
    'chain of slopes',
    `${chainOf((i, next) => `<linearGradient id="n${i}" href="#n${next}"/>`)}<rect width="9" height="9" fill="url(#n0)"/>`,
  ],
];

/** Documents that hold such a text in one of the places where there may be one. */
export const deepDocuments: readonly (readonly [string, string])[] = [
  ...deepSheets.map(([name, css]) => [name, `<style>${css}</style><p>x`] as const),
  ...deepDrawings.map(([name, inside]) => [name, `<svg>${inside}</svg><p>x`] as const),
  ['deep declaration', `<p style="color:${mixed}">x`],
  ['deep sizes', `<img srcset="a.png 100w" sizes="${around('calc(', 50_000, '1px')}"><p>x`],
  ['deep medium', `<style media="${around('x(', 50_000, 'color')}">p{color:red}</style><p>x`],
  [
    'deep rules in an address',
    `<link rel=stylesheet href="data:text/css,${'a{'.repeat(20_000)}"><p>x`,
  ],
  [
    'deep rules in a drawing in an address',
    `<img src="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='100%'%3E%3Cstyle%3E${'a{'.repeat(20_000)}%3C/style%3E%3C/svg%3E"><p>x`,
  ],
];
