import { Paced } from './pacing';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('one that comes alone begins at once, those that come together one after the other', () => {
  const paced = new Paced(10, 3);
  const begun: string[] = [];
  const add = (name: string) => paced.add(() => begun.push(name));
  add('a');
  expect(begun).toEqual(['a']);
  add('b');
  add('c');
  jest.advanceTimersByTime(9);
  expect(begun).toEqual(['a']);
  jest.advanceTimersByTime(1);
  expect(begun).toEqual(['a', 'b']);
  jest.advanceTimersByTime(10);
  expect(begun).toEqual(['a', 'b', 'c']);
  // Once the last has had its time nobody waits any more.
  jest.advanceTimersByTime(10);
  add('d');
  expect(begun).toEqual(['a', 'b', 'c', 'd']);
});

test('of more than may wait the last are not taken, and never begin', () => {
  const paced = new Paced(10, 2);
  const begun: number[] = [];
  const taken = [0, 1, 2, 3, 4].map((n) => paced.add(() => begun.push(n)));
  expect(taken).toEqual([true, true, true, false, false]);
  jest.advanceTimersByTime(100);
  expect(begun).toEqual([0, 1, 2]);
});
