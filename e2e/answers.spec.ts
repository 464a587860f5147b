/** What the server answers to whoever asks, whatever is asked: headers, bad addresses, bad uploads. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { request as ask } from 'node:http';
import { zipSync } from 'fflate';
import { expect, test } from '@playwright/test';

const kinds = [
  ['a screen', '/'],
  ['a site', '/sites/any'],
  ['the library', '/api/library?words=pots'],
  ['the host', '/api/host?site=any'],
  ['its health', '/api/health'],
  ['a rehearsed page', '/rehearsal/any/home.html'],
  ['an icon', '/icon.svg'],
  ['a photograph', '/library/quiet-pot.jpg'],
  ['nothing', '/no/such/address'],
] as const;

test('every kind of answer tells browsers to keep to themselves', async ({ request }) => {
  for (const [kind, address] of kinds) {
    const headers = (await request.get(address)).headers();
    expect([
      kind,
      headers['x-content-type-options'],
      headers['referrer-policy'],
      headers['cross-origin-opener-policy'],
      headers['permissions-policy']?.includes('camera=()'),
      headers['content-security-policy'] !== undefined,
      headers['x-powered-by'],
    ]).toEqual([kind, 'nosniff', 'same-origin', 'same-origin', true, true, undefined]);
  }
});

test('of scripts in a document only those with its nonce run, and none has been seen before', async ({
  page,
  request,
}) => {
  const scriptsOf = async (address: string) => {
    const answer = await request.get(address);
    const policy = answer.headers()['content-security-policy'];
    const [, allowed] = /script-src ([^;]*)/.exec(policy)!;
    const [, nonce] = /'nonce-([^']+)'/.exec(allowed) ?? [];
    return { allowed, nonce, tags: (await answer.text()).match(/<script\b[^>]*>/g)! };
  };
  const seen = new Set<string>();
  for (const address of ['/', '/', '/sites/any', '/sites/any/slots/one', '/no/such/address']) {
    const { allowed, nonce, tags } = await scriptsOf(address);
    expect([address, allowed.includes('unsafe-inline'), nonce.length]).toEqual([
      address,
      false,
      24,
    ]);
    expect(tags.length).toBeGreaterThan(3);
    expect(tags.filter((tag) => !tag.includes(`nonce="${nonce}"`))).toEqual([]);
    seen.add(nonce);
  }
  expect(seen.size).toBe(5);
  await page.goto('/');
  const ran = await page.evaluate(async () => {
    const tried = globalThis as { ran?: string[] };
    tried.ran = [];
    document.body.insertAdjacentHTML('beforeend', '<img src="x:" onerror="ran.push(1)">');
    const inline = document.createElement('div');
    inline.innerHTML = '<iframe srcdoc="<script>parent.ran.push(2)</script>"></iframe>';
    document.body.append(inline);
    const link = document.createElement('a');
    link.href = 'javascript:ran.push(3)';
    link.click();
    await new Promise((resolve) => setTimeout(resolve, 500));
    return tried.ran;
  });
  expect(ran).toEqual([]);
});

test('the server says that it answers', async ({ request }) => {
  const answer = await request.get('/api/health');
  expect([answer.status(), await answer.json()]).toEqual([200, { status: 'ok' }]);
  expect(answer.headers()['cache-control']).toBe('no-store');
});

test('an address that cannot be read is one where nothing is', async ({ request }) => {
  for (const address of [
    '/sites/%E0%A4%A',
    '/sites/x/slots/%ff',
    '/rehearsal/%E0%A4%A/home.html',
    '/rehearsal/x/%ff',
    '/%E0%A4%A',
  ]) {
    expect([address, (await request.get(address)).status()]).toEqual([address, 404]);
  }
  const asked = await request.get('/api/host?site=%E0%A4%A');
  expect([asked.status(), await asked.json()]).toEqual([200, null]);
});

test('the host takes uploads from its own pages alone, and says what is wrong with others', async ({
  request,
}) => {
  const upload = (data: Buffer, headers: Record<string, string> = {}) =>
    request.post('/api/host?site=any', { data, headers });
  const told = async (answer: Awaited<ReturnType<typeof upload>>) => [
    answer.status(),
    ((await answer.json()) as { message: string }).message,
  ];
  const some = Buffer.from(zipSync({ 'a.txt': new Uint8Array(10) }));
  const elsewhere: readonly Record<string, string>[] = [
    { origin: 'https://elsewhere.example' },
    { 'sec-fetch-site': 'cross-site' },
  ];
  for (const headers of elsewhere) {
    expect(await told(await upload(some, headers))).toEqual([
      403,
      'Expected a request from this site, found one from elsewhere.',
    ]);
    const emptied = await request.delete('/api/host?site=any', { headers });
    expect(emptied.status()).toBe(403);
  }
  expect(await told(await upload(some))).toEqual([
    422,
    'The hand-over: expected site.json in it, found none.',
  ]);
  expect(await told(await upload(Buffer.from('PK no archive')))).toEqual([
    422,
    'The hand-over: expected a whole zip archive, found one that cannot be read: it has no list of its files.',
  ]);
  expect(await told(await upload(Buffer.alloc(81_000_000)))).toEqual([
    413,
    'This host takes at most 80 MB at once, found 81 MB.',
  ]);
});

test('an archive that claims little and is a flood is refused at once, and others are answered meanwhile @landing', async ({
  request,
}) => {
  const flood = zipSync({ 'big.txt': new Uint8Array(190_000_000) }, { level: 9 });
  // The list says 1,000 bytes (PKWARE APPNOTE 6.3, 4.3.12: the size at 24).
  const view = new DataView(flood.buffer, flood.byteOffset);
  for (let at = 0; at + 4 <= flood.length; at++) {
    if (view.getUint32(at, true) === 0x02014b50) {
      view.setUint32(at + 24, 1000, true);
    }
  }
  const uploads = Array.from({ length: 30 }, () =>
    request.post('/api/host?site=any', {
      data: Buffer.from(flood),
      headers: { 'x-forwarded-for': '192.0.2.30' },
    }),
  );
  const others = await Promise.all(
    Array.from({ length: 20 }, () => request.get('/api/host?site=other')),
  );
  expect(others.map((one) => one.status())).toEqual(Array(20).fill(200));
  for (const one of await Promise.all(uploads)) {
    expect([one.status(), ((await one.json()) as { message: string }).message]).toEqual([
      422,
      'The hand-over: expected a whole zip archive, found one that cannot be read: a file unpacks to more than its list says.',
    ]);
  }
});

test('hundreds of uploads at once are taken in turn or asked to come again, and others are answered', async ({
  baseURL,
  request,
}) => {
  const body = zipSync({ 'a.bin': new Uint8Array(200_000) }, { level: 0 }) as BodyInit;
  const headers = { 'x-forwarded-for': '192.0.2.50' };
  const address = `${baseURL}/api/host?site=any`;
  const uploads = Array.from({ length: 500 }, async () => {
    const answer = await fetch(address, { method: 'POST', body, headers });
    await answer.text();
    return answer.status;
  });
  for (let i = 0; i < 20; i++) {
    expect((await request.get('/api/health')).status()).toBe(200);
  }
  const statuses = await Promise.all(uploads);
  const count = (status: number) => statuses.filter((one) => one === status).length;
  // Not a hand-over; one too many of this sender; no room for it beside the others.
  expect(count(422) + count(429) + count(503)).toBe(500);
  expect(count(429)).toBe(380);
});

test('told to end, the server takes nothing new, answers what it began, and is gone', async () => {
  const port = 3218;
  const server = spawn('node', ['.next/standalone/server.js'], {
    env: { ...process.env, PORT: `${port}`, HOSTNAME: '127.0.0.1' },
    stdio: 'ignore',
  });
  const gone = once(server, 'exit');
  const health = () =>
    fetch(`http://127.0.0.1:${port}/api/health`).then(
      (answer) => answer.status,
      () => 'nobody',
    );
  await expect.poll(health).toBe(200);
  const upload = ask({ host: '127.0.0.1', port, path: '/api/host?site=any', method: 'POST' });
  const answered = once(upload, 'response') as Promise<[{ statusCode: number }]>;
  upload.write('PK');
  await expect.poll(health).toBe(200);
  server.kill('SIGTERM');
  await expect.poll(health).toBe('nobody');
  upload.end('no archive');
  const [{ statusCode }] = await answered;
  expect(statusCode).toBe(422);
  upload.destroy();
  await gone;
});
