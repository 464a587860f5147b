import { subscribe } from 'node:diagnostics_channel';
import type { IncomingMessage, RequestListener, Server, ServerResponse } from 'node:http';
import { served } from './address';
import { everywhere } from './everywhere';
import { filePolicy } from './policy';

type Begin = () => void;

/** Calls one after the other, each a while after the one before; at once where none came of late. */
export class RateLimiter {
  private readonly waiting: Begin[] = [];
  private isResting = false;

  /**
   * @param every ms from one to the next
   * @param most how many may wait
   */
  constructor(
    private readonly every: number,
    private readonly most: number,
  ) {}

  /** @returns false where too many wait already: it will not be called */
  add(begin: Begin): boolean {
    if (!this.isResting) {
      this.call(begin);
      return true;
    }
    return this.waiting.length < this.most && this.waiting.push(begin) > 0;
  }

  private call(begin: Begin): void {
    this.isResting = true;
    // Nothing but this waits for it.
    setTimeout(() => this.next(), this.every).unref();
    begin();
  }

  private next(): void {
    const begin = this.waiting.shift();
    if (begin) {
      this.call(begin);
    } else {
      this.isResting = false;
    }
  }
}

const isUpload = ({ method, url }: IncomingMessage): boolean =>
  method === 'POST' && url?.split('?')[0] === served('/api/host');

/** It never reaches what gives all other answers their headers. */
function refuse(response: ServerResponse, most: number): void {
  for (const { key, value } of everywhere) {
    response.setHeader(key, value);
  }
  response.writeHead(503, {
    'content-security-policy': filePolicy,
    'content-type': 'application/json',
    'cache-control': 'no-store',
    'retry-after': '10',
    connection: 'close',
  });
  const message = `This host lets ${most} uploads wait, and so many do. Try again in a moment.`;
  response.end(JSON.stringify({ message }));
}

/**
 * Uploads that come in the same instant begin one after the other: one process answers for all, and
 * whoever asks for a page meanwhile would wait for every one of them.
 * @param every from the beginning of one to that of the next, ms: more than one takes of the
 * processor, so that between them all others are answered
 * @param most how many may wait for their turn; what they send is not read meanwhile
 */
export function limitUploadRate({ every = 12, most = 1000 } = {}): void {
  const uploads = new RateLimiter(every, most);
  const known = new WeakSet<Server>();
  subscribe('http.server.request.start', (message) => {
    const { server } = message as { server: Server };
    if (known.has(server)) {
      return;
    }
    // What answers is there before anything is asked; it is told of what is asked after this.
    known.add(server);
    const answering = server.listeners('request') as RequestListener[];
    server.removeAllListeners('request');
    server.on('request', (request: IncomingMessage, response: ServerResponse) => {
      const answer = () =>
        answering.forEach((one) => one.call(server, request as never, response as never));
      if (!isUpload(request)) {
        answer();
        return;
      }
      const isTaken = uploads.add(() => {
        if (!request.destroyed) {
          answer();
        }
      });
      if (!isTaken) {
        refuse(response, most);
      }
    });
  });
}
