/**
 * Rules that select nothing on a page, left out of its style sheets: every element and its parts have
 * the styles that Chromium computes with all rules.
 */
import type { Page } from '@playwright/test';
import { loneRules } from '../src/core/theme/loneRules';
import { expect, inNewTab as test } from './bench.fixture';
import { bundled } from './frozenPage.fixture';
import { themeFolders } from './themes.fixture';

const script = bundled({ idleRulesOf: 'engine/page/idleRules' });

/** A page of everything that makes a rule hard to leave out. */
const odd = {
  name: 'odd',
  html: `<!doctype html><title>Odd</title><body class="Page"><h1 id="t">Title</h1>
<div class="card open"><p>One <b>bold</b></p><p class="last">Two</p></div>
<ul><li>1</li><li class="on">2</li><li>3</li></ul><input type="checkbox" checked><a href="#t" class="sm:flex">A</a>
<svg viewBox="0 0 9 9"><g class="mark"><rect width="9" height="9"/></g></svg></body>`,
  css: `@charset "utf-8"; @namespace s url(http://www.w3.org/2000/svg);
@layer first, second; @layer second { .card { color: #111 } .gone { color: #222 } } @layer first { .card { color: #333 } }
:root { --ink: #444 } .gone { --ink: #f00 } body { color: var(--ink); font: 14px/1.5 serif }
.page { margin: 3px } .Page { margin: 5px } /* .never { */ b::before { content: "<"; color: #555 } i::after { content: ">" }
.card:not(.open) { display: none } .card:not(.gone) { padding: 7px } .gone:not(.card) b { color: #f0f }
p:first-child { color: #666 } p:nth-child(9) { color: #f00 } :is(.gone, .card) p.last { color: #777 }
.gone + p, p + p { margin-top: 11px } .never > .card, .never { color: #f00 } li:has(+ .on) { color: #888 } li:has(.on) { color: #f00 }
s|rect { fill: #999 } svg|rect { fill: #f00 } rect { stroke: #aaa } .mark { opacity: .5 } .sm\\:flex { letter-spacing: 2px } .md\\:flex { letter-spacing: 9px }
.card { & p { word-spacing: 1px } .gone & { color: #f00 } } .gone { color: #f00; & .card { color: #f00 } :not(&) p { text-indent: 4px } }
@media (max-width: 900px) { .card { border-left: 3px solid #bbb } .gone { color: #f00 } } @supports (display: grid) { ul { display: grid } ol { display: grid } }
@container (min-width: 1px) { li { color: #f00 } } ul { container-type: inline-size } @scope (.card) { b { font-style: italic } .gone { color: #f00 } }
@keyframes slide { from { left: 1px } to { left: 9px } } .open { animation: slide 9s paused } input:checked { outline: 2px solid #ccc } input:indeterminate { outline: 9px solid }
a:hover { color: #f00 } a:link { color: #ddd } } .after-a-stray { color: #f00 } .last { color: #eee !important } .nothing,{ color: #f00 } .unclosed { color: #f00`,
};

/** Of every element and its parts, as they are computed. */
const styles = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll('body, body *')].flatMap((element) =>
      [undefined, '::before', '::after', '::marker'].map((part) => {
        const style = getComputedStyle(element, part);
        return [...style].map((name) => style.getPropertyValue(name)).join(';');
      }),
    ),
  );

test('without rules that select nothing Chromium computes the same, at three widths @landing', async ({
  page,
}) => {
  const folders = (await themeFolders()).map(({ name, html, files }) => ({
    name,
    html: html.replace(/<link[^>]*>/, ''),
    css: Buffer.from(files['style.css']).toString('utf8'),
  }));
  let left = 0;
  for (const { name, html, css } of [odd, ...folders]) {
    // Rules of another theme are as idle as rules can be, but for those that happen to select.
    const other = folders[folders.findIndex((f) => f.name === name) - 1]?.css ?? '';
    const text = `${other}\n${css}`;
    await page.setContent(html);
    await page.evaluate(script);
    const style = await page.addStyleTag({ content: text });
    const idle = await page.evaluate(
      async (rules) =>
        Array.from(
          await (
            globalThis as never as {
              idleRulesOf(of: Document, rules: unknown): Promise<Uint32Array>;
            }
          ).idleRulesOf(document, rules),
        ),
      loneRules(text),
    );
    left += idle.length / 2;
    let without = text;
    for (let i = idle.length - 2; i >= 0; i -= 2) {
      without = without.slice(0, idle[i]) + without.slice(idle[i + 1]);
    }
    for (const width of [1280, 768, 360]) {
      await page.setViewportSize({ width, height: 800 });
      await style.evaluate((e, css) => (e.textContent = css), text);
      const whole = await styles(page);
      expect(new Set(whole).size, name).toBeGreaterThan(5);
      await style.evaluate((e, css) => (e.textContent = css), without);
      expect(await styles(page), `${name} at ${width}`).toEqual(whole);
    }
  }
  expect(left).toBeGreaterThan(80);
});
