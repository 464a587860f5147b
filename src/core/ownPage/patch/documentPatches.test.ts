import { documentPatches, sheetsLinkedIn, type DocumentWishes } from './documentPatches';
import type { Names } from './sheetPatches';
import { patched } from '../../files/textPatch';

const names = (renamed: Readonly<Record<string, string>> = {}): Names => ({
  keyOf: (address) => /(\w+)\.(?:png|css)\b/.exec(address)?.[1],
  renamed: (key, address) => renamed[key] && address.replace(/\w+\.png/, renamed[key]),
});
const nothing: DocumentWishes = { rules: [], inTags: [], tags: [], styles: '' };
const after = (html: string, wishes: Partial<DocumentWishes>, n = names()) =>
  patched(html, documentPatches(html, n, { ...nothing, ...wishes }));
const hero = {
  key: 'hero',
  from: { width: 800, height: 400 },
  to: { width: 800, height: 300 },
};

test('a tag of another size has its lengths, in the proportion it showed the file in', () => {
  expect(
    after(`<p>a\r\n<IMG  alt=x width=400 height = '200' src=hero.png><img src="a.png" width="9">`, {
      tags: [hero],
    }),
  ).toBe(`<p>a\r\n<IMG  alt=x width=400 height = '150' src=hero.png><img src="a.png" width="9">`);
  const lengths = '<img src="hero.png" width="50%" height="auto">';
  expect(after(lengths, { tags: [hero] })).toBe(lengths);
});

test('of several candidates only the new picture stays, in the tag and in what stands beside it', () => {
  expect(
    after('<img src="small.png" srcset="small.png 400w, hero.png 800w" sizes="50vw">', {
      tags: [hero],
    }),
  ).toBe('<img src="hero.png" srcset="hero.png 800w" sizes="50vw">');
  expect(after('<img srcset="big.png 2x" src="hero.png">', { tags: [hero] })).toBe(
    '<img srcset="hero.png" src="hero.png">',
  );
  const other =
    '<picture><source media="(max-width: 9em)" srcset="a.png"><img src="b.png"></picture>';
  expect(after(other, { tags: [hero] })).toBe(other);
});

test('files with another name are named so wherever the page names them, scripts left alone', () => {
  const html = `<style>.a{background:url(hero.png)}</style><script>load("hero.png")</script>
<template><img src=hero.png></template><div style='color:red;background:url("hero.png")' data-bg="hero.png"></div>
<img src="data:," data-src="hero.png?a=1&amp;b=2"><!-- hero.png -->`;
  expect(after(html, {}, names({ hero: 'hero.webp' }))).toBe(
    `<style>.a{background:url("hero.webp")}</style><script>load("hero.png")</script>
<template><img src="hero.webp"></template><div style='color:red;background:url("hero.webp")' data-bg="hero.webp"></div>
<img src="data:," data-src="hero.webp?a=1&amp;b=2"><!-- hero.png -->`,
  );
});

test('declarations go into the style element’s rule, or into the tag that has its own', () => {
  const declared = [{ property: 'background-repeat', value: 'no-repeat' }];
  expect(
    after(
      '<style>\n.a { background: url(hero.png) }\n</style><b style="background:url(hero.png)">',
      {
        rules: [{ key: 'hero', line: 2, declared }],
        inTags: [{ key: 'hero', declared }],
      },
    ),
  ).toBe(
    '<style>\n.a { background: url(hero.png); background-repeat: no-repeat }\n</style><b style="background:url(hero.png); background-repeat: no-repeat">',
  );
});

test('rules of its own stand at the end of the head, or of the document without one', () => {
  expect(after('<head><title>a</title></head><body>', { styles: 'b {}\n' })).toBe(
    '<head><title>a</title><style>\nb {}\n</style>\n</head><body>',
  );
  expect(after('<p>a', { styles: 'b {}\n' })).toBe('<p>a<style>\nb {}\n</style>\n');
});

test('style sheets for every screen are told, not those for print or to be chosen', () => {
  const html =
    '<link rel=stylesheet href=a.css><link rel="stylesheet" media=print href=b.css><link rel="alternate stylesheet" href=c.css><LINK REL=StyleSheet MEDIA=all HREF=d.css>';
  expect(sheetsLinkedIn(html, names())).toEqual(['a', 'd']);
});
