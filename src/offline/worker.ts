/**
 * The service worker: keeps one build of the application whole, and answers for it. A page and what
 * it loads so always come from the same build; a newer one waits until the owner takes it or all its
 * pages are closed.
 */
import { Serwist, type PrecacheEntry, type SerwistPlugin } from 'serwist';
import { componentsOf, filled, screenAt, type Asked } from './screens';
import { below } from '../served/below';

declare const self: ServiceWorkerGlobalScope & {
  /** What is kept, each with its revision; `scripts/buildOffline.ts` writes it here. */
  readonly __SW_MANIFEST: PrecacheEntry[];
};

/**
 * What is kept answers as if it came from the address that was asked: scripts of workers find their
 * start behind a `#`, which the address that a thing was kept under does not have.
 */
const atItsAddress: SerwistPlugin = {
  cachedResponseWillBeUsed: async ({ cachedResponse }) =>
    cachedResponse && new Response(cachedResponse.body, cachedResponse),
};

/** The server gives a screen's components for pages that are open where this header asks for them. */
const withHeader: SerwistPlugin = {
  requestWillFetch: async ({ request }) =>
    new URL(request.url).searchParams.has('_rsc')
      ? new Request(request, { headers: { RSC: '1' } })
      : request,
};

const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  precacheOptions: {
    // Fetched behind whatever the page itself still loads.
    concurrency: 2,
    // The icon's address carries its own digest.
    ignoreURLParametersMatching: [/^icon\./],
    directoryIndex: null,
    cleanURLs: false,
    plugins: [atItsAddress, withHeader],
  },
  // The page that was there first can be used without a connection too.
  clientsClaim: true,
});

/** The path that all addresses of the application stand below. */
const base = new URL(self.registration.scope).pathname.replace(/\/$/, '');

const screenOf = ({ pathname }: URL): Asked | undefined =>
  pathname.startsWith(base) ? screenAt(pathname.slice(base.length) || '/') : undefined;

/** What is kept of a screen, for the site and slot that are asked for. */
async function answer(asked: Asked, address: string): Promise<Response> {
  const kept = await serwist.matchPrecache(below(base, address));
  if (!kept) {
    throw new Error(`Expected ${address} among what is kept, found nothing.`);
  }
  const headers = new Headers(kept.headers);
  // Its length and packing are no longer those that the headers tell.
  headers.delete('Content-Length');
  headers.delete('Content-Encoding');
  return new Response(filled(await kept.text(), asked), { headers });
}

serwist.registerCapture(
  ({ request, sameOrigin, url }) =>
    sameOrigin && request.mode === 'navigate' && screenOf(url) !== undefined,
  ({ request, url }) => {
    const asked = screenOf(url)!;
    // What was lost from the browser's keeping is asked of the server.
    return answer(asked, asked.kept).catch(() => fetch(request));
  },
);

serwist.registerCapture(
  ({ request, sameOrigin, url }) =>
    sameOrigin &&
    request.headers.has('RSC') &&
    // What is fetched ahead holds less than the whole, and is not kept.
    !request.headers.has('Next-Router-Prefetch') &&
    screenOf(url) !== undefined,
  ({ request, url }) => {
    const asked = screenOf(url)!;
    return answer(asked, componentsOf(asked.kept)).catch(() => fetch(request));
  },
);

serwist.addEventListeners();
