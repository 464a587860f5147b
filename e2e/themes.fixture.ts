/**
 * Theme folders with a page each, in the styles people publish: documentation, blog, shop, a set of
 * controls, a magazine; floats, tables, flex and grid; strips, sprites, alerts, code; light and dark.
 * All of it is invented. What has a meaning or is code is marked with `data-stays`, slopes with
 * `data-slope`.
 */
import sharp from 'sharp';

export interface ThemeFolder {
  readonly name: string;
  /** The brand's colour, and one that an owner may want. */
  readonly from: string;
  readonly to: string;
  readonly html: string;
  readonly files: Readonly<Record<string, Uint8Array>>;
  readonly dark?: true;
}

type Px = readonly [number, number, number, number];

const png = async (
  width: number,
  height: number,
  at: (x: number, y: number) => Px,
  palette = false,
): Promise<Uint8Array> => {
  const data = Buffer.alloc(width * height * 4);
  for (let y = 0, k = 0; y < height; y++) {
    for (let x = 0; x < width; x++, k += 4) {
      data.set(at(x, y), k);
    }
  }
  return new Uint8Array(
    await sharp(data, { raw: { width, height, channels: 4 } })
      .png({ palette })
      .toBuffer(),
  );
};

const mix = (a: readonly number[], b: readonly number[], t: number): Px => [
  Math.round(a[0] + (b[0] - a[0]) * t),
  Math.round(a[1] + (b[1] - a[1]) * t),
  Math.round(a[2] + (b[2] - a[2]) * t),
  255,
];

const text = (css: string): Uint8Array => new Uint8Array(Buffer.from(css));
const page = (title: string, body: string): string =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><title>${title}</title><link rel="stylesheet" href="style.css"><body>${body}</body></html>`;
const words =
  'A pot is thrown, dried slowly, fired once, glazed and fired again. Each step takes its own time, and nothing may be hurried.';

export async function themeFolders(): Promise<ThemeFolder[]> {
  const triangle = await png(24, 24, (x, y) =>
    Math.abs(x - 12) <= y / 2 ? [214, 60, 40, 255] : [0, 0, 0, 0],
  );
  return [
    {
      name: 'documentation',
      from: '#2980b9',
      to: '#7a4a8c',
      html: page(
        'Kiln notes',
        `<nav><a class="brand" href="#">Kiln notes</a><ul><li><a href="#">Begin</a><li class="now"><a href="#">Glazes</a></ul></nav>
        <main><h1>Glazes</h1><p>${words} See <a href="#">the table</a> or <code data-stays>fire --slow</code>.</p>
        <div class="admonition note" data-stays><p class="admonition-title" data-stays>Note</p><p data-stays>Ash melts late.</p></div>
        <div class="admonition warning" data-stays><p class="admonition-title" data-stays>Warning</p><p data-stays>Wear a mask.</p></div>
        <div class="highlight" data-stays><pre data-stays><span class="k" data-stays>def</span> <span class="nf" data-stays>fire</span>(<span class="s" data-stays>"cone 6"</span>) <span class="c" data-stays># slow</span></pre></div>
        <table><tr><th>Cone</th><th>°C</th></tr><tr><td>6</td><td>1222</td></tr></table><a class="next" href="#">Next page</a></main>`,
      ),
      files: {
        'style.css': text(`body{margin:0;font:16px/1.5 sans-serif;color:#404040;background:#fcfcfc}
          nav{position:absolute;left:0;top:0;width:220px;min-height:100vh;background:#343131;color:#d9d9d9}
          nav .brand{display:block;background:#2980b9;color:#fff;padding:18px;text-decoration:none;font-size:20px}
          nav ul{list-style:none;margin:0;padding:12px 0} nav a{display:block;padding:6px 18px;color:#d9d9d9;text-decoration:none}
          nav .now{background:#e3e3e3} nav .now a{color:#404040;border-left:4px solid #2980b9}
          main{margin-left:220px;padding:24px 40px;max-width:700px} h1{color:#1f5f8b} a{color:#2573a6}
          code{background:#fff;border:1px solid #e1e4e5;color:#c0392b;padding:1px 4px}
          .admonition{padding:1px 12px 12px;margin:16px 0}.admonition-title{margin:0 -12px;padding:6px 12px;color:#fff;font-weight:700}
          .note{background:#e7f2fa}.note .admonition-title{background:#3f6f94}.warning{background:#ffedcc}.warning .admonition-title{background:#a0541c}
          .highlight{background:#f8f8f8;border:1px solid #e1e4e5;padding:0 12px}.highlight .k{color:#204a87;font-weight:700}.highlight .nf{color:#2980b9}.highlight .s{color:#4a7a05}.highlight .c{color:#7a6a52}
          table{border-collapse:collapse}th{background:#2573a6;color:#fff}td,th{border:1px solid #e1e4e5;padding:6px 12px}
          .next{display:inline-block;margin-top:20px;background:#2573a6;color:#fff;padding:8px 14px;text-decoration:none;border-radius:3px}
          @media (max-width:600px){nav{position:static;width:auto;min-height:0}main{margin-left:0}}`),
      },
    },
    {
      name: 'blog of floats',
      from: '#3f5161',
      to: '#7d8f52',
      html: page(
        'Ash and clay',
        `<div id="wrap"><div id="head" data-slope><h1>Ash and clay</h1><p>Notes of a workshop</p></div><ul id="menu"><li><a href="#">Home</a><li><a href="#">About</a></ul>
        <div id="text"><h2><a href="#">A slow week</a></h2><p>${words}</p><blockquote>Nothing may be hurried.</blockquote><p class="error" data-stays>This form has an error.</p></div><div id="side"><h3>Links</h3><a href="#">Glazes</a></div><div id="foot">Made slowly.</div></div>`,
      ),
      files: {
        'style.css':
          text(`body{margin:0;background:#24303b url(images/strip.png) repeat-x;font:15px/1.5 Georgia,serif;color:#333}
          #wrap{width:760px;max-width:96%;margin:0 auto;background:#fff;overflow:hidden}#head{height:150px;background:url(images/head.png) repeat-x;color:#fff}#head h1{margin:0;padding:30px 24px 0}#head p{margin:0 24px}
          #menu{margin:0;padding:8px 24px;background:#3f5161;list-style:none;overflow:hidden}#menu li{float:left;margin-right:18px}#menu a{color:#fff;text-decoration:none}
          #text{float:left;width:66%;box-sizing:border-box;padding:12px 24px}#side{float:right;width:32%;box-sizing:border-box;padding:12px}h2 a,h3{color:#3f5161}a{color:#4a6076}
          blockquote{margin:0;padding:6px 14px;border-left:4px solid #3f5161;background:#eef1f4;color:#3b4a58}.error{background:#fbe3e4 url(images/warning.png) no-repeat 8px 8px;color:#8a1f11;border:1px solid #fbc2c4;padding:8px 8px 8px 40px}
          #foot{clear:both;background:#24303b;color:#d5dde3;padding:12px 24px}`),
        'images/strip.png': await png(1, 400, (_x, y) =>
          mix([96, 118, 138], [36, 48, 59], y / 399),
        ),
        'images/head.png': await png(1, 150, (_x, y) => mix([51, 51, 54], [63, 81, 97], y / 149)),
        'images/warning.png': triangle,
      },
    },
    {
      name: 'shop of flex boxes, variables',
      from: '#0f766e',
      to: '#9d3c63',
      html: page(
        'Veldrin shop',
        `<header><b>Veldrin shop</b><nav><a href="#">Bowls</a><a href="#">Vases</a></nav></header><section class="hero" data-slope><h1>New from the kiln</h1><p>Bowls for every day.</p><a class="Button" href="#">See them</a></section>
        <div class="grid"><article><h2>Ash bowl</h2><p>${words}</p><p class="price">24</p><span class="badge-danger" data-stays>Last one</span> <a class="Button" href="#">Into the basket</a></article><article><h2>Tall vase</h2><p class="stock-success" data-stays>In stock</p><a href="#">More</a></article></div><footer>Sent within <a href="#">three days</a>.</footer>`,
      ),
      files: {
        'style.css':
          text(`:root{--Brand:#0f766e;--brand:#fff;--brand-dark:#115e59;--tint:#ccfbf1;--link:var(--Brand);--success:#15803d;--danger:#b91c1c;--ink:#1f2937}
          *{box-sizing:border-box}body{margin:0;font:16px/1.5 sans-serif;color:var(--ink);background:var(--brand)}header{display:flex;justify-content:space-between;padding:14px 24px;background:var(--Brand);color:#fff}header a{color:#e6fffb;margin-left:16px}
          .hero{padding:40px 24px;background:linear-gradient(var(--brand-dark),var(--Brand) 60%,#14857b);color:#fff}.Button{display:inline-block;background:var(--brand-dark);color:#fff;padding:10px 16px;border-radius:6px;text-decoration:none}
          .hero .Button{background:#fff;color:var(--brand-dark)}.grid{display:flex;gap:20px;padding:24px;flex-wrap:wrap}article{flex:1 1 260px;border:1px solid #e5e7eb;border-top:4px solid var(--Brand);padding:16px;box-shadow:0 2px 8px rgb(15 118 110 / .25)}
          h2{color:var(--brand-dark)}a{color:var(--link)}.price{background:var(--tint);color:#134e4a;padding:4px 10px;display:inline-block}.badge-danger{background:var(--danger);color:#fff;padding:2px 8px}.stock-success{color:var(--success)}footer{background:#134e4a;color:#ccfbf1;padding:20px 24px}footer a{color:#fff}`),
      },
    },
    {
      name: 'controls',
      from: '#6d4bc4',
      to: '#2f7d4f',
      html: page(
        'Controls',
        `<h1>Controls</h1><button class="btn btn-primary">Save</button> <button class="btn btn-danger" data-stays>Delete</button> <button class="btn btn-outline">More</button>
        <div class="alert alert-info" data-stays>It is kept.</div><div class="alert alert-success" data-stays>It is sent.</div><label>Name <input value="Ash"></label><ul class="tabs"><li class="on">One<li>Two</ul><div class="bar"><i></i></div><span class="tag">new</span><p>${words} <a href="#">Read on</a></p>`,
      ),
      files: {
        'style.css':
          text(`body{font:16px/1.5 sans-serif;margin:24px;color:#26242e;background:#faf9fd}h1{color:#4b2fa0}.btn{font:inherit;padding:8px 14px;border:1px solid transparent;border-radius:4px}.btn-primary{background:#6d4bc4;color:#fff}.btn-primary:hover{background:#5a3bb0}.btn-danger{background:#c02b37;color:#fff}.btn-outline{background:none;border-color:#6d4bc4;color:#5a3bb0}
          .alert{padding:10px 14px;margin:12px 0;border:1px solid}.alert-info{background:#e3dcfa;border-color:#c6b8f0;color:#3d2a80}.alert-success{background:#dcf3e4;border-color:#a6dcb9;color:#14532d}input{border:1px solid #a99cd6;padding:6px;outline-color:#6d4bc4;accent-color:#6d4bc4}
          .tabs{display:flex;list-style:none;padding:0;border-bottom:2px solid #6d4bc4}.tabs li{padding:6px 14px;color:#4b2fa0}.tabs .on{background:#6d4bc4;color:#fff}.bar{background:#e3dcfa;height:10px}.bar i{display:block;width:60%;height:10px;background:#6d4bc4}.tag{background:#ede7ff;color:#4b2fa0;padding:2px 8px}a{color:#5a3bb0}`),
      },
    },
    {
      name: 'grid in two schemes',
      from: '#b4532a',
      to: '#2b6ca3',
      dark: true,
      html: page(
        'Firing log',
        `<header><h1>Firing log</h1></header><main><section><h2>Tuesday</h2><p>${words} <a href="#">All firings</a></p><p class="hint" data-stays>Open the damper late.</p></section><aside><h2>Next</h2><p class="on">Raku</p></aside></main>`,
      ),
      files: {
        'style.css':
          text(`:root{color-scheme:light dark;--key:#b4532a;--ground:#fffaf5;--ink:#3a2a20;--hint:#6b5d00}
          @media (prefers-color-scheme:dark){:root{--key:#e9976f;--ground:#1e1612;--ink:#f0e4da;--hint:#e4d36a}}
          body{margin:0;background:var(--ground);color:var(--ink);font:16px/1.5 sans-serif}header{background:light-dark(#b4532a,#5c2a14);color:#fff;padding:10px 24px}main{display:grid;grid-template-columns:2fr 1fr;gap:20px;padding:20px}h2{color:light-dark(#9a4522,#f0a884)}a{color:var(--key)}.hint{color:var(--hint)}.on{background:var(--key);color:var(--ground);padding:8px}aside{border-left:3px solid var(--key);padding-left:16px}@media(max-width:500px){main{grid-template-columns:1fr}}`),
      },
    },
    {
      name: 'layers, nesting, mixed colours',
      from: '#2a6f77',
      to: '#8a5a1f',
      html: page(
        'Studio',
        `<div class="top"><b>Studio</b><a href="#">Classes</a></div><div class="card"><h2>Wheel</h2><p>${words}</p><a class="go" href="#">Join</a><div class="foot">Mondays</div></div><p class="warning" data-stays>Full.</p>`,
      ),
      files: {
        'style.css':
          text(`@layer base,parts;@layer base{:root{--Brand:#2a6f77;--soft:color-mix(in srgb,var(--Brand) 16%,white);--line:rgb(from var(--Brand) r g b / 40%)}body{margin:0;font:16px/1.5 sans-serif;color:#22302f;background:#fff}a{color:#205a61}}
          @layer parts{.top{background:var(--Brand);color:#fff;padding:14px 24px;& a{color:color-mix(in srgb,#2a6f77 12%,white);margin-left:20px}}.card{margin:24px;padding:16px;background:var(--soft);border:2px solid var(--line);& h2{color:oklch(from var(--Brand) calc(l - .08) c h)}& .go{display:inline-block;background:#205a61;color:#fff;padding:6px 14px;&:hover{background:#184a50}}@media (min-width:300px){& .foot{background:#184a50;color:#dff1f2;margin:16px -16px -16px;padding:8px 16px}}}
          .warning{margin:24px;padding:8px 14px;background:#fff3cd;color:#664d03}}`),
      },
    },
    {
      name: 'magazine of gradients and drawings',
      from: '#7c2d5c',
      to: '#2f6b4f',
      html: page(
        'Glaze',
        `<div class="mast" data-slope><h1>Glaze</h1></div><div class="lead"><h2>Copper red</h2><p>${words} <a href="#">Go on</a></p><span class="star"></span></div><p class="box">Subscribe</p><pre class="code" data-stays>SiO2 2.5</pre>`,
      ),
      files: {
        'style.css':
          text(`body{margin:0;background:#f7f2f5;font:17px/1.6 Georgia,serif;color:#2d2229}.mast{height:120px;background:linear-gradient(#4a1836 0%,#7c2d5c 55%,#a3527f 100%);color:#fff;text-shadow:0 1px 2px #2d0e20}.mast h1{margin:0;padding:30px}
          .lead{margin:20px;padding:16px;background:#fff;box-shadow:0 4px 14px #7c2d5c44}.lead h2{color:#7c2d5c;border-bottom:1px solid #c99ab6}a{color:#8d356a}.star{display:inline-block;width:40px;height:40px;background:url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 10'%3E%3Cstyle%3E.s%7Bfill:%237c2d5c%7D%3C/style%3E%3Cpath class='s' d='M0 0h10v10H0z'/%3E%3C/svg%3E")}
          .box{margin:20px;padding:14px;background:radial-gradient(circle at 20% 30%,#8d356a,#5e2046);color:#fff}.code{margin:20px;padding:10px;background:#272822;color:#a6e22e}`),
      },
    },
    {
      name: 'tables with palettes and corners',
      from: '#486b2e',
      to: '#7a4632',
      html: `<!doctype html><html lang="en"><meta charset="utf-8"><title>Club</title><link rel="stylesheet" href="style.css"><body><table width="100%" cellspacing="0"><tr><td class="top" colspan="2"><h1>Pottery club</h1></td></tr><tr><td class="menu" width="180"><a href="#">News</a><br><a href="#">Kilns</a><div class="end"></div></td><td class="text"><h2>Open day</h2><p>${words}</p><p class="alert" data-stays>Bring shoes.</p></td></tr></table></body></html>`,
      files: {
        'style.css': text(
          `body{margin:0;background:#e9eee4;font:14px/1.5 Verdana,sans-serif;color:#222}.top{background:#486b2e url(images/top.png) repeat-x;height:110px;color:#fff}.top h1{margin:0 24px}.menu{background:#dfe8d6;vertical-align:top;padding:14px}.menu a{color:#3a5725}.end{width:60px;height:30px;background:url(images/end.png) no-repeat;margin-top:14px}.text{background:#fff;vertical-align:top;padding:14px}h2{color:#486b2e}.alert{background:#fdf0d5;color:#7a4b00;border:1px solid #e8c87a;padding:8px}`,
        ),
        'images/top.png': await png(
          1,
          110,
          (_x, y) => mix([58, 87, 37], [72, 107, 46], y / 109),
          true,
        ),
        'images/end.png': await png(60, 30, (x, y) => {
          const inside = Math.hypot(Math.max(0, x - 44), Math.max(0, Math.abs(y - 15) - 0)) < 15.5;
          return inside ? [72, 107, 46, 255] : [0, 0, 0, 0];
        }),
      },
    },
  ];
}
