import type { UploadedPictures } from '@/standins/host/look';

/** What is asked of the thread that looks into uploads. */
export type LookCalls = {
  look: {
    ask: Uint8Array;
    answer:
      | { looked: UploadedPictures }
      | { refused: { readonly message: string; readonly status: number } };
  };
};
