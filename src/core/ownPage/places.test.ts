import type { FrozenFile } from './frozen';
import { commaParts } from '../theme/commaParts';
import { surveyed } from './survey.fixture';
import { boxLines, laidAs, placesOf, placeWords, roomsOf } from './places';
import {
  forLayer,
  type LaidBackground,
  type PageRect,
  type PageSurvey,
  type PaintedPicture,
} from './survey';

const plain: LaidBackground = {
  repeat: 'repeat',
  position: '0% 0%',
  size: 'auto',
  attachment: 'scroll',
  origin: 'padding-box',
  clip: 'border-box',
};

const file = (n: number, width: number, height: number): FrozenFile => ({
  key: `frozen:${n}`,
  name: `${n}.png`,
  path: `${n}.png`,
  type: 'image/png',
  bytes: new Uint8Array(1),
  size: { width, height },
});

interface Lying {
  readonly picture?: Partial<PaintedPicture>;
  readonly rect: readonly [number, number, number, number];
  readonly laid?: Partial<LaidBackground>;
  readonly file: FrozenFile;
}

/** A page 1280 px wide and 1600 high with these pictures on it. */
function pageWith(...lying: readonly Lying[]): { survey: PageSurvey; files: FrozenFile[] } {
  const placed = lying.map(({ rect: [x, y, width, height], laid, file: of, picture }, i) => {
    const rect: PageRect = { x, y, width, height };
    const as = picture?.as ?? 'background';
    return {
      picture: {
        id: `${i}`,
        as,
        selector: `#p${i}`,
        pseudo: '',
        layer: 0,
        root: false,
        words: false,
        ...picture,
      } as PaintedPicture,
      value: {
        rect,
        source: of.key,
        natural: undefined,
        laid: as === 'background' ? { ...plain, ...laid } : undefined,
        rule: undefined,
      },
    };
  });
  return {
    survey: {
      pictures: placed.map((p) => p.picture),
      at: [
        {
          width: 1280,
          height: 1600,
          placed: new Map(placed.map((p) => [p.picture.id, p.value])),
          parts: new Map(),
        },
      ],
      parts: [],
      rules: [],
      occlusions: new Map(),
      look: {
        width: 1280,
        height: 1600,
        page: '#ffffff',
        boxes: [],
        texts: [],
        borders: [],
      },
    },
    files: lying.map((l) => l.file),
  };
}

const kinds = (...lying: readonly Lying[]) => {
  const { survey, files } = pageWith(...lying);
  return placesOf(survey, files, 1280).map((p) => p.kind);
};

describe('what a picture is follows from where it lies and how', () => {
  test.each<[string, Lying, string]>([
    [
      'on the body',
      { picture: { root: true }, rect: [0, 0, 1280, 400], file: file(1, 64, 64) },
      'background',
    ],
    ['over the whole page', { rect: [0, 0, 1280, 1600], file: file(1, 1900, 1200) }, 'background'],
    [
      'wide, above, an image',
      { picture: { as: 'image' }, rect: [170, 60, 940, 198], file: file(1, 940, 198) },
      'header',
    ],
    [
      'wide, above, behind words',
      { picture: { words: true }, rect: [0, 60, 1280, 300], file: file(1, 1600, 400) },
      'band',
    ],
    [
      'narrow, repeated down',
      { rect: [900, 300, 240, 900], laid: { repeat: 'repeat-y' }, file: file(1, 240, 90) },
      'sidebar',
    ],
    [
      'columns of the page in one strip',
      { rect: [160, 300, 960, 900], laid: { repeat: 'repeat-y' }, file: file(1, 960, 10) },
      'sidebar',
    ],
    [
      'wide and flat, farther down',
      { rect: [0, 900, 1280, 90], file: file(1, 1920, 90) },
      'divider',
    ],
    [
      'small, in the bar',
      { picture: { as: 'image' }, rect: [20, 10, 200, 54], file: file(1, 300, 72) },
      'mark',
    ],
    [
      'a shadow in a large box',
      { rect: [170, 0, 940, 100], laid: { repeat: 'no-repeat' }, file: file(1, 940, 14) },
      'piece',
    ],
    ['anything else', { rect: [300, 700, 120, 36], file: file(1, 120, 36) }, 'piece'],
  ])('%s', (_, lying, kind) => {
    expect(kinds(lying)).toEqual([kind]);
  });

  test('names do not decide', () => {
    const button = { ...file(1, 940, 198), name: 'button-icon.png' };
    expect(kinds({ picture: { as: 'image' }, rect: [170, 60, 940, 198], file: button })).toEqual([
      'header',
    ]);
  });
});

test('each file once, where it is largest; the small ones last; what has no file or size left out', () => {
  const icon = file(2, 16, 16);
  const photo = file(3, 600, 400);
  const drawing = { ...file(4, 1, 1), size: undefined };
  const { survey, files } = pageWith(
    { rect: [10, 500, 16, 16], file: icon },
    { rect: [300, 500, 100, 80], file: photo },
    { rect: [300, 800, 600, 400], file: photo },
    { rect: [0, 0, 50, 50], file: drawing },
    { rect: [0, 0, 50, 50], file: { ...file(9, 5, 5), key: 'data:image/png,x' } },
  );
  const places = placesOf(survey, files.slice(0, 4), 1280);
  expect(places.map((p) => [p.file.name, p.id, p.small])).toEqual([
    ['3.png', '2', false],
    ['2.png', '0', true],
  ]);
  expect(places[0].boxes).toEqual([{ screen: 1280, width: 600, height: 400 }]);
});

test.each([
  [
    { position: '50% 0%', repeat: 'no-repeat', size: 'cover' },
    'no-repeat',
    '50% 0%',
    'covers its box',
  ],
  [
    { position: '10px 100%', repeat: 'repeat no-repeat' },
    'repeat-x',
    '10px 100%',
    'repeats sideways',
  ],
  [
    { position: 'calc(100% + 20px) 3px', repeat: 'repeat-y' },
    'repeat-y',
    '100% 3px',
    'repeats down',
  ],
  [{ size: 'cover' }, 'no-repeat', '0% 0%', 'covers its box'],
  [{ size: '100% 100%' }, 'no-repeat', '0% 0%', 'stretched'],
  [{ attachment: 'fixed' }, 'repeat', '0% 0%', 'repeats both ways, stays with the screen'],
])('computed values %j as a slot has them', (part, repeat, position, words) => {
  const laid = laidAs({ ...plain, ...part })!;
  const { x, y } = laid.position;
  expect([
    laid.repeat,
    `${x.value}${x.unit} ${y.value}${y.unit}`,
    placeWords({ laid, boxes: [{ screen: 1280, width: 9, height: 9 }], occlusion: undefined }),
  ]).toEqual([repeat, position, words]);
});

test('a place says what lays it and what hides it', () => {
  const sheet = file(1, 10, 10);
  const [place] = placesOf(
    surveyed,
    [{ ...file(0, 1020, 204) }, { ...sheet, name: 'style.css' }],
    1280,
  );
  expect(place.rule).toEqual({ where: 'style.css, line 12', selector: '.banner', within: [] });
  expect(placeWords(place)).toBe('covers its box, 25% under .page');
  const inTag = { sheet: '', selector: '', within: [], line: undefined };
  const ofPage = { sheet: '', selector: '.a', within: ['@media print'], line: 3 };
  const whereOf = (rule: PageSurvey['rules'][number]) =>
    placesOf({ ...surveyed, rules: [rule] }, [file(0, 1020, 204)], 1280)[0].rule?.where;
  expect(whereOf(inTag)).toBe('in its tag on the page');
  expect(whereOf(ofPage)).toBe('the page’s own styles, line 3');
});

test('a place says how large its box is on which screens', () => {
  const [{ boxes }] = placesOf(surveyed, [file(0, 1020, 204)], 1280);
  expect(boxLines(boxes)).toEqual([
    '360 × 204 on screens of 360 px',
    '1020 × 204 on screens of 1280 to 2560 px',
  ]);
  expect(boxLines([])).toEqual([]);
});

test('a bar or a section has room where no picture of its own lies, whatever lies under the page', () => {
  const survey = {
    ...surveyed,
    parts: [
      ...surveyed.parts,
      { id: 'part 2', as: 'section' as const, selector: '.band', box: 'border' as const },
      { id: 'part 3', as: 'section' as const, selector: '.banner', box: 'border' as const },
    ],
    at: surveyed.at.map((a) => ({
      ...a,
      parts: new Map([
        ...a.parts,
        ['part 2', { x: 0, y: 1200, width: a.width, height: 160 }],
        ['part 3', { x: 0, y: 64, width: 1020, height: 204 }],
      ]),
    })),
  };
  expect(roomsOf(survey, 1280).map((r) => [r.selector, r.kind, r.rect.height])).toEqual([
    ['header', 'header', 64],
    ['.band', 'divider', 160],
  ]);
  const tiled = {
    ...survey,
    pictures: survey.pictures.map((p) => ({ ...p, root: true })),
  };
  expect(roomsOf(tiled, 1280).map((r) => r.selector)).toEqual(['header', '.band', '.banner']);
});

test('a computed size of two values is kept, as lengths or automatic', () => {
  expect(laidAs({ ...plain, size: '50% auto' })!.size).toEqual({
    x: { value: 50, unit: '%' },
    y: 'auto',
  });
  expect(laidAs({ ...plain, size: '120px' })!.size).toEqual({
    x: { value: 120, unit: 'px' },
    y: 'auto',
  });
});

test('lists of values come apart at their own commas, and are begun again for further layers', () => {
  const list = 'url("a,b.png"), linear-gradient(90deg, rgb(1, 2, 3), red), none';
  expect(commaParts(list)).toEqual([
    'url("a,b.png")',
    'linear-gradient(90deg, rgb(1, 2, 3), red)',
    'none',
  ]);
  expect([0, 1, 2, 3].map((i) => forLayer('repeat-x, no-repeat', i))).toEqual([
    'repeat-x',
    'no-repeat',
    'repeat-x',
    'no-repeat',
  ]);
});
