import type { CutArea } from '@/core/site/model/photoLayer';
import type { LinePoint } from '@/core/site/model/blendLayers';
import type { Drawing } from '@/core/compose/compose';
import type { Framing, Size } from '@/core/frame/placement';
import type { SampleSize } from '@/core/colour/sample';
import type { Raster, Rgb } from '@/core/raster/raster';
import { SearchStopped, type SearchListener } from '@/core/lightest/best';
import type { Goal } from '@/core/lightest/care';
import type { TrialSubject } from '@/core/lightest/trial';
import type { FontReport } from '@/core/text/readFont';
import type { Hex } from '@/core/site/model/hex';
import type { VisitorWidth } from '@/core/site/model/site';
import type { ThemeColour } from '@/core/site/model/theme';
import type { Aim, ImageFormat, EncodeSettings } from '@/core/site/model/picture';
import type { TextPlacementWish } from '@/core/legibility/placeText';
import type { TextLayer } from '@/core/site/model/objectLayers';
import type { PhotoMipLevel, ReadPhoto } from '@/core/frame/photos';
import type { PhotoSurvey } from '@/core/frame/photoSurvey';
import type { EncodedImage } from '@/core/encode/codecs';
import type { Survey, SurveyQuestions } from '@/core/readings/survey';
import { createBulkEngine, type BulkEngine } from './bulkEngine';
import { createChannel, type Channel, type WorkerLike } from './channel';
import { createDrawer, type Drawer, type View, type ViewListener } from './drawer';
import type { PackedFile } from '@/core/files/unzip';
import type { RuleText } from '@/core/ownPage/ruleText';
import type { ReadLaying } from './page/restyle';
import type { LoneRule } from '@/core/theme/loneRules';
import type { PageSurvey } from '@/core/ownPage/survey';
import type { OpenedPage } from '@/core/ownPage/openPages';
import type { OpenedTheme, ThemeFile } from '@/core/theme/openTheme';
import { silences } from './limits';
import { WorkQueue } from './workQueue';
import { openTrial } from './openTrial';
import { createSetEngine, type SetEngine } from './setEngine';
import { createSheetEngine, type SheetEngine } from './sheetEngine';
import type { CodecCalls, LookedAt, PagePicture, ThemeCalls } from './protocol';
import { retryAfterCrash } from './retryAfterCrash';
import { Foreground, type Urgency } from './urgency';
import { WorkerPool } from './workerPool';

export type { View, ViewListener } from './drawer';
export type { PagePicture } from './protocol';

export interface EngineParts {
  spawnRender(): WorkerLike;
  spawnCodec(): WorkerLike;
  spawnTheme(): WorkerLike;
  spawnSet(): WorkerLike;
  spawnSheet(): WorkerLike;
  spawnBulk(): WorkerLike;
  /** The bytes of an asset as the owner gave them. */
  assetBytes(assetId: string): Promise<Uint8Array<ArrayBuffer>>;
  /** How long workers may be silent, where it is not as usual, ms. */
  readonly silences?: Partial<typeof silences>;
}

export interface Engine {
  view(listener: ViewListener): View;
  /** All pixels of a picture once every photo in it is decoded; as urgent as `now` if not said. */
  pixels(drawing: Drawing, urgency?: Urgency): Promise<Raster>;
  decode(bytes: Uint8Array, urgency?: Urgency): Promise<Raster>;
  /** Decodes all of a photo that is taken in, and keeps as much of it as there is room for. */
  readPhoto(bytes: Uint8Array): Promise<ReadPhoto>;
  /**
   * A picture as large as fits into some room, for being looked at: of a large one no more is read
   * than that takes.
   */
  shrink(bytes: Uint8Array, room: Size): Promise<Raster>;
  /** The best parts of a photo for a frame, and its main colours. */
  surveyPhoto(photo: LookedAt, frame: Size): Promise<PhotoSurvey>;
  /** The part of a photo that a slot shows at first; undefined where the photo is gone. */
  firstFrame(photo: LookedAt, frame: Size): Promise<Framing | undefined>;
  /** A thing in a photo, cut out by a loop around it; undefined where nothing stands off. */
  cutByLoop(assetId: string, loop: readonly number[]): Promise<CutArea | undefined>;
  /** A new text where it lies best on a drawing. */
  placeText(drawing: Drawing, text: TextLayer, wish: TextPlacementWish): Promise<TextLayer>;
  /** The colour of a photo at one of its own px, as a mean of a square; undefined outside of it. */
  sample(assetId: string, x: number, y: number, size: SampleSize): Promise<Rgb | undefined>;
  /**
   * What is measured of the drawing and not of its file; asked once the picture's pixels have been.
   */
  survey(drawing: Drawing, questions: SurveyQuestions, urgency?: Urgency): Promise<Survey>;
  /** Hands over the pixels of a photo that was read already; the raster is gone afterwards. */
  adopt(assetId: string, photo: PhotoMipLevel): Promise<void>;
  /** @param pinned colours that a palette keeps exactly */
  press(
    raster: Raster,
    settings: EncodeSettings,
    pinned: readonly Hex[],
    urgency?: Urgency,
  ): Promise<EncodedImage>;
  /**
   * A file alone, written aside, so that what is pressed for the eye does not wait for it.
   */
  encode(
    raster: Raster,
    settings: EncodeSettings,
    pinned: readonly Hex[],
  ): Promise<Uint8Array<ArrayBuffer>>;
  /**
   * Reads style sheets and zips of theme folders; a signal that is given up ends the work at once.
   */
  openTheme(files: readonly ThemeFile[], signal?: AbortSignal): Promise<OpenedTheme>;
  /** Opens saved pages; a signal that is given up ends the work at once. */
  openPages(files: readonly PackedFile[], signal?: AbortSignal): Promise<readonly OpenedPage[]>;
  /** Which rules name files in the texts of style sheets, sheet by sheet. */
  readRules(sheets: readonly string[]): Promise<readonly (readonly RuleText[])[]>;
  /** What lays a style sheet out by the addresses of a page; null where patches cannot. */
  layingPatches: ReadLaying;
  /** Which rules can be left out of the texts of style sheets, sheet by sheet. */
  loneRules(sheets: readonly string[]): Promise<readonly (readonly LoneRule[])[]>;
  /** A survey of a page out of what was kept. @throws Error with a message for people */
  readSurvey(text: string): Promise<PageSurvey>;
  /** What is seen in a picture of a page. */
  readPagePicture(bytes: Uint8Array): Promise<PagePicture>;
  /** Colours of a style sheet, or of design tokens. @throws TokensError, StylesheetError */
  readColours(name: string, bytes: Uint8Array): Promise<readonly ThemeColour[]>;
  /** Visitors by the width of their screens, of a list. @throws VisitorsError */
  readVisitors(name: string, bytes: Uint8Array): Promise<readonly VisitorWidth[]>;
  /** What a font file says of itself. @throws FontError */
  readFont(name: string, bytes: Uint8Array): Promise<FontReport>;
  /** The upper outline of what a picture shows; null where nothing stands out against its top. */
  outline(bytes: Uint8Array): Promise<readonly LinePoint[] | null>;
  /** Files that `encode` writes at the same time. */
  readonly atOnce: number;
  /** Starts the workers that search ahead of need. */
  warmSearch(): void;
  /**
   * Looks for the lightest file of a picture, in workers of its own, one search after the other.
   * One that nobody waits for has but one worker, and leaves the others to whom somebody does.
   */
  search(
    subject: TrialSubject,
    goal: Goal,
    formats: readonly ImageFormat[],
    listener: SearchListener,
    urgency?: Urgency,
  ): Promise<void>;
  /** A part of a picture as it was drawn, and as it comes out under each of the aims. */
  patches(
    subject: TrialSubject,
    aims: readonly Aim[],
    format: ImageFormat,
    wanted: () => boolean,
  ): Promise<readonly Raster[]>;
  /** Starts what draws and what writes ahead of need. */
  warm(): void;
  /** Starts what does so in the background. */
  warmBackground(): void;
  readonly set: SetEngine;
  readonly sheets: SheetEngine;
  readonly bulk: BulkEngine;
}

/** Workers that write what is not for the picture in hand: searches, sets, hand-overs, findings. */
const writers = 2;

/**
 * Workers that nothing was asked of for so long are given up, ms: each holds a copy of the codecs, or
 * photos.
 */
const idle = 60_000;

export function createEngine(parts: EngineParts): Engine {
  const quiet = { ...silences, ...parts.silences };
  const foreground = new Foreground();
  const newCodec = () => createChannel<CodecCalls>(parts.spawnCodec, { silence: quiet.codec });
  const codec = newCodec();
  const theme = createChannel<ThemeCalls>(parts.spawnTheme, { silence: quiet.theme });
  const others = Array.from({ length: writers }, newCodec);
  let resting: ReturnType<typeof setTimeout> | undefined;
  const pool = new WorkerPool(others, foreground, () => {
    clearTimeout(resting);
    resting = setTimeout(() => {
      if (pool.idle) {
        others.forEach((one) => one.restart('Nothing was written.'));
        background.rest();
      }
    }, idle);
    // Outside of a browser it keeps no process from ending.
    (resting as { unref?: () => void }).unref?.();
  });

  const { assetBytes } = parts;
  const drawing = { spawn: parts.spawnRender, silence: quiet.render, assetBytes };
  /** Asks codecs at once for whom somebody waits, else those that are free once nobody does. */
  const coded = <T>(urgency: Urgency, work: (by: Channel<CodecCalls>) => Promise<T>) =>
    urgency === 'now'
      ? foreground.during(() => retryAfterCrash(() => work(codec)))
      : pool.use(1, urgency, ([one]) => retryAfterCrash(() => work(one)));
  const shared = new WorkQueue(codec, pool);
  const decode = (bytes: Uint8Array, urgency: Urgency = 'now', mipLevel = 0) => {
    const work = (by: Channel<CodecCalls>) =>
      retryAfterCrash(() => by.ask('decode', { bytes, mipLevel }));
    return urgency === 'now' ? foreground.during(() => shared.done(work)) : coded(urgency, work);
  };
  const drawer = createDrawer({
    ...drawing,
    decode: (bytes, mipLevel) => decode(bytes, 'now', mipLevel),
  });
  /** Draws what nobody looks at, so that what is looked at never waits for it. */
  const background = createDrawer({
    ...drawing,
    decode: (bytes, mipLevel) => decode(bytes, 'soon', mipLevel),
  });

  /** Reading that ends with its worker once it is given up. */
  async function stoppable<T>(signal: AbortSignal | undefined, read: () => Promise<T>): Promise<T> {
    const give = () => theme.restart('Reading was stopped.');
    signal?.addEventListener('abort', give, { once: true });
    try {
      return await retryAfterCrash(read);
    } finally {
      signal?.removeEventListener('abort', give);
    }
  }

  /** Draws at once for whom somebody waits, else aside and once nobody does. */
  async function drawn<T>(urgency: Urgency, work: (by: Drawer) => Promise<T>): Promise<T> {
    if (urgency === 'now') {
      return foreground.during(() => work(drawer));
    }
    await foreground.quiet();
    return work(background);
  }

  /** Searches that somebody waits for. */
  let searching = 0;
  const stopIfUnwanted = (wanted: () => boolean) => {
    if (!wanted()) {
      throw new SearchStopped('The search was stopped.');
    }
  };

  return {
    view: drawer.view,
    pixels: (what, urgency = 'now') => drawn(urgency, (by) => by.pixels(what)),
    decode: (bytes, urgency) => decode(bytes, urgency),
    readPhoto: (bytes) =>
      foreground.during(() =>
        shared.done((by) => retryAfterCrash(() => by.ask('read', { bytes }))),
      ),
    // A list waits for what is drawn.
    shrink: (bytes, room) =>
      foreground.during(() =>
        shared.done((by) => retryAfterCrash(() => by.ask('shrink', { bytes, room })), 'after'),
      ),
    surveyPhoto: (photo, frame) => foreground.during(() => drawer.surveyPhoto(photo, frame)),
    firstFrame: (photo, frame) => foreground.during(() => drawer.firstFrame(photo, frame)),
    cutByLoop: (assetId, loop) => foreground.during(() => drawer.cutByLoop(assetId, loop)),
    placeText: (what, text, wish) => foreground.during(() => drawer.placeText(what, text, wish)),
    sample: (assetId, x, y, size) => foreground.during(() => drawer.sample(assetId, x, y, size)),
    survey: (what, questions, urgency = 'now') =>
      drawn(urgency, (by) => by.survey(what, questions)),
    adopt: drawer.adopt,
    press: (raster, settings, pinned, urgency = 'now') =>
      coded(urgency, (by) => by.ask('press', { raster, settings, pinned })),
    openTheme: (files, signal) => stoppable(signal, () => theme.ask('open', { files })),
    openPages: (files, signal) => stoppable(signal, () => theme.ask('pages', { files })),
    layingPatches: (came, frozen) =>
      retryAfterCrash(() => theme.ask('layingPatches', { came, frozen })),
    loneRules: (sheets) => retryAfterCrash(() => theme.ask('loneRules', { sheets })),
    readRules: (sheets) => retryAfterCrash(() => theme.ask('rules', { sheets })),
    readSurvey: (text) => retryAfterCrash(() => theme.ask('survey', { text })),
    readColours: (name, bytes) => retryAfterCrash(() => theme.ask('colours', { name, bytes })),
    readVisitors: (name, bytes) => retryAfterCrash(() => theme.ask('visitors', { name, bytes })),
    readFont: (name, bytes) => retryAfterCrash(() => theme.ask('font', { name, bytes })),
    outline: async (bytes) => {
      const raster = await decode(bytes);
      return retryAfterCrash(() => theme.ask('outline', { raster }));
    },
    readPagePicture: async (bytes) => {
      const raster = await decode(bytes);
      return retryAfterCrash(() => theme.ask('picture', { raster }));
    },
    warmSearch() {
      pool
        .use(writers, 'later', (all) =>
          Promise.all(all.map((one) => one.ask('ready', { forWriting: true }))),
        )
        .catch(() => {});
    },
    atOnce: writers,
    encode: (raster, settings, pinned) =>
      pool.use(1, 'now', ([one]) =>
        retryAfterCrash(() => one.ask('encode', { raster, settings, pinned })),
      ),
    async search(subject, goal, formats, listener, urgency = 'now') {
      const search = (count: number, wanted: () => boolean) =>
        pool.use(count, urgency, async (some) => {
          stopIfUnwanted(wanted);
          const { searchLightest } = await import('@/core/lightest/search');
          const trials = await Promise.all(some.map((one) => openTrial(one, subject)));
          await searchLightest(goal, formats, trials, { ...listener, wanted }, urgency === 'now');
        });
      if (urgency === 'now') {
        searching++;
        await search(writers, listener.wanted).finally(() => {
          searching--;
        });
        return;
      }
      for (;;) {
        try {
          return await search(1, () => listener.wanted() && searching === 0);
        } catch (error) {
          if (!(error instanceof SearchStopped) || !listener.wanted()) {
            throw error;
          }
          // Overtaken by one that somebody waits for: begun anew after it.
        }
      }
    },
    patches: (subject, aims, format, wanted) =>
      pool.use(1, 'now', async ([one]) => {
        stopIfUnwanted(wanted);
        // Few sites are searched in every visit, and the search is large.
        const { settingsFor } = await import('@/core/lightest/formatSearch');
        const trial = await openTrial(one, subject);
        const out = [await trial.patch(null)];
        for (const aim of aims) {
          stopIfUnwanted(wanted);
          out.push(await trial.patch(await settingsFor(aim, format, trial)));
        }
        return out;
      }),
    warm() {
      drawer.warm();
      codec.ask('ready', { forWriting: false }).catch(() => {});
    },
    warmBackground() {
      background.warm();
      pool
        .use(writers, 'soon', (all) =>
          Promise.all(all.map((one) => one.ask('ready', { forWriting: false }))),
        )
        .catch(() => {});
    },
    bulk: createBulkEngine(parts.spawnBulk),
    sheets: createSheetEngine(parts.spawnSheet, quiet.sheet),
    set: createSetEngine({
      spawn: parts.spawnSet,
      silence: quiet.set,
      decode,
      assetBytes,
      write: (work) => pool.use(writers, 'now', work),
    }),
  };
}
