import { resizedTo } from '@/core/frame/resized';
import { readSiteFile, writeSiteFile } from '@/core/handover/siteFile';
import { zipFiles } from '@/core/handover/zipFiles';
import { readOpenRaster, writeOpenRaster } from '@/core/openRaster/openRaster';
import { difference } from '@/core/lightest/difference';
import { pageWordsReport } from '@/core/legibility/pageWords';
import { compareWords } from '@/core/set/lostContrast';
import { mostReadBytes } from './limits';
import { siteCard } from '@/core/readings/siteCard';
import { matchWash } from '@/core/recolour/match';
import { serve, type ServerScope } from './channel';
import type { BulkCalls } from './protocol';
import { createSiteReader } from './siteReader';

const readings = createSiteReader(mostReadBytes);

serve<BulkCalls>(self as unknown as ServerScope, {
  card: ({ stored }) => ({ answer: siteCard(stored) }),
  readings: (ask) => ({ answer: readings(ask) }),
  words: ({ seen, colours }) => ({ answer: pageWordsReport(seen, colours) }),
  compare: ({ before, after }) => ({ answer: compareWords(before, after) }),
  zip({ files: list }) {
    const answer = zipFiles(list);
    return { answer, transfer: [answer.buffer] };
  },
  packSite({ packed }) {
    const answer = writeSiteFile(packed);
    return { answer, transfer: [answer.buffer] };
  },
  async unpackSite({ name, file }) {
    const answer = readSiteFile(name, new Uint8Array(await file.arrayBuffer()));
    return { answer, transfer: [...answer.assets.values()].map(({ buffer }) => buffer) };
  },
  packPicture({ picture, merged, thumbnail }) {
    const answer = writeOpenRaster(picture, merged, thumbnail);
    return { answer, transfer: [answer.buffer] };
  },
  unpackPicture: ({ name, bytes }) => ({ answer: readOpenRaster(name, bytes) }),
  resize({ raster, width, height }) {
    const answer = resizedTo(raster, width, height);
    return { answer, transfer: [answer.data.buffer] };
  },
  match: ({ raster, wash, wanted, part }) => ({
    answer: matchWash(raster, wash, wanted, part) ?? null,
  }),
  difference({ drawn, file, gain, under }) {
    const answer = difference(drawn, file, gain, under);
    return { answer, transfer: [answer.data.buffer] };
  },
});
