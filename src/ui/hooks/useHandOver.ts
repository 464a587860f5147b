'use client';

import { useEffect, useRef, useState } from 'react';
import {
  HandOverStopped,
  produceHandOver,
  type HandedFile,
  type HandOver,
} from '@/core/handover/produce';
import type { Site } from '@/core/site/model/site';
import { useOwnFonts } from './useOwnFonts';
import { browserPorts } from './ports';

export interface Making {
  /** Files that are written so far, by their paths. */
  readonly files: ReadonlyMap<string, HandedFile>;
  readonly made: HandOver | undefined;
  /** Share that is done and the file that is being written; undefined while nothing is made. */
  readonly running:
    { readonly done: number; readonly of: number; readonly path: string } | undefined;
  readonly failure: string | undefined;
  stop(): void;
  start(): void;
}

type State = Pick<Making, 'files' | 'made' | 'running' | 'failure'>;
const nothing: State = {
  files: new Map(),
  made: undefined,
  running: undefined,
  failure: undefined,
};

/** Makes the hand-over of a site as it is, and anew whenever it has changed. */
export function useHandOver(site: Site): Making {
  const [state, setState] = useState<State>(nothing);
  const [round, setRound] = useState(0);
  const stopped = useRef(false);
  useOwnFonts(site);
  useEffect(() => {
    let current = true;
    stopped.current = false;
    const wanted = () => current && !stopped.current;
    const timer = setTimeout(async () => {
      setState({ ...nothing, running: { done: 0, of: 0, path: '' } });
      try {
        const made = await produceHandOver(site, browserPorts, {
          wanted,
          onProgress: (done, of, path) => {
            if (wanted()) {
              setState((s) => ({ ...s, running: { done, of, path } }));
            }
          },
          onFile: (file) => {
            if (wanted()) {
              setState((s) => ({ ...s, files: new Map([...s.files, [file.path, file]]) }));
            }
          },
        });
        if (wanted()) {
          setState({
            made,
            files: new Map(made.files.map((f) => [f.path, f])),
            running: undefined,
            failure: undefined,
          });
        }
      } catch (error) {
        if (!current) {
          return;
        }
        setState((s) => ({
          ...s,
          running: undefined,
          failure:
            error instanceof HandOverStopped
              ? undefined
              : error instanceof Error
                ? error.message
                : String(error),
        }));
      }
    }, 250);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [site, round]);
  return {
    ...state,
    stop() {
      stopped.current = true;
      setState((s) => ({ ...s, running: undefined }));
    },
    start: () => setRound((r) => r + 1),
  };
}
