import { strFromU8, strToU8 } from 'fflate';
import { produce } from 'immer';
import type { PageSurvey } from '../ownPage/survey';
import type { OwnPage, OwnPageFile, OwnPlace } from '../site/model/ownPage';
import type { Slot } from '../site/model/slot';
import { newSite } from '../site/newSite';
import { addSlot } from '../site/slots';
import type { PlannedFile, SlotFiles } from './filePlan';
import { ownPageChanges, wholeFolder } from './ownPageChanges';
import { pageWishes } from './pageWishes';

type Bytes = Uint8Array<ArrayBuffer>;

const assets = new Map<string, Bytes>();
let count = 0;
function asset(content: string | Uint8Array): string {
  const id = String(++count).padStart(64, '0');
  assets.set(id, (typeof content === 'string' ? strToU8(content) : content) as Bytes);
  return id;
}
const read = async (id: string): Promise<Bytes> => assets.get(id)!;

const file = (n: number, path: string, type: string, original?: string | Uint8Array) =>
  ({
    key: `frozen:${n}`,
    name: path.split('/').at(-1)!,
    path,
    type,
    assetId: asset(`frozen ${path}`),
    size: type === 'text/css' ? null : { width: 900, height: 300 },
    original: original === undefined ? null : asset(original),
  }) satisfies OwnPageFile;

const place = {
  slot: 'hero',
  as: 'background',
  selector: '.hero',
  pseudo: '',
  layer: 1,
  rect: null,
  measured: null,
  ruled: 'page',
} satisfies OwnPlace;
const laid = {
  repeat: 'no-repeat',
  position: '50% 50%',
  size: 'cover',
  attachment: 'scroll',
  origin: 'padding-box',
  clip: 'border-box',
};

/** Two layers, ours below a gradient; laid by a rule of the sheet on its third line. */
function survey(above: Partial<typeof laid> = {}): PageSurvey {
  const rect = { x: 0, y: 0, width: 900, height: 220 };
  const picture = {
    ...place,
    as: 'background' as const,
    pseudo: '' as const,
    root: false,
    words: false,
  };
  return {
    pictures: [
      { ...picture, id: '4 background 0', layer: 0 },
      { ...picture, id: '4 background 1', layer: 1 },
    ],
    parts: [],
    at: [1280].map((width) => ({
      width,
      height: 900,
      parts: new Map(),
      placed: new Map([
        [
          '4 background 0',
          {
            rect,
            source: 'linear-gradient(red, blue)',
            natural: undefined,
            laid: { ...laid, size: 'auto', ...above },
            rule: undefined,
          },
        ],
        ['4 background 1', { rect, source: 'frozen:1', natural: undefined, laid, rule: 0 }],
      ]),
    })),
    rules: [{ sheet: 'frozen:0', selector: '.hero', within: ['@media screen'], line: 3 }],
    occlusions: new Map(),
    look: {} as PageSurvey['look'],
  };
}

const sheet = `@charset "utf-8";
/* é */ @media screen {
.hero { background: linear-gradient(red, blue), url(/img/hero.jpg?v=3) 50%/cover no-repeat; }
}
`;
const page = (css: string | Uint8Array | undefined, html?: string): OwnPage => ({
  from: 'page',
  file: 'site/index.html',
  title: 'Home',
  document: asset('frozen'),
  original: html === undefined ? null : asset(html),
  files: [file(0, 'site/css/a.css', 'text/css', css), file(1, 'site/img/hero.jpg', 'image/jpeg')],
  left: [],
  missing: [],
  survey: asset('{}'),
  places: [place],
  inks: [],
});

const base = produce(
  newSite('s', 'p', 'Site'),
  addSlot('p', { id: 'hero', kind: 'piece', width: 900, height: 300, name: 'Hero' }),
);
const slot: Slot = {
  ...base.slots[0],
  replaces: 'site/img/hero.jpg',
  repeat: 'no-repeat',
  position: { x: { value: 50, unit: '%' }, y: { value: 50, unit: '%' } },
  size: 'cover',
};
const planned = (path: string, change: Partial<Slot> = {}): SlotFiles => ({
  slot: { ...slot, ...change },
  picture: Object.values(base.pictures)[0],
  files: [{ slotId: 'hero', path, scale: 1, width: 900, height: 300 } as PlannedFile],
});
const contained = { size: 'contain' } as const;

const changesOf = (own: OwnPage, plan: SlotFiles, { mayChange = true, above = {} } = {}) =>
  ownPageChanges({ id: 'p', own }, pageWishes(own, survey(above), [plan]), mayChange, read);

test('of two layers only ours is laid otherwise, in the rule that lays it; the picture keeps its name', async () => {
  const { files, said } = await changesOf(page(sheet), planned('site/img/hero.jpg', contained));
  expect(files.map((f) => [f.path, f.lines])).toEqual([
    [
      'site/css/a.css',
      [
        {
          line: 3,
          before: sheet.split('\n')[2],
          after: sheet.split('\n')[2].replace('; }', '; background-size: auto, contain; }'),
        },
      ],
    ],
  ]);
  expect(said).toEqual(['Upload hero.jpg over site/img/hero.jpg. Set size: contain.']);
});

test('what nothing was changed of but its pixels changes no line; one that is as it was, nothing', async () => {
  const { files, said } = await changesOf(page(sheet), planned('site/img/hero.jpg'));
  expect([files, said]).toEqual([[], ['Upload hero.jpg over site/img/hero.jpg.']]);
  const still = planned('site/img/hero.jpg');
  const asItWas = { ...still, files: [{ ...still.files[0], asItWas: 'x' }] };
  expect((await changesOf(page(sheet), asItWas)).said).toEqual([]);
});

test('a file of another format is named so where it was named, the rest of the address as it was', async () => {
  const html = `<base href="img/"><img src="hero.jpg" srcset="/site/img/hero.jpg 2x"><p>hero.jpg`;
  const own = page(sheet, html);
  const { files, pasted } = await changesOf(own, planned('site/img/hero.webp'));
  const text = (path: string) => strFromU8(files.find((f) => f.path === path)!.bytes!);
  expect(text('site/css/a.css')).toBe(
    sheet.replace('url(/img/hero.jpg?v=3)', 'url("/img/hero.webp?v=3")'),
  );
  expect(text('site/index.html')).toBe(
    `<base href="img/"><img src="hero.webp" srcset="/site/img/hero.webp 2x"><p>hero.jpg`,
  );
  expect(pasted).toBe(
    '/* Hero */\n@media screen {\n  .hero {\n    background-image: url("site/img/hero.webp");\n  }\n}\n',
  );
  const all = await wholeFolder(
    own,
    files,
    [{ path: 'site/img/hero.webp', type: 'image/webp', bytes: new Uint8Array([7]) }],
    read,
  );
  expect(all.map((f) => [f.path, f.type])).toEqual([
    ['site/css/a.css', 'text/css'],
    ['site/img/hero.jpg', 'image/jpeg'],
    ['site/index.html', 'text/html'],
    ['site/img/hero.webp', 'image/webp'],
  ]);
  expect(strFromU8(all[2].bytes)).toContain('src="hero.webp"');
});

const latin = (text: string) => new Uint8Array(Buffer.from(text, 'latin1'));
const wide = (text: string) => new Uint8Array(Buffer.from(`\ufeff${text}`, 'utf16le'));
test.each([
  [
    'UTF-8 with a mark',
    new Uint8Array([0xef, 0xbb, 0xbf, ...strToU8(sheet)]),
    (b: Buffer) => b.toString('utf8').slice(1),
  ],
  [
    'windows-1252',
    latin(sheet.replace('utf-8', 'windows-1252')),
    (b: Buffer) => b.toString('latin1').replace('windows-1252', 'utf-8'),
  ],
  ['UTF-16', wide(sheet), (b: Buffer) => b.toString('utf16le').slice(1)],
])('in %s every other byte stays as it was', async (_name, bytes, decode) => {
  const { files } = await changesOf(page(bytes), planned('site/img/hero.jpg', contained));
  expect(decode(Buffer.from(files[0].bytes!))).toBe(
    sheet.replace('no-repeat; }', 'no-repeat; background-size: auto, contain; }'),
  );
});

test('in an encoding that cannot be written again the lines are told all the same', async () => {
  // “kiln” in Shift_JIS.
  const bytes = latin(sheet.replace('utf-8', 'shift_jis').replace('é', '\x97\x71'));
  const { files } = await changesOf(page(bytes), planned('site/img/hero.jpg', contained));
  expect(files.map((f) => [f.bytes, f.lines[0].line])).toEqual([[undefined, 3]]);
});

test('a rule of its own is as specific as the page’s, one that outdoes it more so than any', async () => {
  const ruled = async (by: OwnPlace['ruled'], selector = '.hero') => {
    const own = {
      ...page(sheet, '<link rel=stylesheet href=css/a.css>'),
      places: [{ ...place, selector, ruled: by }],
    };
    const { files } = await changesOf(own, planned('site/img/hero.jpg', contained));
    return files.flatMap((f) => f.lines.map((l) => l.after)).join('\n');
  };
  expect(await ruled('own')).toBe(
    '@media screen {\n  .hero {\n    background-size: auto, contain;\n  }\n}\n',
  );
  expect(await ruled('important')).toBe(
    '.hero:not(#_#_#_) {\n  background-size: auto, contain !important;\n}\n',
  );
  expect(await ruled('important', 'x}</style><script>')).toBe('');
});

test('values that were measured are only written where they are plain; pictures alone change no file', async () => {
  const hostile = { size: 'auto;}</style><script>' };
  const plan = planned('site/img/hero.jpg', contained);
  const { files } = await changesOf(page(sheet), plan, { above: hostile });
  expect(files[0].lines[0].after).toContain('background-size: contain; }');
  const { files: none, pasted, said } = await changesOf(page(sheet), plan, { mayChange: false });
  expect([none, pasted, said.length]).toEqual([[], '', 1]);
});
