import { WorkQueue } from './workQueue';
import { Foreground } from './urgency';
import { WorkerPool } from './workerPool';

interface Named {
  readonly name: string;
  readonly started: boolean;
}

const settle = () => new Promise((resolve) => setImmediate(resolve));

function setUp(others: readonly Named[]) {
  const pool = new WorkerPool(others, new Foreground());
  const shared = new WorkQueue<Named>({ name: 'own', started: true }, pool);
  const begun: string[] = [];
  const ends = new Map<string, (failure?: Error) => void>();
  const work = (what: string, place?: 'first' | 'after') =>
    shared.done(async ({ name }) => {
      begun.push(`${what} by ${name}`);
      await new Promise<void>((resolve, reject) =>
        ends.set(what, (failure) => (failure ? reject(failure) : resolve())),
      );
      return what;
    }, place);
  return { pool, begun, work, ends };
}

test('one piece is done by its own worker; of more, others do some that are started and free', async () => {
  const { begun, work, ends } = setUp([
    { name: 'asleep', started: false },
    { name: 'free', started: true },
  ]);
  const all = ['a', 'b', 'c', 'd', 'e'].map((what) => work(what));
  await settle();
  expect(begun).toEqual(['a by own', 'b by free', 'c by own']);
  ends.get('b')!();
  await settle();
  expect(begun.slice(3)).toEqual(['d by free']);
  ends.get('a')!();
  await settle();
  expect(begun.slice(4)).toEqual(['e by own']);
  ['c', 'd', 'e'].forEach((what) => ends.get(what)!());
  expect(await Promise.all(all)).toEqual(['a', 'b', 'c', 'd', 'e']);
});

test('what comes after is begun once nothing that comes first is left', async () => {
  const { begun, work, ends } = setUp([]);
  const all = [
    work('list 1', 'after'),
    work('list 2', 'after'),
    work('list 3', 'after'),
    work('photo 1'),
    work('photo 2'),
  ];
  for (const what of ['list 1', 'photo 1', 'list 2', 'photo 2', 'list 3']) {
    await settle();
    ends.get(what)!();
  }
  await Promise.all(all);
  expect(begun.map((line) => line.replace(' by own', ''))).toEqual([
    'list 1',
    'list 2',
    'photo 1',
    'photo 2',
    'list 3',
  ]);
});

test('one that others wait for is not lent, and one that fails is told and gives way to the next', async () => {
  const { pool, begun, work, ends } = setUp([{ name: 'free', started: true }]);
  const held = pool.use(
    1,
    'now',
    () => new Promise<void>((resolve) => ends.set('held', () => resolve())),
  );
  await settle();
  const [a, b, c] = ['a', 'b', 'c'].map((what) => work(what));
  await settle();
  expect(begun).toEqual(['a by own', 'b by own']);
  ends.get('a')!(new Error('broken'));
  await expect(a).rejects.toThrow('broken');
  await settle();
  expect(begun).toEqual(['a by own', 'b by own', 'c by own']);
  ends.get('held')!();
  await held;
  ends.get('b')!();
  ends.get('c')!();
  expect(await Promise.all([b, c])).toEqual(['b', 'c']);
});
