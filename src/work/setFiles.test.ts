import { Refusal } from '@/core/refusal';
import type { Recoloured } from '@/core/set/recolourFile';
import type { PieceSet } from '@/core/site/model/pieceSet';
import { SetFiles, type SetJob, type SetPorts } from './setFiles';
import { lookAtSet, nothingLooked, nothingWritten, writeSet, type Looks } from './setProgress';
import type { TaskContext } from './latestTask';

const piece = (path: string): PieceSet['pieces'][number] => ({
  path,
  assetId: `asset of ${path}`,
  bytes: 9,
  width: 4,
  height: 4,
  format: 'png',
  leftOut: false,
});

const set: PieceSet = {
  name: 'slate',
  pieces: ['a.png', 'broken.png', 'c.png'].map(piece),
  sheets: [{ path: 'style.css', assetId: 'sheet', bytes: 3 }],
  others: [],
  recipe: { id: 'r', name: '', steps: [], spare: false, hues: null },
  follows: [],
  from: '#000000',
  to: '#ffffff',
  lines: {},
};

const made = (path: string): Recoloured => ({
  bytes: new TextEncoder().encode(path),
  ends: undefined,
  note: '',
});

function ports(): SetPorts & { jobs: SetJob[] } {
  const jobs: SetJob[] = [];
  return {
    jobs,
    asset: async (id) => new TextEncoder().encode(id),
    sheets: async (files) => ({
      sheets: files.map((f) => ({ path: f.path, text: '' })),
      roles: new Map(),
    }),
    look: async (id) => {
      if (id.includes('broken')) {
        throw new Refusal('it breaks off');
      }
      return [];
    },
    follow: async () => ({
      lines: [],
      continued: [],
      following: 0,
      sheets: new Map(),
      families: [],
      inks: [],
      patches: new Map(),
      proposed: [],
    }),
    followBeside: async () => new Map(),
    handed: async ({ originals, written }) =>
      [...originals.keys()].map((path) => ({
        path,
        type: 'x',
        bytes: written.get(path)?.bytes ?? originals.get(path)!,
        changed: written.has(path),
      })),
    async recolour(_recipe, list, listener) {
      for (const job of list) {
        jobs.push(job);
        if (job.path.includes('broken')) {
          listener.onFailure(job, 'it breaks off');
        } else {
          listener.onDone(job, made(job.path));
        }
      }
    },
  };
}

const always = { wanted: () => true };
const listener = { ...always, onProgress: () => {}, onFailure: () => {} };

function turn<T>(nothing: T): TaskContext<T> & { seen: T[] } {
  let value = nothing;
  const seen: T[] = [];
  return {
    seen,
    isCurrent: () => true,
    value: () => value,
    update(change) {
      value = change(value);
      seen.push(value);
    },
  };
}

test('what was written with a recipe is not written again, and another recipe is', async () => {
  const engine = ports();
  const files = new SetFiles(engine);
  const first = await files.pieces(set, new Map(), listener);
  expect([...first.keys()]).toEqual(['a.png', 'c.png']);
  const again = await files.pieces(set, new Map(), listener);
  expect([...again.keys()].sort()).toEqual(['a.png', 'c.png']);
  // Only what failed is tried once more.
  expect(engine.jobs.map((j) => j.path)).toEqual(['a.png', 'broken.png', 'c.png', 'broken.png']);
  await files.pieces({ ...set, recipe: { ...set.recipe, spare: true } }, new Map(), listener);
  expect(engine.jobs).toHaveLength(7);
});

test('pieces that are left out are neither written nor asked for', async () => {
  const engine = ports();
  const some = { ...set, pieces: set.pieces.map((p) => ({ ...p, leftOut: p.path !== 'c.png' })) };
  const files = await new SetFiles(engine).pieces(some, new Map(), listener);
  expect([...files.keys()]).toEqual(['c.png']);
  expect(engine.jobs.map((j) => j.path)).toEqual(['c.png']);
});

test('a piece that cannot be read is told by name, and the others are looked at', async () => {
  const looks = turn<Looks>(nothingLooked);
  await lookAtSet(new SetFiles(ports()), set, looks, () => 0);
  const { samples, broken, whole, looking, sheets } = looks.value();
  expect([...samples.keys()]).toEqual(['a.png', 'c.png']);
  expect([...broken]).toEqual([['broken.png', 'it breaks off']]);
  expect([whole, looking, sheets]).toEqual([true, undefined, [{ path: 'style.css', text: '' }]]);
});

test('writing tells how far it is, and what failed in words', async () => {
  let clock = 0;
  const writing = turn(nothingWritten);
  await writeSet(new SetFiles(ports()), set, new Map(), writing, () => (clock += 1000));
  expect(writing.seen.map((w) => w.writing)).toEqual([
    { done: 0, of: 3, path: '' },
    { done: 1, of: 3, path: 'a.png' },
    { done: 2, of: 3, path: 'c.png' },
    undefined,
  ]);
  expect([...writing.value().failures.values()]).toEqual([
    'broken.png: expected a whole PNG picture, but it breaks off.',
  ]);
  expect(writing.value().whole).toBe(true);
});

test('a hand-over of a set names the piece that stops it; without it all files come', async () => {
  const files = new SetFiles(ports());
  await expect(files.theme(set, listener)).rejects.toThrow(
    'broken.png: expected a whole PNG picture, but it breaks off. Leave it out of the set',
  );
  const rest = { ...set, pieces: set.pieces.filter((p) => !p.path.includes('broken')) };
  expect((await files.theme(rest, listener)).map((f) => f.path)).toEqual([
    'a.png',
    'c.png',
    'style.css',
  ]);
  await expect(files.theme(rest, { ...listener, wanted: () => false })).rejects.toThrow('stopped');
});
