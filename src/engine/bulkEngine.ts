import type { PageWordsReport, WordsSeen } from '@/core/legibility/pageWords';
import type { WordsCompared } from '@/core/set/lostContrast';
import type { Hex } from '@/core/site/model/hex';
import type { ToldReading } from '@/core/readings/told';
import type { Site } from '@/core/site/model/site';
import type { SiteCard } from '@/core/readings/siteCard';
import type { PackedSite } from '@/core/handover/siteFile';
import type { TypedFile } from '@/core/handover/zipFiles';
import type { OraPicture, ReadOra } from '@/core/openRaster/openRaster';
import type { BlendMode } from '@/core/raster/blend';
import type { Raster, Rgb } from '@/core/raster/raster';
import type { Match, MatchedPart } from '@/core/recolour/match';
import { createChannel, type WorkerLike } from './channel';
import { mostReadBytes, silences } from './limits';
import type { BulkCalls } from './protocol';
import { ReadingsInPortions, type KeyedFile } from './siteReader';
import { retryAfterCrash } from './retryAfterCrash';

type Bytes = Uint8Array<ArrayBuffer>;

/** Archives and whole pictures, worked on beside the screen. */
export interface BulkEngine {
  /** A stored site, checked, with its readings. */
  card(stored: unknown): Promise<SiteCard>;
  /**
   * All readings of all slots, by slot.
   * @param files those that are known, by slot
   * @param wanted asked before each portion; once it says no, nothing more is asked
   * @returns undefined when they were not wanted any more
   */
  readings(
    site: Site,
    files: ReadonlyMap<string, KeyedFile>,
    wanted: () => boolean,
  ): Promise<ReadonlyMap<string, readonly ToldReading[]> | undefined>;
  /** @param colours for veils and for the words themselves */
  words(seen: WordsSeen, colours: readonly Hex[]): Promise<PageWordsReport>;
  /** Which words could be read before, and which of them cannot any more. */
  compare(before: WordsSeen, after: WordsSeen): Promise<WordsCompared>;
  zip(files: readonly TypedFile[]): Promise<Bytes>;
  packSite(packed: PackedSite): Promise<Bytes>;
  /** @throws Error saying what was expected and what was found */
  unpackSite(name: string, file: Blob): Promise<PackedSite>;
  packPicture(picture: OraPicture, merged: Bytes, thumbnail: Bytes): Promise<Bytes>;
  /** @throws Error saying what was expected and what was found */
  unpackPicture(name: string, bytes: Bytes): Promise<ReadOra>;
  /** All of a raster in another size, px. */
  resize(raster: Raster, width: number, height: number): Promise<Raster>;
  /**
   * The strength of a wash that brings what lies below it closest to a colour; undefined where
   * nothing is to be seen.
   */
  match(
    raster: Raster,
    wash: { readonly colour: Rgb; readonly mode: BlendMode },
    wanted: Rgb,
    part: MatchedPart,
  ): Promise<Match | undefined>;
  /** What a file has lost of a picture, so many times as strong. */
  difference(drawn: Raster, file: Raster, gain: number, under: Hex): Promise<Raster>;
}

export function createBulkEngine(spawn: () => WorkerLike): BulkEngine {
  const channel = createChannel<BulkCalls>(spawn, {
    silence: silences.bulk,
    onCrash: () => readings.forgotten(),
  });
  const readings = new ReadingsInPortions(
    (ask) => retryAfterCrash(() => channel.ask('readings', ask)),
    mostReadBytes,
  );

  return {
    readings: (site, files, wanted) => readings.of(site, files, wanted),
    card: (stored) => retryAfterCrash(() => channel.ask('card', { stored })),
    words: (seen, colours) => retryAfterCrash(() => channel.ask('words', { seen, colours })),
    compare: (before, after) => retryAfterCrash(() => channel.ask('compare', { before, after })),
    zip: (files) =>
      retryAfterCrash(() =>
        channel.ask('zip', {
          files: files.map(({ path, type, bytes }) => ({ path, type, bytes })),
        }),
      ),
    packSite: (packed) => retryAfterCrash(() => channel.ask('packSite', { packed })),
    unpackSite: (name, file) => retryAfterCrash(() => channel.ask('unpackSite', { name, file })),
    packPicture: (picture, merged, thumbnail) =>
      retryAfterCrash(() => channel.ask('packPicture', { picture, merged, thumbnail })),
    unpackPicture: (name, bytes) =>
      retryAfterCrash(() => channel.ask('unpackPicture', { name, bytes })),
    resize: (raster, width, height) =>
      retryAfterCrash(() => channel.ask('resize', { raster, width, height })),
    match: async (raster, wash, wanted, part) =>
      (await retryAfterCrash(() => channel.ask('match', { raster, wash, wanted, part }))) ??
      undefined,
    difference: (drawn, file, gain, under) =>
      retryAfterCrash(() => channel.ask('difference', { drawn, file, gain, under })),
  };
}
