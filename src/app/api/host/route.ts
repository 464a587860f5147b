import { Refusal } from '@/core/refusal';
import { checkOrigin } from '@/standins/host/uploadGuard';
import { HostError } from '@/standins/host/hostError';
import { theUploadGuard, theHost } from './theHost';

/** The site that is asked for, in the query: there any address can be read. */
const siteOf = (request: Request): string => new URL(request.url).searchParams.get('site') ?? '';

const noStore = { 'cache-control': 'no-store' };

/** What the stand-in host has of a site; null while it has nothing. */
export function GET(request: Request): Response {
  return Response.json(theHost().state(siteOf(request)) ?? null, { headers: noStore });
}

const refused = (error: unknown): Response =>
  Response.json(
    {
      message: error instanceof Refusal ? error.message : 'The host could not read the upload.',
    },
    { status: error instanceof HostError ? error.status : 422, headers: noStore },
  );

/** Takes a hand-over as a zip. */
export async function POST(request: Request): Promise<Response> {
  const siteId = siteOf(request);
  try {
    const state = await theUploadGuard().pass(request.headers, request.body, (bytes) =>
      theHost().receive(siteId, bytes),
    );
    return Response.json(state, { headers: noStore });
  } catch (error) {
    return refused(error);
  }
}

/** Empties the host of a site. */
export function DELETE(request: Request): Response {
  try {
    checkOrigin(request.headers);
  } catch (error) {
    return refused(error);
  }
  theHost().empty(siteOf(request));
  return new Response(null, { status: 204, headers: noStore });
}
