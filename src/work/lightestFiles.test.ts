import type { Goal } from '@/core/lightest/care';
import { planFiles } from '@/core/handover/filePlan';
import { writtenKey } from '@/core/handover/plannedFiles';
import { encodeSettings } from '@/core/encode/settings';
import { applyEdit, editPicture, type Edit } from '@/core/site/edit';
import type { ImageFormat } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import { addSlot } from '@/core/site/slots';
import { pictureOf } from '@/core/site/picture';
import { addVersion } from '@/core/site/versions';
import { LightestFiles, type LightestPorts } from './lightestFiles';
import { MemoryStore } from './memoryStore.fixture';
import { siteWithHeader } from './pictures.fixture';
import { Session } from './session';
import type { Candidate } from './searches';

const wide = (site: Site): Site =>
  applyEdit(site, (s) => {
    s.slots[0].width = 640;
    s.slots[0].height = 120;
  });

interface Found {
  readonly pictureId: string;
  readonly scale: number;
  readonly formats: readonly ImageFormat[];
  readonly goal: Goal;
}

/** Finds AVIF where it may, with a quality that tells the size: 60 at 1, 70 at 2, 50 at a half. */
function filesOf(
  site: Site,
  {
    found,
    judged = () => ({}),
    ...ports
  }: Partial<LightestPorts> & {
    found?(f: Found): Promise<void>;
    judged?(f: Found): Partial<Candidate['judgement']>;
  } = {},
) {
  const session = new Session(
    { site, stamp: '1', steps: [], cursor: 0 },
    {
      store: new MemoryStore(),
      now: () => 0,
      newId: () => `${Math.random()}`,
      later: () => () => {},
      tell: () => {},
    },
  );
  const asked: Found[] = [];
  const kept = new Map<string, number>();
  const files = new LightestFiles({
    searches: {
      async known({ picture, scale = 1 }, { formats, goal, urgency }, wanted) {
        expect(urgency).toBe('later');
        const one = { pictureId: picture.id, scale, formats, goal };
        asked.push(one);
        await found?.(one);
        if (!wanted()) {
          return undefined;
        }
        const format = formats.includes('avif') ? 'avif' : formats[0];
        const quality = 50 + [0.5, 1, 2].indexOf(scale) * 10;
        const candidate: Candidate = {
          judgement: {
            settings: encodeSettings(format, quality),
            bytes: quality,
            loss: { overall: 0.9, worst: 2.7 },
            lost: [],
            ...judged(one),
          },
          data: new Uint8Array(quality),
        };
        return candidate;
      },
    },
    isOpaque: async () => true,
    keep: (key, data) => void kept.set(key, data.length),
    ...ports,
  });
  return { files, session, asked, kept, site: () => session.state.getState().site };
}

test('of a picture all files are searched, and what is found is one step that the plan follows', async () => {
  const { files, session, asked, kept, site } = filesOf(wide(siteWithHeader));
  await files.start(session);
  expect(asked.map((a) => [a.scale, a.formats])).toEqual([
    [1, site().slots[0].accepts],
    [1, ['jpeg']],
    [2, ['avif']],
    [2, ['jpeg']],
    [0.5, ['avif']],
    [0.5, ['jpeg']],
  ]);
  expect(session.state.getState().steps.map((s) => s.label)).toEqual(['Lightest files of Header']);
  const [{ files: planned }] = planFiles(site(), () => true);
  expect(planned.map((f) => `${f.scale} ${f.settings.format} ${f.settings.quality}`)).toEqual([
    '1 avif 60',
    '1 jpeg 60',
    '2 avif 70',
    '2 jpeg 70',
    '0.5 avif 50',
    '0.5 jpeg 50',
  ]);
  // The hand-over finds each of them written.
  const [slot] = site().slots;
  for (const f of planned) {
    const key = writtenKey(site(), slot, pictureOf(site(), slot), f.scale, f.settings);
    expect(kept.get(key)).toBe(f.settings.quality);
  }
  expect(files.of('s')).toEqual({
    running: undefined,
    ended: { pictures: 1, failed: [], missed: [] },
  });
  session.undo();
  expect(planFiles(site(), () => true)[0].files[2].settings).toEqual(encodeSettings('webp', 80));
});

test('another quality by hand is every size’s quality again', async () => {
  const { files, session, site } = filesOf(wide(siteWithHeader));
  await files.start(session);
  session.commit(
    'By hand',
    editPicture('picture-h', (p) => {
      p.press = encodeSettings('avif', 33);
    }),
  );
  expect(planFiles(site(), () => true)[0].files.map((f) => f.settings.quality)).toEqual([
    33, 60, 33, 60, 33, 60,
  ]);
});

test('a theme’s file is searched in its own format; versions are, and the chosen one stays chosen', async () => {
  const replaced: Edit = (s) => {
    s.slots[0].replaces = 'images/header.png';
  };
  const one = filesOf(applyEdit(wide(siteWithHeader), replaced));
  await one.files.start(one.session);
  expect(one.asked.map((a) => a.formats)).toEqual([['png']]);
  const two = filesOf(applyEdit(wide(siteWithHeader), addVersion('h', 'other', 'Summer')));
  await two.files.start(two.session);
  expect([...new Set(two.asked.map((a) => a.pictureId))]).toEqual(['other', 'picture-h']);
  expect(two.site().slots[0].pictureId).toBe('other');
  expect(two.site().pictures['picture-h'].press).toEqual(encodeSettings('avif', 60));
  expect(two.session.state.getState().steps.map((s) => s.label)).toEqual([
    'Lightest files of Header, Summer',
    'Lightest files of Header, Version 1',
  ]);
});

test('where a number of bytes is the aim, the other files are as alike as the first came out', async () => {
  const { files, session, asked } = filesOf(
    applyEdit(
      wide(siteWithHeader),
      editPicture('picture-h', (p) => {
        p.aim = { by: 'bytes', bytes: 9000 };
      }),
    ),
  );
  await files.start(session);
  expect(asked[0].goal).toEqual({ by: 'bytes', bytes: 9000 });
  expect(asked[2].goal).toEqual({ by: 'limit', limit: { overall: 0.9, worst: 2.7 } });
});

test('files that fall short are taken and named, each for what it falls short of', async () => {
  const { files, session, site } = filesOf(wide(siteWithHeader), {
    judged({ scale, formats }) {
      if (scale === 2 && formats[0] === 'jpeg') {
        return { lost: ['seam-top'] };
      }
      return scale === 0.5 && formats[0] === 'avif' ? { loss: { overall: 1.2, worst: 2 } } : {};
    },
  });
  await files.start(session);
  expect(files.of('s').ended?.missed).toEqual([
    { name: 'Header', file: expect.objectContaining({ scale: 2, fallback: true }), what: 'border' },
    { name: 'Header', file: expect.objectContaining({ scale: 0.5, fallback: false }), what: 'aim' },
  ]);
  expect(site().pictures['picture-h'].sized).toHaveLength(2);
});

test('stopped, the picture that is searched stays as it is', async () => {
  const test = filesOf(wide(siteWithHeader), {
    found: async ({ scale }) => {
      if (scale === 2) {
        expect(test.files.of('s').running).toMatchObject({ done: 2, of: 6, name: 'Header' });
        test.files.stop('s');
      }
    },
  });
  await test.files.start(test.session);
  expect(test.files.of('s').running).toBeUndefined();
  expect(test.session.state.getState().steps).toEqual([]);
  expect(test.asked).toHaveLength(3);
});

test('a picture that was drawn on meanwhile is left alone; others are taken', async () => {
  const both = applyEdit(
    applyEdit(
      wide(siteWithHeader),
      addSlot('page', { id: 'k', kind: 'header', width: 30, height: 9 }),
    ),
    (s) => {
      s.pictures['picture-k'].ground = { type: 'colour', colour: '#112233' };
    },
  );
  const test = filesOf(both, {
    found: async ({ pictureId, scale, formats }) => {
      if (pictureId === 'picture-h' && scale === 2 && formats[0] === 'avif') {
        test.session.commit(
          'Another ground',
          editPicture('picture-h', (p) => {
            p.ground = { type: 'colour', colour: '#00aa00' };
          }),
        );
      }
    },
  });
  await test.files.start(test.session);
  expect(test.session.state.getState().steps.map((s) => s.label)).toEqual([
    'Another ground',
    'Lightest files of Header 2',
  ]);
  expect(test.site().pictures['picture-h'].press).toEqual(encodeSettings('webp', 80));
  expect(test.site().pictures['picture-k'].press).toEqual(encodeSettings('avif', 60));
});
