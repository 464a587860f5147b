import type { Looked } from '@/standins/host/look';

/** What is asked of the thread that looks into uploads. */
export type LookCalls = {
  look: {
    ask: Uint8Array;
    answer: { looked: Looked } | { refused: { readonly message: string; readonly status: number } };
  };
};
