import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import { deepDocuments, deepDrawings, deepSheets } from './deepCorpus.fixture';

/*
 * Files that nobody would make, and some that everybody has, for every door of the program. Made
 * anew each time, and the same each time.
 */

type Bytes = Uint8Array<ArrayBuffer>;

/** What takes a file in. */
export type Door =
  | 'picture'
  | 'sheet'
  | 'archive'
  | 'page'
  | 'set'
  | 'tokens'
  | 'visitors'
  | 'font'
  | 'openRaster'
  | 'site'
  | 'recipe';

export interface Specimen {
  readonly door: Door;
  /** Of the file, with its ending. */
  readonly name: string;
  readonly bytes: Bytes;
}

const text = (words: string): Bytes => strToU8(words) as Bytes;
const wide = (words: string): Bytes => new Uint8Array(Buffer.from(`\ufeff${words}`, 'utf16le'));

/** Numbers that are the same in every run (Numerical Recipes' linear congruential generator). */
function numbers(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

/** A file broken off, and one with bytes of it changed, at some places each. */
function broken(door: Door, name: string, whole: Uint8Array, times: number): Specimen[] {
  const [, stem, ending] = /^(.*)\.(\w+)$/.exec(name)!;
  const next = numbers(whole.length + times);
  return Array.from({ length: times }, (_, i) => {
    const cut = whole.slice(0, Math.floor((whole.length * (i + 0.5)) / times)) as Bytes;
    const changed = whole.slice() as Bytes;
    for (let k = 0; k <= i; k++) {
      changed[Math.floor(next() * changed.length)] = Math.floor(next() * 256);
    }
    return [
      { door, name: `${stem}-cut-${i}.${ending}`, bytes: cut },
      { door, name: `${stem}-changed-${i}.${ending}`, bytes: changed },
    ];
  }).flat();
}

/** A PNG of a size that it says it has, and of nothing else. */
function pngOf(width: number, height: number, depth = 8, kind = 6): Bytes {
  const out = Buffer.alloc(33);
  Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex').copy(out);
  out.writeUInt32BE(width >>> 0, 16);
  out.writeUInt32BE(height >>> 0, 20);
  out.set([depth, kind, 0, 0, 0], 24);
  return new Uint8Array(out);
}

const svg = (inside: string, attributes = 'width="40" height="30"'): Bytes =>
  text(
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inside}</svg>`,
  );

async function pictures(): Promise<Specimen[]> {
  const noise = numbers(7);
  const px = Buffer.from(Uint8Array.from({ length: 60 * 40 * 3 }, () => noise() * 256));
  const raw = () => sharp(px, { raw: { width: 60, height: 40, channels: 3 } });
  const frames = sharp(Buffer.concat([px, px]), {
    raw: { width: 60, height: 80, channels: 3, pageHeight: 40 },
  });
  const files: [string, Promise<Buffer>][] = [
    ['plain.jpg', raw().jpeg().toBuffer()],
    ['progressive.jpg', raw().jpeg({ progressive: true }).toBuffer()],
    ['cmyk.jpg', raw().toColourspace('cmyk').jpeg().toBuffer()],
    ['grey.jpg', raw().greyscale().jpeg().toBuffer()],
    ['p3.jpg', raw().withIccProfile('p3').jpeg().toBuffer()],
    ['plain.png', raw().png().toBuffer()],
    ['deep.png', raw().toColourspace('rgb16').png().toBuffer()],
    ['palette.png', raw().png({ palette: true }).toBuffer()],
    ['interlaced.png', raw().png({ progressive: true }).toBuffer()],
    ['alpha.png', raw().ensureAlpha(0.3).png().toBuffer()],
    ['lossy.webp', raw().webp().toBuffer()],
    ['exact.webp', raw().ensureAlpha(0.5).webp({ lossless: true }).toBuffer()],
    ['moving.webp', frames.clone().webp().toBuffer()],
    ['plain.gif', raw().gif().toBuffer()],
    ['moving.gif', frames.clone().gif().toBuffer()],
    ['plain.avif', raw().avif({ effort: 0 }).toBuffer()],
    ['scan.tiff', raw().tiff().toBuffer()],
    ['line.png', raw().resize(5000, 1, { fit: 'fill' }).png().toBuffer()],
    ['column.jpg', raw().resize(1, 5000, { fit: 'fill' }).jpeg().toBuffer()],
    ['dot.png', raw().resize(1, 1).png().toBuffer()],
    ...[2, 3, 4, 5, 6, 7, 8].map((orientation): [string, Promise<Buffer>] => [
      `turned-${orientation}.jpg`,
      raw().withMetadata({ orientation }).jpeg().toBuffer(),
    ]),
  ];
  const whole = new Map<string, Bytes>();
  for (const [name, file] of files) {
    whole.set(name, new Uint8Array(await file));
  }
  const spoiled = [
    'plain.jpg',
    'progressive.jpg',
    'plain.png',
    'exact.webp',
    'plain.gif',
    'plain.avif',
  ];
  const drawings: [string, Bytes][] = [
    [
      'script',
      svg('<script>fetch("https://example.invalid/s")</script><rect width="9" height="9"/>'),
    ],
    ['handler', svg('<rect width="9" height="9" onload="fetch(\'https://example.invalid/h\')"/>')],
    ['outside', svg('<image href="https://example.invalid/i.png" width="9" height="9"/>')],
    ['file', svg('<image href="file:///etc/passwd" width="9" height="9"/>')],
    [
      'import',
      svg(
        '<style>@import url(https://example.invalid/c.css); rect{fill:red}</style><rect width="9" height="9"/>',
      ),
    ],
    [
      'foreign',
      svg(
        '<foreignObject width="9" height="9"><body xmlns="http://www.w3.org/1999/xhtml"><iframe src="https://example.invalid/f"/></body></foreignObject>',
      ),
    ],
    [
      'entities',
      text(
        `<?xml version="1.0"?><!DOCTYPE svg [${Array.from({ length: 12 }, (_, i) => `<!ENTITY e${i + 1} "${`&e${i};`.repeat(10)}">`).join('')}<!ENTITY e0 "x">]><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><text>&e12;</text></svg>`,
      ),
    ],
    [
      'entity',
      text(
        '<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY p SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><text>&p;</text></svg>',
      ),
    ],
    ['itself', svg('<g id="a"><use xlink:href="#a"/></g><use xlink:href="#a"/>')],
    [
      'doubling',
      svg(
        `<defs><g id="u0"><rect width="1" height="1"/></g>${Array.from({ length: 20 }, (_, i) => `<g id="u${i + 1}"><use xlink:href="#u${i}"/><use xlink:href="#u${i}"/></g>`).join('')}</defs><use xlink:href="#u20"/>`,
      ),
    ],
    ...deepDrawings.map(([name, inside]): [string, Bytes] => [name, svg(inside)]),
    ['open styles', svg(`<g>${'<style>'.repeat(30_000)}</g>`)],
    ['open masks', svg(`<g>${'<mask '.repeat(30_000)}</g>`)],
    ['deep', svg('<g>'.repeat(20_000) + '</g>'.repeat(20_000))],
    ['many', svg('<rect width="1" height="1"/>'.repeat(50_000))],
    ['path', svg(`<path d="M0 0${'L9 9 0 3'.repeat(100_000)}"/>`)],
    ['huge', svg('<rect width="9" height="9"/>', 'width="90000" height="90000"')],
    ['endless', svg('<rect width="9" height="9"/>', 'width="1e400" height="1e400"')],
    ['none', svg('<rect width="9" height="9"/>', 'width="0" height="0"')],
    ['negative', svg('<rect width="9" height="9"/>', 'width="-5" height="-5"')],
    ['unsized', svg('<rect width="9" height="9"/>', 'viewBox="0 0 40 30"')],
    ['unsized at all', svg('<rect width="9" height="9"/>', '')],
    [
      'blurred',
      svg(
        '<filter id="f"><feGaussianBlur stdDeviation="4000"/></filter><rect width="9" height="9" filter="url(#f)"/>',
      ),
    ],
    [
      'turbulent',
      svg(
        '<filter id="f"><feTurbulence baseFrequency="9" numOctaves="400"/></filter><rect width="40" height="30" filter="url(#f)"/>',
      ),
    ],
    ['open', text('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect')],
    ['wide', wide('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')],
    ['zero', text('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9">\u0000</svg>')],
    ['comment', text(`<!--${'-'.repeat(300_000)}`)],
    [
      'attributes',
      svg(
        '',
        `width="9" height="9" ${Array.from({ length: 20_000 }, (_, i) => `a${i}="1"`).join(' ')}`,
      ),
    ],
  ];
  const lies: [string, Bytes][] = [
    ['large.png', pngOf(60_000, 60_000)],
    ['largest.png', pngOf(2 ** 32 - 1, 2 ** 32 - 1)],
    ['empty-of-px.png', pngOf(0, 40)],
    ['of-no-kind.png', pngOf(40, 30, 3, 9)],
    ['no-data.png', pngOf(40, 30)],
    [
      'large.jpg',
      Uint8Array.from([
        255, 216, 255, 192, 0, 17, 8, 255, 255, 255, 255, 3, 1, 17, 0, 2, 17, 0, 3, 17, 0,
      ]),
    ],
    ['large.gif', Uint8Array.from([...text('GIF89a'), 255, 255, 255, 255, 0, 0, 0, 59])],
    [
      'large.webp',
      Uint8Array.from([
        ...text('RIFF'),
        22,
        0,
        0,
        0,
        ...text('WEBPVP8X'),
        10,
        0,
        0,
        0,
        0,
        0,
        0,
        0,
        255,
        255,
        255,
        255,
        255,
        255,
      ]),
    ],
    ['nothing.png', new Uint8Array(0)],
    ['one-byte.jpg', Uint8Array.from([255])],
    ['words.jpg', text('this is no picture')],
    ['page.png', text('<!doctype html><script>alert(1)</script>')],
    ['program.png', Uint8Array.from([0x7f, 0x45, 0x4c, 0x46, 2, 1, 1, 0])],
    ['sheet.gif', text('GIF89a{color:red}')],
  ];
  return [
    ...[...whole, ...lies].map(([name, bytes]) => ({ door: 'picture' as const, name, bytes })),
    ...drawings.map(([name, bytes]) => ({ door: 'picture' as const, name: `${name}.svg`, bytes })),
    ...spoiled.flatMap((name) => broken('picture', name, whole.get(name)!, 6)),
  ];
}

/** Style sheets, which come as themes, in sets and with pages. */
const sheets: readonly (readonly [string, string])[] = [
  ['empty', ''],
  ['open string', `a{color:red} b{content:"${'x'.repeat(1_000_000)}`],
  ['open comment', `a{color:red} /*${'*'.repeat(1_000_000)}`],
  ['open address', `a{background:url(${'('.repeat(200_000)}`],
  ['open block', 'a{'.repeat(20_000)],
  ['closed blocks', '}'.repeat(500_000)],
  ['ats', '@'.repeat(100_000)],
  ['backslashes', '\\'.repeat(500_000)],
  ['nested media', `${'@media all{'.repeat(20_000)}a{color:red}`],
  ['nested rules', `${'a{'.repeat(2000)}color:red${'}'.repeat(2000)}`],
  ['nested brackets', `a{width:${'calc('.repeat(20_000)}1px${')'.repeat(20_000)}}`],
  ['nested nots', `${':not('.repeat(5000)}a${')'.repeat(5000)}{color:red}`],
  ['rules', 'a{color:#a4553a}'.repeat(40_000)],
  ['colours', `a{--x:${'#123456,'.repeat(20_000)}}`],
  ['selectors', `${'a,'.repeat(50_000)}b{color:red}`],
  ['open nots', `${':not('.repeat(50_000)}a{color:red}`],
  ['open comments', `${'a/*'.repeat(100_000)}{color:red}`],
  ['long selector', `.${'a'.repeat(500_000)}{color:red}`],
  ['circle', ':root{--a:var(--b);--b:var(--a)} a{color:var(--a)}'],
  ['itself', ':root{--a:var(--a,var(--a))} a{color:var(--a)}'],
  [
    'chain',
    `:root{--v0:red;${Array.from({ length: 20_000 }, (_, i) => `--v${i + 1}:var(--v${i})`).join(';')}} a{color:var(--v20000)}`,
  ],
  [
    'doubling',
    `:root{--d0:#fff;${Array.from({ length: 40 }, (_, i) => `--d${i + 1}:var(--d${i}) var(--d${i})`).join(';')}} a{color:var(--d40)}`,
  ],
  ['stops', `a{background:linear-gradient(${'red,blue,'.repeat(5000)}red)}`],
  [
    'numbers',
    'a{width:1e400px;height:-1e400px;color:rgb(1e99 -1e99 nan);margin:calc(1px/0);opacity:infinity}',
  ],
  ['mixes', `a{color:${'color-mix(in srgb,'.repeat(2000)}red${',blue)'.repeat(2000)}}`],
  ['data', `a{background:url(data:image/png;base64,${'A'.repeat(1_000_000)})}`],
  [
    'data of nothing',
    'a{background:url(data:image/svg+xml,%3Csvg%20onload%3Dalert(1)%3E);b:url(data:,)}',
  ],
  ['zeros', 'a{color:red\u0000}\u0000b{\u0000}'],
  [
    'imports',
    '@import url(https://example.invalid/a.css);@import "b.css" layer(x) supports(a:b) screen;'.repeat(
      2000,
    ),
  ],
  ['charset', '@charset "no such";a{color:red}'],
  [
    'prototype',
    ':root{--__proto__:red;--constructor:blue} .__proto__{color:var(--__proto__)} a{constructor:red}',
  ],
  ['frames', `@keyframes a{${'0%{color:red}'.repeat(20_000)}}`],
  ['ranges', '@font-face{font-family:a;src:url(x);unicode-range:U+0-10FFFF,U+????????}'],
  ['scopes', `${'@scope(a){@layer b{@container (width>1px){'.repeat(3000)}`],
  ...deepSheets,
];

/** Sources that sheets are compiled from. */
const sources: readonly (readonly [string, string])[] = [
  ['blanks.scss', `$a: ${' '.repeat(200_000)}{`],
  ['slashes.scss', `$a: ${'/'.repeat(200_000)}{`],
  ['flags.scss', `$a: red ${'!default'.repeat(50_000)}`],
  ['open comments.less', `@a: #fff;${'/*'.repeat(200_000)}`],
  ['equals.styl', `a = ${' ;'.repeat(200_000)}x`],
  ['colons.sass', `$a${' : '.repeat(100_000)}`],
];

/** Documents of pages. */
const documents: readonly (readonly [string, string])[] = [
  ['empty', ''],
  ['deep', '<div>'.repeat(20_000)],
  ['links', '<a><div>'.repeat(2000)],
  ['fonts', '<font color=red>'.repeat(5000)],
  ['tables', '<table><tr><td>'.repeat(1500)],
  ['foster', `<table>${'<b>x'.repeat(5000)}`],
  ['templates', '<template>'.repeat(3000)],
  ['many', '<p>x'.repeat(40_000)],
  ['attributes', `<p ${Array.from({ length: 20_000 }, (_, i) => `a${i}=1`).join(' ')}>`],
  ['long attribute', `<p title="${'x'.repeat(1_000_000)}">`],
  ['open tag', `<p ${'x'.repeat(500_000)}`],
  ['open comment', `<p>x<!--${'-'.repeat(500_000)}`],
  [
    'scripts',
    '<script>fetch("https://example.invalid/s")</script><p onclick=alert(1) onmouseover=alert(2)>x<a href="javascript:alert(3)">y</a><img src=x onerror=alert(4)>',
  ],
  [
    'drawn scripts',
    '<svg onload=alert(1)><script>alert(2)</script><animate onbegin=alert(3) attributeName=x /><a xlink:href="javascript:alert(4)">x</a></svg>',
  ],
  [
    'mathematics',
    '<math><mtext><table><mglyph><style><!--</style><img title="--&gt;&lt;img src=1 onerror=alert(1)&gt;">',
  ],
  ['hidden in noscript', '<noscript><p title="</noscript><img src=x onerror=alert(1)>">'],
  ['plain text', '<plaintext><script>alert(1)</script>'],
  [
    'base',
    '<base href="https://example.invalid/"><img src="a.png"><link rel=stylesheet href="b.css">',
  ],
  ['base of a script', '<base href="javascript:alert(1)//"><a href="x">x</a>'],
  ['refresh', '<meta http-equiv=refresh content="0;url=https://example.invalid/"><p>x'],
  [
    'policy',
    '<meta http-equiv="Content-Security-Policy" content="script-src *"><script>alert(1)</script>',
  ],
  ['frames', '<frameset><frame src="https://example.invalid/"></frameset>'],
  [
    'frame',
    '<iframe srcdoc="<script>alert(1)</script>"></iframe><object data="x.swf"></object><embed src="x">',
  ],
  ['forms', '<form action="https://example.invalid/"><input autofocus onfocus=alert(1)></form>'],
  ['entities', `<p>${'&amp;'.repeat(100_000)}&#x110000;&#0;&notanentity;&`],
  [
    'styles',
    `<style>${'@import "a.css";'.repeat(5000)}</style><p style="${'background:url(x);'.repeat(5000)}">`,
  ],
  ['half a style', '<style>a{background:url("</style><script>alert(1)</script>'],
  ['sets', `<img srcset="${'a.png 1x,'.repeat(20_000)}">`],
  [
    'addresses',
    '<img src="//example.invalid/a"><img src="\\\\example.invalid\\a"><img src="http:/\\example.invalid"><img src="data:text/html,<script>alert(1)</script>"><img src=" java\nscript:alert(1)">',
  ],
  ['doctype', `<!DOCTYPE html PUBLIC "${'x'.repeat(200_000)}"><p>x`],
  ['zero', '<p>\u0000x<scr\u0000ipt>alert(1)</scr\u0000ipt>'],
  [
    'shadow',
    '<div><template shadowrootmode=open><script>alert(1)</script><slot></slot></template></div>',
  ],
  [
    'portal',
    '<link rel=preload as=script href="https://example.invalid/s"><link rel=prefetch href="https://example.invalid/p"><a ping="https://example.invalid/ping" href=x>x</a>',
  ],
];

const mime = (head: string, body: string): Bytes =>
  text(`From: <x>\r\nMIME-Version: 1.0\r\n${head}\r\n\r\n${body}`);

function pages(): Specimen[] {
  const related = 'Content-Type: multipart/related; type="text/html"; boundary="b"';
  const part = (type: string, how: string, content: string) =>
    `--b\r\nContent-Type: ${type}\r\nContent-Transfer-Encoding: ${how}\r\nContent-Location: http://x.invalid/${type}\r\n\r\n${content}\r\n`;
  const html = part('text/html', 'quoted-printable', '<p>x=3D</p>');
  const mimes: [string, Bytes][] = [
    ['whole', mime(related, `${html}--b--`)],
    ['no boundary', mime('Content-Type: multipart/related; type="text/html"', html)],
    ['not ended', mime(related, html)],
    ['no part', mime(related, '--b--')],
    ['no page', mime(related, `${part('image/png', 'base64', 'AAAA')}--b--`)],
    ['broken base64', mime(related, `${html}${part('image/png', 'base64', '!!!=A=')}--b--`)],
    [
      'broken signs',
      mime(related, `${part('text/html', 'quoted-printable', '<p>=ZZ=\r\n=')}--b--`),
    ],
    ['unknown coding', mime(related, `${part('text/html', 'x-own', '<p>x')}--b--`)],
    ['parts', mime(related, `${part('image/png', 'base64', 'AAAA').repeat(3000)}${html}--b--`)],
    ['long head', mime(`${related}\r\nX: ${'x'.repeat(500_000)}`, `${html}--b--`)],
    ['folded heads', mime(`${related}${'\r\n x'.repeat(50_000)}`, `${html}--b--`)],
    ['boundaries', mime(related, '--b\r\n'.repeat(50_000))],
    [
      'nested',
      mime(
        related,
        `${part('multipart/related; boundary="c"', '7bit', `--c\r\nContent-Type: text/html\r\n\r\n<p>x\r\n--c--`)}--b--`,
      ),
    ],
    ['charset', mime(related, `${part('text/html; charset=no-such', '8bit', '<p>x')}--b--`)],
  ];
  return [
    ...[...documents, ...deepDocuments].map(([name, html_]) => ({
      door: 'page' as const,
      name: `${name}.html`,
      bytes: text(html_),
    })),
    { door: 'page' as const, name: 'wide.html', bytes: wide('<title>x</title><p>x') },
    {
      door: 'page' as const,
      name: 'noise.html',
      bytes: Uint8Array.from({ length: 5000 }, (_, i) => (i * 7919) % 256),
    },
    ...mimes.map(([name, bytes]) => ({ door: 'page' as const, name: `${name}.mhtml`, bytes })),
    ...broken('page', 'whole.mhtml', mimes[0][1], 4),
  ];
}

function archives(): Specimen[] {
  const whole = zipSync({
    'style.css': text('a{color:#a4553a;background:url(i/x.png)}'),
    'i/x.png': pngOf(4, 4),
  });
  const changed = (change: (bytes: Buffer) => void): Bytes => {
    const bytes = Buffer.from(whole);
    change(bytes);
    return new Uint8Array(bytes);
  };
  const listed = whole.length - 22 - 2 * 46 - 'style.css'.length - 'i/x.png'.length;
  const files: [string, Bytes][] = [
    ['nothing', zipSync({}) as Bytes],
    ['its end alone', whole.slice(-22) as Bytes],
    ['leads out', zipSync({ '../../x.css': text('a{}') }) as Bytes],
    ['from the root', zipSync({ '/etc/x.css': text('a{}') }) as Bytes],
    ['other slashes', zipSync({ '..\\..\\x.css': text('a{}') }) as Bytes],
    ['a drive', zipSync({ 'c:/x.css': text('a{}') }) as Bytes],
    ['prototype', zipSync({ '__proto__/constructor.css': text('a{color:red}') }) as Bytes],
    ['long names', zipSync({ [`${'d/'.repeat(5000)}x.css`]: text('a{}') }) as Bytes],
    [
      'many',
      zipSync(
        Object.fromEntries(Array.from({ length: 2500 }, (_, i) => [`${i}.css`, text('a{}')])),
      ) as Bytes,
    ],
    ['flood', zipSync({ 'x.css': [new Uint8Array(60e6), { level: 9 }] }) as Bytes],
    ['in itself', zipSync({ 'a.zip': zipSync({ 'b.zip': whole }) }) as Bytes],
    ['locked', changed((b) => b.writeUInt16LE(1, listed + 8))],
    ['of another kind', changed((b) => b.writeUInt16LE(97, listed + 10))],
    ['says it is larger', changed((b) => b.writeUInt32LE(2 ** 31, listed + 24))],
    ['says it is smaller', changed((b) => b.writeUInt32LE(3, listed + 24))],
    ['says it is elsewhere', changed((b) => b.writeUInt32LE(2 ** 31, listed + 42))],
    ['says it has more', changed((b) => b.writeUInt16LE(65_535, whole.length - 12))],
  ];
  return [
    ...files.map(([name, bytes]) => ({ door: 'archive' as const, name: `${name}.zip`, bytes })),
    ...broken('archive', 'whole.zip', whole, 6),
  ];
}

const deep = (levels: number): string => `${'{"a":'.repeat(levels)}1${'}'.repeat(levels)}`;

/** JSON that is not what was asked for, and some that is not JSON. */
const values: readonly (readonly [string, string])[] = [
  ['nothing', ''],
  ['null', 'null'],
  ['list', '[]'],
  ['number', '1e400'],
  ['half', '{"a":'],
  ['deep', deep(100_000)],
  ['deep lists', '['.repeat(100_000)],
  ['many', `[${'1,'.repeat(2_500_000)}1]`],
  ['members', `{${Array.from({ length: 150_000 }, (_, i) => `"k${i}":1`).join(',')},"z":1}`],
  ['prototype', '{"__proto__":{"polluted":true},"constructor":{"prototype":{"polluted":true}}}'],
  ['twice', '{"schemaVersion":1,"schemaVersion":99999}'],
  ['newer', '{"schemaVersion":99999,"recipeVersion":99999}'],
  [
    'words for numbers',
    '{"schemaVersion":"18","recipeVersion":"1","id":5,"pages":"x","steps":{"length":9}}',
  ],
  ['surrogates', '{"name":"\\ud800","a":"\\u0000"}'],
  ['page', '<!doctype html><p>x'],
];

const json = (door: Door, ending: string): Specimen[] =>
  values.map(([name, value]) => ({ door, name: `${name}.${ending}`, bytes: text(value) }));

const visitors: readonly (readonly [string, string])[] = [
  ['nothing', ''],
  ['head alone', 'width,share\n'],
  ['lines', '1280,1\n'.repeat(190_000)],
  ['widths', Array.from({ length: 3000 }, (_, i) => `${300 + i},1`).join('\n')],
  ['long numbers', `1280,${'9'.repeat(400)}\n1440,5`],
  ['negative', '1280,-5\n1440,5'],
  ['no numbers', '1280,NaN\n1440,Infinity'],
  ['quotes', `"${'"'.repeat(100_000)}`],
  ['one line', '1280,1,'.repeat(200_000)],
  ['separators', ';;;;\n,,,,\n\t\t\t'],
  ['formulas', '=cmd|calc,1\n+1280,2\n1280,3'],
  ['zero', '1280\u0000,1\n'],
  ['page', '<!doctype html><script>alert(1)</script>'],
];

const stacks: readonly (readonly [string, string])[] = [
  ['nothing', ''],
  ['no picture', '<x/>'],
  [
    'layers',
    `<image w="9" h="9"><stack>${'<layer src="data/a.png"/>'.repeat(3000)}</stack></image>`,
  ],
  ['groups', `<image w="9" h="9">${'<stack>'.repeat(5000)}${'</stack>'.repeat(5000)}</image>`],
  [
    'numbers',
    '<image w="1e9" h="-1"><stack><layer src="data/a.png" x="NaN" y="1e400" opacity="9"/></stack></image>',
  ],
  ['leads out', '<image w="9" h="9"><stack><layer src="../../etc/passwd"/></stack></image>'],
  [
    'entities',
    '<!DOCTYPE image [<!ENTITY a "&a;&a;">]><image w="9" h="9"><stack><layer src="&a;"/></stack></image>',
  ],
  ['not there', '<image w="9" h="9"><stack><layer src="data/none.png"/></stack></image>'],
  ['open', '<image w="9" h="9"><stack><layer'],
  [
    'long',
    `<image w="9" h="9"><stack><layer name="${'x'.repeat(900_000)}" src="data/a.png"/></stack></image>`,
  ],
];

function fonts(): Specimen[] {
  const file = new Uint8Array(readFileSync('public/vendor/fonts-4/caveat.woff2'));
  const signs = ['wOFF', 'wOF2', 'OTTO', 'true', 'ttcf', '\u0000\u0001\u0000\u0000'];
  return [
    { door: 'font', name: 'whole.woff2', bytes: file },
    ...broken('font', 'whole.woff2', file, 8),
    ...signs.map((sign, i) => ({
      door: 'font' as const,
      name: `sign-${i}.ttf`,
      bytes: Uint8Array.from([
        ...text(sign),
        ...Array.from({ length: 400 }, (_, k) => (k * 131) % 256),
      ]),
    })),
    {
      door: 'font',
      name: 'tables.ttf',
      bytes: Uint8Array.from([0, 1, 0, 0, 255, 255, 0, 0, 0, 0, 0, 0]),
    },
  ];
}

/** Every file of it. */
export async function corpus(): Promise<Specimen[]> {
  const painted = await pictures();
  const named = (name: string) => painted.find((one) => one.name === name)!.bytes;
  return [
    ...painted,
    ...sheets.map(([name, css]) => ({
      door: 'sheet' as const,
      name: `${name}.css`,
      bytes: text(css),
    })),
    ...sheets.map(([name, css]) => ({
      door: 'set' as const,
      name: `${name}.css`,
      bytes: text(css),
    })),
    ...sources.map(([name, source]) => ({ door: 'set' as const, name, bytes: text(source) })),
    ...painted
      .filter(({ name }) => name.endsWith('.svg'))
      .map((one) => ({ ...one, door: 'set' as const })),
    ...pages(),
    ...archives(),
    ...json('tokens', 'json'),
    ...sheets.map(([name, css]) => ({
      door: 'tokens' as const,
      name: `${name}.css`,
      bytes: text(css),
    })),
    ...json('recipe', 'json'),
    ...values.map(([name, value]) => ({
      door: 'site' as const,
      name: `${name}.soyez`,
      bytes: zipSync({ 'site.json': text(value) }) as Bytes,
    })),
    { door: 'site', name: 'no-site.soyez', bytes: zipSync({ 'a.txt': text('x') }) as Bytes },
    ...visitors.map(([name, csv]) => ({
      door: 'visitors' as const,
      name: `${name}.csv`,
      bytes: text(csv),
    })),
    { door: 'visitors', name: 'wide.csv', bytes: wide('1280,5\n1440,6') },
    ...fonts(),
    ...stacks.map(([name, xml]) => ({
      door: 'openRaster' as const,
      name: `${name}.ora`,
      bytes: zipSync({
        mimetype: text('image/openraster'),
        'stack.xml': text(xml),
        'data/a.png': named('alpha.png'),
      }) as Bytes,
    })),
  ];
}
