import type { SmallKind } from '@/core/shelf/small';
import { SmallPictures, type SmallPicturePorts } from './smallPictures';

function world(over: Partial<SmallPicturePorts<string>> = {}) {
  const kept = new Map<string, string>();
  const shrunk: string[] = [];
  let at = 0;
  let most = 0;
  const pictures = new SmallPictures<string>({
    kept: async (id, kind) => kept.get(`${id} ${kind}`),
    bytes: async (id) => {
      if (id === 'gone') {
        throw new Error('There is none.');
      }
      return new TextEncoder().encode(id);
    },
    async shrink(bytes, kind) {
      most = Math.max(most, ++at);
      await new Promise((resolve) => setTimeout(resolve, 1));
      at--;
      const id = new TextDecoder().decode(bytes);
      shrunk.push(id);
      return `${kind} ${id}`;
    },
    async keep(id, kind, small) {
      kept.set(`${id} ${kind}`, small);
    },
    ...over,
  });
  const get = (id: string, kind: SmallKind = 'card') =>
    new Promise((resolve) => pictures.want(id, kind, resolve));
  return { pictures, get, kept, shrunk, most: () => most };
}

test('each is made once, one at a time, and kept', async () => {
  const { get, shrunk, most, kept } = world();
  const ids = ['a', 'b', 'a', 'c', 'b'];
  expect(await Promise.all(ids.map((id) => get(id)))).toEqual(ids.map((id) => `card ${id}`));
  expect(shrunk).toEqual(['a', 'b', 'c']);
  expect(most()).toBe(1);
  expect([...kept.keys()]).toEqual(['a card', 'b card', 'c card']);
  expect(await get('a')).toBe('card a');
  expect(shrunk).toHaveLength(3);
  expect(await get('a', 'screen')).toBe('screen a');
  expect(shrunk).toHaveLength(4);
});

test('what goes out of sight is not made', async () => {
  const { pictures, get, shrunk } = world();
  const first = get('a');
  const told = jest.fn();
  const away = Array.from({ length: 50 }, (_, i) => pictures.want(`passed ${i}`, 'card', told));
  away.forEach((leave) => leave());
  await Promise.all([first, get('z')]);
  expect(shrunk).toEqual(['a', 'z']);
  expect(told).not.toHaveBeenCalled();
});

test('one that cannot be read, or not be kept, holds up no other', async () => {
  const { get } = world({
    keep: () => Promise.reject(new Error('full')),
  });
  expect(await Promise.all(['gone', 'a'].map((id) => get(id)))).toEqual([undefined, 'card a']);
});
