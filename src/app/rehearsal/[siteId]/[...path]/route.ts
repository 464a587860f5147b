import { theHost } from '../../../api/host/theHost';

/** The host's policy: pictures, styles and fonts of its own, and no script at all. */
const policy =
  "default-src 'none'; img-src 'self'; style-src 'self' 'unsafe-inline'; font-src 'self'; script-src 'none'; base-uri 'none'; form-action 'none'; sandbox allow-same-origin";

/**
 * A page or a file as the stand-in host serves it. A browser may keep it, but asks each time
 * whether it is still the same.
 */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ siteId: string; path: string[] }> },
): Promise<Response> {
  const { siteId, path } = await params;
  const file = theHost().file(siteId, path.join('/'));
  const headers = {
    'cache-control': 'no-cache',
    'content-security-policy': policy,
    'x-content-type-options': 'nosniff',
  };
  if (!file) {
    return new Response(
      '<!doctype html><title>Not here</title><p>The stand-in host has nothing at this address. Rehearse again to upload it.',
      { status: 404, headers: { ...headers, 'content-type': 'text/html; charset=utf-8' } },
    );
  }
  const etag = `"${file.tag}"`;
  if (request.headers.get('if-none-match') === etag) {
    return new Response(null, { status: 304, headers: { ...headers, etag } });
  }
  return new Response(file.bytes, { headers: { ...headers, etag, 'content-type': file.type } });
}
