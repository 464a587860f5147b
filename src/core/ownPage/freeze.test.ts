import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { parse, walk } from 'css-tree';
import { zipSync } from 'fflate';
import { ArchiveError } from '../files/unzip';
import { exchangeAddresses } from './cssAddresses';
import { decodeCss, decodeHtml } from './encoding';
import { leftWords, type FrozenPage } from './frozen';
import { openPages } from './openPages';
import { PageError } from './pageError';

const bytes = (text: string): Uint8Array<ArrayBuffer> =>
  new Uint8Array(Buffer.from(text, 'utf8')) as Uint8Array<ArrayBuffer>;
const file = (path: string, content: string | Uint8Array<ArrayBuffer>) => ({
  path,
  bytes: typeof content === 'string' ? bytes(content) : content,
});
const png = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3]);
const page = (html: string, ...files: ReturnType<typeof file>[]): FrozenPage =>
  openPages([file('Home.html', html), ...files])[0].page;
const text = ({ files }: FrozenPage, key: string): string =>
  Buffer.from(files.find((f) => f.key === key)!.bytes).toString();
const keyOf = ({ files }: FrozenPage, name: string): string =>
  files.find((f) => f.name === name)!.key;

describe('addresses in style sheets', () => {
  const all = (css: string) => exchangeAddresses(css, (address, use) => `<${use} ${address}>`);

  test.each([
    ['a{background:url(a.png)}', 'a{background:url("<file a.png>")}'],
    ['a{background:URL( "a b.png" )}', 'a{background:URL( "<file a b.png>" )}'],
    ["a{background:url('a\\'b.png')}", 'a{background:url("<file a\'b.png>")}'],
    ['a{background:url(a\\)b.png)}', 'a{background:url("<file a)b.png>")}'],
    ['@import "x.css" layer(a) screen;', '@import "<import x.css>" layer(a) screen;'],
    [
      '@import url(x.css) supports(display:grid);',
      '@import url("<import x.css>") supports(display:grid);',
    ],
    ['@import url("x.css");', '@import url("<import x.css>");'],
    [
      'a{background:image-set("a.png" 1x, url(b.png) 2x type("image/png"))}',
      'a{background:image-set("<file a.png>" 1x, url("<file b.png>") 2x type("image/png"))}',
    ],
    [
      'a{background:-webkit-image-set("a.png" 1x)}',
      'a{background:-webkit-image-set("<file a.png>" 1x)}',
    ],
    [
      '@font-face{src:url(f.woff2) format("woff2"),local("F")}',
      '@font-face{src:url("<file f.woff2>") format("woff2"),local("F")}',
    ],
    [
      '@namespace svg url(http://www.w3.org/2000/svg);',
      '@namespace svg url(http://www.w3.org/2000/svg);',
    ],
    ['a::before{content:"url(no.png)"}', 'a::before{content:"url(no.png)"}'],
    ['/* url(no.png) */a{--x:url(y.png)}', '/* url(no.png) */a{--x:url("<file y.png>")}'],
    ['@charset "utf-8";a{color:red}', '@charset "utf-8";a{color:red}'],
    ['.a{&:hover{mask:url(m.svg#x)}}', '.a{&:hover{mask:url("<file m.svg#x>")}}'],
  ])('%s', (css, wanted) => {
    expect(all(css)).toBe(wanted);
  });

  test('of any sheet css-tree finds the same addresses, and nothing else is touched', () => {
    const address = fc.stringMatching(/^[a-z]{1,6}\.(png|svg)$/);
    const quoted = fc
      .tuple(address, fc.constantFrom('"', "'", ''))
      .map(([a, q]) => `url(${q}${a}${q})`);
    const rule = fc
      .tuple(
        fc.constantFrom('a', '.b > c', '@media print{d', 'e::after'),
        fc.array(quoted, { maxLength: 3 }),
      )
      .map(
        ([selector, urls]) =>
          `${selector}{background:${urls.join(',') || 'none'}}${selector[0] === '@' ? '}' : ''}`,
      );
    fc.assert(
      fc.property(fc.array(rule, { maxLength: 6 }), (rules) => {
        const css = rules.join('\n');
        const found: string[] = [];
        walk(parse(css), (node) => {
          if (node.type === 'Url') {
            found.push(node.value);
          }
        });
        const met: string[] = [];
        expect(exchangeAddresses(css, (a) => void met.push(a))).toBe(css);
        expect(met).toEqual(found);
      }),
    );
  });
});

describe('encodings', () => {
  const latin = (s: string) => new Uint8Array(Buffer.from(s, 'latin1')) as Uint8Array<ArrayBuffer>;

  test.each([
    [
      'by a mark, whatever is said',
      decodeHtml(new Uint8Array([0xef, 0xbb, 0xbf, ...bytes('<meta charset=latin1>é')])),
      '<meta charset=latin1>é',
    ],
    [
      'UTF-16 by its mark',
      decodeHtml(new Uint8Array([0xff, 0xfe, ...Buffer.from('<p>é', 'utf16le')])),
      '<p>é',
    ],
    ['as it was served', decodeHtml(latin('<p>é'), 'iso-8859-1'), '<p>é'],
    [
      'as it says itself',
      decodeHtml(
        latin('<meta http-equiv=content-type content="text/html; charset=iso-8859-2">\xb1\xe9\xb3'),
      ).slice(-3),
      'ąéł',
    ],
    [
      'a document in ASCII cannot be UTF-16',
      decodeHtml(bytes('<meta charset="utf-16">é')).slice(-1),
      'é',
    ],
    ['UTF-8 where nothing is said', decodeHtml(bytes('<p>é')), '<p>é'],
    ['else what old pages are in', decodeHtml(latin('<p>é')), '<p>é'],
    ['an unknown name says nothing', decodeHtml(bytes('<meta charset="klingon">é')).slice(-1), 'é'],
    [
      'a sheet by its rule',
      decodeCss(latin('@charset "iso-8859-1";a{content:"é"}')).slice(-3),
      'é"}',
    ],
  ])('%s', (_, found, wanted) => {
    expect(found).toBe(wanted);
  });
});

describe('a page and its folder', () => {
  test('every use of a file is named by its key, and each file is there once', () => {
    const frozen = page(
      `<!doctype html><title> A  page </title>
       <link rel=stylesheet href="Home_files/style.css?v=2" media=screen>
       <style>@import "Home_files/more.css" layer(x); p{background:url(Home_files/a%20b.png)}</style>
       <body background="Home_files/A%20B.PNG" style="border-image:url('Home_files/a b.png') 3">
       <img src="./Home_files/a b.png" srcset="Home_files/a%20b.png 1x, Home_files/copy.png 2x">
       <picture><source srcset="Home_files/a%20b.png 300w"><img data-src="Home_files\\a b.png"></picture>
       <svg><image xlink:href="Home_files/a b.png"/><use href="#own"/><use href="Home_files/s.svg#part"/></svg>
       <video poster="Home_files/a b.png" src="Home_files/film.mp4"></video>`,
      file(
        'Home_files/style.css',
        '@import url("sub/deep.css") print; b{background:url(a b.png)} i{background:url("a b.png")}',
      ),
      file('Home_files/sub/deep.css', 'u{background:url(../a%20b.png)} @import "deep.css";'),
      file('Home_files/more.css', '@import "style.css"; @import "more.css";'),
      file('Home_files/a b.png', png),
      file('Home_files/copy.png', png.slice()),
      file('Home_files/s.svg', '<svg xmlns="http://www.w3.org/2000/svg"><g id="part"/></svg>'),
    );
    expect(frozen.title).toBe('A page');
    expect(frozen.files.map((f) => f.name).sort()).toEqual(
      ['a b.png', 'deep.css', 'more.css', 'nothing.css', 's.svg', 'style.css'].sort(),
    );
    const [picture, deep, style] = ['a b.png', 'deep.css', 'style.css'].map((n) =>
      keyOf(frozen, n),
    );
    for (const wanted of [
      `background="${picture}"`,
      `border-image:url("${picture}") 3`.replaceAll('"', '&quot;'),
      `<img src="${picture}" srcset="${picture} 1x, ${picture} 2x">`,
      `<source srcset="${picture} 300w">`,
      `src="${picture}"></picture>`,
      `xlink:href="${picture}"`,
      '<use href="#own">',
      `${keyOf(frozen, 's.svg')}#part`,
      `poster="${picture}"`,
      `href="${style}" media="screen"`,
    ]) {
      expect(frozen.html).toContain(wanted);
    }
    expect(text(frozen, style)).toContain(`@import url("${deep}") print;`);
    // Where it imports itself nothing comes in its place.
    expect(text(frozen, deep)).toContain(`@import "${keyOf(frozen, 'nothing.css')}"`);
    expect(text(frozen, deep)).toContain(`url("${picture}")`);
    expect(frozen.left).toEqual([{ what: 'plug-in', name: 'Home_files/film.mp4' }]);
    expect(frozen.missing).toEqual([]);
  });

  test('addresses of a disk and of the site’s root are found by their last names', () => {
    const frozen = page(
      `<img src="file:///C:/My%20pages/Home_files/x.png"><img src="/wp-content/uploads/y.png">
       <img src="/nowhere/z.png">`,
      file('Home_files/x.png', png),
      file('theme/wp-content/uploads/y.png', new Uint8Array([...png, 9])),
    );
    expect(frozen.files.map((f) => f.name)).toEqual(['x.png', 'y.png']);
    expect(frozen.missing).toEqual(['/nowhere/z.png']);
  });

  test('a style sheet written as an address is one all the same', () => {
    const inside = Buffer.from('b{background:url(a.png)}').toString('base64');
    const frozen = page(
      `<link rel=stylesheet href="data:text/css;base64,${inside}"><link rel=stylesheet href="data:text/css,i%7Bcolor:red%7D">`,
      file('a.png', png),
    );
    expect(frozen.files.map((f) => f.name)).toEqual(['a.png', 'inside.css', 'inside.css']);
    expect(text(frozen, frozen.files[1].key)).toBe('b{background:url("frozen:0")}');
    expect(text(frozen, frozen.files[2].key)).toBe('i{color:red}');
  });

  test('what nothing asks for is not kept, and a base is gone by', () => {
    const frozen = page(
      '<base href="parts/"><img src="a.png">',
      file('parts/a.png', png),
      file('parts/other.png', new Uint8Array([...png, 7])),
    );
    expect(frozen.files.map((f) => f.name)).toEqual(['a.png']);
    expect(frozen.html).not.toContain('<base');
  });

  test.each([
    ['<!doctype html><p>', '<!DOCTYPE html>'],
    ['<p>', '<html>'],
    ['<!DOCTYPE html PUBLIC "-//W3C//DTD HTML 3.2//EN"><p>', '<html>'],
    ['<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.0 Strict//EN" "x"><p>', '<!DOCTYPE html>'],
    [
      '<!DOCTYPE html PUBLIC "-//W3C//DTD HTML 4.01 Transitional//EN" "http://www.w3.org/TR/html4/loose.dtd"><p>',
      '<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.0 Transitional//EN"',
    ],
  ])('the mode of %s stays', (html, begins) => {
    expect(page(html).html.startsWith(begins)).toBe(true);
  });

  test('pages that frames showed are parts of theirs; other pages are pages', () => {
    const drop = [
      file('a/Home.html', '<p>Home</p>'),
      file('a/Home_files/saved.html', '<p>frame</p>'),
      file('a/Home-Dateien/werbung.htm', '<p>frame</p>'),
      file('a/about.html', '<p>About</p>'),
      file('a/blog/Home.html', '<p>Blog</p>'),
    ];
    const paths = ['a/Home.html', 'a/about.html', 'a/blog/Home.html'];
    expect(openPages(drop).map((p) => p.path)).toEqual(paths);
    const zip = zipSync(Object.fromEntries(drop.map((f) => [f.path, f.bytes])));
    const zipped = openPages([{ path: 'site.zip', bytes: zip as Uint8Array<ArrayBuffer> }]);
    expect(zipped.map((p) => p.path)).toEqual(paths);
  });
});

describe('what must not be kept', () => {
  const hostile = `<!doctype html><base href="https://evil.example/">
    <meta http-equiv=refresh content="0;url=https://evil.example"><meta http-equiv="Content-Security-Policy" content="x">
    <link rel=preload href=a.js as=script><link rel=dns-prefetch href=//evil.example><link rel=modulepreload href=m.js>
    <script>alert(1)</script><script src=https://evil.example/x.js></script><noscript><img src=https://evil.example/n.png></noscript>
    <body onload="alert(1)" oNClick=alert(2)>
    <a href="java&#10;script:alert(1)">a</a><a href=" JavaScript:alert(1)">b</a><a href="/fine">c</a>
    <form action="https://evil.example/post"><button formaction="javascript:alert(1)">x</button></form>
    <iframe src="https://evil.example/f.html" srcdoc="<script>alert(1)</script>"></iframe>
    <object data="x.swf"><embed src="https://evil.example/x.swf"></object>
    <img src="https://evil.example/p.gif" onerror="alert(1)"><img srcset="//evil.example/2.png 2x">
    <svg><script>alert(1)</script><a xlink:href="javascript:alert(1)"><text>t</text></a>
      <a><animate attributeName="href" values="javascript:alert(1)"/></a><use href="https://evil.example/s.svg#a"/></svg>
    <math><maction actiontype="statusline" href="javascript:alert(1)">m</maction></math>
    <template><img src=https://evil.example/t.png onerror=alert(1)></template>
    <style>@import "https://evil.example/i.css"; @font-face{src:url(//evil.example/f.woff)} p{background:url(https://evil.example/b.png)}</style>
    <p style="background:url(https://evil.example/c.png)">words enough to be a page, more than a frame alone would have, told in a line of some length</p>`;
  const frozen = page(hostile);

  test('no script, handler, frame’s content, refresh, hint or address from elsewhere is left', () => {
    expect(frozen.html).not.toMatch(
      /<script|<noscript|<base|<meta|<link|\son\w+=|srcdoc|javascript:|action=|x\.swf/i,
    );
    // Links alone keep where they lead, since style sheets ask for it.
    expect(frozen.html.replace(/<a href="[^"]*"/g, '<a')).not.toContain('evil.example');
    expect(frozen.html).toContain('<a href="/fine">c</a>');
    // Only what stands in for the style sheets is there, and it is empty.
    expect(frozen.files.map((f) => [f.name, f.bytes.length])).toEqual([['nothing.css', 0]]);
  });

  test('what was left out is told in words', () => {
    const kinds = new Set(frozen.left.map((l) => l.what));
    expect([...kinds].sort()).toEqual(
      ['elsewhere', 'frame', 'handler', 'hint', 'plug-in', 'refresh', 'script'].sort(),
    );
    expect(
      leftWords([
        { what: 'script', name: '' },
        { what: 'elsewhere', name: '' },
        { what: 'elsewhere', name: '' },
      ]),
    ).toBe('1 script and 2 things from elsewhere');
    expect(leftWords([])).toBe('');
  });
});

describe('what a browser would not come to the end of', () => {
  const deep = 'a{'.repeat(100);
  const drawn = (inside: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9">${inside}</svg>`;

  test.each([
    ['a style', `<style>${deep}</style>`],
    ['a style sheet', '<link rel=stylesheet href=deep.css>'],
    ['one that another brings in', '<style>@import "deep.css";</style>'],
    ['one in an address', `<link rel=stylesheet href="data:text/css,${deep}">`],
    ['a declaration', `<p style="--a:${'('.repeat(100)}">`],
    ['a colour of a drawing', `<svg><g fill="${'rgb(from '.repeat(100)}"/></svg>`],
  ])('%s is kept as far as it goes, and told', (_, html) => {
    const frozen = page(html, file('deep.css', deep));
    expect(frozen.left.map(({ what }) => what)).toEqual(['style']);
    const all = [frozen.html, ...frozen.files.map(({ key }) => text(frozen, key))].join('');
    expect(all.match(/a\{|\(/g)?.length ?? 0).toBeLessThanOrEqual(64);
  });

  test('all sheets of a page count together', () => {
    const chain = (from: number) =>
      Array.from({ length: 3000 }, (_, i) => `--v${from + i}:var(--v${from + i + 1})`).join(';');
    const html = (...from: number[]) => from.map((f) => `<style>a{${chain(f)}}</style>`).join('');
    expect(page(html(0, 0)).left).toEqual([]);
    expect(page(html(0, 3000)).left.map(({ what }) => what)).toEqual(['style']);
  });

  test.each([
    ['a file', '<img src=deep.svg>'],
    ['one that a rule lays', '<style>a{background:url(deep.svg#part)}</style>'],
    [
      'one in an address',
      `<img src="data:image/svg+xml,${drawn(`<style>${deep}</style>`).replaceAll('"', "'")}">`,
    ],
    ['one in 64', `<img src="data:image/svg+xml;base64,${btoa(drawn(`<style>${deep}</style>`))}">`],
  ])('a drawing goes as a whole: %s', (_, html) => {
    const frozen = page(html, file('deep.svg', drawn(`<style>${deep}</style>`)));
    expect(frozen.left.map(({ what }) => what)).toEqual(['drawing']);
    expect(frozen.html).not.toContain(deep);
    expect(frozen.files).toEqual([]);
  });

  test('drawings in the page go together, since any may use any', () => {
    const again = (id: number) => `<use href="#n${id}"/>`.repeat(3);
    const parts = (levels: number) =>
      Array.from({ length: levels }, (_, i) => `<g id="n${i}">${again(i + 1)}</g>`).join('');
    const html = (levels: number) =>
      `<svg><g id="n${levels}"><path d="M0 0"/></g>${parts(levels)}</svg><p>x</p><svg>${again(0)}</svg>`;
    expect(page(html(6)).left).toEqual([]);
    expect(page(html(6)).html).toContain('href="#n0"');
    const frozen = page(html(20));
    expect(frozen.left.map(({ what }) => what)).toEqual(['drawing']);
    expect(frozen.html).toContain('<svg></svg><p>x</p><svg></svg>');
  });

  test('a condition of a picture or sheet goes, what it stands at stays', () => {
    const nested = `${'('.repeat(100)}color${')'.repeat(100)}`;
    const frozen = page(
      `<link rel=stylesheet href=a.css media="${nested}"><img src=a.png srcset="a.png 9w" sizes="${nested} 9px">`,
      file('a.css', 'a{}'),
      file('a.png', png),
    );
    expect(frozen.html).toMatch(/<link rel="stylesheet" href="frozen:\d">/);
    expect(frozen.html).not.toContain(nested);
  });
});

describe('a page saved as one file', () => {
  const mime = (parts: string, end = '--b--\r\n') =>
    `From: <Saved by a browser>\r\nSubject: Home\r\nMIME-Version: 1.0\r\nContent-Type: multipart/related;\r\n\ttype="text/html";\r\n\tboundary="b"\r\n\r\n${parts}${end}`;
  const parts = [
    '--b\r\nContent-Type: text/html; charset=utf-8\r\nContent-Transfer-Encoding: quoted-printable\r\nContent-Location: https://clay.example/a/home\r\n\r\n<!doctype html><title>K=C3=A9ramik</title><link rel=3D"stylesheet" href=3D"../s.css"><link rel=3Dstylesheet href=3Dcid:css-1@x><img src=3D"https://clay.exam=\r\nple/p.png?x=3D1"><img src=3D"https://other.example/no.png">\r\n',
    '--b\r\nContent-Type: text/css\r\nContent-Transfer-Encoding: 7bit\r\nContent-Location: https://clay.example/s.css\r\n\r\nb{background:url(p.png?x=1)}\r\n',
    '--b\r\nContent-Type: text/css\r\nContent-ID: <css-1@x>\r\nContent-Location: cid:css-1@x\r\n\r\ni{color:red}\r\n',
    `--b\r\nContent-Type: image/png\r\nContent-Transfer-Encoding: base64\r\nContent-Location: https://clay.example/p.png?x=1\r\n\r\n${Buffer.from(png).toString('base64')}\r\n`,
  ].join('');

  test('its parts are found by where the browser had them from', () => {
    const [{ page: frozen }] = openPages([file('home.mhtml', mime(parts))]);
    expect(frozen.title).toBe('Kéramik');
    expect(frozen.files.map((f) => [f.name, f.type])).toEqual([
      ['p.png', 'image/png'],
      ['s.css', 'text/css'],
      ['css-1@x', 'text/css'],
    ]);
    const key = keyOf(frozen, 'p.png');
    expect([...frozen.files[0].bytes]).toEqual([...png]);
    expect(text(frozen, keyOf(frozen, 's.css'))).toBe(`b{background:url("${key}")}`);
    expect(frozen.html).toContain(`<img src="${key}">`);
    expect(frozen.left).toEqual([{ what: 'elsewhere', name: 'https://other.example/no.png' }]);
  });

  test('one that breaks off, and one without a document, are refused in words', () => {
    expect(() => openPages([file('home.mhtml', mime(parts, ''))])).toThrow(
      new PageError('home.mhtml: expected a whole saved page, found one that breaks off.'),
    );
    const style = '--b\r\nContent-Type: text/css\r\n\r\na{}\r\n';
    expect(() => openPages([file('home.mht', mime(style))])).toThrow(
      'home.mht: expected a page, found 1 part and no document among them.',
    );
  });

  test('whatever is damaged, only a refusal in words comes of it', () => {
    const whole = Buffer.from(mime(parts));
    fc.assert(
      fc.property(
        fc.nat(whole.length - 1),
        fc.uint8Array({ minLength: 1, maxLength: 40 }),
        fc.boolean(),
        (at, noise, cut) => {
          const damaged = cut
            ? whole.subarray(0, at)
            : Buffer.concat([whole.subarray(0, at), noise, whole.subarray(at + noise.length)]);
          try {
            openPages([{ path: 'x.mhtml', bytes: new Uint8Array(damaged) }]);
          } catch (error) {
            expect(error instanceof PageError || error instanceof ArchiveError).toBe(true);
            expect((error as Error).message).toMatch(/: expected .*, found /);
          }
        },
      ),
      { numRuns: randomRuns(300) },
    );
  });
});

describe('what is refused', () => {
  const nested = `<!doctype html>${'<div>'.repeat(10_000)}x`;
  test.each<[string, ReturnType<typeof file>[], string]>([
    [
      'a PDF',
      [file('page.html', '%PDF-1.7 …')],
      'page.html: expected a page, found a PDF document.',
    ],
    ['a picture', [file('page.html', png)], 'page.html: expected a page, found a picture.'],
    [
      'plain text',
      [file('page.htm', 'just words')],
      'page.htm: expected a page, found text without any tag.',
    ],
    ['no page at all', [file('x/notes.txt', 'a b')], 'notes.txt: expected a saved page'],
    [
      '50 MB',
      [file('page.html', `<p>${'x'.repeat(50 * 2 ** 20)}`)],
      'page.html: expected a document of at most 20.0 MB, found 50.0 MB.',
    ],
    [
      '10,000 elements inside each other',
      [file('page.html', nested)],
      'page.html: expected at most 512 elements inside each other, found more.',
    ],
    [
      'a sheet of 5 MB',
      [file('page.html', '<p>x'), file('s.css', 'a{}'.padEnd(5 * 2 ** 20))],
      's.css: expected a style sheet of at most 4.0 MB, found 5.0 MB.',
    ],
    [
      'only a frame',
      [file('page.html', '<iframe src="x.html"></iframe>')],
      'page.html: expected a page, found only a frame around another.',
    ],
    [
      'old frames',
      [file('page.html', '<frameset cols="*"><frame src=a.html></frameset>')],
      'page.html: expected a page, found only a frame',
    ],
    [
      'a login wall',
      [file('page.html', '<form><h1>Log in</h1><input type=password></form>')],
      'page.html: expected a page, found one that asks for a password.',
    ],
  ])('%s', (_, files, message) => {
    expect(() => openPages(files)).toThrow(message);
  });
});
