/** The thread in which the stand-in host looks into uploads, so that the server goes on answering. */
import { parentPort } from 'node:worker_threads';
import type { Codecs } from '@/core/encode/codecs';
import { serve, type ServerScope } from '@/engine/channel';
import { nodeCodecs } from '@/engine/nodeCodecs';
import { HostError } from '@/standins/host/hostError';
import { hostLimits } from '@/standins/host/limits';
import { lookInto } from '@/standins/host/look';
import type { LookCalls } from './lookCalls';

let codecs: Promise<Codecs> | undefined;
const parts = {
  codecs: () => (codecs ??= nodeCodecs().then((opened) => opened.codecs)),
  limits: hostLimits,
};

/** A thread's port speaks as a worker's scope does, but for how one listens. */
const scope: ServerScope = {
  addEventListener: (_, listener) => parentPort!.on('message', (data) => listener({ data })),
  postMessage: (message, transfer) =>
    parentPort!.postMessage(message, transfer as readonly ArrayBuffer[]),
};

serve<LookCalls>(scope, {
  async look(zip) {
    try {
      const looked = await lookInto(zip, parts);
      return { answer: { looked }, transfer: looked.files.map((file) => file.bytes.buffer) };
    } catch (error) {
      if (!(error instanceof HostError)) {
        throw error;
      }
      const { message, status } = error;
      return { answer: { refused: { message, status } } };
    }
  },
});
