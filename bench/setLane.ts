/** One thread that recolours the files it is given, as a codec worker of the application does. */
import { parentPort } from 'node:worker_threads';
import { recolourSet } from '../src/core/set/recolourSet';
import type { PieceSet } from '../src/core/site/model/pieceSet';
import { nodeCodecs } from '../src/engine/nodeCodecs';

export interface LaneJob {
  readonly set: PieceSet;
  /** Bytes by the asset's id. */
  readonly files: ReadonlyMap<string, Uint8Array<ArrayBuffer>>;
}

const started = nodeCodecs();

parentPort!.on('message', ({ set, files }: LaneJob) => {
  void started.then(async ({ codecs }) => {
    const ports = { ...codecs, asset: (id: string) => Promise.resolve(files.get(id)!) };
    const quiet = { wanted: () => true, onProgress: () => {} };
    await recolourSet(set, ports, quiet, false);
    parentPort!.postMessage('done');
  });
});
