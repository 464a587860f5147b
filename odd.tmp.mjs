import { zipSync } from 'fflate';
import sharp from 'sharp';
import { chromium } from '@playwright/test';
import { writeFileSync, readFileSync } from 'node:fs';
const jpg = (n, w, h) => sharp(`public/sample/${n}.jpg`).resize(w, h).jpeg().toBuffer();
const p = 'Thrown, trimmed and glazed by hand in a shed beside the railway line. Every pot is fired twice. ';
const docs = `<!doctype html><html><head><meta charset=utf-8><title>Glaze notes</title><link rel=stylesheet href=docs.css></head><body>
<header class=top><a href=#>Glaze notes</a><nav><a href=#>Ash</a><a href=#>Iron</a><a href=#>Copper</a></nav></header>
<aside class=side><ul>${['Ash glazes', 'Iron reds', 'Copper greens', 'Shino', 'Celadon', 'Cone charts'].map((x) => `<li><a href=#>${x}</a></li>`).join('')}</ul></aside>
<main class=doc><h1>Celadon, step by step</h1>${`<p>${p.repeat(3)}<a href=#>See also</a></p>`.repeat(4)}<h2>Kiln</h2><p class=note>${p}</p><figure><img src=pots.jpg alt=""></figure>${`<p>${p.repeat(4)}</p>`.repeat(6)}</main></body></html>`;
const docsCss = `:root{--ink:#22303a;--line:#dfe5e2}*{box-sizing:border-box}body{margin:0;font:17px/1.6 Georgia,serif;color:var(--ink);background:#fbfbf8}.top{position:sticky;top:0;height:56px;display:flex;gap:30px;align-items:center;padding:0 24px;background:#fff;border-bottom:1px solid var(--line);z-index:2}.top a{color:#3b4a45;text-decoration:none;margin-right:14px}
.side{position:fixed;left:0;top:56px;bottom:0;width:260px;border-right:1px solid var(--line);background:#f1f4f0 url(leaf.png) no-repeat left bottom;padding:20px}.side a{color:#456}.doc{margin-left:260px;max-width:860px;padding:32px 48px}h1,h2{font-family:Helvetica,Arial,sans-serif;color:#7a3b22}.doc a{color:#0b6a8a}.note{padding:14px 14px 14px 60px;background:#fff7e6 url(mark.png) 14px 12px no-repeat;border-left:4px solid #e0b050}img{max-width:100%}
@media(max-width:800px){.side{position:static;width:auto}.doc{margin:0;padding:20px}}`;
const landing = `<!doctype html><html lang=en><head><meta charset=utf-8><title>Kiln club</title><style>
*{margin:0;box-sizing:border-box}body{font:18px/1.55 system-ui,sans-serif;color:#2b2a26;background:#fff}.container{width:min(1140px,100% - 40px);margin-inline:auto}
.nav{position:sticky;top:0;background:rgb(46 58 54/.95);color:#fff;z-index:9}.nav .container{display:flex;justify-content:space-between;align-items:center;height:72px}.nav a{color:#efe9dc;text-decoration:none;margin-left:24px}.logo{width:150px;height:36px;background:url(logo.png) left/contain no-repeat}
.hero{min-height:560px;display:grid;align-items:center;background:linear-gradient(rgb(0 0 0/.45),rgb(0 0 0/.1)),url(hero.jpg) center/cover;color:#fff}.hero h1{font-size:64px}.btn{display:inline-block;background:#a4553a;color:#fff;padding:14px 28px;border-radius:999px}
section{padding:80px 0}.alt{background:#efe9dc}.cards{display:grid;grid-template-columns:repeat(auto-fit,minmax(260px,1fr));gap:28px}.card{background:#fff;border-radius:14px;overflow:hidden;box-shadow:0 6px 24px rgb(0 0 0/.12)}.card img{width:100%;aspect-ratio:4/3;object-fit:cover;display:block}.card p{padding:18px}
.wave{height:90px;background:url(wave.svg) center/100% 100% no-repeat;margin-bottom:-1px}.cta{background:#3b4a45;color:#fff;text-align:center}footer{background:#22201c;color:#cfc9bb;padding:40px 0}h2{color:#7a3b22;font-size:38px;margin-bottom:24px}.cta h2{color:#fff}p a{color:#0b5a6a}
</style></head><body><div class=nav><div class=container><div class=logo></div><div><a href=#>Classes</a><a href=#>Firings</a><a href=#>Join</a></div></div></div>
<div class=hero><div class=container><h1>Fire with us</h1><p>${p}</p><br><a class=btn href=#>Join the club</a></div></div>
<section><div class=container><h2>What we do</h2><div class=cards>${['a', 'b', 'c'].map((x) => `<div class=card><img src=${x}.jpg alt=""><p>${p}<a href=#>More</a></p></div>`).join('')}</div></div></section>
<div class=wave></div><section class=alt><div class=container><h2>The yard</h2><p>${p.repeat(6)}</p></div></section><section class=cta><div class=container><h2>Next firing: Saturday</h2><p>${p}</p></div></section><footer><div class=container><p>Kiln club, by the old quarry</p></div></footer></body></html>`;
const blog = `<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.0 Strict//EN" "http://www.w3.org/TR/xhtml1/DTD/xhtml1-strict.dtd"><html xmlns="http://www.w3.org/1999/xhtml"><head><title>Mud and ash</title><style type="text/css">@import url(blog.css);</style></head><body class="home"><div id="wrapper"><div id="header"><h1><a href="#">Mud and ash</a></h1><p class="desc">a potter's notebook</p></div><ul id="menu"><li class="page_item"><a href="#"><span>Home</span></a></li><li><a href="#"><span>About</span></a></li><li><a href="#"><span>Kilns</span></a></li></ul><div id="container"><div id="content">${`<div class="post"><h2><a href="#">A firing that went cold</a></h2><p>${p.repeat(4)}<a href="#">more</a></p></div>`.repeat(4)}</div><div id="sidebar"><h3>Pages</h3><ul><li><a href="#">Home</a></li><li><a href="#">Kilns</a></li></ul></div></div><div id="footer"><p>mud</p></div></div></body></html>`;
const blogCss = `body{background:#6b6257 url(bg.png) repeat-x fixed;font:12px/18px Verdana,sans-serif;color:#333;text-align:center}#wrapper{width:960px;margin:0 auto;text-align:left;background:#fff}#header{height:180px;background:url(header.jpg) no-repeat;position:relative}#header h1{padding:40px}#header a{color:#fff}#menu{height:34px;background:url(menu.png) repeat-x;margin:0;padding:0 10px;list-style:none}#menu li{float:left}#menu a{display:block;padding:0 0 0 9px;line-height:34px;color:#fff;background:url(tab.png) no-repeat left top}#menu span{display:block;padding:0 12px 0 3px;background:url(tab.png) no-repeat right -40px}
#container{background:url(faux.gif) repeat-y;overflow:hidden}#content{float:left;width:680px;padding:20px}#sidebar{float:right;width:200px;padding:20px}h2 a{color:#83331f}.post a{color:#1f5f83}#footer{clear:both;height:60px;background:url(foot.png) no-repeat center top}`;
const flat = (w, h, c) => sharp({ create: { width: w, height: h, channels: 4, background: c } }).png().toBuffer();
const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1440 90" preserveAspectRatio="none"><path fill="#efe9dc" d="M0 60Q360 0 720 50T1440 40V90H0Z"/></svg>');
const pages = {
  docs: { 'docs.html': Buffer.from(docs), 'docs.css': Buffer.from(docsCss), 'pots.jpg': await jpg('shelf-of-pots', 760, 420), 'leaf.png': await flat(260, 120, '#cfe0c8'), 'mark.png': await flat(32, 32, '#e0b050') },
  landing: { 'landing.html': Buffer.from(landing), 'hero.jpg': await jpg('clay-hills', 1600, 900), 'a.jpg': await jpg('shelf-of-pots', 640, 480), 'b.jpg': await jpg('clay-hills', 640, 480), 'c.jpg': await jpg('kiln-smoke', 640, 480).catch(() => jpg('clay-hills', 600, 480)), 'logo.png': await flat(300, 72, '#efe9dc'), 'wave.svg': svg },
  blog: { 'blog.html': Buffer.from(blog), 'blog.css': Buffer.from(blogCss), 'bg.png': await flat(10, 400, '#8a7f70'), 'header.jpg': await jpg('clay-hills', 960, 180), 'menu.png': await flat(4, 34, '#3a342c'), 'tab.png': await flat(300, 80, '#5a5044'), 'faux.gif': await sharp(await flat(960, 10, '#f3efe6')).gif().toBuffer(), 'foot.png': await flat(960, 60, '#d8d0c0') },
};
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('pageerror', (e) => console.log('ERR', e.message));
page.on('console', (m) => m.type() === 'error' && console.log('console', m.text()));
for (const [name, files] of Object.entries(pages)) {
  const zip = zipSync(Object.fromEntries(Object.entries(files).map(([k, v]) => [`${name}/${k}`, new Uint8Array(v)])));
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('http://localhost:3377/');
  await page.getByRole('link', { name: 'Sites', exact: true }).click().catch(() => {});
  await page.getByRole('heading', { name: 'Your sites' }).waitFor({ state: 'attached' });
  const data = await page.evaluateHandle(([b, n]) => { const t = new DataTransfer(); t.items.add(new File([Uint8Array.from(atob(b), (c) => c.charCodeAt(0))], n)); return t; }, [Buffer.from(zip).toString('base64'), `${name}.zip`]);
  await page.getByRole('main').dispatchEvent('dragover', { dataTransfer: data });
  await page.getByRole('main').dispatchEvent('drop', { dataTransfer: data });
  await page.locator('[data-found]').first().waitFor();
  await page.waitForTimeout(500);
  console.log(name, (await page.locator('[data-found]').allInnerTexts()).map((t) => t.replace(/\n/g, ' | ')));
  console.log(' rooms', (await page.locator('[data-room]').allInnerTexts()).map((t) => t.replace(/\n/g, ' | ')));
  await page.screenshot({ path: `/tmp/odd/${name}-door.png` });
  await page.getByRole('radio', { name: 'Colours and fonts' }).click();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `/tmp/odd/${name}-theme.png` });
  await page.getByRole('button', { name: 'Take it over' }).click();
  await page.getByRole('dialog').waitFor({ state: 'hidden' });
  await page.setViewportSize({ width: 1920, height: 1080 });
  await page.waitForTimeout(2500);
  await page.screenshot({ path: `/tmp/odd/${name}-plan.png` });
}
await browser.close();
