import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { RateLimiter, limitUploadRate } from './rateLimiter';

afterEach(() => jest.useRealTimers());

test('one that comes alone begins at once, those that come together one after the other', () => {
  jest.useFakeTimers();
  const paced = new RateLimiter(10, 3);
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
  jest.useFakeTimers();
  const paced = new RateLimiter(10, 2);
  const begun: number[] = [];
  const taken = [0, 1, 2, 3, 4].map((n) => paced.add(() => begun.push(n)));
  expect(taken).toEqual([true, true, true, false, false]);
  jest.advanceTimersByTime(100);
  expect(begun).toEqual([0, 1, 2]);
});

test('a server answers others while uploads wait, and refuses what is one too many as it answers all', async () => {
  limitUploadRate({ every: 60_000, most: 1 });
  const answered: string[] = [];
  const server = createServer((request, response) => {
    answered.push(`${request.method} ${request.url}`);
    response.end('taken');
  }).listen(0);
  await once(server, 'listening');
  const host = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const upload = (n: number) => fetch(`${host}/api/host?site=${n}`, { method: 'POST', body: 'PK' });
  // In turn, so that it is known which are first.
  const first = await upload(1);
  const second = upload(2);
  await expect((await fetch(`${host}/page`)).text()).resolves.toBe('taken');
  const third = await upload(3);
  expect([first.status, third.status]).toEqual([200, 503]);
  expect(((await third.json()) as { message: string }).message).toMatch(/^This host lets 1 upload/);
  expect(third.headers.get('x-content-type-options')).toBe('nosniff');
  expect(third.headers.get('content-security-policy')).toContain("default-src 'self'");
  // The second is still waiting.
  expect(answered).toEqual(['POST /api/host?site=1', 'GET /page']);
  server.closeAllConnections();
  await expect(second).rejects.toThrow();
  server.close();
});
