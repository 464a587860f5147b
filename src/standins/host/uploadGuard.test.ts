import { checkOrigin, UploadGuard } from './uploadGuard';
import { HostError } from './hostError';

const limits = { bytes: 1000, allBytes: 2500, longest: 200, uploads: 200, within: 60_000 };
let now = 0;
const newDoor = () => new UploadGuard(limits, () => now);
const here = new Headers({ host: 'here', origin: 'http://here', 'sec-fetch-site': 'same-origin' });
const look = async (bytes: Uint8Array): Promise<number> => bytes.length;

/** A body that sends so many bytes at a time. @param more asked before each part after the first */
const body = (parts: readonly number[], more: () => Promise<void> = async () => {}) => {
  const left = [...parts];
  return new ReadableStream<Uint8Array>({
    async pull(controller) {
      if (left.length < parts.length) {
        await more();
      }
      const next = left.shift();
      if (next === undefined) {
        controller.close();
      } else {
        controller.enqueue(new Uint8Array(next));
      }
    },
  });
};
const never = () => new Promise<void>(() => {});
const refusal = async (passed: Promise<unknown>): Promise<[number, string]> => {
  const error = await passed.then(
    () => undefined,
    (found: unknown) => found,
  );
  expect(error).toBeInstanceOf(HostError);
  return [(error as HostError).status, (error as HostError).message];
};

test('an upload is read whole, whatever pieces it comes in', async () => {
  expect(await newDoor().pass(here, body([300, 0, 700]), look)).toBe(1000);
  expect(await newDoor().pass(here, null, look)).toBe(0);
});

test('one that is too large is refused before it is read where it says so, and as soon as it is where not', async () => {
  const door = newDoor();
  const says = new Headers(here);
  says.set('content-length', '5000000');
  const unread = body([1]);
  expect(await refusal(door.pass(says, unread, look))).toEqual([
    413,
    'This host takes at most 0 MB at once, found 5 MB.',
  ]);
  expect(unread.locked).toBe(false);
  let sent = 0;
  const lying = new Headers(here);
  lying.set('content-length', '10');
  const endless = new ReadableStream<Uint8Array>({
    pull(controller) {
      sent++;
      controller.enqueue(new Uint8Array(100));
    },
  });
  expect((await refusal(door.pass(lying, endless, look)))[0]).toBe(413);
  expect(sent).toBeLessThan(20);
});

test('who sends slowly is let go, and holds up nobody meanwhile', async () => {
  const door = newDoor();
  const slow = refusal(door.pass(here, body([1, 1], never), look));
  expect(await door.pass(here, body([900]), look)).toBe(900);
  expect(await slow).toEqual([408, 'Expected an upload within 0.2 seconds, found a slower one.']);
});

test('uploads are looked into one after another; what would be too much for the memory is asked to come again', async () => {
  const door = newDoor();
  let inside = 0;
  let most = 0;
  const busy = async (bytes: Uint8Array) => {
    most = Math.max(most, ++inside);
    await new Promise((resolve) => setTimeout(resolve, 5));
    inside--;
    return bytes.length;
  };
  const all = await Promise.allSettled(
    Array.from({ length: 100 }, () => door.pass(here, body([500, 400]), busy)),
  );
  const refused = all.filter((one) => one.status === 'rejected');
  expect(most).toBe(1);
  expect(all.length - refused.length).toBeGreaterThanOrEqual(2);
  expect(refused.length).toBeGreaterThan(50);
  expect(new Set(refused.map((one) => (one.reason as HostError).status))).toEqual(new Set([503]));
  // All is given back afterwards, also by those that failed.
  await expect(
    door.pass(here, body([10]), async () => {
      throw new Error('broken');
    }),
  ).rejects.toThrow('broken');
  expect(await Promise.all([1, 2].map(() => door.pass(here, body([1000]), look)))).toEqual([
    1000, 1000,
  ]);
});

test('who sends too many of late is asked to come again, and nobody else', async () => {
  const door = newDoor();
  const from = (address: string) =>
    new Headers({ host: 'here', 'x-forwarded-for': `10.0.0.1, ${address}` });
  const pass = (address: string) => door.pass(from(address), body([1]), look);
  for (let i = 0; i < limits.uploads; i++) {
    expect(await pass('192.0.2.1')).toBe(1);
  }
  expect(await refusal(pass('192.0.2.1'))).toEqual([
    429,
    'This host takes at most 200 uploads in 60 seconds. Try again in a moment.',
  ]);
  expect(await pass('192.0.2.2')).toBe(1);
  now += limits.within;
  expect(await pass('192.0.2.1')).toBe(1);
});

test.each([
  [{ 'sec-fetch-site': 'cross-site' }, true],
  [{ 'sec-fetch-site': 'same-site' }, true],
  [{ origin: 'http://elsewhere' }, true],
  [{ origin: 'null' }, true],
  [{ origin: 'http://here' }, false],
  [{ 'sec-fetch-site': 'none' }, false],
  [{}, false],
])('a request from elsewhere is refused: %j', (headers: Record<string, string>, refused) => {
  const asked = () => checkOrigin(new Headers({ host: 'here', ...headers }));
  if (refused) {
    expect(asked).toThrow('Expected a request from this site, found one from elsewhere.');
  } else {
    expect(asked).not.toThrow();
  }
});

test('behind a proxy the host is the one that the browser asked', () => {
  const headers = { host: 'inner:3000', 'x-forwarded-host': 'here', origin: 'https://here' };
  expect(() => checkOrigin(new Headers(headers))).not.toThrow();
});
