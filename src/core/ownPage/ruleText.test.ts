import { parse, walk, generate } from 'css-tree';
import { rulesNamingFiles } from './ruleText';

const told = (css: string) =>
  rulesNamingFiles(css).map(({ selector, line, addresses }) => ({ selector, line, addresses }));

test('where a rule’s declarations stand is told, inside its brackets', () => {
  const css = '.a{b:c} .d { background: url(x.png); /* } */ e: f }.g{background:url(y.png)';
  expect(rulesNamingFiles(css).map(({ from, to }) => css.slice(from, to))).toEqual([
    ' background: url(x.png); /* } */ e: f ',
    'background:url(y.png)',
  ]);
});

test('rules that name files are told with the line they begin on', () => {
  const css = [
    '@charset "utf-8";',
    'body { color: red }',
    '/* url(no.png) { */ #head,',
    '.top { margin: 0;',
    '  background: url(head.jpg) no-repeat, url("bar.png") }',
    '@media (min-width: 600px) { .top { background: image-set("wide.png" 1x) } }',
  ].join('\n');
  expect(told(css)).toEqual([
    { selector: '#head,\n.top', line: 3, addresses: ['head.jpg', 'bar.png'] },
    { selector: '.top', line: 6, addresses: ['wide.png'] },
  ]);
});

test('nested rules are told on their own, and what comes after them is their parent’s', () => {
  const css = '.a { &:hover { background: url(h.png) }\r\n background: url(a.png) }';
  expect(told(css)).toEqual([
    { selector: '.a', line: 1, addresses: ['a.png'] },
    { selector: '&:hover', line: 1, addresses: ['h.png'] },
  ]);
});

test('conditions are no rules, inside a rule or around it', () => {
  const css = '@font-face{src:url(f.woff)}\n.a{@media (width > 9px){background:url(n.png)}}';
  expect(told(css)).toEqual([{ selector: '.a', line: 2, addresses: ['n.png'] }]);
});

test('broken and odd sheets end, with what can be told of them', () => {
  expect(told('')).toEqual([]);
  expect(told('}}} .a { background: url(x.png)')).toEqual([
    { selector: '.a', line: 1, addresses: ['x.png'] },
  ]);
  expect(rulesNamingFiles(`${'{'.repeat(5000)}`)).toEqual([]);
  expect(told('{background:url(x.png)}')).toEqual([
    { selector: '', line: 1, addresses: ['x.png'] },
  ]);
});

/** Lines and addresses by css-tree's parser, which is another way through the same text. */
function byParser(css: string) {
  const found: { line: number; addresses: string[] }[] = [];
  walk(parse(css, { positions: true }), {
    visit: 'Rule',
    enter(rule) {
      const addresses: string[] = [];
      walk(rule.block, (node) => {
        if (node.type === 'Url') {
          addresses.push(node.value);
        }
      });
      if (addresses.length > 0) {
        expect(generate(rule.prelude)).not.toBe('');
        found.push({ line: rule.loc!.start.line, addresses });
      }
    },
  });
  return found;
}

test('lines are those that the parser finds', () => {
  let css = '';
  for (let i = 0; i < 300; i++) {
    css += i % 3 ? `\n/* ${i}\n */\n` : ' ';
    css += i % 5 ? `.r${i} > a, .s${i} { background: url(p${i}.png) }` : `.q${i} { color: red }`;
    css += i % 7 ? '' : `\n@media print {\n.m${i} {\nbackground: url("m${i}.png") } }`;
  }
  const told = rulesNamingFiles(css).map(({ line, addresses }) => ({ line, addresses }));
  expect(told).toEqual(byParser(css));
  expect(told.length).toBeGreaterThan(250);
});
