import type { NextRequest } from 'next/server';
import { delayOf, LibraryError, searchLibrary } from '@/standins/library/library';

/** The stand-in picture library, as an outside service would answer. */
export async function GET(request: NextRequest): Promise<Response> {
  const { search, searchParams } = request.nextUrl;
  await new Promise((resolve) => setTimeout(resolve, delayOf(search)));
  try {
    return Response.json(searchLibrary(Object.fromEntries(searchParams)), {
      headers: { 'cache-control': 'no-store' },
    });
  } catch (error) {
    if (error instanceof LibraryError) {
      return Response.json({ message: error.message }, { status: error.status });
    }
    throw error;
  }
}
