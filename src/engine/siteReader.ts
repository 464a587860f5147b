import { boundedCache, pixelBytes } from '@/core/boundedCache';
import { releasePixels } from '@/core/raster/releasePixels';
import type { EncodedFile } from '@/core/readings/reading';
import { readingsOfSite, type ToldReading } from '@/core/readings/told';
import type { Site } from '@/core/site/model/site';

type BySlot = ReadonlyMap<string, readonly ToldReading[]>;

/** A slot's file that is known: what tells it, and where it is when it is wanted. */
export interface KeyedFile {
  readonly key: string;
  /** Bytes of its pixels. */
  readonly weight: number;
  /**
   * Asked when its turn comes, so that no more of a site is decoded at once than is worked on.
   * @returns undefined when it was not wanted any more
   */
  read(): Promise<EncodedFile | undefined>;
}

/** Readings of some slots of a site are asked for. */
export interface ReadingsAsk {
  readonly site: Site;
  readonly slots: readonly string[];
  /** What tells the files of those that have one that is known. */
  readonly keys: ReadonlyMap<string, string>;
  /** Files that the reader has not, by what tells them. */
  readonly files: ReadonlyMap<string, EncodedFile>;
}

export interface ReadingsAnswer {
  /** Empty where a file is missing. */
  readonly bySlot: BySlot;
  /** Files that the reader was not brought, or has forgotten. */
  readonly missing: readonly string[];
}

/** Bytes of a file's pixels. */
export const fileWeight = ({ decoded, whole }: EncodedFile): number =>
  pixelBytes(decoded) + (whole ? pixelBytes(whole) : 0);

/**
 * The side that takes readings, in a worker.
 * @param most bytes of decoded files that it remembers, so that none crosses twice
 */
export function createSiteReader(most: number): (ask: ReadingsAsk) => ReadingsAnswer {
  // What came here is nobody else's.
  const known = boundedCache<EncodedFile>(most, fileWeight, (_key, { decoded, whole }) => {
    releasePixels(decoded);
    if (whole) {
      releasePixels(whole);
    }
  });
  return ({ site, slots, keys, files }) => {
    const found = new Map([...keys.values()].map((key) => [key, files.get(key) ?? known.get(key)]));
    const missing = [...found].flatMap(([key, file]) => (file ? [] : [key]));
    const bySlot =
      missing.length > 0
        ? new Map<string, readonly ToldReading[]>()
        : readingsOfSite(site, (slotId) => found.get(keys.get(slotId) ?? ''), new Set(slots));
    // Not before they were read: what makes room for them may be asked for here too.
    for (const [key, file] of files) {
      known.set(key, file);
    }
    return { bySlot, missing };
  };
}

/** What readings ask of a file, and nothing else of it. */
const plain = ({
  bytes,
  format,
  width,
  height,
  decoded,
  whole,
  texts,
  calm,
}: EncodedFile): EncodedFile => ({ bytes, format, width, height, decoded, whole, texts, calm });

/** What was read of a slot, and of which file. */
interface Read {
  readonly key: string | undefined;
  readonly readings: readonly ToldReading[];
}

/**
 * The side that asks. Only slots are asked for whose site or file is another than it was, and no
 * more of them at once than have files of so many bytes: otherwise a large site would cross whole
 * with each file that becomes known. Who asks meanwhile waits, since two that ask in turns could
 * each make the reader forget what it was brought for the other.
 */
export class ReadingsInPortions {
  private line: Promise<unknown> = Promise.resolve();
  private readonly brought = new Set<string>();
  private readonly read = new WeakMap<Site, Map<string, Read>>();

  constructor(
    private readonly ask: (ask: ReadingsAsk) => Promise<ReadingsAnswer>,
    private readonly most: number,
  ) {}

  /** The reader was started anew, and knows nothing. */
  forgotten(): void {
    this.brought.clear();
  }

  /**
   * All readings of all slots, by slot.
   * @param files those that are known, by slot
   * @param wanted asked before each portion; once it says no, nothing more is asked
   * @returns undefined when they were not wanted any more
   */
  of(
    site: Site,
    files: ReadonlyMap<string, KeyedFile>,
    wanted: () => boolean,
  ): Promise<BySlot | undefined> {
    const done = this.line.then(() => this.take(site, files, wanted));
    this.line = done.catch(() => {});
    return done;
  }

  private async take(
    site: Site,
    files: ReadonlyMap<string, KeyedFile>,
    wanted: () => boolean,
  ): Promise<BySlot | undefined> {
    const read = this.read.get(site) ?? new Map<string, Read>();
    this.read.set(site, read);
    const isNew = (id: string) => {
      const before = read.get(id);
      return !before || before.key !== files.get(id)?.key;
    };
    const asked = site.slots.map(({ id }) => id).filter(isNew);
    for (const portion of this.portions(asked, files)) {
      if (!wanted()) {
        return undefined;
      }
      const there = await this.portion(site, portion, files, wanted);
      if (!there) {
        return undefined;
      }
      for (const [id, { key, readings }] of there) {
        read.set(id, { key, readings });
      }
    }
    return new Map(site.slots.map(({ id }) => [id, read.get(id)!.readings]));
  }

  /** Slots with files of so many bytes together, or a single one. */
  private portions(
    slots: readonly string[],
    files: ReadonlyMap<string, KeyedFile>,
  ): readonly (readonly string[])[] {
    const portions: string[][] = [];
    let room = 0;
    for (const id of slots) {
      const weight = files.get(id)?.weight ?? 0;
      if (portions.length === 0 || weight > room) {
        portions.push([]);
        room = this.most;
      }
      portions.at(-1)!.push(id);
      room -= weight;
    }
    return portions;
  }

  private async portion(
    site: Site,
    slots: readonly string[],
    known: ReadonlyMap<string, KeyedFile>,
    wanted: () => boolean,
  ): Promise<ReadonlyMap<string, Read> | undefined> {
    const used = new Map(
      slots.flatMap((id) => {
        const file = known.get(id);
        return file ? [[id, file] as const] : [];
      }),
    );
    for (;;) {
      const files = new Map<string, EncodedFile>();
      const bring = async ([id, { key, read }]: readonly [string, KeyedFile]) => {
        const file = await read().catch(() => undefined);
        if (file) {
          files.set(key, plain(file));
        } else {
          // What cannot be read again now is as if it were not known yet.
          used.delete(id);
        }
      };
      await Promise.all([...used].filter(([, { key }]) => !this.brought.has(key)).map(bring));
      if (!wanted()) {
        return undefined;
      }
      const keys = new Map([...used].map(([id, { key }]) => [id, key]));
      const { bySlot, missing } = await this.ask({ site, slots, keys, files });
      for (const key of files.keys()) {
        this.brought.add(key);
      }
      if (missing.length === 0) {
        return new Map(
          [...bySlot].map(([id, readings]) => [id, { key: keys.get(id), readings }] as const),
        );
      }
      // It is brought them now, with which it has all of them.
      missing.forEach((key) => this.brought.delete(key));
    }
  }
}
