import { castDraft } from 'immer';
import { newPhoto } from '../layers/photo';
import { applyEdit, editSlot, type Edit } from '../site/edit';
import type { Site } from '../site/model/site';
import { newSite } from '../site/newSite';
import { addPage, editPage } from '../site/pages';
import { pictureOf, slotOf } from '../site/picture';
import { addSlot } from '../site/slots';
import type { Reading } from './reading';
import { takeReadings } from './registry';

/*
 * Readings of how a slot and its page fit: one test that each holds, one that it fails by the right
 * amount, one that its mend makes it hold.
 */

const base = {
  ...newSite('x', 'home', 'X'),
  visitors: [
    { width: 360, share: 20 },
    { width: 1000, share: 30 },
    { width: 1920, share: 50 },
  ],
};
const after = (site: Site, ...edits: Edit[]): Site => edits.reduce(applyEdit, site);
const withSlot = (
  kind: 'header' | 'sidebar' | 'background',
  width: number,
  height: number,
  ...edits: Edit[]
): Site =>
  after(
    base,
    addSlot('home', { id: 's', kind, width, height }),
    (site) => {
      site.pictures['picture-s'].layers = [
        castDraft(newPhoto('l', { assetId: 'a', name: '', width, height }, { width, height })),
      ];
    },
    ...edits,
  );

const read = (site: Site, id: string): Reading | undefined => {
  const slot = slotOf(site, 's')!;
  return takeReadings({ site, slot, picture: pictureOf(site, slot) }).find((r) => r.id === id);
};

function mended(site: Site, id: string): Reading | undefined {
  const before = JSON.stringify(site);
  const { mend } = read(site, id) ?? {};
  if (!mend) {
    throw new Error(`${id} has no mend`);
  }
  const better = applyEdit(site, mend.edit);
  expect(JSON.stringify(site)).toBe(before);
  return read(better, id);
}

describe('header against the content', () => {
  test('as wide as the content', () =>
    expect(read(withSlot('header', 960, 200), 'header-width')).toMatchObject({
      verdict: 'holds',
      figure: '960 px',
    }));
  test('20 px narrower leaves a stripe', () =>
    expect(read(withSlot('header', 940, 200), 'header-width')).toMatchObject({
      verdict: 'fails',
      figure: '−20 px',
      words: expect.stringContaining('20 px narrower than the content of Home, 960 px'),
    }));
  test('40 px wider is scaled down', () =>
    expect(read(withSlot('header', 1000, 200), 'header-width')).toMatchObject({
      verdict: 'look',
      figure: '+40 px',
    }));
  test('mended', () =>
    expect(mended(withSlot('header', 940, 200), 'header-width')).toMatchObject({
      verdict: 'holds',
    }));
  test('a content width in percent alone is nothing to hold it to', () => {
    expect(
      read(
        withSlot(
          'header',
          940,
          200,
          editPage('home', (p) => {
            p.content = { px: null, percent: 90, measured: null };
          }),
        ),
        'header-width',
      ),
    ).toBeUndefined();
  });
  test('of two pages the one it misses most counts', () => {
    const two = withSlot(
      'header',
      960,
      200,
      addPage('home', 'wide', 'Wide'),
      editPage('wide', (p) => {
        p.content.px = 1200;
      }),
    );
    expect(read(two, 'header-width')).toMatchObject({
      verdict: 'fails',
      words: expect.stringContaining('of Wide, 1200 px'),
    });
  });
});

describe('strip against its column', () => {
  const strip = (width: number, height = 44) =>
    withSlot(
      'sidebar',
      435,
      height,
      editSlot('s', (s) => {
        s.width = width;
      }),
    );
  test('as wide as the column', () =>
    expect(read(strip(435), 'column-width')).toMatchObject({ verdict: 'holds', figure: '435 px' }));
  test('390 are 45 too few, 450 are 15 too many (common practice, no source)', () => {
    expect(read(strip(390), 'column-width')).toMatchObject({
      verdict: 'fails',
      figure: '−45 px',
      words: '45 px too narrow for its column of 435 px: a bare stripe shows.',
    });
    expect(read(strip(450), 'column-width')).toMatchObject({ verdict: 'fails', figure: '+15 px' });
  });
  test('mended', () =>
    expect(mended(strip(390), 'column-width')).toMatchObject({ verdict: 'holds' }));
  test('2 to 5 px high is to be looked at, 1 and 6 are not; mended', () => {
    expect([1, 2, 5, 6].map((h) => read(strip(435, h), 'tile-height')?.verdict)).toEqual([
      'holds',
      'look',
      'look',
      'holds',
    ]);
    expect(read(strip(435, 4), 'tile-height')?.words).toBe(
      'Only 4 px high: the browser lays 250 of them for every 1000 px of page.',
    );
    expect(mended(strip(435, 4), 'tile-height')).toMatchObject({ verdict: 'holds' });
  });
});

describe('background beside the content', () => {
  test('hidden from a fifth of the visitors holds', () =>
    expect(read(withSlot('background', 1920, 1200), 'background-shows')).toMatchObject({
      verdict: 'holds',
      figure: 'by 80%',
    }));
  const wide = withSlot(
    'background',
    1920,
    1200,
    editPage('home', (p) => {
      p.content.px = 1080;
    }),
  );
  test('hidden from half of them is to be looked at', () => {
    expect(read(wide, 'background-shows')).toMatchObject({
      verdict: 'look',
      figure: 'by 50%',
      words:
        'On 50% of your visitors’ screens no background shows at all on Home: the content covers it.',
    });
  });
  test('mended by the widest content that lets enough of them see it', () => {
    expect(read(wide, 'background-shows')?.mend?.label).toBe('Narrow the content to 980 px');
    expect(mended(wide, 'background-shows')).toMatchObject({ verdict: 'holds' });
  });
  test('where only phones are in the way there is no mend, and of nobody nothing is said', () => {
    expect(
      read({ ...wide, visitors: [{ width: 360, share: 1 }] }, 'background-shows'),
    ).toMatchObject({ verdict: 'fails', mend: undefined });
    expect(read({ ...wide, visitors: [] }, 'background-shows')).toMatchObject({
      verdict: 'unknown',
    });
  });
});

describe('background from side to side', () => {
  test('as wide as the widest screen', () =>
    expect(read(withSlot('background', 1920, 1200), 'background-covers')).toMatchObject({
      verdict: 'holds',
      figure: 'always',
    }));
  const narrow = withSlot('background', 1400, 900);
  test('1400 px in the middle of 1920 leave 260 at each side, for half of the visitors', () => {
    expect(read(narrow, 'background-covers')).toMatchObject({
      verdict: 'look',
      figure: '260 px bare at 1920',
      words: expect.stringContaining('50% of your visitors see such a stripe'),
    });
  });
  test('at the left all of it is bare at the right', () => {
    const left = after(
      narrow,
      editSlot('s', (s) => {
        s.position = { x: { value: 0, unit: 'px' }, y: { value: 0, unit: 'px' } };
      }),
    );
    expect(read(left, 'background-covers')).toMatchObject({ figure: '520 px bare at 1920' });
  });
  test('repeated sideways it always reaches', () =>
    expect(
      read(
        after(
          narrow,
          editSlot('s', (s) => {
            s.repeat = 'repeat-x';
          }),
        ),
        'background-covers',
      ),
    ).toMatchObject({ verdict: 'holds' }));
  test('mended', () =>
    expect(mended(narrow, 'background-covers')).toMatchObject({ verdict: 'holds' }));
});

test('a header made as wide as the content takes its photo along: nothing is left bare', () => {
  const narrow = withSlot('header', 900, 200);
  const mend = read(narrow, 'header-width')!.mend!;
  const wide = applyEdit(narrow, mend.edit);
  expect(slotOf(wide, 's')!.width).toBe(960);
  expect(read(wide, 'cover')).toMatchObject({ verdict: 'holds' });
});
