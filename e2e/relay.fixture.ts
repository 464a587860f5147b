import { createServer, request as ask, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';

/** Stands between a browser and the server: it can be away, and give what a later build would. */
export class Relay {
  /** What is put in place of the one build's words, in documents, components and the worker. */
  changed: ((text: string, path: string) => string) | undefined;
  private port = 0;
  private server: Server | undefined;

  constructor(private readonly to: string) {}

  get address(): string {
    return `http://localhost:${this.port}`;
  }

  /** Answers, at the same address each time. */
  async start(): Promise<void> {
    this.server = createServer((asked, response) => {
      const { host, port } = new URL(this.to);
      const headers = { ...asked.headers, host, 'accept-encoding': 'identity' };
      // What is changed here is not what the server knows the browser to have.
      delete headers['if-none-match'];
      delete headers['if-modified-since'];
      const relayed = ask(
        { host: '127.0.0.1', port, path: asked.url, method: asked.method, headers },
        (answer) =>
          void this.give(answer, asked.url!).then(([status, told, body]) => {
            response.writeHead(status, told).end(body);
          }),
      );
      relayed.on('error', () => response.destroy());
      asked.pipe(relayed);
    });
    await new Promise<void>((resolve) => this.server!.listen(this.port, resolve));
    this.port = (this.server.address() as AddressInfo).port;
  }

  /** Is away: nothing answers any more. */
  async stop(): Promise<void> {
    const closed = new Promise((resolve) => this.server!.close(resolve));
    this.server!.closeAllConnections();
    await closed;
  }

  private async give(answer: IncomingMessage, path: string) {
    const parts: Buffer[] = [];
    for await (const part of answer) {
      parts.push(part as Buffer);
    }
    const headers = { ...answer.headers };
    delete headers['transfer-encoding'];
    delete headers['content-length'];
    const whole = Buffer.concat(parts);
    const told = String(headers['content-type']);
    const body =
      this.changed && /html|x-component|javascript/.test(told)
        ? Buffer.from(this.changed(whole.toString(), path))
        : whole;
    return [answer.statusCode!, headers, body] as const;
  }
}
