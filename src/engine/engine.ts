import type { Drawing } from '@/core/compose/compose';
import type { Size } from '@/core/frame/placement';
import type { SampleSize } from '@/core/colour/sample';
import type { Raster, Rect, Rgb } from '@/core/raster/raster';
import { SearchStopped, type SearchListener } from '@/core/lightest/best';
import type { Trial, TrialSubject } from '@/core/lightest/trial';
import type { Hex } from '@/core/site/model/hex';
import type { Aim, PressFormat, PressSettings } from '@/core/site/model/picture';
import type { PhotoSurvey } from '@/core/frame/photoSurvey';
import type { Pressed } from '@/core/press/codecs';
import type { Survey, SurveyQuestions } from '@/core/readings/survey';
import { isFont } from '@/core/text/fontFile';
import { createBulkEngine, type BulkEngine } from './bulkEngine';
import { createChannel, WorkerCrash, type WorkerLike } from './channel';
import type { PackedFile } from '@/core/files/unzip';
import type { RuleText } from '@/core/ownPage/ruleText';
import type { PageSurvey } from '@/core/ownPage/survey';
import type { OpenedPage } from '@/core/ownPage/openPages';
import type { OpenedTheme, ThemeFile } from '@/core/theme/openTheme';
import { silences } from './limits';
import { createSetEngine, type SetEngine } from './setEngine';
import type { CodecCalls, Frame, PagePicture, RenderCalls, ThemeCalls } from './protocol';

export type { PagePicture } from './protocol';

export interface EngineParts {
  spawnRender(): WorkerLike;
  spawnCodec(): WorkerLike;
  spawnTheme(): WorkerLike;
  spawnSet(): WorkerLike;
  spawnBulk(): WorkerLike;
  /** The bytes of an asset as the owner gave them. */
  assetBytes(assetId: string): Promise<Uint8Array<ArrayBuffer>>;
  /** How long workers may be silent, where it is not as usual, ms. */
  readonly silences?: Partial<typeof silences>;
}

/** One place on the screen that shows a picture. */
export interface View {
  /**
   * Draws it as soon as the worker is free; of several asked for meanwhile only the newest is
   * drawn. With a focus, of a large change the part inside it is drawn first, and the rest once
   * nothing newer has been asked for.
   */
  show(drawing: Drawing, focus?: Rect): void;
  close(): void;
}

export interface ViewListener {
  /** @param settled the view shows the newest drawing, all of it */
  onFrame(frame: Frame, settled: boolean): void;
  /** A message for people; the view keeps what it showed. */
  onFailure(message: string): void;
}

export interface Engine {
  view(listener: ViewListener): View;
  /** All pixels of a picture once every photo in it is decoded. */
  pixels(drawing: Drawing): Promise<Raster>;
  decode(bytes: Uint8Array): Promise<Raster>;
  /** The best parts of a photo for a frame, and its main colours. */
  surveyPhoto(assetId: string, frame: Size): Promise<PhotoSurvey>;
  /** The colour of a photo at one of its own px, as a mean of a square; undefined outside of it. */
  sample(assetId: string, x: number, y: number, size: SampleSize): Promise<Rgb | undefined>;
  /**
   * What is measured of the drawing and not of its file; asked once the picture's pixels have been.
   */
  survey(drawing: Drawing, questions: SurveyQuestions): Promise<Survey>;
  /** Hands over the pixels of an asset that was decoded already; the raster is gone afterwards. */
  adopt(assetId: string, raster: Raster): Promise<void>;
  /** @param pinned colours that a palette keeps exactly */
  press(raster: Raster, settings: PressSettings, pinned: readonly Hex[]): Promise<Pressed>;
  /**
   * A file alone, written by one of the workers that search, so that what is pressed for the eye
   * does not wait for it.
   */
  encode(
    raster: Raster,
    settings: PressSettings,
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
  /** A survey of a page out of what was kept. @throws Error with a message for people */
  readSurvey(text: string): Promise<PageSurvey>;
  /** What is seen in a picture of a page. */
  readPagePicture(bytes: Uint8Array): Promise<PagePicture>;
  /** Starts the workers that search ahead of need. */
  warmSearch(): void;
  /**
   * Looks for the lightest file of a picture, in workers of its own, one search after the other.
   */
  search(
    subject: TrialSubject,
    aim: Aim,
    formats: readonly PressFormat[],
    listener: SearchListener,
  ): Promise<void>;
  /** A part of a picture as it was drawn, and as it comes out under each of the aims. */
  patches(
    subject: TrialSubject,
    aims: readonly Aim[],
    format: PressFormat,
    wanted: () => boolean,
  ): Promise<readonly Raster[]>;
  /** Starts what draws and what writes ahead of need. */
  warm(): void;
  readonly set: SetEngine;
  readonly bulk: BulkEngine;
}

/** Workers that search at the same time. */
const searchers = 2;

/**
 * Searchers are given up when nothing was searched for so long, ms: each holds a copy of the
 * codecs.
 */
const idle = 60_000;

/** A drawing that so many workers in a row died of is not drawn again until it changes. */
const mostCrashes = 3;

/** What lies outside the focus is drawn once nothing has been asked for this long, ms. */
const pause = 120;

export function createEngine(parts: EngineParts): Engine {
  let nextView = 1;
  let provided = new Map<string, Promise<void>>();
  const repeats = new Set<() => void>();
  const quiet = { ...silences, ...parts.silences };
  const render = createChannel<RenderCalls>(parts.spawnRender, {
    silence: quiet.render,
    onCrash() {
      // A new worker knows no assets and no views: forget what the old one had and draw the last
      // frames again.
      provided = new Map();
      for (const repeat of repeats) {
        repeat();
      }
    },
  });
  const newCodec = () => createChannel<CodecCalls>(parts.spawnCodec, { silence: quiet.codec });
  const codec = newCodec();
  const theme = createChannel<ThemeCalls>(parts.spawnTheme, { silence: quiet.theme });
  const trials = Array.from({ length: searchers }, newCodec);
  let searching: Promise<unknown> = Promise.resolve();
  let resting: ReturnType<typeof setTimeout> | undefined;

  /** One at a time; those that are not wanted any more when their turn comes end at once. */
  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    clearTimeout(resting);
    const done = searching.then(work);
    const over = done
      .then(
        () => {},
        () => {},
      )
      .then(() => {
        clearTimeout(resting);
        resting = setTimeout(() => {
          for (const t of trials) {
            t.restart('Nothing was searched for.');
          }
        }, idle);
        // Outside of a browser it keeps no process from ending.
        if (typeof resting === 'object') {
          (resting as { unref(): void }).unref();
        }
      });
    searching = over;
    return done;
  }

  async function openTrial(
    channel: (typeof trials)[number],
    subject: TrialSubject,
  ): Promise<Trial> {
    const open = () => channel.ask('trial', { subject });
    /**
     * Codecs that have written much may run out of memory: a fresh worker is asked once more before
     * anything is given up.
     */
    const afresh = async <T>(question: () => Promise<T>): Promise<T> => {
      try {
        return await question();
      } catch {
        channel.restart('The codecs are started anew.');
        await open();
        return question();
      }
    };
    /** One after the other, so that a worker is not started anew under a question of another. */
    let last: Promise<unknown> = Promise.resolve();
    const next = <T>(question: () => Promise<T>): Promise<T> => {
      const answer = last.then(() => afresh(question));
      last = answer.catch(() => {});
      return answer;
    };
    return {
      area: await open(),
      tryOut: (settings, part) => next(() => channel.ask('tryOut', { settings, part })),
      patch: (settings) => next(() => channel.ask('patch', { settings })),
    };
  }

  /** A question whose worker died under it is put once more, to the new one. */
  async function twice<T>(question: () => Promise<T>): Promise<T> {
    try {
      return await question();
    } catch (error) {
      if (error instanceof WorkerCrash) {
        return question();
      }
      throw error;
    }
  }

  /** Reading that ends with its worker once it is given up. */
  async function stoppable<T>(signal: AbortSignal | undefined, read: () => Promise<T>): Promise<T> {
    const give = () => theme.restart('Reading was stopped.');
    signal?.addEventListener('abort', give, { once: true });
    try {
      return await read();
    } finally {
      signal?.removeEventListener('abort', give);
    }
  }

  const decode = (bytes: Uint8Array) => twice(() => codec.ask('decode', { bytes }));

  const give = async (assetId: string, raster: Raster): Promise<void> => {
    for (const gone of await render.ask('asset', { assetId, raster }, [raster.data.buffer])) {
      provided.delete(gone);
    }
  };

  function remember(assetId: string, done: Promise<void>): Promise<void> {
    provided.set(assetId, done);
    done.catch(() => {
      if (provided.get(assetId) === done) {
        provided.delete(assetId);
      }
    });
    return done;
  }

  /** A picture is decoded first; a font is handed over as it is, for the browser to read. */
  async function fetchAsset(assetId: string): Promise<void> {
    const bytes = await parts.assetBytes(assetId);
    if (isFont(bytes)) {
      await render.ask('font', { assetId, bytes });
    } else {
      await give(assetId, await decode(bytes));
    }
  }

  const provide = (assetId: string): Promise<void> =>
    provided.get(assetId) ?? remember(assetId, fetchAsset(assetId));

  function view(listener: ViewListener): View {
    const name = `view ${nextView++}`;
    let waiting: { drawing: Drawing; focus?: Rect } | undefined;
    let latest: Drawing | undefined;
    let busy = false;
    let whole = true;
    let closed = false;
    let rest: ReturnType<typeof setTimeout> | undefined;
    /** Workers that died in a row over what is shown. */
    let crashes = 0;
    const awaited = new Set<string>();

    function fetchMissing(missing: readonly string[]): void {
      for (const assetId of missing) {
        if (awaited.has(assetId)) {
          continue;
        }
        awaited.add(assetId);
        provide(assetId)
          .then(() => {
            if (latest) {
              show(latest);
            }
          })
          .catch((error: unknown) => {
            if (!closed && !(error instanceof WorkerCrash)) {
              listener.onFailure(error instanceof Error ? error.message : String(error));
            }
          })
          .finally(() => awaited.delete(assetId));
      }
    }

    async function next(): Promise<void> {
      if (busy || closed || !waiting) {
        return;
      }
      const { drawing, focus } = waiting;
      waiting = undefined;
      busy = true;
      clearTimeout(rest);
      try {
        const frame = await render.ask('frame', { view: name, drawing, whole, focus });
        if (closed) {
          return;
        }
        whole = false;
        crashes = 0;
        listener.onFrame(
          frame,
          frame.complete && frame.missing.length === 0 && waiting === undefined,
        );
        fetchMissing(frame.missing);
        if (!frame.complete) {
          rest = setTimeout(() => {
            if (latest && !waiting) {
              show(latest);
            }
          }, pause);
        }
      } catch (error) {
        if (!closed && (!(error instanceof WorkerCrash) || crashes >= mostCrashes)) {
          listener.onFailure(error instanceof Error ? error.message : String(error));
        }
      } finally {
        busy = false;
        void next();
      }
    }

    function show(drawing: Drawing, focus?: Rect): void {
      crashes = drawing === latest ? crashes : 0;
      latest = drawing;
      waiting = { drawing, focus };
      void next();
    }

    const repeat = () => {
      whole = true;
      crashes++;
      awaited.clear();
      if (latest && crashes < mostCrashes) {
        show(latest);
      }
    };
    repeats.add(repeat);
    return {
      show,
      close() {
        closed = true;
        clearTimeout(rest);
        repeats.delete(repeat);
        render.ask('close', { view: name }).catch(() => {});
      },
    };
  }

  return {
    view,
    async pixels(drawing) {
      // A photo may have had to make room again, or the worker died, while another came.
      for (let tries = 0; tries < 4; tries++) {
        const { raster, missing } = await twice(() => render.ask('pixels', { drawing }));
        if (missing.length === 0) {
          return raster;
        }
        for (const assetId of missing) {
          if (tries > 0) {
            provided.delete(assetId);
          }
        }
        await Promise.all(missing.map(provide));
      }
      throw new Error(
        'The photos of this picture do not fit into memory together. Use smaller ones.',
      );
    },
    decode,
    async surveyPhoto(assetId, frame) {
      await provide(assetId);
      const found = await twice(() => render.ask('surveyPhoto', { assetId, frame }));
      if (found) {
        return found;
      }
      // The worker died in between and has to be given the photo again.
      await provide(assetId);
      return (await render.ask('surveyPhoto', { assetId, frame })) ?? { frames: [], colours: [] };
    },
    async sample(assetId, x, y, size) {
      await provide(assetId);
      return (await twice(() => render.ask('sample', { assetId, x, y, size }))) ?? undefined;
    },
    survey: (drawing, questions) => twice(() => render.ask('survey', { drawing, questions })),
    adopt: (assetId, raster) => remember(assetId, give(assetId, raster)),
    press: (raster, settings, pinned) =>
      twice(() => codec.ask('press', { raster, settings, pinned })),
    openTheme: (files, signal) => stoppable(signal, () => theme.ask('open', { files })),
    openPages: (files, signal) => stoppable(signal, () => theme.ask('pages', { files })),
    readRules: (sheets) => theme.ask('rules', { sheets }),
    readSurvey: (text) => theme.ask('survey', { text }),
    readPagePicture: async (bytes) =>
      theme.ask('picture', { raster: await codec.ask('decode', { bytes }) }),
    warmSearch() {
      void inTurn(async () => {
        await Promise.all(trials.map((t) => t.ask('ready', { forWriting: true })));
      }).catch(() => {});
    },
    encode: (raster, settings, pinned) =>
      inTurn(() => twice(() => trials[0].ask('encode', { raster, settings, pinned }))),
    search: (subject, aim, formats, listener) =>
      inTurn(async () => {
        if (!listener.wanted()) {
          throw new SearchStopped('The search was stopped.');
        }
        const { searchLightest } = await import('@/core/lightest/search');
        await searchLightest(
          aim,
          formats,
          await Promise.all(trials.map((t) => openTrial(t, subject))),
          listener,
        );
      }),
    patches: (subject, aims, format, wanted) =>
      inTurn(async () => {
        if (!wanted()) {
          throw new SearchStopped('The search was stopped.');
        }
        // Few sites are searched in every visit, and the search is large.
        const { settingsFor } = await import('@/core/lightest/search');
        const trial = await openTrial(trials[0], subject);
        const out = [await trial.patch(null)];
        for (const aim of aims) {
          if (!wanted()) {
            throw new SearchStopped('The search was stopped.');
          }
          out.push(await trial.patch(await settingsFor(aim, format, trial)));
        }
        return out;
      }),
    warm() {
      render.ask('ready', {}).catch(() => {});
      codec.ask('ready', { forWriting: false }).catch(() => {});
    },
    bulk: createBulkEngine(parts.spawnBulk),
    set: createSetEngine({
      spawn: parts.spawnSet,
      silence: quiet.set,
      decode,
      assetBytes: parts.assetBytes,
      writers: trials,
      inTurn,
    }),
  };
}
