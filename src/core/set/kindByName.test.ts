import { kindByName } from './kindByName';

test.each<[string, string, number, number, string]>([
  ['html body', 'bg.jpg', 1400, 900, 'background'],
  ['#masthead', 'a.png', 1000, 150, 'header'],
  ['.site-logo', 'logo.png', 368, 80, 'mark'],
  ['.sidebar', 's.png', 435, 44, 'sidebar'],
  ['#header .button', 'b.png', 90, 30, 'piece'],
  ['.page-title', 't.jpg', 1200, 200, 'band'],
  ['.about::before', 'wave-divider.svg', 2000, 100, 'divider'],
  ['.x', 'y.png', 10, 10, 'piece'],
])('%s with %s of %s×%s is a %s', (selector, path, width, height, kind) =>
  expect(kindByName({ selector }, path, { width, height })).toBe(kind),
);
