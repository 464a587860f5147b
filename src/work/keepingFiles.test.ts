import type { HandOverPorts, EncodedPicture } from '@/core/handover/ports';
import { keepingFiles } from './keepingFiles';

const bytes = (n: number) => new Uint8Array([n]);
const picture = { slot: { id: 'h' } } as EncodedPicture;

function setUp(stored = new Map<string, Uint8Array<ArrayBuffer>>()) {
  let made = 0;
  const ports = keepingFiles({} as HandOverPorts, {
    encoded: async ({ slot }) => stored.get(`pressed ${slot.id}`),
    recall: async (key) => stored.get(key),
    keep: async (key, file) => void stored.set(key, file),
  });
  const ask = (key: string, of?: EncodedPicture) => ports.kept!(key, async () => bytes(++made), of);
  return { ask, stored, made: () => made };
}

test('a file is written once, in this tab and in later ones', async () => {
  const first = setUp();
  expect([await first.ask('a'), await first.ask('a'), first.made()]).toEqual([
    bytes(1),
    bytes(1),
    1,
  ]);
  const later = setUp(first.stored);
  expect([await later.ask('a'), later.made()]).toEqual([bytes(1), 0]);
});

test('what was pressed for the eye is handed over, and other sizes are not taken for it', async () => {
  const { ask, made } = setUp(new Map([['pressed h', bytes(9)]]));
  expect(await ask('whole', picture)).toEqual(bytes(9));
  expect([await ask('half'), made()]).toEqual([bytes(1), 1]);
});

test('a store that cannot be read or written costs a file, and no more', async () => {
  const broken = () => Promise.reject(new Error('closed'));
  const ports = keepingFiles({} as HandOverPorts, {
    encoded: broken,
    recall: broken,
    keep: broken,
  });
  expect(await ports.kept!('a', async () => bytes(3), picture)).toEqual(bytes(3));
  expect(await ports.kept!('a', broken, picture)).toEqual(bytes(3));
});
