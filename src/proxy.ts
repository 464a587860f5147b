import { NextResponse, type NextRequest } from 'next/server';
import { documentPolicy, filePolicy } from './served/policy';

const isReadable = (path: string): boolean => {
  try {
    decodeURIComponent(path);
    return true;
  } catch {
    return false;
  }
};

/** 128 bits that nobody can guess. */
const newNonce = (): string =>
  btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(16))));

/** What is decided of a document before it is made. */
export function proxy(request: NextRequest): Response {
  const path = new URL(request.url).pathname;
  // What stands behind such an address would fail over its encoding.
  if (!isReadable(path)) {
    return new Response('There is nothing at this address.', {
      status: 404,
      headers: {
        'content-type': 'text/plain; charset=utf-8',
        'content-security-policy': filePolicy,
      },
    });
  }
  // Rehearsed pages bring the stand-in host's own policy.
  if (request.nextUrl.pathname.startsWith('/rehearsal/')) {
    return NextResponse.next();
  }
  const policy = documentPolicy(newNonce());
  // The nonce is put into the document out of the request's policy.
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return response;
}

export const config = {
  // Whatever may be a document. Not where bodies come in: they would be read twice.
  matcher: ['/', '/((?!_next/|vendor/|api/|(?!rehearsal/).*\\.[a-z0-9]+$).*)'],
};
