import type { Drawing, MissingAsset } from '@/core/compose/compose';
import { mipLevelToKeep } from '@/core/frame/mipLevels';
import type { PhotoMipLevel } from '@/core/frame/photos';
import type { Framing, Size } from '@/core/frame/placement';
import type { TextPlacementWish } from '@/core/legibility/placeText';
import type { PhotoSurvey } from '@/core/frame/photoSurvey';
import type { SampleSize } from '@/core/colour/sample';
import type { Raster, Rect, Rgb } from '@/core/raster/raster';
import { Refusal, wordsOf } from '@/core/refusal';
import type { CutArea } from '@/core/site/model/photoLayer';
import type { TextLayer } from '@/core/site/model/objectLayers';
import type { Survey, SurveyQuestions } from '@/core/readings/survey';
import { isFont } from '@/core/text/fontFile';
import { ownAssetId } from '@/core/text/fonts';
import { createChannel, WorkerCrash, type WorkerLike } from './channel';
import type { Frame, LookedAt, RenderCalls } from './protocol';
import { retryAfterCrash } from './retryAfterCrash';

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

/** A worker that draws, and is given the photos and fonts it has not got. */
export interface Drawer {
  view(listener: ViewListener): View;
  pixels(drawing: Drawing): Promise<Raster>;
  surveyPhoto(photo: LookedAt, frame: Size): Promise<PhotoSurvey>;
  firstFrame(photo: LookedAt, frame: Size): Promise<Framing | undefined>;
  cutByLoop(assetId: string, loop: readonly number[]): Promise<CutArea | undefined>;
  placeText(drawing: Drawing, text: TextLayer, wish: TextPlacementWish): Promise<TextLayer>;
  sample(assetId: string, x: number, y: number, size: SampleSize): Promise<Rgb | undefined>;
  survey(drawing: Drawing, questions: SurveyQuestions): Promise<Survey>;
  adopt(assetId: string, photo: PhotoMipLevel): Promise<void>;
  warm(): void;
  /** Ends the worker until something is asked again; nothing may be going on. */
  rest(): void;
}

interface Parts {
  spawn(): WorkerLike;
  readonly silence: number;
  /** @param mipLevel how often it is made half as large along each side */
  decode(bytes: Uint8Array, mipLevel: number): Promise<Raster>;
  assetBytes(assetId: string): Promise<Uint8Array<ArrayBuffer>>;
}

/** What the worker was given, or is being given. */
interface Provided {
  /** How often a photo was halved. */
  readonly mipLevel: number;
  readonly done: Promise<void>;
}

/** A drawing that so many workers in a row died of is not drawn again until it changes. */
const mostCrashes = 3;

/** What lies outside the focus is drawn once nothing has been asked for this long, ms. */
const pause = 120;

/** The same of what was drawn roughly and takes long: a hand that stops a moment may go on. */
const longPause = 300;

/** A picture is drawn without the photos that are not there after so long, ms. */
const patience = 500;

/** While more photos come, it is drawn anew with those that did each so many ms... */
const between = 300;

/** ...and not sooner than so many times what drawing it takes, which holds up those that come. */
const drawingShare = 4;

export function createDrawer({ spawn, silence, decode, assetBytes }: Parts): Drawer {
  let nextView = 1;
  let provided = new Map<string, Provided>();
  const repeats = new Set<() => void>();
  /** Views, told what is wanted whole: the worker copies what a view shows whole. */
  const finishes = new Set<(drawing: string) => void>();
  /** What is wanted whole once the views are drawn. */
  const wholeWanted = new Set<string>();
  /** Views that have something to draw, by name, and what waits until none has. */
  const undrawn = new Set<string>();
  let encodedAfter: (() => void)[] = [];
  let measuredAfter: (() => void)[] = [];
  const render = createChannel<RenderCalls>(spawn, {
    silence,
    onCrash() {
      // A new worker knows no assets and no views: forget what the old one had and draw the last
      // frames again.
      provided = new Map();
      for (const repeat of repeats) {
        repeat();
      }
    },
  });

  const give = async (assetId: string, raster: Raster, mipLevel: number): Promise<void> => {
    const asked = { assetId, raster, mipLevel };
    for (const gone of await render.ask('asset', asked, [raster.data.buffer])) {
      provided.delete(gone);
    }
  };

  function remember(assetId: string, mipLevel: number, done: Promise<void>): Promise<void> {
    provided.set(assetId, { mipLevel, done });
    done.catch(() => {
      if (provided.get(assetId)?.done === done) {
        provided.delete(assetId);
      }
    });
    return done;
  }

  /** A picture is decoded first; a font is handed over as it is, for the browser to read. */
  async function fetchAsset(assetId: string, mipLevel: number): Promise<void> {
    const bytes = await assetBytes(assetId);
    if (isFont(bytes)) {
      await render.ask('font', { assetId, bytes });
    } else {
      await give(assetId, await decode(bytes, mipLevel), mipLevel);
    }
  }

  /** Sees to it that an asset is there, a photo at least as large as that. */
  function provide(assetId: string, mipLevel = 0): Promise<void> {
    const known = provided.get(assetId);
    return known && known.mipLevel <= mipLevel
      ? known.done
      : remember(assetId, mipLevel, fetchAsset(assetId, mipLevel));
  }

  function hasDrawn(view: string): void {
    undrawn.delete(view);
    if (undrawn.size === 0) {
      const all = [...encodedAfter, ...measuredAfter];
      encodedAfter = [];
      measuredAfter = [];
      all.forEach((go) => go());
    }
  }

  /** Resolves once the views show what was asked of them; first for what is pressed. */
  const viewsDrawn = (before: 'pressing' | 'measuring'): Promise<void> =>
    undrawn.size === 0
      ? Promise.resolve()
      : new Promise((resolve) => {
          (before === 'pressing' ? encodedAfter : measuredAfter).push(resolve);
        });

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
    /** Those that could not be read are not read again for the same drawing. */
    const failed = new Set<string>();
    /** Nothing has been drawn yet. */
    let opening = true;
    /** When it was drawn last, ms. */
    let drawnAt = 0;
    /** How long that took, ms. */
    let took = 0;
    /** It is drawn anew then, with what came meanwhile. */
    let soon: ReturnType<typeof setTimeout> | undefined;

    /** A photo came: if more are to come soon, it is drawn with them. */
    function showWithMore(): void {
      if (!latest || opening || closed) {
        return;
      }
      const patient = Math.max(between, drawingShare * took);
      if (awaited.size === 0 || performance.now() - drawnAt > patient) {
        clearTimeout(soon);
        soon = undefined;
        show(latest);
      } else {
        soon ??= setTimeout(() => {
          soon = undefined;
          show(latest!);
        }, patient);
      }
    }

    async function fetchOne({ assetId, mipLevel }: MissingAsset, wanted: string): Promise<void> {
      try {
        await provide(assetId, mipLevel);
        awaited.delete(wanted);
        showWithMore();
      } catch (error) {
        awaited.delete(wanted);
        failed.add(wanted);
        if (!closed && !(error instanceof WorkerCrash)) {
          listener.onFailure(wordsOf(error));
        }
      }
    }

    function fetchMissing(missing: readonly MissingAsset[]): Promise<unknown> {
      const fetches: Promise<void>[] = [];
      for (const asset of missing) {
        const wanted = `${asset.assetId} ${asset.mipLevel}`;
        if (!awaited.has(wanted) && !failed.has(wanted)) {
          awaited.add(wanted);
          fetches.push(fetchOne(asset, wanted));
        }
      }
      return Promise.all(fetches);
    }

    /** Photos are on their way before anything is drawn, and most of them there. */
    async function open(drawing: Drawing): Promise<void> {
      const missing = await render.ask('lacking', { view: name, drawing });
      let late: ReturnType<typeof setTimeout>;
      const patient = new Promise((resolve) => {
        late = setTimeout(resolve, patience);
      });
      await Promise.race([fetchMissing(missing).finally(() => clearTimeout(late)), patient]);
    }

    async function next(): Promise<void> {
      if (busy || closed || !waiting) {
        return;
      }
      let { drawing, focus } = waiting;
      waiting = undefined;
      busy = true;
      clearTimeout(rest);
      rest = undefined;
      try {
        if (opening) {
          await open(drawing);
          opening = false;
          // What came meanwhile is what is wanted.
          ({ drawing, focus } = waiting ?? { drawing, focus });
          waiting = undefined;
        }
        const asked = performance.now();
        const frame = await render.ask('frame', { view: name, drawing, whole, focus });
        took = performance.now() - asked;
        if (closed) {
          return;
        }
        whole = false;
        drawnAt = performance.now();
        crashes = 0;
        listener.onFrame(
          frame,
          frame.complete && frame.missing.length === 0 && waiting === undefined,
        );
        void fetchMissing(frame.missing);
        if (!frame.complete && focus && wholeWanted.has(JSON.stringify(drawing))) {
          waiting ??= { drawing };
        } else if (!frame.complete) {
          rest = setTimeout(finish, frame.rough ? longPause : pause);
        }
      } catch (error) {
        if (!closed && (!(error instanceof WorkerCrash) || crashes >= mostCrashes)) {
          listener.onFailure(wordsOf(error));
        }
      } finally {
        busy = false;
        if (!waiting) {
          hasDrawn(name);
        }
        void next();
      }
    }

    /** All of what is shown, if that is not under way. */
    function finish(): void {
      clearTimeout(rest);
      rest = undefined;
      if (latest && !waiting) {
        show(latest);
      }
    }

    function show(drawing: Drawing, focus?: Rect): void {
      if (closed) {
        return;
      }
      if (drawing !== latest) {
        crashes = 0;
        failed.clear();
      }
      latest = drawing;
      waiting = { drawing, focus };
      undrawn.add(name);
      void next();
    }

    const repeat = () => {
      whole = true;
      crashes++;
      awaited.clear();
      failed.clear();
      if (latest && crashes < mostCrashes) {
        show(latest);
      }
    };
    repeats.add(repeat);
    const unfinished = (drawing: string) => {
      if (rest !== undefined && JSON.stringify(latest) === drawing) {
        finish();
      }
    };
    finishes.add(unfinished);
    return {
      show,
      close() {
        closed = true;
        hasDrawn(name);
        clearTimeout(rest);
        clearTimeout(soon);
        repeats.delete(repeat);
        finishes.delete(unfinished);
        render.ask('close', { view: name }).catch(() => {});
      },
    };
  }

  async function pixelsOf(drawing: Drawing): Promise<Raster> {
    const wanted = JSON.stringify(drawing);
    finishes.forEach((finish) => finish(wanted));
    wholeWanted.add(wanted);
    await viewsDrawn('pressing');
    wholeWanted.delete(wanted);
    // A photo may have had to make room again, or the worker died, while another came.
    for (let tries = 0; tries < 4; tries++) {
      const { raster, missing } = await retryAfterCrash(() => render.ask('pixels', { drawing }));
      if (missing.length === 0) {
        return raster;
      }
      for (const { assetId } of missing) {
        if (tries > 0) {
          provided.delete(assetId);
        }
      }
      await Promise.all(missing.map((one) => provide(one.assetId, one.mipLevel)));
    }
    throw new Refusal(
      'The photos of this picture do not fit into memory together. Use smaller ones.',
    );
  }

  /** Asks about a photo, once more where the worker died in between and has to be given it again. */
  async function ofPhoto<T>(
    { assetId, size }: LookedAt,
    ask: () => Promise<T | null>,
  ): Promise<T | null> {
    const mipLevel = size ? mipLevelToKeep(size) : 0;
    await provide(assetId, mipLevel);
    await viewsDrawn('measuring');
    const found = await retryAfterCrash(ask);
    if (found !== null) {
      return found;
    }
    await provide(assetId, mipLevel);
    return ask();
  }

  return {
    view,
    pixels: pixelsOf,
    async surveyPhoto(photo, frame) {
      const found = await ofPhoto(photo, () => render.ask('surveyPhoto', { ...photo, frame }));
      return found ?? { frames: [], colours: [] };
    },
    async firstFrame(photo, frame) {
      const found = await ofPhoto(photo, () => render.ask('firstFrame', { ...photo, frame }));
      return found ?? undefined;
    },
    async cutByLoop(assetId, loop) {
      const found = await ofPhoto({ assetId }, () => render.ask('cutByLoop', { assetId, loop }));
      return found?.area ?? undefined;
    },
    async placeText(drawing, text, wish) {
      // So that all its photos are there.
      await pixelsOf(drawing);
      return retryAfterCrash(() => render.ask('placeText', { drawing, text, wish }));
    },
    async sample(assetId, x, y, size) {
      await provide(assetId);
      return (
        (await retryAfterCrash(() => render.ask('sample', { assetId, x, y, size }))) ?? undefined
      );
    },
    async survey(drawing, questions) {
      const own = questions.title && ownAssetId(questions.title.font);
      if (own) {
        // Without it the rest is measured all the same.
        await provide(own).catch(() => {});
      }
      return retryAfterCrash(() => render.ask('survey', { drawing, questions }));
    },
    adopt: (assetId, { raster, mipLevel: mipLevel }) =>
      remember(assetId, mipLevel, give(assetId, raster, mipLevel)),
    warm() {
      render.ask('ready', {}).catch(() => {});
    },
    rest() {
      provided = new Map();
      render.restart('Nothing was drawn.');
    },
  };
}
