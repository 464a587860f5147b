import { Refusal } from '@/core/refusal';
import type { Calls, Reply, Request } from './protocol';

/** The part of a worker that a channel needs; tests hand in one of their own. */
export interface WorkerLike {
  postMessage(message: unknown, transfer: Transferable[]): void;
  terminate(): void;
  addEventListener(type: 'message', listener: (event: { data: unknown }) => void): void;
  addEventListener(
    type: 'error' | 'messageerror',
    listener: (event: { message?: string }) => void,
  ): void;
}

/**
 * What a handler throws where the worker can do nothing more afterwards, such as when memory of a
 * library is damaged: who asked is told this, and the next question starts a new worker.
 */
export class WorkerSpent extends Refusal {}

/** The worker died or could not be understood; what was asked of it did not happen. */
export class WorkerCrash extends Refusal {
  /** @param isSilent it was given up since it did not answer, and would not another time either */
  constructor(
    message: string,
    readonly isSilent = false,
  ) {
    super(message);
  }
}

/** The worker was ended since nobody wants its answer any more. */
export class WorkerStopped extends Refusal {}

const stopped = 'What Soyez works with beside the page stopped. It is started anew.';

export interface Channel<C extends Calls> {
  ask<K extends keyof C & string>(
    call: K,
    ask: C[K]['ask'],
    transfer?: Transferable[],
  ): Promise<C[K]['answer']>;
  /** Ends the worker and rejects what is pending; the next question starts a new one. */
  restart(reason: string): void;
  /** Its worker is there. */
  readonly started: boolean;
}

/** What a channel does when its worker ends or falls silent. */
export interface ChannelOptions {
  /** Told once for each worker that crashed. */
  onCrash?(): void;
  /** Ms without any answer, while something is asked, after which a worker counts as crashed. */
  readonly silence?: number;
}

/**
 * Questions to a worker as promises. The worker starts with the first question. When it crashes, or
 * says nothing for too long, every pending question is rejected with a WorkerCrash, a new worker is
 * started by the next question, and `onCrash` is told.
 */
export function createChannel<C extends Calls>(
  spawn: () => WorkerLike,
  { onCrash = () => {}, silence = Infinity }: ChannelOptions = {},
): Channel<C> {
  let worker: WorkerLike | undefined;
  let nextId = 1;
  let watch: ReturnType<typeof setTimeout> | undefined;
  const pending = new Map<number, { resolve(answer: unknown): void; reject(error: Error): void }>();

  /** Waits anew for a sign of life, as long as anything is asked. */
  function listenOn(): void {
    clearTimeout(watch);
    if (pending.size === 0 || silence === Infinity) {
      return;
    }
    watch = setTimeout(() => {
      drop(
        new WorkerCrash(
          `What Soyez works with beside the page did not answer for ${Math.round(silence / 1000)} seconds. It is started anew.`,
          true,
        ),
      );
      onCrash();
    }, silence);
    // Outside of a browser it keeps no process from ending.
    (watch as { unref?: () => void }).unref?.();
  }

  function drop(reason: Error): void {
    clearTimeout(watch);
    worker?.terminate();
    worker = undefined;
    const waiting = [...pending.values()];
    pending.clear();
    for (const { reject } of waiting) {
      reject(reason);
    }
  }

  function start(): WorkerLike {
    const fresh = spawn();
    const crashed = () => {
      if (fresh !== worker) {
        return;
      }
      drop(new WorkerCrash(stopped));
      onCrash();
    };
    fresh.addEventListener('message', ({ data }) => {
      const reply = data as Reply;
      const waiting = pending.get(reply.id);
      if (!waiting || fresh !== worker) {
        return;
      }
      pending.delete(reply.id);
      listenOn();
      if (reply.ok) {
        waiting.resolve(reply.answer);
      } else {
        waiting.reject(reply.isRefusal ? new Refusal(reply.message) : new Error(reply.message));
        if (reply.isSpent) {
          drop(new WorkerCrash(stopped));
          onCrash();
        }
      }
    });
    fresh.addEventListener('error', crashed);
    fresh.addEventListener('messageerror', crashed);
    return fresh;
  }

  return {
    ask(call, ask, transfer = []) {
      const id = nextId++;
      return new Promise((resolve, reject) => {
        pending.set(id, { resolve: resolve as (answer: unknown) => void, reject });
        try {
          worker ??= start();
          if (pending.size === 1) {
            listenOn();
          }
          worker.postMessage({ id, call, ask } as Request<C>, transfer);
        } catch (error) {
          pending.delete(id);
          listenOn();
          reject(error instanceof Error ? error : new Error(String(error)));
        }
      });
    },
    restart: (reason) => drop(new WorkerStopped(reason)),
    get started() {
      return worker !== undefined;
    },
  };
}

/** The little of a worker's own scope that serving needs. */
export interface ServerScope {
  addEventListener(type: 'message', listener: (event: { data: unknown }) => void): void;
  postMessage(message: unknown, transfer: Transferable[]): void;
}

export type Handlers<C extends Calls> = {
  [K in keyof C]: (
    ask: C[K]['ask'],
  ) =>
    | Promise<{ answer: C[K]['answer']; transfer?: Transferable[] }>
    | { answer: C[K]['answer']; transfer?: Transferable[] };
};

/**
 * Answers questions in the worker, one message each; a handler that throws becomes a failed answer.
 */
export function serve<C extends Calls>(scope: ServerScope, handlers: Handlers<C>): void {
  scope.addEventListener('message', async ({ data }) => {
    const { id, call, ask } = data as Request<C>;
    try {
      const { answer, transfer = [] } = await handlers[call](ask);
      scope.postMessage({ id, ok: true, answer } satisfies Reply, transfer);
    } catch (error) {
      scope.postMessage(
        {
          id,
          ok: false,
          message: error instanceof Error ? error.message : String(error),
          isRefusal: error instanceof Refusal,
          isSpent: error instanceof WorkerSpent,
        } satisfies Reply,
        [],
      );
    }
  });
}
