import { readFileSync } from 'node:fs';
import sharp from 'sharp';

/**
 * Small invented pages of different builds, as owners have them: what lays their pictures differs
 * from one to the next.
 */
export interface OwnPage {
  readonly name: string;
  readonly html: string;
  /** Everything else, by its path beside the page. */
  readonly files: Readonly<Record<string, Uint8Array>>;
  /** What its content stands in, and whether its whole box counts or what lies inside its padding. */
  readonly column: readonly [selector: string, box: 'border' | 'content'];
  /** It has a dark scheme too. */
  readonly dark?: true;
  /**
   * Addresses that Chromium leaves out of what it saves as one file: of `image-set()`, of style sheets
   * that are imported into a layer, of fonts, and of what is not shown just then.
   */
  readonly notInOneFile?: readonly string[];
}

const text = (content: string): Uint8Array => new Uint8Array(Buffer.from(content));

/** A picture of few colours, so that no place of it is taken for another. */
async function picture(width: number, height: number, colour: string): Promise<Uint8Array> {
  const data = Buffer.alloc(width * height * 3);
  const [r, g, b] = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i += 3) {
      const light = (x * 37 + y * 91) % 23;
      data[i] = Math.min(255, r + light);
      data[i + 1] = Math.min(255, g + ((x >> 2) % 17));
      data[i + 2] = Math.min(255, b + ((y >> 2) % 13));
    }
  }
  return sharp(data, { raw: { width, height, channels: 3 } })
    .png()
    .toBuffer();
}

const plain = (width: number, height: number, background: string): Promise<Uint8Array> =>
  sharp({ create: { width, height, channels: 3, background } })
    .png()
    .toBuffer();

/** Colours that nothing else on the pages has: of pictures whose place is looked for in pixels. */
export const marks = { absolute: '#ff00d4', inFlow: '#00ffe1' } as const;

const words = `<h1>Open studio this Saturday</h1><p>From ten until four the wheels are free to try, and the
  small kiln is opened at noon. Bring an apron; <a href="#x">clay, glazes and tea</a> are here.</p>`;

export async function ownPages(): Promise<OwnPage[]> {
  const [hero, large, tile, strip, side, mark, flow] = await Promise.all([
    picture(940, 198, '#a4553a'),
    picture(940, 198, '#556b4a'),
    picture(64, 64, '#3b4a45'),
    picture(1, 300, '#5f7a92'),
    picture(200, 90, '#e3d6bd'),
    plain(30, 20, marks.absolute),
    plain(24, 14, marks.inFlow),
  ]);
  const svg = text(
    '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><circle id="dot" cx="20" cy="20" r="18" fill="#a4553a"/></svg>',
  );
  const font = new Uint8Array(readFileSync('public/vendor/fonts-4/caveat.woff2'));
  return [
    {
      name: 'floats, XHTML',
      column: ['#wrap', 'border'],
      html: `<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.0 Transitional//EN" "http://www.w3.org/TR/xhtml1/DTD/xhtml1-transitional.dtd">
        <html xmlns="http://www.w3.org/1999/xhtml"><head><title>Floats</title><link rel="stylesheet" type="text/css" href="theme/style.css" /></head>
        <body><div id="wrap"><div id="header"></div><div id="main">${words}</div><div id="side"><ul><li>Classes</li><li>Kiln</li></ul></div><br style="clear:both" /></div></body></html>`,
      files: {
        'theme/style.css':
          text(`body{margin:0;background:#3b4a45 url(images/tile.png)} #wrap{width:940px;margin:0 auto;background:#fff}
          h1{color:#a4553a} a{color:#0b5a8a} body{color:#2a2a2a;font-family:Georgia,serif} #header{height:198px;background:url("images/hero.png") no-repeat center top} #main{float:left;width:680px;padding:10px}
          #side{float:right;width:200px;min-height:260px;background:url('images/side%20strip.png') repeat-y right 12px}
          @media (max-width:600px){#wrap{width:auto}#main,#side{float:none;width:auto}#header{background-size:cover;height:120px}}`),
        'theme/images/tile.png': tile,
        'theme/images/hero.png': hero,
        'theme/images/side strip.png': side,
      },
    },
    {
      name: 'tables, quirks mode',
      column: ['table', 'border'],
      html: `<title>Tables</title><style>td{font-size:14px} .t{background-image:url(i/side.png)}</style>
        <body background="i/tile.png" topmargin=0><table width=760 align=center cellpadding=6 bgcolor=white>
        <tr><td background="i/hero.png" height=120 colspan=2>&nbsp;<tr><td class=t width=200 height=180>menu<td valign=top>${words}<img src="i/side.png" width=100 border=2></table>`,
      files: { 'i/tile.png': tile, 'i/hero.png': hero, 'i/side.png': side },
    },
    {
      name: 'flex, rem, parts before and after',
      column: ['.cols', 'border'],
      html: `<!doctype html><html><head><meta charset=utf-8><title>Flex</title><link rel=stylesheet href=s.css></head><body>
        <header class="bar"><a class=brand href="/">Veldrin</a><nav>Studio</nav></header><img class=hero src=hero.png alt=""><main class="cols"><section>${words}</section><aside>Next classes</aside></main></body></html>`,
      files: {
        's.css':
          text(`:root{font-size:62.5%} body{margin:0;font:1.6rem/1.5 serif;background:#f4efe6;color:#23302c} main a{color:oklch(45% .12 250)} h1{color:rgb(120 40 20 / 90%)} .cols{background:#fffdf8;border:1px solid #d8d0c0} .bar a{color:#ffd} .bar{display:flex;align-items:center;height:5.6rem;background:#2b3531;color:#fff;position:relative}
          .bar::after{content:"";position:absolute;right:2.5rem;bottom:-.4rem;width:3rem;height:2rem;background:url(mark.png) 0 0/100% 100%}
          .hero{display:block;width:100%;max-width:94rem;height:auto;margin:0 auto} .cols{display:flex;gap:2rem;max-width:94rem;margin:auto} section{flex:1} aside{flex:0 0 20rem;background:url(side.png) center/contain no-repeat}
          .brand{padding:0 1rem}`),
        'mark.png': mark,
        'hero.png': hero,
        'side.png': side,
      },
    },
    {
      name: 'grid, calc, many backgrounds',
      column: ['.page', 'border'],
      html: `<!doctype html><title>Grid</title><link rel=stylesheet href="css/a.css"><body><div class=page><header></header><article>${words}</article><aside><b>side</b></aside><footer>end</footer></div>`,
      files: {
        'css/a.css':
          text(`body{margin:0;background:hsl(160 20% 12%);color:#333} a{color:teal} .page{background:#fff;display:grid;grid-template:calc(6em + 40px) auto 3em / 1fr minmax(180px,22%);gap:calc(1vw + 4px);max-width:calc(100% - 2*3vw);margin:auto}
          header{grid-column:1/-1;background:url(../strip.png) repeat-x,linear-gradient(90deg,#a4553a,#e3d6bd),url(../hero.png) right -20px top 3px/auto 120% no-repeat}
          aside{background-image:url(../side.png);background-position:10px bottom,0 0;background-size:50% auto;background-origin:content-box;padding:7px;border:3px solid #ccc;background-clip:padding-box}
          footer{grid-column:1/-1;background:url(../tile.png) space round;background-attachment:local}`),
        'strip.png': strip,
        'hero.png': hero,
        'side.png': side,
        'tile.png': tile,
      },
    },
    {
      name: 'layers, nesting, chains of imports',
      column: ['body', 'border'],
      notInOneFile: ['../tile.png', '../hero.png'],
      html: `<!doctype html><title>Layers</title><link rel=stylesheet href=main.css><style>@import url(late.css) screen and (min-width:500px);</style><body class=home><div class=hero><p>over</p></div>${words}<div class=foot></div>`,
      files: {
        'main.css':
          text(`@charset "utf-8"; @layer base, theme; @import "lib/base.css" layer(base); @import url('lib/theme.css') layer(theme) supports(display:grid);
          .foot{height:60px;& ,&.none{background:url(strip.png) repeat-x bottom}}`),
        'lib/base.css': text(
          `@import "deep/er.css"; .hero{height:150px;background:url(../tile.png)} body{margin:0 5%}`,
        ),
        'lib/deep/er.css': text(
          `.hero p{background:url("../../side.png") no-repeat 100% 50%;height:60px;margin:0 0 9px}`,
        ),
        'lib/theme.css': text(
          `.home{.hero{background-image:url(../hero.png);background-size:cover;background-position:30% 70%}}`,
        ),
        'late.css': text(`h1{background:url(strip.png) 0 0/8px 100%}`),
        'tile.png': tile,
        'side.png': side,
        'hero.png': hero,
        'strip.png': strip,
      },
    },
    {
      name: 'image-set',
      column: ['body', 'content'],
      notInOneFile: ['a/side.png', 'a/hero.png'],
      html: `<!doctype html><title>Set</title><style>body{margin:0} div{height:120px;background:image-set("a/side.png" 1x, url(a/hero.png) 2x) 20px 10px}</style><div></div>${words}`,
      files: { 'a/side.png': side, 'a/hero.png': hero },
    },
    {
      name: 'two colour schemes',
      column: ['body', 'content'],
      dark: true,
      notInOneFile: ['strip.png', 'side.png'],
      html: `<!doctype html><meta name=color-scheme content="light dark"><title>Schemes</title><style>body{margin:20px;background:#fff url(tile.png) fixed}
        .b{height:100px;background:url(hero.png) center/cover} @media (prefers-color-scheme:dark){body{background:#111 url(strip.png) repeat-x;color:#eee}a{color:#8cf}.b{background-image:url(side.png)}}</style><div class=b></div>${words}`,
      files: { 'tile.png': tile, 'hero.png': hero, 'strip.png': strip, 'side.png': side },
    },
    {
      name: 'right to left, marks of lists, borders',
      column: ['body', 'content'],
      html: `<!doctype html><html dir=rtl lang=ar><title>RTL</title><style>ul{list-style:square url(d/mark.svg);padding:0 60px} .frame{border:12px solid;border-image:url(d/side.png) 20 round;padding:8px;width:300px}
        .note::before{content:url(d/flow.png);margin-inline-end:6px} .note{padding-top:9px} h1{background:url(d/hero.png) right 0 top 5px/300px 40px no-repeat;padding:9px}</style>
        <body>${words}<ul><li>one<li>two</ul><div class=frame>frame</div><p class=note>note</p></body></html>`,
      files: { 'd/mark.svg': svg, 'd/side.png': side, 'd/flow.png': flow, 'd/hero.png': hero },
    },
    {
      name: 'pictures that only small screens lay, and that others have their size from',
      column: ['body', 'content'],
      notInOneFile: ['n/late.png', 'n/latest.png'],
      html: `<!doctype html><title>Late</title><style>h1{background:url(n/hero.png) 0 0/300px 40px no-repeat}
        @media (max-width:700px){.note::before{content:url(n/late.png)} ul{list-style:square url(n/latest.png)}}</style>${words}<ul><li>one</ul><p class=note>note</p>`,
      files: { 'n/hero.png': hero, 'n/late.png': flow, 'n/latest.png': tile },
    },
    {
      name: 'picture, srcset, drawings',
      column: ['body', 'content'],
      html: `<!doctype html><title>Sources</title><style>.late{width:120px;height:50px} .data{width:50px;height:30px;background:url(data:image/png;base64,${Buffer.from(mark).toString('base64')})}</style>
        <body><picture><source media="(max-width:700px)" srcset="i/side.png"><img src="i/hero.png" width=470 alt=""></picture>${words}
        <img srcset="i/side.png 200w, i/large.png 940w" sizes="180px" src="i/large.png" alt=""><svg width=40 height=40><use href="#dot"/><circle id=dot cx=20 cy=20 r=10 fill=teal /></svg>
        <video poster="i/side.png" width=200 height=90></video><div class=late style="background-image:url(&quot;i/tile.png&quot;)"></div><div class=data></div><input type=image src="i/side.png" width=60 alt=go>`,
      files: { 'i/side.png': side, 'i/hero.png': hero, 'i/tile.png': tile, 'i/large.png': large },
    },
    {
      name: 'a bar that sticks, a fixed side',
      column: ['main', 'border'],
      html: `<!doctype html><title>Notes</title><style>*{box-sizing:border-box}body{margin:0;background:#fbfbf8;color:#22303a}
        .top{position:sticky;top:0;height:56px;background:#fff;border-bottom:1px solid #dfe5e2}.side{position:fixed;left:0;top:56px;bottom:0;width:160px;background:#f1f4f0 url(side.png) no-repeat left bottom}
        main{margin-left:160px;max-width:860px;padding:32px 48px}h1{color:#7a3b22}main a{color:#0b6a8a}.note{height:70px;background:#fff7e6 url(tile.png) 14px 3px no-repeat}
        .grows{width:max(0px,calc(100vw - 500px));aspect-ratio:9/1;background:url(tile.png)}</style>
        <header class=top><a href=#x>Notes</a> <a href=#y>Ash</a></header><aside class=side><a href=#z>Ash glazes</a></aside><main>${words}<div class=note></div><div class=grows></div></main>`,
      files: { 'side.png': side, 'tile.png': tile },
    },
    {
      name: 'fonts',
      column: ['body', 'content'],
      notInOneFile: ['f/own.woff2'],
      html: `<!doctype html><title>Fonts</title><style>@font-face{font-family:Own;src:local("no such"),url(f/own.woff2) format("woff2")} h1{font:40px Own;background:url(f/side.png)}</style>${words}`,
      files: { 'f/own.woff2': font, 'f/side.png': side },
    },
  ];
}
