/**
 * Which rule says the colour of words, against Chromium itself: the rule that is told is given
 * another colour on the page as it was saved, and the words have it.
 */
import { expect, inNewTab as test } from './bench.fixture';
import { application, asFolder, closed, showIn, shown } from './frozenPage.fixture';
import { serve } from './served.fixture';

const css = `@layer base, page;
@layer page { .layered { color: #102030 } }
@layer base { .layered { color: #405060; } .shout { color: #112233 !important } }
body { color: #222 }
p { color: #333 } .late { color: #444 } .late { color: #555 }
.variable { --ink: #666; color: var(--ink) }
.shout { color: #777 }
.card { color: #888; & .inner { color: #999; } &:is(.never) { color: #abc } }
@media (min-width: 4000px) { p { color: #fed } }
@media (max-width: 1300px) { .narrow { color: #aaa } }
@media (prefers-color-scheme: dark) { .scheme { color: #bbb } }
.moving { color: #ccc; transition: color 10s } .moving.moving { transition-delay: 0s }
@keyframes blush { from, to { color: #f00 } }
.blushing { color: #ddd; animation: blush 5s infinite }
.both, .other { color: #eee }
@supports (color: red) { .supported { color: #123 } }
.same { color: #345 } .same::before { color: #456; content: "." }`;

const html = `<!doctype html><html lang="en"><meta charset="utf-8"><title>Inks</title><link rel="stylesheet" href="style.css">
<div id="plain">Of the page</div><p id="p">Of its kind</p><p id="late" class="late">The later one</p>
<p id="variable" class="variable">By a variable</p><p id="layered" class="layered">Not in a layer</p>
<p id="shout" class="shout">Important in a layer</p><div class="card"><p id="inner" class="inner">Nested</p><span id="handed">Handed down</span></div>
<p id="narrow" class="narrow">By width</p><p id="scheme" class="scheme">By scheme</p><p id="moving" class="moving">On its way</p>
<p id="blushing" class="blushing">Animated</p><i id="other" class="other">One of several</i><b id="supported" class="supported">Supported</b>
<p id="own" style="color:#400">Its own</p><p style="color:#040"><em id="below">Below its own</em></p><a id="link" href="#">A link</a><p id="same" class="same">With a part before</p>
</html>`;

const ids = [...html.matchAll(/id="(\w+)"/g)].map(([, id]) => `#${id}`);

test('rules that say the colour of words are told, where Chromium takes it from, and stay as they were', async ({
  page,
  browser,
}) => {
  const files = { 'style.css': Buffer.from(css) };
  const app = await application(browser);
  await showIn(app, asFolder({ html, files } as never));
  await shown(app, 1280, 'light');
  const told = await app.evaluate(async (selectors) => {
    const { frame, place } = globalThis as never as {
      frame: {
        inkRules(of: string[]): Promise<({ path: string; selector: string } | undefined)[]>;
      };
      place: Element;
    };
    const { contentDocument } = place.querySelector('iframe')!;
    const texts = () =>
      [...contentDocument!.styleSheets].map((s) => [...s.cssRules].map((r) => r.cssText).join(''));
    const before = texts();
    const rules = await frame.inkRules(selectors);
    return { rules: rules.map((r) => r ?? null), kept: texts().join() === before.join() };
  }, ids);
  await closed(app);
  await app.close();
  expect(told.kept).toBe(true);
  const bySelector = Object.fromEntries(ids.map((id, i) => [id, told.rules[i]?.selector]));
  expect(bySelector).toEqual({
    '#plain': 'body',
    '#p': 'p',
    '#late': '.late',
    '#variable': '.variable',
    // What is in no layer goes before all layers.
    '#layered': 'p',
    '#shout': '.shout',
    '#inner': '.card .inner',
    '#handed': '.card',
    '#narrow': '.narrow',
    '#scheme': 'p',
    '#moving': '.moving',
    '#blushing': '.blushing',
    '#other': '.both,.other',
    '#supported': '.supported',
    '#own': undefined,
    '#below': undefined,
    '#link': undefined,
    '#same': '.same',
  });
  expect(told.rules.every((rule) => !rule || rule.path === 'saved/style.css')).toBe(true);

  const { server, address } = await serve({ 'index.html': Buffer.from(html), ...files });
  try {
    await page.goto(`${address}/index.html`);
    // Each told rule says another colour, one at a time; with none told, all rules do.
    const changed = await page.evaluate(
      (list) =>
        list.map(([id, selector]) => {
          const tidy = (text: string) => text.replace(/ ?([,>+~]) ?/g, '$1');
          const gather = (rules: CSSRuleList, around: string): [CSSStyleRule, string][] =>
            [...rules].flatMap((rule) => {
              const own = tidy((rule as CSSStyleRule).selectorText ?? '').replace(/^& ?/, '');
              const whole = [around, own].filter(Boolean).join(' ');
              const inside = (rule as CSSGroupingRule).cssRules;
              return [
                ...(rule instanceof CSSStyleRule && rule.style.color
                  ? [[rule, whole] as [CSSStyleRule, string]]
                  : []),
                ...(inside ? gather(inside, rule instanceof CSSStyleRule ? whole : around) : []),
              ];
            });
          const all = gather(document.styleSheets[0].cssRules, '');
          const those = selector === null ? all : all.filter(([, own]) => own === selector);
          const before = those.map(([rule]) => rule.style.cssText);
          for (const [rule] of those) {
            rule.style.setProperty(
              'color',
              'rgb(9, 8, 7)',
              rule.style.getPropertyPriority('color'),
            );
            rule.style.setProperty('transition', 'none');
            rule.style.setProperty('animation', 'none');
          }
          const seen = getComputedStyle(document.querySelector(id)!).color;
          those.forEach(([rule], i) => {
            rule.style.cssText = before[i];
          });
          return [id, those.length > 0, seen === 'rgb(9, 8, 7)'];
        }),
      ids.map((id) => [id, bySelector[id] ?? null] as [string, string | null]),
    );
    expect(changed).toEqual(ids.map((id) => [id, true, bySelector[id] !== undefined]));
  } finally {
    server.close();
  }
});
