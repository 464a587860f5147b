import { Refusal } from '@/core/refusal';
import { FileReading, type PlacedFile } from './fileReading';

const file = (path: string, size: number): PlacedFile => ({
  path,
  file: { size, arrayBuffer: async () => new ArrayBuffer(size) },
});

function reading(): { reading: FileReading; said: string[] } {
  const said: string[] = [];
  return { reading: new FileReading((words) => said.push(words)), said };
}

const sizes = async (read: readonly { path: string; bytes: Uint8Array }[]) =>
  read.map(({ path, bytes }) => `${path} ${bytes.length}`);

test('files are read together, and what is read is said meanwhile', async () => {
  const { reading: r, said } = reading();
  const busy: (string | undefined)[] = [];
  r.state.subscribe((state) => busy.push(state.busy));
  expect(await r.read([file('a.css', 3), file('b.png', 5)], {}, sizes)).toEqual([
    'a.css 3',
    'b.png 5',
  ]);
  expect(await r.read([file('a.css', 3)], {}, sizes)).toEqual(['a.css 3']);
  expect(busy).toEqual(['2 files', undefined, 'a.css', undefined]);
  expect(await r.read([], {}, sizes)).toBeUndefined();
  expect(said).toEqual([]);
});

test('what is too large or too much is refused before anything is read', async () => {
  const { reading: r, said } = reading();
  const never = async () => {
    throw new Error('it was opened');
  };
  const mb = 2 ** 20;
  await r.read([file('a.css', 1), file('big.css', 3 * mb)], { each: 2 * mb }, never);
  await r.read([file('a.css', 2 * mb), file('b.css', 2 * mb)], { together: 3 * mb }, never);
  await r.read([file('a.css', 1), file('b.css', 1), file('c.css', 1)], { count: 2 }, never);
  expect(said).toEqual([
    'big.css: expected at most 2 MB, found 3 MB.',
    'a.css: expected at most 3 MB, found 4 MB.',
    'a.css: expected at most 2 files, found 3.',
  ]);
});

test('a newer lot gives the older up, whose answer and complaints are dropped', async () => {
  const { reading: r, said } = reading();
  let answer = (_: string) => {};
  const slow = r.read(
    [file('old', 1)],
    {},
    () => new Promise<string>((resolve) => (answer = resolve)),
  );
  await Promise.resolve();
  await Promise.resolve();
  const failing = r.read([file('broken', 1)], {}, async (_read, signal) => {
    signal.addEventListener('abort', () => {});
    r.cancel();
    throw new Refusal('it is broken');
  });
  answer('late');
  expect(await slow).toBeUndefined();
  expect(await failing).toBeUndefined();
  expect(said).toEqual([]);
  expect(r.state.getState().busy).toBeUndefined();
  await r.read([file('broken', 1)], {}, async () => {
    throw new Refusal('it is broken');
  });
  expect(said).toEqual(['it is broken']);
});
