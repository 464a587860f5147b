import { parse, walk } from 'css-tree';
import type { Picture, Slot } from '../site/model';
import { newSite } from '../site/newSite';
import { pressAs } from '../press/settings';
import { slotFrom } from '../site/slots';
import { fileNameOf, safeName } from './fileName';
import { snippetsFor } from './snippets';

const site = newSite('x', 'home', 'Veldrin Clayworks');
const slot: Slot = {
  ...slotFrom(site, { id: 's', kind: 'header', width: 1080, height: 220 }), size: 'cover', attachment: 'fixed',
  position: { x: { value: 50, unit: '%' }, y: { value: 0, unit: 'px' } }, beside: { top: null, right: null, bottom: null, left: { from: 'colour', colour: '#3b4a45' } },
};
const picture: Picture = { id: 'p', ground: { type: 'colour', colour: '#3b4a45' }, layers: [], press: pressAs('webp'), alt: 'Five "pots" <on> a shelf & more' };

test('names every host takes', () => {
  expect(safeName('Kopfbild Größe 2.JPG')).toBe('kopfbild-gro-e-2-jpg');
  expect(safeName('  Été à la céramique ')).toBe('ete-a-la-ceramique');
  expect(safeName('***')).toBe('picture');
  expect(fileNameOf(slot, 'jpeg')).toBe('header.jpg');
});

test('a header is content: its size, its file, its alternative text with the signs of markup kept out', () => {
  const { html, css } = snippetsFor(site, slot, picture);
  expect(html).toBe('<img class="veldrin-clayworks-header" src="header.webp" width="1080" height="220" alt="Five &quot;pots&quot; &lt;on&gt; a shelf &amp; more">\n');
  expect(css).toContain('background-color: #3b4a45');
});

test('nothing see-through gets a colour under it', () => {
  expect(snippetsFor(site, slot, { ...picture, ground: { type: 'none' } }).css).not.toContain('background-color');
});

test.each([
  ['background', 'repeat', 'body'], ['sidebar', 'repeat-y', '.veldrin-clayworks-header'], ['divider', 'repeat-x', '.veldrin-clayworks-header::before'],
] as const)('a %s is a background that repeats as its slot says, in CSS that parses', (kind, repeat, selector) => {
  const { css } = snippetsFor(site, { ...slot, kind, repeat }, picture);
  const problems: string[] = [], declarations: Record<string, string> = {};
  const tree = parse(css, { onParseError: (error) => problems.push(error.message) });
  walk(tree, { visit: 'Declaration', enter: (node) => { declarations[node.property] = node.value.type; } });
  expect(problems).toEqual([]);
  expect(css).toContain(`${selector} {`);
  expect(css).toContain(`background-repeat: ${repeat}`);
  expect(css).toContain('url("header.webp")');
  expect(declarations).toHaveProperty('background-image');
  expect(css).toContain('background-position: 50% 0px');
  expect(css).toContain('background-size: cover');
  expect(css).toContain('background-attachment: fixed');
});
