/**
 * Which rule lays a picture and what hides it, against what Chromium's own inspector says of the
 * page that was saved, and against its pixels.
 */
import type { CDPSession, Page } from '@playwright/test';
import sharp from 'sharp';
import type { FrozenPage } from '../src/core/ownPage/frozen';
import { paintedPart } from '../src/core/ownPage/paintedPart';
import type { PageRect, PageSurvey, PaintedPicture } from '../src/core/ownPage/survey';
import { expect, inNewTab as test } from './bench.fixture';
import { application, asFolder, closed, showIn, surveyIn } from './frozenPage.fixture';
import { ownPages, type OwnPage } from './ownPages.fixture';
import { rawPixels, serve } from './served.fixture';

interface Declared {
  readonly name: string;
  readonly value: string;
  readonly important?: boolean;
  readonly range?: object;
  readonly disabled?: boolean;
}
interface Style {
  readonly styleSheetId?: string;
  readonly cssProperties: readonly Declared[];
}
interface Match {
  readonly rule: {
    readonly styleSheetId?: string;
    readonly origin: string;
    readonly style: Style;
    readonly selectorList: {
      readonly text: string;
      readonly selectors: readonly { readonly range?: { readonly startLine: number } }[];
    };
  };
}
interface Matched {
  readonly inlineStyle?: Style;
  readonly matchedCSSRules: readonly Match[];
  readonly pseudoElements?: readonly {
    readonly pseudoType: string;
    readonly matches: readonly Match[];
  }[];
}

/** What the inspector knows of a page's style sheets. */
async function inspected(
  page: Page,
): Promise<{ session: CDPSession; sheets: Map<string, string> }> {
  const session = await page.context().newCDPSession(page);
  const sheets = new Map<string, string>();
  session.on('CSS.styleSheetAdded', ({ header }) => {
    sheets.set(header.styleSheetId, header.isInline ? '' : header.sourceURL);
  });
  await session.send('DOM.enable');
  await session.send('CSS.enable');
  return { session, sheets };
}

const nameIn = (address: string): string => address.slice(address.lastIndexOf('/') + 1);

/** The rule that the inspector shows in effect for a picture: sheet, line in it, selector. */
async function ruleBy(
  { session, sheets }: Awaited<ReturnType<typeof inspected>>,
  { selector, pseudo, as }: PaintedPicture,
  file: string,
): Promise<string> {
  const { root } = await session.send('DOM.getDocument');
  const { nodeId } = await session.send('DOM.querySelector', { nodeId: root.nodeId, selector });
  const matched = (await session.send('CSS.getMatchedStylesForNode', {
    nodeId,
  })) as unknown as Matched;
  const ofPart = matched.pseudoElements?.find((p) => `::${p.pseudoType}` === pseudo)?.matches;
  const rules = pseudo === '' || pseudo === '::marker' ? matched.matchedCSSRules : (ofPart ?? []);
  const wanted = {
    background: /^background(-image)?$/,
    border: /^border-image(-source)?$/,
    content: /^content$/,
    'list mark': /^list-style(-image)?$/,
  }[as as string]!;
  /** Declarations that are written, the last first: that one holds. */
  const declared = ({ cssProperties }: Style) =>
    cssProperties.filter((d) => wanted.test(d.name) && d.range && !d.disabled).toReversed();
  const list = [
    ...rules.map(({ rule }) => ({ rule, style: rule.style })),
    ...(matched.inlineStyle && pseudo === ''
      ? [{ rule: undefined, style: matched.inlineStyle }]
      : []),
  ].toReversed();
  const found =
    list.find(({ style }) => declared(style).some((d) => d.important)) ??
    list.find(({ style }) => declared(style).length > 0);
  if (!found || !declared(found.style).some((d) => d.value.includes(file))) {
    return `no rule names ${file}`;
  }
  const { rule } = found;
  return rule
    ? [
        nameIn(sheets.get(rule.styleSheetId!)!),
        rule.selectorList.selectors[0].range!.startLine,
        rule.selectorList.text.replace(/\s+/g, ''),
      ].join(' | ')
    : 'tag';
}

/** The same by the survey. */
function ruleOf(survey: PageSurvey, frozen: FrozenPage, rule: number | undefined, file: string) {
  if (rule === undefined) {
    return `no rule names ${file}`;
  }
  const { sheet, selector, line } = survey.rules[rule];
  const name = frozen.files.find((f) => f.key === sheet)?.name ?? '';
  return selector === '' ? 'tag' : [name, line! - 1, selector.replace(/\s+/g, '')].join(' | ');
}

const picture = (background: string): Promise<Uint8Array> =>
  sharp({ create: { width: 60, height: 40, channels: 3, background } })
    .png()
    .toBuffer();

/** Whose declarations hold is not who comes last: weight, importance, layers, conditions, tags. */
async function contested(): Promise<OwnPage> {
  return {
    name: 'contested',
    column: ['body', 'content'],
    html: `<!doctype html><title>Contested</title><link rel=stylesheet href=a.css><style>
      .tag{background:url(one.png) !important}
      .late{background:url(one.png)}</style><link rel=stylesheet href=b.css>
      <div id=heavy class="heavy p">1</div><div class="imp p">2</div><div class="lay p">3</div><div class="wide p">4</div>
      <div class="tag p" style="background:url(one.png)">5</div><div class="free p" style="background:url(one.png)">6</div>
      <div class="late early p">7</div><ul class=l><li class=p>8<li class="p odd">9</ul><div class="both p">10</div>`,
    files: {
      'a.css': new Uint8Array(
        Buffer.from(`/* one rule a line */
.p { height: 40px }
#heavy { background: url(one.png) }
.imp { background: url("one.png") !important }
@layer low, high;
@layer high { .lay { background: url(one.png) } }
@layer low {
  .lay.p { background: url(one.png) } }
@media (min-width: 900px) {
  .wide { background: url(one.png) no-repeat } }
@media (max-width: 899px) { .wide { background: url(one.png) } }
.free { background: url(two.png) }
div.early { background: url(two.png) }
li { background: url(one.png) }
li.odd { background: url(one.png) }
.both { background: url(one.png) }`),
      ),
      'b.css': new Uint8Array(
        Buffer.from(`.heavy { background: url(one.png) }
.imp.p { background: url(one.png) }
.both {
  background: url(two.png); }
.l li:nth-child(1) { background: url(one.png) }`),
      ),
      'one.png': await picture('#a4553a'),
      'two.png': await picture('#556b4a'),
    },
  };
}

test('the rule that lays a picture is the one that Chromium’s inspector shows in effect @landing', async ({
  browser,
}) => {
  const app = await application(browser);
  const original = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const inspector = await inspected(original);
  let asked = 0;
  for (const own of [await contested(), ...(await ownPages())]) {
    const { server, address } = await serve({
      ...own.files,
      'index.html': Buffer.from(own.html),
    });
    try {
      await original.goto(`${address}/index.html`, { waitUntil: 'networkidle' });
      const frozen = asFolder(own);
      await showIn(app, frozen);
      const survey = await surveyIn(app, [400, 1280]);
      for (const { width, placed } of survey.at) {
        await original.setViewportSize({ width, height: 800 });
        for (const p of survey.pictures) {
          const file = frozen.files.find((f) => f.key === placed.get(p.id)?.source);
          if (!file || !['background', 'border', 'content', 'list mark'].includes(p.as)) {
            continue;
          }
          asked++;
          const ours = ruleOf(survey, frozen, placed.get(p.id)!.rule, file.name);
          const theirs = await ruleBy(inspector, p, encodeURI(file.name));
          const what = `${own.name}, ${width}, ${p.selector}${p.pseudo}`;
          expect.soft([what, ours]).toEqual([what, theirs]);
        }
      }
      await closed(app);
    } finally {
      server.close();
    }
  }
  expect(asked).toBeGreaterThan(50);
  await app.close();
  await original.close();
});

/** Px of a colour inside a part of a picture of the page, as a share of all of them. */
async function shareOf(shot: Buffer, hex: string, rect: PageRect): Promise<number> {
  const { data, width } = await rawPixels(shot);
  const wanted = [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
  const [left, top] = [Math.round(rect.x), Math.round(rect.y)];
  const [right, bottom] = [Math.round(rect.x + rect.width), Math.round(rect.y + rect.height)];
  let count = 0;
  for (let y = top; y < bottom; y++) {
    for (let x = left; x < right; x++) {
      const i = (y * width + x) * 3;
      count += wanted.every((v, c) => data[i + c] === v) ? 1 : 0;
    }
  }
  return count / ((right - left) * (bottom - top));
}

test('how much of a picture is hidden, and by what, is what Chromium paints @landing', async ({
  browser,
}) => {
  const hex = {
    body: '#a4553a',
    hero: '#556b4a',
    foot: '#5f7a92',
    low: '#c9a23c',
    strip: '#d400ff',
  };
  const files = Object.fromEntries(
    await Promise.all(
      Object.entries(hex).map(async ([name, colour]) => [
        `${name}.png`,
        await sharp({ create: { width: 240, height: 120, channels: 3, background: colour } })
          .png()
          .toBuffer(),
      ]),
    ),
  ) as Record<string, Uint8Array>;
  const own: OwnPage = {
    name: 'covered',
    column: ['#page', 'border'],
    html: `<!doctype html><title>Covered</title><style>
      body { margin: 0; background: url(body.png) }
      #page { width: 800px; height: 1700px; margin: 0 auto; background: #fff; position: relative }
      #hero { height: 300px; background: url(hero.png) 0 0 / cover }
      #card { position: absolute; left: 480px; top: 0; width: 320px; height: 200px; background: #eee; pointer-events: none }
      #glass { position: absolute; left: 0; top: 0; width: 200px; height: 300px; border: 1px solid #fff; box-sizing: border-box }
      #strip { height: 400px; background: url(strip.png) repeat-y 100% 0 } #over { float: right; width: 120px; height: 400px; background: #222 }
      #foot { position: absolute; left: 0; bottom: 100px; width: 800px; height: 200px; background: url(foot.png) }
      #low { position: absolute; left: 100px; bottom: -350px; width: 400px; height: 300px; background: url(low.png); z-index: -1 }
      #holder { position: relative; z-index: 0; height: 500px }
      </style><div id=page><div id=hero><div id=card></div><div id=glass></div></div>
      <div id=strip><div id=over></div></div><div id=holder><div id=low></div></div><div id=foot></div></div>`,
    files,
  };
  const app = await application(browser);
  const original = await browser.newPage({ viewport: { width: 1280, height: 1700 } });
  const { server, address } = await serve({ ...files, 'index.html': Buffer.from(own.html) });
  await original.goto(`${address}/index.html`, { waitUntil: 'networkidle' });
  const shot = await original.screenshot();
  server.close();
  const frozen = asFolder(own);
  await showIn(app, frozen);
  const survey = await surveyIn(app, [1280]);
  const by: Record<string, string | undefined> = {};
  for (const picture of survey.pictures) {
    const placed = survey.at[0].placed.get(picture.id)!;
    const file = frozen.files.find((f) => f.key === placed.source)!;
    const name = file.name.replace('.png', '') as keyof typeof hex;
    const whole = { x: 0, y: 0, width: 1280, height: 1700 };
    const part = picture.root ? whole : paintedPart(placed, file.size);
    const occlusion = survey.occlusions.get(picture.id);
    const hidden = 1 - (await shareOf(shot, hex[name], part));
    // Told by 25 points: a row of them may lie on either side of an edge.
    expect.soft([name, Math.abs((occlusion?.share ?? 0) - hidden) <= 0.1]).toEqual([name, true]);
    by[name] = occlusion?.by;
  }
  expect(by).toEqual({
    body: '#page',
    hero: '#card',
    strip: '#over',
    low: '#foot',
    foot: undefined,
  });
  await app.close();
  await original.close();
});
