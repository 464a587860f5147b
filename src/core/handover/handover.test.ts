import { addressOf, cssString } from './escape';
import { generate, parse, walk } from 'css-tree';
import type { Draft } from 'immer';
import { newText } from '../layers/text';
import { applyEdit, setLayers } from '../site/edit';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { arrangeForNarrow, removeNarrow } from '../site/narrow';
import { newSite } from '../site/newSite';
import { plainPicture, encodeSettings } from '../encode/settings';
import { addSlot, slotFrom } from '../site/slots';
import { safeName } from './fileName';
import { planFiles } from './filePlan';
import { linesOf } from './lines.fixture';
import { snippetsFor } from './snippets';

const site = newSite('x', 'home', 'Veldrin Clayworks');
const slot: Slot = {
  ...slotFrom(site, { id: 's', kind: 'header', width: 1080, height: 220 }),
  size: 'cover',
  attachment: 'fixed',
  position: { x: { value: 50, unit: '%' }, y: { value: 0, unit: 'px' } },
  beside: { top: null, right: null, bottom: null, left: { from: 'colour', colour: '#3b4a45' } },
};
const picture: Picture = {
  id: 'p',
  ground: { type: 'colour', colour: '#3b4a45' },
  layers: [],
  ...plainPicture(encodeSettings('webp')),
  alt: 'Five "pots" <on> a shelf & more',
};

test('names every host takes', () => {
  expect(safeName('Kopfbild Größe 2.JPG')).toBe('kopfbild-gro-e-2-jpg');
  expect(safeName('  Été à la céramique ')).toBe('ete-a-la-ceramique');
  expect(safeName('***')).toBe('picture');
});

test('a header is content: its size, its file, its alternative text with the signs of markup kept out', () => {
  const { html, css } = linesOf(site, slot, picture);
  expect(html).toBe(
    '<img class="veldrin-clayworks-header" src="header.webp" width="1080" height="220" alt="Five &quot;pots&quot; &lt;on&gt; a shelf &amp; more">\n',
  );
  expect(css).toContain('background-color: #3b4a45');
});

test('nothing see-through gets a colour under it', () => {
  expect(linesOf(site, slot, { ...picture, ground: { type: 'none' } }).css).not.toContain(
    'background-color',
  );
});

test.each([
  ['background', 'repeat', 'body'],
  ['sidebar', 'repeat-y', '.veldrin-clayworks-header'],
  ['divider', 'repeat-x', '.veldrin-clayworks-header::before'],
] as const)(
  'a %s is a background that repeats as its slot says, in CSS that parses',
  (kind, repeat, selector) => {
    const { css } = linesOf(site, { ...slot, kind, repeat }, picture);
    const problems: string[] = [];
    const declarations: Record<string, string> = {};
    const tree = parse(css, { onParseError: (error) => problems.push(error.message) });
    walk(tree, {
      visit: 'Declaration',
      enter: (node) => {
        declarations[node.property] = node.value.type;
      },
    });
    expect(problems).toEqual([]);
    expect(css).toContain(`${selector} {`);
    expect(css).toContain(`background-repeat: ${repeat}`);
    expect(css).toContain('url("header.webp")');
    expect(declarations).toHaveProperty('background-image');
    expect(css).toContain('background-position: 50% 0px');
    expect(css).toContain('background-size: cover');
    expect(css).toContain('background-attachment: fixed');
  },
);

describe('what a page needs beside the file', () => {
  const withSlot = (part: Partial<Slot>, p: Partial<Picture> = {}): Site => ({
    ...site,
    slots: [{ ...slot, size: { x: 'auto', y: 'auto' }, attachment: 'scroll', ...part }],
    pictures: { [slot.pictureId]: { ...picture, ...p } },
  });
  const written = (s: Site, p: Picture = s.pictures[slot.pictureId]) => linesOf(s, s.slots[0], p);
  const rules = (css: string) => {
    const found: { media: string; selector: string; declarations: Record<string, string> }[] = [];
    walk(
      parse(css, {
        onParseError: (e) => {
          throw e;
        },
      }),
      function (node) {
        if (node.type === 'Rule') {
          found.push({
            media: this.atrule ? generate(this.atrule.prelude!) : '',
            selector: generate(node.prelude),
            declarations: Object.fromEntries(
              node.block.children
                .toArray()
                .flatMap((d) =>
                  d.type === 'Declaration' ? [[d.property, generate(d.value)]] : [],
                ),
            ),
          });
        }
      },
    );
    return found;
  };

  test('a divider hangs above its section, one px over it, and has another size on narrow screens', () => {
    const s = withSlot({
      kind: 'divider',
      width: 1920,
      height: 90,
      repeat: 'repeat-x',
      narrowSize: { below: 800, width: 200, height: 50 },
    });
    const list = rules(written(s).css);
    expect(list[0].declarations).toMatchObject({ position: 'relative', overflow: 'visible' });
    expect(list[1]).toMatchObject({
      media: '',
      declarations: {
        bottom: '100%',
        'margin-bottom': '-1px',
        height: '90px',
        'background-size': 'auto auto',
      },
    });
    expect(list[2]).toMatchObject({
      media: '(max-width:799.98px)',
      declarations: { height: '45px', 'background-size': '200% 100%' },
    });
  });

  test('a second arrangement is a source of its own below its width', () => {
    const one = applyEdit(withSlot({}), arrangeForNarrow(slot.id, 600));
    const { html, css } = written(one);
    const other = one.slots[1];
    expect(html).toMatch(
      new RegExp(
        `^<picture>\\n  <source media="\\(max-width: 599.98px\\)" srcset="header-narrow.webp" width="${other.width}" height="${other.height}">\\n  <img class="[a-z-]+" src="header.webp"`,
      ),
    );
    expect(rules(css).find((r) => r.media)).toMatchObject({
      media: '(max-width:599.98px)',
      declarations: { width: `${other.width}px` },
    });
    expect(other.height / other.width).toBeGreaterThan(slot.height / slot.width);
    expect(linesOf(applyEdit(one, removeNarrow(slot.id)), slot, picture).html).not.toContain(
      '<picture>',
    );
  });

  test('live words lie in a box as large as the picture, with their place in percent and a size that does not fall below the least', () => {
    const text = {
      ...newText('t', 'Open <today>\nfrom ten', 'fraunces', 54, '#efe9dc', 540, 55),
      weight: 500,
      live: true,
    };
    const { html, css } = written(withSlot({}, { layers: [text] }));
    const list = rules(css);
    expect(html).toContain('<span>Open &lt;today&gt;</span><span>from ten</span>');
    expect(list.find((r) => r.selector.endsWith('-box'))!.declarations).toMatchObject({
      position: 'relative',
      width: '1080px',
      'max-width': '100%',
      'container-type': 'inline-size',
    });
    expect(list.find((r) => r.selector.endsWith('-words-1'))!.declarations).toMatchObject({
      left: '50%',
      top: '25%',
      'font-size': 'max(12px,5cqi)',
      color: '#efe9dc',
      'font-family': '"Fraunces"',
      transform: 'translateX(-50%)',
    });
    expect(written(withSlot({}, { layers: [{ ...text, live: false }] })).html).not.toContain(
      'today',
    );
  });

  test('the page’s colour is a line of the sheet where the page has taken it from the picture', () => {
    const s = withSlot({
      kind: 'header',
      beside: { top: null, right: null, bottom: null, left: { from: 'page' } },
      lends: 'left',
    });
    const placed: Site = {
      ...s,
      pages: [{ ...s.pages[0], headerSlot: slot.id, ground: '#3c4b46' }],
    };
    expect(rules(written(placed).css).at(-1)).toMatchObject({
      selector: 'body',
      declarations: { 'background-color': '#3c4b46' },
    });
    expect(
      rules(written({ ...placed, slots: [{ ...placed.slots[0], lends: null }] }).css).every(
        (r) => r.selector !== 'body',
      ),
    ).toBe(true);
  });
});

test('a title band’s page colour is written where the page has taken it', () => {
  const base = newSite('s', 'page', 'V');
  const site = [
    addSlot('page', { id: 'b', kind: 'band', width: 400, height: 100 }),
    setLayers('picture-b', { type: 'colour', colour: '#3c4b46' }, []),
    (s: Draft<Site>) => {
      s.pages[0].band!.colour = '#3c4b46';
      s.slots[0].lends = 'bottom';
      s.slots[0].beside.bottom = { from: 'page' };
    },
  ].reduce(applyEdit, base);
  const { css } = snippetsFor(
    site,
    planFiles(site, () => true),
    'b',
  );
  const without = applyEdit(site, (s) => {
    s.slots[0].lends = null;
  });
  const plain = snippetsFor(
    without,
    planFiles(without, () => true),
    'b',
  ).css;
  expect(css.startsWith(plain)).toBe(true);
  expect(css.slice(plain.length)).toMatch(
    /^\.?[a-z-]+ \{\n {2}background-color: #[0-9a-f]{6};\n\}\n$/,
  );
});

test('names in a style sheet end neither their string nor the style element', () => {
  // CSSOM 1, "serialize a string"; `<` is escaped beyond what it asks for.
  expect(cssString('Lora')).toBe('"Lora"');
  expect(cssString('a"b\\c')).toBe('"a\\"b\\\\c"');
  expect(cssString('\0\u0001\n\u007f')).toBe('"\ufffd\\1 \\a \\7f "');
  expect(cssString('x"}</style><script>1')).toBe('"x\\"}\\3c /style>\\3c script>1"');
  expect(addressOf('images/a b"c%.png')).toBe('images/a%20b%22c%25.png');
});
