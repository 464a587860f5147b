import { parse } from 'parse5';
import { strToU8 } from 'fflate';
import { builtLimits, builtPage } from './builtPage';
import { openPages } from './openPages';

type Bytes = Uint8Array<ArrayBuffer>;

const built = (css: string): string => builtPage('style.css', [{ text: css }], ['style.css']);

/** Elements of a document as paths of what they are called, the outermost first. */
function elements(html: string): string[] {
  const out: string[] = [];
  interface Node {
    readonly tagName?: string;
    readonly attrs?: readonly { readonly name: string; readonly value: string }[];
    readonly childNodes?: readonly Node[];
  }
  const walk = (node: Node, path: string) => {
    let here = path;
    if (node.tagName && !/^(?:html|head|meta|title|link)$/.test(node.tagName)) {
      const of = (name: string) => node.attrs?.find((a) => a.name === name)?.value;
      const names = (of('class') ?? '').split(' ').filter(Boolean).sort();
      const own = [node.tagName, of('id') ? `#${of('id')}` : '', ...names.map((n) => `.${n}`)].join(
        '',
      );
      here = path ? `${path} ${own}` : own;
      out.push(here);
    }
    node.childNodes?.forEach((child) => walk(child, here));
  };
  walk(parse(html) as never, '');
  return out;
}

test.each<[string, string, string]>([
  ['#header{height:9px}', 'body div#header', 'an id'],
  [
    'ul.menu > li a:hover{color:red}',
    'body ul.menu li a',
    'children, without what is done to them',
  ],
  [
    '.post{& h2{color:red} &.new{color:red}}',
    'body div.new.post h2',
    'nesting, with and without a space',
  ],
  ['.card{.title{color:red}}', 'body div.card div.title', 'nesting without a sign'],
  [
    '@layer a{@media (width>9px){.x .y::before{content:""}}}',
    'body div.x div.y',
    'inside at-rules',
  ],
  ['section.hero{a:b} .hero p{a:b}', 'body section.hero p', 'one element, said twice'],
  ['body.home .top{a:b}', 'body.home div.top', 'what is said of the body'],
  ['input[type="search"]{a:b}', 'body input', 'elements that hold nothing'],
  ['.a\\:b{a:b}', 'body div.a:b', 'escaped names'],
])('%s has %s', (css, path) => expect(elements(built(css))).toContain(path));

test('a box that selectors name and say nothing of holds everything else', () => {
  const found = elements(built('#wrap{width:9px} #head{a:b} #foot p{a:b}'));
  expect(found).toContain('body div#wrap div#head');
  expect(found).toContain('body div#wrap div#foot p');
  expect(found.indexOf('body div#wrap div#head')).toBeLessThan(
    found.indexOf('body div#wrap div#foot'),
  );
});

test('nothing of a style sheet is markup, runs or grows without end', () => {
  const html = built(
    `.x[onclick="alert(1)"]{a:b} .\\"\\>\\<script\\>{a:b} script{a:b} iframe{a:b} [style="x"]{a:b}`,
  );
  expect(html).not.toMatch(/<script|<iframe|onclick|style="/);
  const many = Array.from({ length: 3000 }, (_, i) => `.c${i} .d${i}{a:b}`).join('');
  expect(elements(built(many)).length).toBeLessThan(builtLimits.elements + 40);
  const deep = `${Array.from({ length: 400 }, (_, i) => `.n${i}`).join(' ')}{a:b}`;
  const longest = Math.max(...elements(built(deep)).map((path) => path.split(' ').length));
  expect(longest).toBeLessThan(builtLimits.deep + 4);
  expect(() => built('/* nothing */')).toThrow(/^style.css: expected style rules, found none\.$/);
});

const file = (path: string, text: string | Bytes) => ({
  path,
  bytes: typeof text === 'string' ? (strToU8(text) as Bytes) : text,
});

test('style sheets without a page become one, with their files; those that others import come once', () => {
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"/>';
  const [opened] = openPages([
    file('t/css/main.css', '@import "base.css"; #top{background:url(../i/top.svg)}'),
    file('t/css/base.css', 'body{margin:0}'),
    file('t/i/top.svg', svg),
    file('t/i/spare.svg', svg.replace('40', '44')),
    file('t/readme.txt', 'words'),
  ]);
  expect(opened.from).toBe('style sheets');
  expect(opened.page.files.map((f) => f.path).sort()).toEqual([
    't/css/base.css',
    't/css/main.css',
    't/i/top.svg',
  ]);
  expect(opened.page.missing).toEqual([]);
  expect(opened.others.map((f) => [f.path, f.size])).toEqual([
    ['t/i/spare.svg', { width: 44, height: 20 }],
  ]);
  expect(opened.page.html.match(/<link/g)).toHaveLength(1);
});
