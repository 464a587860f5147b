import { lighterOptions } from '@/core/lightest/lighterOptions';
import { encodeSettings } from '@/core/encode/settings';
import { newTexture } from '@/core/layers/texture';
import { applyEdit, setLayers } from '@/core/site/edit';
import { pictureOf } from '@/core/site/picture';
import { siteWithHeader } from './pictures.fixture';
import type { Subject } from './searches';
import { LighterCandidates, type LighterCandidate } from './lighterCandidates';

const site = applyEdit(
  siteWithHeader,
  setLayers('picture-h', { type: 'colour', colour: '#aa0000' }, [
    newTexture('w', 'weave', '#885533'),
  ]),
);
const [slot] = site.slots;

/** A file of 100 bytes; 30 less at light, and for each px of blur. */
function bytesOf({ picture }: Subject): number {
  const blur = picture.layers.reduce((px, l) => px + (l.kind === 'blur' ? l.radius : 0), 0);
  const light = picture.aim.by === 'care' && picture.aim.care === 'light';
  return 100 - (light ? 30 : 0) - 30 * blur;
}

async function tried(bytes: number, fails: (subject: Subject) => boolean = () => false) {
  const found: LighterCandidate[] = [];
  let asked = 0;
  let wanted = true;
  const ways = new LighterCandidates({
    async known(subject, { goal, urgency }) {
      asked++;
      expect(urgency).toBe('now');
      expect(goal).toEqual(subject.picture.aim);
      if (fails(subject)) {
        throw new Error('out of memory');
      }
      const settings = encodeSettings('avif', 55);
      const judgement = {
        settings,
        bytes: bytesOf(subject),
        loss: { overall: 1, worst: 2 },
        lost: [],
      };
      return { judgement, data: new Uint8Array(1) };
    },
  });
  await ways.all(
    site,
    slot,
    lighterOptions(slot, pictureOf(site, slot)),
    bytes,
    () => wanted,
    (t) => {
      found.push(t);
      wanted = found.length < 3;
    },
  );
  return { found, asked };
}

test('a way is gone as far as is light enough, and says what it comes to', async () => {
  const { found, asked } = await tried(45);
  expect(found.map((t) => [t.id, t.file.judgement.bytes, t.holds])).toEqual([
    ['as wanted', 100, false],
    ['care light', 70, false],
    ['calmer', 40, true],
  ]);
  expect(asked).toBe(4);
  const taken = applyEdit(site, found[2].edit).pictures['picture-h'];
  expect(taken.press).toEqual(encodeSettings('avif', 55));
  expect(taken.layers.find((l) => l.kind === 'blur')).toMatchObject({ radius: 2 });
});

test('where none is light enough, the last step is told; one that cannot be written is passed over', async () => {
  const { found } = await tried(1, ({ picture }) => picture.layers.length === 1);
  expect(found).toMatchObject([{ id: 'calmer', holds: true }]);
  const { found: heavy } = await tried(-50);
  expect(heavy.at(-1)).toMatchObject({
    id: 'calmer',
    holds: false,
    label: expect.stringContaining('4 px'),
  });
});
