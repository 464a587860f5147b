import { boundedCache, pixelBytes } from '@/core/boundedCache';
import type { Drawing } from '@/core/compose/compose';
import { drawingOf } from '@/core/compose/drawing';
import { hasOverlap, overlapOf, slotInFile } from '@/core/frame/overlap';
import type { EncodedImage } from '@/core/encode/codecs';
import { releasePixels } from '@/core/raster/releasePixels';
import { crop, type Raster } from '@/core/raster/raster';
import type { EncodedFile } from '@/core/readings/reading';
import {
  fileKey,
  noSurvey,
  surveyQuestions,
  type Survey,
  type SurveyQuestions,
} from '@/core/readings/survey';
import { siteColours } from '@/core/site/colours';
import type { Hex } from '@/core/site/model/hex';
import type { Picture, EncodeSettings } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { asFiled, pictureOf } from '@/core/site/picture';

/** A picture's file as it was written. */
export type WrittenFile = EncodedFile & { readonly data: Uint8Array<ArrayBuffer> };

/** Somebody waits for a file, or it will be seen soon. */
export type FileUrgency = 'now' | 'soon';

/** What writing files needs of the engine. */
export interface FileEngine {
  pixels(drawing: Drawing, urgency: FileUrgency): Promise<Raster>;
  press(
    raster: Raster,
    settings: EncodeSettings,
    pinned: readonly Hex[],
    urgency: FileUrgency,
  ): Promise<EncodedImage>;
  survey(drawing: Drawing, questions: SurveyQuestions, urgency: FileUrgency): Promise<Survey>;
  decode(bytes: Uint8Array, urgency: FileUrgency): Promise<Raster>;
}

/** What a file is again in a later tab: its bytes, and what was measured of its drawing. */
export interface KeptFile {
  readonly data: Uint8Array<ArrayBuffer>;
  readonly survey: Survey;
}

/** Where files outlive the tab. */
export interface FileStore {
  recall(key: string): Promise<KeptFile | undefined>;
  keep(key: string, file: KeptFile): Promise<void>;
}

/** Where files are that were written for another purpose; undefined for those that were not. */
export type FoundFile = (subject: {
  readonly site: Site;
  readonly slot: Slot;
  readonly picture: Picture;
}) => Promise<Uint8Array<ArrayBuffer> | undefined>;

/** As it is written while it is worked on: most effort takes too long to be waited for. */
const quickly = (picture: Picture): Picture => ({
  ...picture,
  press: { ...picture.press, effort: 'usual' },
});

/** Decoded files that are kept, bytes of pixels. */
const mostBytes = 60e6;

/** A picture whose file is asked for. */
interface Asked {
  readonly site: Site;
  readonly slot: Slot;
  readonly picture: Picture;
  readonly urgency: FileUrgency;
  /** Asked before each step; once it says no, nothing more is done. */
  wanted(): boolean;
}

/** Files of a site that are written at the same time. */
const atOnce = 2;

/**
 * The files of pictures as they are now: each state is pressed once for plan, bench and the ways to
 * mend it. What somebody waits for is pressed one after the other, and never behind what is not.
 */
export class PictureFiles {
  private readonly kept = boundedCache<WrittenFile>(mostBytes, pixelBytes);
  private readonly running = new Map<string, Promise<WrittenFile | undefined>>();
  private line: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly engine: FileEngine,
    private readonly store?: FileStore,
    private readonly found: FoundFile = async () => undefined,
  ) {}

  /**
   * The file of a picture that somebody waits for, pressed now or as it was pressed before. One that
   * asks for most effort and is not there is pressed with the usual one: `thorough` has it later.
   * @param wanted asked before each step; once it says no, nothing more is done
   * @returns undefined when it was not wanted any more
   */
  file(
    site: Site,
    slot: Slot,
    picture: Picture,
    wanted: () => boolean,
  ): Promise<WrittenFile | undefined> {
    const done = this.line.then(() =>
      this.soonest({ site, slot, picture, wanted, urgency: 'now' }),
    );
    this.line = done.catch(() => {});
    return done;
  }

  /** The file of a picture with the effort that it asks for, where that is not the usual one. */
  async thorough(
    site: Site,
    slot: Slot,
    picture: Picture,
    wanted: () => boolean,
  ): Promise<WrittenFile | undefined> {
    return picture.press.effort === 'most'
      ? this.once({ site, slot, picture, wanted, urgency: 'soon' })
      : undefined;
  }

  /** The bytes of a picture's file, where it was pressed before. */
  async bytes(
    site: Site,
    slot: Slot,
    picture: Picture,
  ): Promise<Uint8Array<ArrayBuffer> | undefined> {
    const key = fileKey(site, slot, picture);
    return (this.kept.get(key) ?? (await this.store?.recall(key)))?.data;
  }

  /**
   * The files of all slots of a site, a few at a time.
   * @param skip keys of files that are not asked for again
   */
  async ofSite(
    site: Site,
    skip: (key: string) => boolean,
    wanted: () => boolean,
    found: (key: string, file: WrittenFile | 'failed') => void,
  ): Promise<void> {
    const waiting = site.slots.map((slot) => ({ slot, picture: pictureOf(site, slot) }));
    const along = async () => {
      for (let next = waiting.shift(); next && wanted(); next = waiting.shift()) {
        const { slot, picture } = next;
        const key = fileKey(site, slot, picture);
        if (!key || skip(key)) {
          continue;
        }
        const file = await this.seen(site, slot, wanted).catch(() => 'failed' as const);
        if (!wanted() || !file) {
          return;
        }
        found(key, file);
      }
    };
    await Promise.all(Array.from({ length: atOnce }, along));
  }

  /**
   * The file of one slot of a site, which will be seen soon.
   * @returns undefined when it was not wanted any more
   */
  seen(site: Site, slot: Slot, wanted: () => boolean): Promise<WrittenFile | undefined> {
    return this.soonest({ site, slot, picture: pictureOf(site, slot), wanted, urgency: 'soon' });
  }

  /** As it is there, or as it is pressed soonest. */
  private async soonest(asked: Asked): Promise<WrittenFile | undefined> {
    const { site, slot, picture, wanted } = asked;
    if (picture.press.effort === 'usual') {
      return this.once(asked);
    }
    const key = fileKey(site, slot, picture);
    const there =
      this.kept.get(key) ?? (wanted() ? await this.again(key, asked) : undefined) ?? undefined;
    return there ?? this.once({ ...asked, picture: quickly(picture) });
  }

  /** Pressed here, or waited for where it is being pressed. */
  private async once(asked: Asked): Promise<WrittenFile | undefined> {
    const key = fileKey(asked.site, asked.slot, asked.picture);
    const going = this.running.get(key);
    if (going) {
      const there = await going.catch(() => undefined);
      // What was given up there is begun anew here.
      return there ?? this.once(asked);
    }
    const before = this.kept.get(key);
    if (before || !asked.wanted()) {
      return before;
    }
    const done = this.write(key, asked);
    this.running.set(key, done);
    try {
      return await done;
    } finally {
      if (this.running.get(key) === done) {
        this.running.delete(key);
      }
    }
  }

  private async write(key: string, asked: Asked): Promise<WrittenFile | undefined> {
    const file = (await this.again(key, asked)) ?? (await this.anew(key, asked));
    if (file) {
      this.kept.set(key, file);
    }
    return file;
  }

  /** As an earlier tab wrote it, or a search. */
  private async again(key: string, asked: Asked): Promise<WrittenFile | undefined> {
    const { slot, picture, urgency } = asked;
    try {
      const kept = await this.store?.recall(key);
      if (kept) {
        return fileOf(slot, picture, await this.engine.decode(kept.data, urgency), kept);
      }
      const bytes = await this.found(asked);
      if (!bytes) {
        return undefined;
      }
      // What is measured of a drawing is asked once it was drawn.
      await this.engine.pixels(drawingOf(slot, asFiled(picture)), urgency);
      const [survey, all] = await Promise.all([
        this.surveyed(asked),
        this.engine.decode(bytes, urgency),
      ]);
      return this.put(key, asked, all, { data: bytes, survey });
    } catch {
      // What cannot be read again is written again.
      return undefined;
    }
  }

  private async anew(key: string, asked: Asked): Promise<WrittenFile | undefined> {
    const { site, slot, picture, wanted, urgency } = asked;
    const raster = await this.engine.pixels(drawingOf(slot, asFiled(picture)), urgency);
    if (!wanted()) {
      return undefined;
    }
    // Who draws measures while who writes writes.
    const [{ bytes, decoded }, survey] = await Promise.all([
      this.engine.press(raster, picture.press, siteColours(site), urgency),
      this.surveyed(asked),
    ]);
    releasePixels(raster);
    return wanted() ? this.put(key, asked, decoded, { data: bytes, survey }) : undefined;
  }

  /** What is measured of a picture's drawing; asked once that was drawn. */
  private surveyed({ site, slot, picture, urgency }: Asked): Promise<Survey> {
    const questions = surveyQuestions(site, slot, picture);
    // Live words are measured too: they lie over the same picture.
    const drawing = { ...drawingOf(slot, picture), overlap: undefined };
    return questions ? this.engine.survey(drawing, questions, urgency) : Promise.resolve(noSurvey);
  }

  /** Keeps a file for later tabs. Nobody waits for it: what could not be kept is written again. */
  private put(key: string, { slot, picture }: Asked, all: Raster, kept: KeptFile): WrittenFile {
    void this.store?.keep(key, kept).catch(() => {});
    return fileOf(slot, picture, all, kept);
  }
}

/** @param all of the file, decoded; what hangs out over the slot too */
function fileOf(slot: Slot, picture: Picture, all: Raster, kept: KeptFile): WrittenFile {
  const overlap = overlapOf(slot);
  const hangs = hasOverlap(overlap);
  const { data, survey } = kept;
  return {
    bytes: data.length,
    data,
    decoded: hangs ? crop(all, slotInFile(slot, overlap)) : all,
    ...(hangs && { whole: all }),
    format: picture.press.format,
    width: all.width,
    height: all.height,
    ...survey,
  };
}
