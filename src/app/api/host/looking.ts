import { Worker } from 'node:worker_threads';
import { createChannel, WorkerCrash, type WorkerLike } from '@/engine/channel';
import { HostError } from '@/standins/host/hostError';
import type { UploadedPictures } from '@/standins/host/look';
import type { LookCalls } from './lookCalls';

/** What one upload may take to be looked into, ms. */
const longest = 60_000;

function thread(): WorkerLike {
  const worker = new Worker(new URL('./look.worker.ts', import.meta.url));
  // It keeps no server from ending.
  worker.unref();
  const port = {
    postMessage: (message: unknown, transfer: Transferable[]) =>
      worker.postMessage(message, transfer as readonly ArrayBuffer[]),
    terminate: () => void worker.terminate(),
    addEventListener(type: string, listener: (event: { data: unknown }) => void) {
      worker.on(type, (data: unknown) => listener({ data }));
      if (type === 'error') {
        worker.on('exit', () => listener({ data: undefined }));
      }
    },
  };
  return port as WorkerLike;
}

const channel = createChannel<LookCalls>(thread, { silence: longest });

/**
 * Looks into an upload, in a thread of its own.
 * @throws HostError where it is not taken, or takes too long
 */
export async function look(zip: Uint8Array): Promise<UploadedPictures> {
  const answer = await channel.ask('look', zip).catch((error: unknown) => {
    throw error instanceof WorkerCrash
      ? new HostError('The host could not look into this upload to its end.', 503)
      : error;
  });
  if ('refused' in answer) {
    throw new HostError(answer.refused.message, answer.refused.status);
  }
  return answer.looked;
}
