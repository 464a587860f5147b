import { subscribe } from 'node:diagnostics_channel';
import type { ServerResponse } from 'node:http';

/**
 * Told to end, the server takes no new connections and answers what it has begun; those that
 * browsers and proxies keep open would go on for as long as they are used, so each ends with its next
 * answer.
 */
export function endGently(): void {
  let ending = false;
  for (const signal of ['SIGTERM', 'SIGINT'] as const) {
    process.once(signal, () => {
      ending = true;
    });
  }
  subscribe('http.server.request.start', (message) => {
    if (ending) {
      const { response } = message as { response: ServerResponse };
      response.setHeader('connection', 'close');
    }
  });
}
