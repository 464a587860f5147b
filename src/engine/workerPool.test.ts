import { Foreground, type Urgency } from './urgency';
import { WorkerPool } from './workerPool';

/** Work that ends when it is told to, and a list of what began. */
function setUp(workers = 2) {
  const foreground = new Foreground();
  let idles = 0;
  const pool = new WorkerPool(
    Array.from({ length: workers }, (_, i) => i),
    foreground,
    () => void idles++,
  );
  const begun: string[] = [];
  const ends = new Map<string, () => void>();
  const use = (name: string, count: number, urgency: Urgency) =>
    pool.use(count, urgency, async (given) => {
      begun.push(`${name} ${given.length}`);
      await new Promise<void>((resolve) => ends.set(name, resolve));
      return name;
    });
  const end = async (name: string) => {
    ends.get(name)!();
    await settle();
  };
  return { foreground, pool, begun, use, end, idles: () => idles };
}
const settle = () => new Promise((resolve) => setImmediate(resolve));

test('the more urgent is first, and of equals the one that came first', async () => {
  const { begun, use, end } = setUp(1);
  const all = [use('a', 1, 'later')];
  await settle();
  all.push(use('b', 1, 'later'), use('c', 1, 'soon'), use('d', 1, 'now'), use('e', 1, 'now'));
  await settle();
  for (const name of ['a', 'd', 'e', 'c', 'b']) {
    await end(name);
  }
  expect(begun).toEqual(['a 1', 'd 1', 'e 1', 'c 1', 'b 1']);
  expect(await Promise.all(all)).toEqual(['a', 'b', 'c', 'd', 'e']);
});

test('what needs all workers is not passed by what needs one', async () => {
  const { begun, use, end } = setUp(2);
  void use('one', 1, 'now');
  void use('both', 2, 'now');
  void use('late', 1, 'now');
  await settle();
  expect(begun).toEqual(['one 1']);
  await end('one');
  expect(begun).toEqual(['one 1', 'both 2']);
  await end('both');
  expect(begun).toEqual(['one 1', 'both 2', 'late 1']);
});

test('work that fails gives its workers back', async () => {
  const { pool, use, begun } = setUp(1);
  await expect(pool.use(1, 'now', () => Promise.reject(new Error('no clay')))).rejects.toThrow(
    'no clay',
  );
  void use('next', 1, 'now');
  await settle();
  expect(begun).toEqual(['next 1']);
});

test('nothing begins that can wait while somebody waits', async () => {
  const { foreground, begun, use } = setUp(2);
  let over = () => {};
  const waited = foreground.during(() => new Promise<void>((resolve) => (over = resolve)));
  void use('soon', 1, 'soon');
  void use('later', 1, 'later');
  void use('now', 1, 'now');
  await settle();
  expect(begun).toEqual(['now 1']);
  over();
  await waited;
  await settle();
  expect(begun).toEqual(['now 1', 'soon 1']);
});

test('once all workers are back and nothing waits it is told', async () => {
  const { use, end, idles, pool } = setUp(2);
  const both = Promise.all([use('a', 1, 'now'), use('b', 1, 'now')]);
  await settle();
  await end('a');
  expect([idles(), pool.idle]).toEqual([0, false]);
  await end('b');
  await both;
  expect([idles(), pool.idle]).toEqual([1, true]);
});
