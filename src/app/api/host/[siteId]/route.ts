import { HostError, hostLimits } from '@/standins/host/host';
import { theHost } from '../theHost';

type Context = { params: Promise<{ siteId: string }> };

const noStore = { 'cache-control': 'no-store' };

/** What the stand-in host has of a site; null while it has nothing. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  return Response.json(theHost().state((await params).siteId) ?? null, { headers: noStore });
}

/** Takes a hand-over as a zip. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const length = Number(request.headers.get('content-length') ?? 0);
  try {
    // Before anything is read: the site file beside the pictures may be as large again.
    if (length > 2 * hostLimits.siteBytes) {
      throw new HostError(
        `This host takes at most ${(2 * hostLimits.siteBytes) / 1e6} MB at once, found ${Math.round(length / 1e6)} MB.`,
        413,
      );
    }
    return Response.json(
      await theHost().receive((await params).siteId, new Uint8Array(await request.arrayBuffer())),
      { headers: noStore },
    );
  } catch (error) {
    return Response.json(
      { message: error instanceof Error ? error.message : String(error) },
      { status: error instanceof HostError ? error.status : 422, headers: noStore },
    );
  }
}

/** Empties the host of a site. */
export async function DELETE(_request: Request, { params }: Context): Promise<Response> {
  theHost().empty((await params).siteId);
  return new Response(null, { status: 204, headers: noStore });
}
