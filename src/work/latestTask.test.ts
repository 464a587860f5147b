import { LatestTask, type TaskContext } from './latestTask';

/** Time that passes when it is told to. */
function timers() {
  let list: { at: number; call: () => void }[] = [];
  let time = 0;
  return {
    later(ms: number, call: () => void) {
      const timer = { at: time + ms, call };
      list.push(timer);
      return () => {
        list = list.filter((t) => t !== timer);
      };
    },
    async pass(ms: number) {
      time += ms;
      const due = list.filter((t) => t.at <= time);
      list = list.filter((t) => t.at > time);
      due.forEach((t) => t.call());
      await new Promise((resolve) => setImmediate(resolve));
    },
  };
}

const adding = (word: string) => async (turn: TaskContext<string>) => turn.update((v) => v + word);

test('work begins once its key has rested, and only that of the newest key', async () => {
  const time = timers();
  const task = new LatestTask('', time.later, { debounceMs: 100 });
  task.start('a', adding('a'));
  await time.pass(60);
  task.start('b', adding('b'));
  await time.pass(60);
  expect(task.state.getState()).toEqual({ key: undefined, value: '', running: false });
  await time.pass(40);
  expect(task.state.getState()).toEqual({ key: 'b', value: 'b', running: false });
});

test('a new key begins with nothing, the same one with what there is; carried values go on', async () => {
  const time = timers();
  const task = new LatestTask('', time.later);
  const carried = new LatestTask('', time.later, { keepPrevious: true });
  for (const [key, word] of [
    ['a', 'x'],
    ['a', 'y'],
    ['b', 'z'],
  ]) {
    task.start(key, adding(word));
    carried.start(key, adding(word));
    await time.pass(0);
  }
  expect([task.state.getState().value, carried.state.getState().value]).toEqual(['z', 'xyz']);
});

test('what is not wanted any more may tell nothing; stopped, what was found stays', async () => {
  const time = timers();
  const task = new LatestTask('', time.later);
  let go = () => {};
  task.start('a', async (turn) => {
    turn.update(() => 'first');
    await new Promise<void>((resolve) => {
      go = resolve;
    });
    expect(turn.isCurrent()).toBe(false);
    turn.update(() => 'late');
  });
  await time.pass(0);
  expect(task.state.getState()).toEqual({ key: 'a', value: 'first', running: true });
  task.stop();
  go();
  await time.pass(0);
  expect(task.state.getState()).toEqual({ key: 'a', value: 'first', running: false });
});

test('giving up an older start leaves the newer one alone', async () => {
  const time = timers();
  const task = new LatestTask('', time.later);
  const giveUp = task.start('a', adding('a'));
  task.start('b', adding('b'));
  giveUp();
  await time.pass(0);
  expect(task.state.getState().value).toBe('b');
});

test('one at a time: what comes meanwhile waits, and of several only the newest is done', async () => {
  const time = timers();
  const task = new LatestTask('', time.later, { oneAtATime: true });
  const begun: string[] = [];
  const ends = new Map<string, () => void>();
  const work = (key: string) => async (turn: TaskContext<string>) => {
    begun.push(key);
    await new Promise<void>((resolve) => ends.set(key, resolve));
    turn.update(() => key);
  };
  task.start('a', work('a'));
  await time.pass(0);
  task.start('b', work('b'));
  task.start('c', work('c'));
  await time.pass(0);
  expect(begun).toEqual(['a']);
  ends.get('a')!();
  await time.pass(0);
  expect(begun).toEqual(['a', 'c']);
  ends.get('c')!();
  await time.pass(0);
  expect(task.state.getState()).toEqual({ key: 'c', value: 'c', running: false });
});

test('work that fails leaves what there is, and the next goes on', async () => {
  const time = timers();
  const task = new LatestTask('as it was', time.later, { oneAtATime: true });
  task.start('a', () => Promise.reject(new Error('no clay')));
  await time.pass(0);
  expect(task.state.getState()).toMatchObject({ value: 'as it was', running: false });
  task.start('b', adding(' and more'));
  await time.pass(0);
  expect(task.state.getState().value).toBe('as it was and more');
});

test('what is to begin at once does, in the turn in which it is asked for', async () => {
  const time = timers();
  const task = new LatestTask('', time.later, { atOnce: true });
  task.start('a', adding('a'));
  expect(task.state.getState()).toEqual({ key: 'a', value: 'a', running: true });
  await time.pass(0);
  expect(task.state.getState().running).toBe(false);
});
