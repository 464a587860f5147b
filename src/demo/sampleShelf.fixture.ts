import { readFileSync } from 'node:fs';
import { inspectPicture } from '@/core/measure/inspect';
import { shelfItem } from '@/core/shelf/item';
import type { ShelfItem } from '@/core/site/model/shelf';
import { sampleFiles } from './sample';

/** The sample's shelf, its files read as they ship. */
export const sampleShelf: Record<string, ShelfItem> = Object.fromEntries(
  sampleFiles.map((file) => {
    const bytes = readFileSync(`public${file.url}`);
    const { format, width, height } = inspectPicture(file.name, bytes);
    return [
      file.key,
      shelfItem({
        assetId: file.key,
        name: file.name,
        width,
        height,
        format,
        bytes: bytes.length,
        maker: file.maker,
        licence: 'own',
      }),
    ];
  }),
);
