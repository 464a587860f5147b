import { resizedTo } from '@/core/frame/resized';
import { readSiteFile, writeSiteFile } from '@/core/handover/siteFile';
import { zipFiles } from '@/core/handover/zipFiles';
import { readOpenRaster, writeOpenRaster } from '@/core/openRaster/openRaster';
import { difference } from '@/core/lightest/difference';
import { matchWash } from '@/core/recolour/match';
import { serve, type ServerScope } from './channel';
import type { BulkCalls } from './protocol';

serve<BulkCalls>(self as unknown as ServerScope, {
  zip({ files }) {
    const answer = zipFiles(files);
    return { answer, transfer: [answer.buffer] };
  },
  packSite({ packed }) {
    const answer = writeSiteFile(packed);
    return { answer, transfer: [answer.buffer] };
  },
  unpackSite: ({ name, bytes }) => ({ answer: readSiteFile(name, bytes) }),
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
  difference({ drawn, file, gain }) {
    const answer = difference(drawn, file, gain);
    return { answer, transfer: [answer.data.buffer] };
  },
});
