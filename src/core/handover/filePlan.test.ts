import type { Draft } from 'immer';
import { encodeSettings, encodeSettingsWords } from '../encode/settings';
import { applyEdit, setLayers, type Edit } from '../site/edit';
import type { Site } from '../site/model/site';
import { newSite } from '../site/newSite';
import { addSlot, type NewSlot } from '../site/slots';
import { planFiles } from './filePlan';

const filled = (part: NewSlot): Edit[] => [
  addSlot('page', part),
  setLayers(`picture-${part.id}`, { type: 'colour', colour: '#3b4a45' }, []),
];
const of = (...edits: Edit[]): Site => edits.reduce(applyEdit, newSite('s', 'page', 'Veldrin'));
const header: NewSlot = { id: 'h', kind: 'header', width: 1080, height: 220 };
const paths = (site: Site, opaque = true) =>
  planFiles(site, () => opaque).flatMap((p) =>
    p.files.map((f) => `${f.path} ${f.width}×${f.height}`),
  );
const change = (make: (site: Draft<Site>) => void): Edit => make;

test('a header has its file, one of twice and one of half the size, each with an older one beside it', () => {
  expect(paths(of(...filled(header)))).toEqual([
    'pictures/header.webp 1080×220',
    'pictures/header.jpg 1080×220',
    'pictures/header-2x.webp 2160×440',
    'pictures/header-2x.jpg 2160×440',
    'pictures/header-half.webp 540×110',
    'pictures/header-half.jpg 540×110',
  ]);
});

test('where it is see-through the older file is a PNG; a host that takes none gets none', () => {
  const site = of(...filled(header));
  expect(paths(site, false)).toContain('pictures/header.png 1080×220');
  const picky = applyEdit(site, (s) => {
    s.slots[0].accepts = ['webp'];
  });
  expect(paths(picky).every((p) => p.includes('.webp'))).toBe(true);
});

test('an older format stands alone, and what is not wanted is not planned', () => {
  const jpeg = change((s) => {
    s.pictures['picture-h'].press = encodeSettings('jpeg');
    s.handOver = { twice: false, narrow: false, fallback: true, pageFiles: true };
  });
  expect(paths(of(...filled(header), jpeg))).toEqual(['pictures/header.jpg 1080×220']);
});

test('backgrounds: a photo has half the px for phones, a strip is neither halved nor doubled, a tile is doubled', () => {
  const alone = change((s) => {
    s.handOver = { twice: true, narrow: true, fallback: false, pageFiles: true };
  });
  const kinds = (part: Partial<NewSlot>) =>
    paths(of(...filled({ ...header, kind: 'background', ...part }), alone)).map(
      (p) => /(-2x|-half)?\.webp/.exec(p)![1] ?? '1',
    );
  expect(kinds({ width: 1900, height: 1200 })).toEqual(['1', '-2x', '-half']);
  expect(kinds({ width: 1, height: 675, repeat: 'repeat-x' })).toEqual(['1']);
  expect(kinds({ width: 320, height: 320, repeat: 'repeat' })).toEqual(['1', '-2x']);
});

test('in the place of a theme’s file there is that file alone, in its format, inside the archive; no other takes its name', () => {
  const site = of(
    ...filled({ ...header, replaces: 'images/Header.PNG' }),
    ...filled({ ...header, id: 'i', kind: 'mark', replaces: 'notes.txt' }),
    ...filled({ ...header, id: 'j', kind: 'piece', name: 'Header', fileName: 'header' }),
    change((s) => {
      s.handOver = { twice: false, narrow: false, fallback: false, pageFiles: true };
    }),
  );
  const plan = planFiles(site, () => true);
  expect(plan[0].files).toMatchObject([
    { path: 'images/Header.PNG', settings: { format: 'png' }, scale: 1 },
  ]);
  expect(plan[1].note).toContain('notes.txt cannot be written in its own format');
  const all = plan.flatMap((p) => p.files.map((f) => f.path.toLowerCase()));
  expect(new Set(all).size).toBe(all.length);
});

test('slots without a picture have no files', () => {
  expect(paths(of(addSlot('page', header)))).toEqual([]);
});

test('a file of another size is written as was found for it, as long as the first one is what it was found beside', () => {
  const sized = change((s) => {
    s.pictures['picture-h'].sized = [
      {
        scale: 2,
        beside: encodeSettings('webp', 80),
        press: encodeSettings('webp', 61),
        fallback: encodeSettings('jpeg', 62),
      },
      {
        scale: 0.5,
        beside: encodeSettings('webp', 79),
        press: encodeSettings('webp', 91),
        fallback: null,
      },
    ];
    s.pictures['picture-h'].press = encodeSettings('webp', 80);
  });
  const site = of(...filled(header), sized);
  const told = (opaque: boolean) =>
    planFiles(site, () => opaque)[0].files.map((f) => encodeSettingsWords(f.settings));
  expect(told(true)).toEqual(['WebP 80', 'JPEG 84', 'WebP 61', 'JPEG 62', 'WebP 80', 'JPEG 84']);
  // Once it is see-through, a JPEG that was found for older browsers is none for it any more.
  expect(told(false)).toEqual(['WebP 80', 'PNG', 'WebP 61', 'PNG', 'WebP 80', 'PNG']);
});
