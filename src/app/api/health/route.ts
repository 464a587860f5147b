/** Whether the server answers, for whoever watches over it. */
export const dynamic = 'force-dynamic';

export const GET = (): Response =>
  Response.json({ status: 'ok' }, { headers: { 'cache-control': 'no-store' } });
