/** Addresses that are none: what stands behind them would fail over their encoding. */
export function proxy(request: Request): Response | undefined {
  try {
    decodeURIComponent(new URL(request.url).pathname);
    return undefined;
  } catch {
    return new Response('There is nothing at this address.', {
      status: 404,
      headers: { 'content-type': 'text/plain; charset=utf-8' },
    });
  }
}

export const config = {
  // Not where bodies come in: they would be read twice.
  matcher: ['/sites/:path*', '/rehearsal/:path*'],
};
