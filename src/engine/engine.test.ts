import { coloursOfPicture } from '@/core/ownPage/look';
import { straightEdges } from '@/core/ownPage/picturePointing';
import { readSurvey } from '@/core/ownPage/readSurvey';
import { rulesNamingFiles } from '@/core/ownPage/ruleText';
import { surveyed } from '@/core/ownPage/survey.fixture';
import { surveyText } from '@/core/ownPage/surveyText';
import { silhouetteOf } from '@/core/divider/silhouette';
import type { SearchListener } from '@/core/lightest/best';
import { encodeSettings } from '@/core/encode/settings';
import { noSurvey } from '@/core/readings/survey';
import { readVisitors } from '@/core/measure/readVisitors';
import { readFont } from '@/core/text/readFont';
import { decodeStylesheet } from '@/core/theme/sheetText';
import { readThemeColours } from '@/core/theme/tokens';
import { Refusal, wordsOf } from '@/core/refusal';
import type { Site } from '@/core/site/model/site';
import { createRaster } from '@/core/raster/raster';
import type { Drawing, MissingAsset } from '@/core/compose/compose';
import {
  createChannel,
  serve,
  WorkerSpent,
  WorkerCrash,
  type ServerScope,
  type WorkerLike,
} from './channel';
import { createEngine } from './engine';
import { boundedCache } from '@/core/boundedCache';
import type { CodecCalls, Frame, RenderCalls, SetCalls, SheetCalls, ThemeCalls } from './protocol';

type Listener = (event: { data?: unknown; message?: string }) => void;

/** A worker in the same thread: messages cross asynchronously, and it can be made to crash. */
class LocalWorker implements WorkerLike {
  private readonly outside: Record<string, Listener[]> = {};
  private readonly inside: Listener[] = [];
  dead = false;

  constructor(start: (scope: ServerScope) => void) {
    start({
      addEventListener: (_type, listener) => {
        this.inside.push(listener as Listener);
      },
      postMessage: (data) => {
        setTimeout(() => {
          if (!this.dead) {
            for (const l of this.outside.message ?? []) {
              l({ data });
            }
          }
        }, 0);
      },
    });
  }

  postMessage(data: unknown): void {
    setTimeout(() => {
      if (!this.dead) {
        for (const l of this.inside) {
          l({ data });
        }
      }
    }, 0);
  }
  terminate(): void {
    this.dead = true;
  }
  addEventListener(type: string, listener: unknown): void {
    (this.outside[type] ??= []).push(listener as Listener);
  }
  crash(message: string): void {
    for (const l of this.outside.error ?? []) {
      l({ message });
    }
  }
}

type EchoCalls = {
  echo: { ask: string; answer: string };
  fail: { ask: null; answer: null };
  refuse: { ask: null; answer: null };
  hang: { ask: null; answer: null };
};
const echo = (scope: ServerScope) =>
  serve<EchoCalls>(scope, {
    echo: (ask) => ({ answer: `${ask}!` }),
    fail: () => {
      throw new Error('no clay');
    },
    refuse: () => {
      throw new Refusal('There is no clay left.');
    },
    hang: () => new Promise(() => {}),
  });

test('answers find their questions, and a failure is an error, whose words are told where they are for people', async () => {
  const channel = createChannel<EchoCalls>(() => new LocalWorker(echo));
  await expect(Promise.all([channel.ask('echo', 'a'), channel.ask('echo', 'b')])).resolves.toEqual([
    'a!',
    'b!',
  ]);
  const failed: unknown = await channel.ask('fail', null).catch((error: unknown) => error);
  expect(failed).toEqual(new Error('no clay'));
  expect(wordsOf(failed)).not.toContain('clay');
  const refused: unknown = await channel.ask('refuse', null).catch((error: unknown) => error);
  expect(wordsOf(refused)).toBe('There is no clay left.');
});

test('a crash rejects what is pending, says so once, and the next question has a new worker', async () => {
  const workers: LocalWorker[] = [];
  const crashes: number[] = [];
  const channel = createChannel<EchoCalls>(
    () => {
      const w = new LocalWorker(echo);
      workers.push(w);
      return w;
    },
    { onCrash: () => void crashes.push(1) },
  );
  const pending = channel.ask('hang', null);
  workers[0].crash('out of memory');
  await expect(pending).rejects.toThrow(WorkerCrash);
  await expect(channel.ask('echo', 'again')).resolves.toBe('again!');
  expect([workers.length, crashes.length, workers[0].dead]).toEqual([2, 1, true]);
});

const drawing = (strength: number): Drawing => ({
  width: 2,
  height: 1,
  ground: { type: 'none' },
  layers: [
    {
      id: 'w',
      kind: 'fill',
      name: '',
      hidden: false,
      locked: false,
      opacity: strength,
      blend: 'normal',
      extent: { type: 'all' },
      colour: '#ffffff',
    },
  ],
});

interface Setup {
  renders: LocalWorker[];
  sets: LocalWorker[];
  looked: string[];
  drawn: number[];
  given: string[];
  missing: string[];
  /** How often photos that are missing may be halved. */
  mipLevel: number;
  /** How often those given are. */
  givenAt: Map<string, number>;
  /** How often photos were halved once they were decoded. */
  decodedAt: (number | undefined)[];
  codecFails: number;
  room: number;
  /** So many assets are taken over and gone again before they are asked for. */
  lost: number;
  /** Every worker that is to draw a frame dies of it. */
  deadly: boolean;
  /** How long it takes until the bytes of assets are there, ms. */
  slowness: Readonly<Record<string, number>>;
}

async function until(holds: () => boolean): Promise<void> {
  for (let i = 0; i < 1000 && !holds(); i++) {
    await new Promise((resolve) => setTimeout(resolve, 1));
  }
  expect(holds()).toBe(true);
}

const missingOf = ({ missing, given, givenAt, mipLevel }: Setup): MissingAsset[] =>
  missing
    .filter((id) => !given.includes(id) || (givenAt.get(id) ?? 0) > mipLevel)
    .map((assetId) => ({ assetId, mipLevel }));

function engineWith(setup: Setup) {
  return createEngine({
    spawnRender() {
      const worker: LocalWorker = new LocalWorker((scope) =>
        serve<RenderCalls>(scope, {
          frame({ drawing: d, whole, focus }) {
            if (setup.deadly) {
              worker.crash('out of memory');
            }
            setup.drawn.push(d.layers[0].opacity);
            const answer: Frame = {
              width: 2,
              height: 1,
              changed: { x: 0, y: 0, width: whole ? 2 : 1, height: 1 },
              pixels: new Uint8ClampedArray(8),
              boxes: {},
              missing: missingOf(setup),
              complete: focus === undefined || whole,
              rough: false,
              ms: 1,
            };
            return { answer };
          },
          lacking: () => ({ answer: missingOf(setup) }),
          asset({ assetId, mipLevel }) {
            if (setup.lost > 0) {
              setup.lost--;
              return { answer: [] };
            }
            setup.given.push(assetId);
            setup.givenAt.set(assetId, mipLevel);
            return { answer: setup.given.length > setup.room ? setup.given.splice(0, 1) : [] };
          },
          font({ assetId }) {
            setup.given.push(`font ${assetId}`, assetId);
            return { answer: null };
          },
          pixels: () => ({
            answer: {
              raster: createRaster(2, 1),
              missing: missingOf(setup),
            },
          }),
          surveyPhoto: ({ assetId }) => ({
            answer: setup.given.includes(assetId) ? { frames: [], colours: [] } : null,
          }),
          firstFrame: ({ assetId }) => ({
            answer: setup.given.includes(assetId) ? { x: 1, y: 2, scale: 3 } : null,
          }),
          cutByLoop: ({ assetId }) => ({
            answer: setup.given.includes(assetId) ? { area: null } : null,
          }),
          placeText: ({ text, wish }) => ({ answer: { ...text, x: wish.within.x } }),
          sample: ({ x }) => ({ answer: x < 1 ? { r: 1, g: 2, b: 3 } : null }),
          survey: () => ({ answer: noSurvey }),
          ready: () => ({ answer: null }),
          close: () => ({ answer: null }),
        }),
      );
      setup.renders.push(worker);
      return worker;
    },
    spawnCodec: () =>
      new LocalWorker((scope) =>
        serve<CodecCalls>(scope, {
          ready: () => ({ answer: null }),
          read: ({ bytes }) => ({
            answer: {
              photo: { raster: createRaster(bytes.length, 1), mipLevel: 1 },
              size: { width: 2 * bytes.length, height: 2 },
            },
          }),
          decode: ({ bytes, mipLevel }) => {
            if (bytes[0] === 0) {
              throw new Refusal('the file breaks off');
            }
            setup.decodedAt.push(mipLevel);
            return { answer: createRaster(1, 1) };
          },
          shrink: ({ room }) => ({ answer: createRaster(room.width, room.height) }),
          press: () => ({ answer: { bytes: new Uint8Array(3), decoded: createRaster(2, 1) } }),
          encode: () => ({ answer: new Uint8Array(4) }),
          trial: () => ({ answer: { sample: 1, whole: 2 } }),
          tryOut: ({ settings, part }) =>
            setup.codecFails-- > 0
              ? Promise.reject(new Error('Unknown error'))
              : {
                  answer: {
                    judgement: {
                      settings,
                      bytes: settings.quality * 10,
                      loss: { overall: 100 / settings.quality, worst: 1 },
                      lost: [],
                    },
                    ...(part === 'whole' && { file: new Uint8Array(2) }),
                  },
                },
          patch: () => ({ answer: createRaster(1, 1) }),
          recolour: ({ bytes }) => {
            if (bytes[0] === 0) {
              throw new Refusal('the file breaks off');
            }
            return { answer: { bytes, ends: undefined, note: '' } };
          },
        }),
      ),
    spawnBulk: () => new LocalWorker(() => {}),
    spawnTheme: () =>
      new LocalWorker((scope) =>
        serve<ThemeCalls>(scope, {
          pages: () => ({ answer: [] }),
          colours: ({ name, bytes }) => ({
            answer: readThemeColours(name, decodeStylesheet(name, bytes)),
          }),
          visitors: ({ name, bytes }) => ({
            answer: readVisitors(name, decodeStylesheet(name, bytes)),
          }),
          font: ({ name, bytes }) => ({ answer: readFont(name, bytes) }),
          layingPatches: () => ({ answer: null }),
          loneRules: () => ({ answer: [] }),
          rules: ({ sheets }) => ({ answer: sheets.map(rulesNamingFiles) }),
          survey: ({ text }) => ({ answer: readSurvey(text) }),
          outline: ({ raster }) => ({ answer: silhouetteOf(raster) ?? null }),
          picture: ({ raster }) => ({
            answer: { colours: coloursOfPicture(raster), edges: straightEdges(raster) },
          }),
          open: ({ files }) =>
            files[0].name === 'slow.zip'
              ? new Promise(() => {})
              : {
                  answer: {
                    theme: {
                      colours: [],
                      fonts: [],
                      widths: [],
                      backgrounds: [],
                      problems: [],
                      files: files.map((f) => f.name),
                    },
                    pictures: [],
                  },
                },
        }),
      ),
    spawnSet() {
      const known = new Set<string>();
      const worker = new LocalWorker((scope) =>
        serve<SetCalls>(scope, {
          open: ({ files }) =>
            files[0].path === 'slow.zip'
              ? new Promise(() => {})
              : {
                  answer: { name: 'slate', pieces: [], sheets: [], others: [], colour: undefined },
                },
          sheets: () => ({ answer: { sheets: [], roles: new Map() } }),
          handed: () => ({ answer: [] }),
          piece({ assetId }) {
            known.add(assetId);
            setup.looked.push(assetId);
            return { answer: { samples: [], gone: [] } };
          },
          previews: ({ assetIds }) => ({
            answer: assetIds
              .filter((id) => known.has(id))
              .map((assetId) => ({ assetId, raster: createRaster(1, 1) })),
          }),
          smaller: ({ raster }) => ({ answer: raster }),
          whole: ({ raster }) => ({ answer: raster }),
          offers: () => ({ answer: [] }),
        }),
      );
      setup.sets.push(worker);
      return worker;
    },
    spawnSheet: () =>
      new LocalWorker((scope) =>
        serve<SheetCalls>(scope, {
          follow: () => new Promise(() => {}),
          followBeside: () => new Promise(() => {}),
          harmony: () => new Promise(() => {}),
          contrasts: () => new Promise(() => {}),
        }),
      ),
    assetBytes: async (id) => {
      if (setup.slowness[id]) {
        await pause(setup.slowness[id]);
      }
      return id === 'letters'
        ? new TextEncoder().encode('wOF2')
        : new Uint8Array([id === 'broken' ? 0 : 1]);
    },
  });
}

const setUp = (missing: string[] = []): Setup => ({
  renders: [],
  sets: [],
  looked: [],
  room: 99,
  drawn: [],
  given: [],
  missing,
  mipLevel: 0,
  givenAt: new Map(),
  decodedAt: [],
  codecFails: 0,
  lost: 0,
  deadly: false,
  slowness: {},
});
const pause = (ms: number) =>
  new Promise((resolve) => {
    setTimeout(resolve, ms);
  });
/** Until everything that was asked has been answered, however busy the machine is. */
async function rest(): Promise<void> {
  for (let prompt = 0; prompt < 8;) {
    const before = performance.now();
    await pause(5);
    prompt = performance.now() - before < 15 ? prompt + 1 : 0;
  }
}

const listen = () => {
  const frames: Frame[] = [];
  const failures: string[] = [];
  return {
    frames,
    failures,
    onFrame: (f: Frame) => {
      frames.push(f);
    },
    onFailure: (m: string) => {
      failures.push(m);
    },
  };
};

test('of many drawings asked for at once, the first and the newest are drawn', async () => {
  const setup = setUp();
  const heard = listen();
  const view = engineWith(setup).view(heard);
  for (const s of [0.1, 0.2, 0.3, 0.4, 0.5]) {
    view.show(drawing(s));
  }
  await rest();
  // Before the first is drawn it is asked what it needs.
  expect(setup.drawn).toEqual([0.5]);
  for (const s of [0.6, 0.7, 0.8]) {
    view.show(drawing(s));
  }
  await rest();
  expect(setup.drawn).toEqual([0.5, 0.6, 0.8]);
  expect(heard.frames.map((f) => f.changed.width)).toEqual([2, 1, 1]);
});

test('what is to be seen comes before what is pressed, and that before what is measured of a photo', async () => {
  const setup = setUp();
  const engine = engineWith(setup);
  const heard = listen();
  const view = engine.view(heard);
  const order: string[] = [];
  const noted = (what: string, of: Promise<unknown>) =>
    of.then(() => order.push(`${what} after ${heard.frames.length}`));
  await engine.adopt('pots', { raster: createRaster(1, 1), mipLevel: 0 });
  view.show(drawing(0.1));
  await Promise.all([
    noted('survey', engine.surveyPhoto({ assetId: 'pots' }, { width: 1, height: 1 })),
    noted('first frame', engine.firstFrame({ assetId: 'pots' }, { width: 1, height: 1 })),
    noted('pixels', engine.pixels(drawing(0.1))),
  ]);
  expect(order).toEqual(['pixels after 1', 'survey after 1', 'first frame after 1']);
  view.show(drawing(0.2));
  view.close();
  await engine.surveyPhoto({ assetId: 'pots' }, { width: 1, height: 1 });
  await engine.pixels(drawing(0.2));
  expect(heard.frames).toHaveLength(1);
});

test('where a picture cannot be drawn, what comes after it comes all the same', async () => {
  const setup = { ...setUp(), deadly: true };
  const engine = engineWith(setup);
  const heard = listen();
  engine.view(heard).show(drawing(0.1));
  await expect(engine.pixels(drawing(0.1))).resolves.toEqual(createRaster(2, 1));
  expect(heard.failures).toHaveLength(1);
});

test('after a crash the last frame is drawn again, whole, by a new worker', async () => {
  const setup = setUp();
  const heard = listen();
  const view = engineWith(setup).view(heard);
  view.show(drawing(0.7));
  await rest();
  setup.renders[0].crash('gone');
  await rest();
  expect(setup.renders.length).toBe(2);
  expect(setup.drawn).toEqual([0.7, 0.7]);
  expect(heard.frames.at(-1)?.changed.width).toBe(2);
  expect(heard.failures).toEqual([]);
});

test('photos are decoded and handed over once before a picture is drawn; for one that comes later it is drawn again', async () => {
  const setup = setUp(['pots']);
  const heard = listen();
  const view = engineWith(setup).view(heard);
  view.show(drawing(0.2));
  await rest();
  expect(setup.given).toEqual(['pots']);
  expect(heard.frames.map((f) => f.missing)).toEqual([[]]);
  setup.missing.push('kiln');
  view.show(drawing(0.3));
  await rest();
  expect(setup.given).toEqual(['pots', 'kiln']);
  expect(heard.frames.slice(1).map((f) => f.missing)).toEqual([
    [{ assetId: 'kiln', mipLevel: 0 }],
    [],
  ]);
});

test('photos that take long are not waited for, and those that come soon after each other are drawn together', async () => {
  jest.useFakeTimers();
  try {
    const setup = setUp(['a', 'b', 'c']);
    const heard = listen();
    setup.slowness = { a: 700, b: 710, c: 720 };
    const view = engineWith(setup).view(heard);
    view.show(drawing(0.2));
    await jest.advanceTimersByTimeAsync(650);
    expect(heard.frames.map((f) => f.missing.length)).toEqual([3]);
    await jest.advanceTimersByTimeAsync(400);
    expect(heard.frames.map((f) => f.missing.length)).toEqual([3, 0]);
    setup.missing.push('d', 'e');
    setup.slowness = { d: 20, e: 2000 };
    view.show(drawing(0.3));
    // One does not wait for all the others.
    await jest.advanceTimersByTimeAsync(600);
    expect(heard.frames.slice(2).map((f) => f.missing.length)).toEqual([2, 1]);
    await jest.advanceTimersByTimeAsync(1500);
    expect(heard.frames.slice(4).map((f) => f.missing.length)).toEqual([0]);
  } finally {
    jest.useRealTimers();
  }
});

test('a photo is decoded as large as it is needed, and again only where more of it is', async () => {
  const setup = setUp(['pots']);
  const engine = engineWith(setup);
  setup.mipLevel = 2;
  await engine.pixels(drawing(0.2));
  expect([setup.decodedAt, setup.givenAt.get('pots')]).toEqual([[2], 2]);
  setup.mipLevel = 1;
  const heard = listen();
  engine.view(heard).show(drawing(0.3));
  await rest();
  expect([setup.decodedAt, setup.givenAt.get('pots')]).toEqual([[2, 1], 1]);
  expect(heard.frames.map((f) => f.missing)).toEqual([[]]);
  setup.mipLevel = 3;
  await engine.pixels(drawing(0.2));
  expect(setup.decodedAt).toEqual([2, 1]);
  // Its colours are those of its own px.
  await engine.sample('pots', 0, 0, 3);
  expect(setup.decodedAt).toEqual([2, 1, 0]);
});

test('a font of the owner’s is handed over as it is, and the picture drawn again', async () => {
  const setup = setUp(['letters']);
  const heard = listen();
  const view = engineWith(setup).view(heard);
  view.show(drawing(0.2));
  await rest();
  expect(setup.given).toEqual(['font letters', 'letters']);
  expect(heard.frames.map((f) => f.missing)).toEqual([[]]);
});

test('a colour is sampled from the photo itself, which is handed over first; outside of it there is none', async () => {
  const setup = setUp();
  const engine = engineWith(setup);
  await expect(engine.sample('pots', 0, 0, 3)).resolves.toEqual({ r: 1, g: 2, b: 3 });
  await expect(engine.sample('pots', 5, 0, 3)).resolves.toBeUndefined();
  expect(setup.given).toEqual(['pots']);
});

test('a photo that cannot be read is said, and the view goes on', async () => {
  const setup = setUp(['broken']);
  const heard = listen();
  const view = engineWith(setup).view(heard);
  view.show(drawing(0.2));
  await rest();
  expect(heard.failures).toEqual(['the file breaks off']);
  view.show(drawing(0.3));
  await rest();
  expect(setup.drawn).toEqual([0.2, 0.3]);
});

test('all pixels are asked for again once the photos are there; a closed view stays silent', async () => {
  const setup = setUp(['pots']);
  const engine = engineWith(setup);
  const heard = listen();
  await expect(engine.pixels(drawing(1))).resolves.toMatchObject({ width: 2 });
  expect(setup.given).toEqual(['pots']);
  const view = engine.view(heard);
  view.show(drawing(0.9));
  view.close();
  await rest();
  expect(heard.frames).toEqual([]);
});

describe('what is not in sight', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms);

  test('with a focus the part in sight comes first; the rest is drawn once nothing newer has been asked for', async () => {
    const setup = setUp();
    const heard = listen();
    const view = engineWith(setup).view(heard);
    const focus = { x: 0, y: 0, width: 1, height: 1 };
    view.show(drawing(0.1), focus);
    await pass(40);
    expect(heard.frames.map((f) => f.complete)).toEqual([true]);
    view.show(drawing(0.2), focus);
    await pass(40);
    view.show(drawing(0.3), focus);
    await pass(40);
    expect(setup.drawn).toEqual([0.1, 0.2, 0.3]);
    await pass(250);
    // Of what had been left undone only the newest is completed, and only once.
    expect(setup.drawn).toEqual([0.1, 0.2, 0.3, 0.3]);
    expect(heard.frames.at(-1)?.complete).toBe(true);
  });

  test('what is pressed while its part in sight is being drawn is drawn whole right after, and once', async () => {
    const setup = setUp();
    const heard = listen();
    const engine = engineWith(setup);
    const view = engine.view(heard);
    view.show(drawing(0.1));
    await pass(40);
    view.show(drawing(0.2), { x: 0, y: 0, width: 1, height: 1 });
    const pixels = engine.pixels(drawing(0.2)).then(() => setup.drawn.length);
    const other = engine.pixels(drawing(0.7));
    await pass(40);
    expect(setup.drawn).toEqual([0.1, 0.2, 0.2]);
    expect(heard.frames.at(-1)?.complete).toBe(true);
    expect(await pixels).toBe(3);
    await other;
    await pass(1000);
    expect(setup.drawn).toEqual([0.1, 0.2, 0.2]);
    // Another drawing than what is pressed waits for its pause as ever.
    view.show(drawing(0.3), { x: 0, y: 0, width: 1, height: 1 });
    void engine.pixels(drawing(0.8));
    await pass(40);
    expect(setup.drawn).toEqual([0.1, 0.2, 0.2, 0.3]);
  });

  test('a view that is closed completes nothing any more', async () => {
    const setup = setUp();
    const heard = listen();
    const view = engineWith(setup).view(heard);
    view.show(drawing(0.1));
    await pass(40);
    view.show(drawing(0.2), { x: 0, y: 0, width: 1, height: 1 });
    await pass(40);
    view.close();
    await pass(250);
    expect(setup.drawn).toEqual([0.1, 0.2]);
  });
});

test('a photo is handed over before it is looked at, once, and again to a new worker', async () => {
  const setup = setUp();
  const engine = engineWith(setup);
  await expect(engine.surveyPhoto({ assetId: 'pots' }, { width: 10, height: 5 })).resolves.toEqual({
    frames: [],
    colours: [],
  });
  await engine.surveyPhoto({ assetId: 'pots' }, { width: 20, height: 5 });
  expect(setup.given).toEqual(['pots']);
  setup.renders[0].crash('gone');
  await engine.surveyPhoto({ assetId: 'pots' }, { width: 10, height: 5 });
  expect(setup.given).toEqual(['pots', 'pots']);
  await expect(engine.surveyPhoto({ assetId: 'broken' }, { width: 1, height: 1 })).rejects.toThrow(
    'the file breaks off',
  );
});

test('a very large photo is looked at halved, and is asked for whole only where its own px are', async () => {
  const setup = setUp();
  const engine = engineWith(setup);
  const huge = { assetId: 'pots', size: { width: 12_000, height: 8000 } };
  await engine.surveyPhoto(huge, { width: 10, height: 5 });
  expect(setup.givenAt.get('pots')).toBe(1);
  await engine.firstFrame(huge, { width: 20, height: 5 });
  expect(setup.given).toEqual(['pots']);
  await engine.cutByLoop('pots', [0, 0, 5, 0, 5, 5]);
  expect(setup.givenAt.get('pots')).toBe(0);
  expect(setup.given).toEqual(['pots', 'pots']);
  // One that was read as it is kept is not decoded again.
  const { photo, size } = await engine.readPhoto(new Uint8Array(3));
  expect(size).toEqual({ width: 6, height: 2 });
  const decoded = setup.decodedAt.length;
  await engine.adopt('bowls', photo);
  await engine.surveyPhoto({ ...huge, assetId: 'bowls' }, { width: 10, height: 5 });
  expect(setup.given).toEqual(['pots', 'pots', 'bowls']);
  expect(setup.decodedAt).toHaveLength(decoded);
});

test('reading a theme can be given up: it ends at once, and the next one is read by a new worker', async () => {
  const engine = engineWith(setUp());
  const stop = new AbortController();
  const bytes = new Uint8Array(1);
  const reading = engine.openTheme([{ name: 'slow.zip', bytes }], stop.signal);
  await rest();
  stop.abort();
  await expect(reading).rejects.toThrow('Reading was stopped.');
  await expect(engine.openTheme([{ name: 'style.css', bytes }])).resolves.toMatchObject({
    theme: { files: ['style.css'] },
  });
});

test('a kept survey is read, and what is none is refused in words', async () => {
  const engine = engineWith(setUp());
  await expect(engine.readSurvey(surveyText(surveyed))).resolves.toEqual(surveyed);
  await expect(engine.readSurvey('{}')).rejects.toThrow(/^Expected what was measured of a page/);
});

test('codecs that fail once are started anew and asked again', async () => {
  const setup = { ...setUp(), codecFails: 1 };
  const formats: string[] = [];
  await engineWith(setup).search(
    { raster: createRaster(2, 1), site: {} as Site, slotId: 's', under: '#ffffff', pinned: [] },
    { by: 'care', care: 'light' },
    ['webp'],
    {
      onTried: ({ judgement }) => {
        formats.push(judgement.settings.format);
      },
      onProgress: () => {},
      wanted: () => true,
    },
  );
  expect([setup.codecFails < 0, formats.length > 0]).toEqual([true, true]);
});

test('searches follow each other in workers of their own; one that is not wanted any more ends before it begins', async () => {
  const engine = engineWith(setUp());
  const subject = {
    raster: createRaster(2, 1),
    site: {} as Site,
    slotId: 's',
    under: '#ffffff',
    pinned: [],
  };
  const order: string[] = [];
  const listener = (name: string, wanted: boolean): SearchListener => ({
    onTried: ({ judgement }) => {
      order.push(`${name} ${judgement.settings.format}`);
    },
    onProgress: () => {},
    wanted: () => wanted,
  });
  const first = engine.search(
    subject,
    { by: 'care', care: 'light' },
    ['webp'],
    listener('first', true),
  );
  const second = engine.search(
    subject,
    { by: 'care', care: 'light' },
    ['jpeg'],
    listener('second', true),
  );
  await expect(
    engine.search(subject, { by: 'care', care: 'light' }, ['avif'], listener('third', false)),
  ).rejects.toThrow('The search was stopped.');
  await Promise.all([first, second]);
  const formats = [...new Set(order)];
  expect(formats).toEqual(['first webp', 'second jpeg']);
  // A part as drawn and one for each aim; and a file alone, written in between.
  const [parts, file] = await Promise.all([
    engine.patches(
      subject,
      [
        { by: 'care', care: 'close' },
        { by: 'care', care: 'light' },
      ],
      'jpeg',
      () => true,
    ),
    engine.encode(createRaster(2, 1), encodeSettings('png'), []),
  ]);
  expect([parts.length, file.length]).toEqual([3, 4]);
});

test('a photo that had to make room is handed over again when it is wanted', async () => {
  const setup = setUp(['pots']);
  const engine = engineWith(setup);
  setup.room = 1;
  await engine.pixels(drawing(0.2));
  setup.missing = ['bowl'];
  await engine.pixels(drawing(0.2));
  expect(setup.given).toEqual(['bowl']);
  setup.missing = ['pots'];
  await engine.pixels(drawing(0.2));
  expect(setup.given).toEqual(['pots']);
});

test('a worker that says nothing for too long counts as crashed; one that answers now and then does not', async () => {
  jest.useFakeTimers();
  try {
    const crashes: number[] = [];
    const workers: LocalWorker[] = [];
    const channel = createChannel<EchoCalls>(
      () => {
        workers.push(new LocalWorker(echo));
        return workers.at(-1)!;
      },
      { onCrash: () => void crashes.push(1), silence: 1000 },
    );
    const pending = channel.ask('hang', null);
    const outcome = expect(pending).rejects.toThrow('did not answer for 1 seconds');
    for (let i = 0; i < 3; i++) {
      const answer = channel.ask('echo', 'here');
      await jest.advanceTimersByTimeAsync(900);
      await expect(answer).resolves.toBe('here!');
    }
    expect(crashes).toEqual([]);
    await jest.advanceTimersByTimeAsync(1000);
    await outcome;
    expect([crashes.length, workers[0].dead]).toEqual([1, true]);
    const answer = channel.ask('echo', 'again');
    await jest.advanceTimersByTimeAsync(10);
    await expect(answer).resolves.toBe('again!');
    await jest.advanceTimersByTimeAsync(5000);
    expect([crashes.length, workers.length]).toEqual([1, 2]);
  } finally {
    jest.useRealTimers();
  }
});

test('a worker that can do nothing more says why, and the next question goes to a new one', async () => {
  const workers: LocalWorker[] = [];
  const crashes: number[] = [];
  const channel = createChannel<EchoCalls>(
    () => {
      const worker = new LocalWorker((scope) =>
        serve<EchoCalls>(scope, {
          echo: ({ length }) => ({ answer: `${length}` }),
          hang: () => new Promise(() => {}),
          fail() {
            throw new WorkerSpent('the file is damaged');
          },
          refuse() {
            throw new Refusal('no');
          },
        }),
      );
      workers.push(worker);
      return worker;
    },
    { onCrash: () => void crashes.push(1) },
  );
  const beside = expect(channel.ask('hang', null)).rejects.toThrow(WorkerCrash);
  await expect(channel.ask('fail', null)).rejects.toThrow('the file is damaged');
  await beside;
  expect([workers[0].dead, crashes]).toEqual([true, [1]]);
  await expect(channel.ask('echo', 'four')).resolves.toBe('4');
  expect(workers).toHaveLength(2);
});

test('pixels are asked for until no photo is missing, and refused where they never all are there', async () => {
  const setup = setUp();
  const engine = engineWith(setup);
  setup.missing = ['pots'];
  // The photo had to make room for another one while it was on its way.
  setup.lost = 1;
  await expect(engine.pixels(drawing(0.2))).resolves.toMatchObject({ width: 2 });
  expect(setup.lost).toBe(0);
  setup.missing = ['bowl'];
  setup.lost = 99;
  await expect(engine.pixels(drawing(0.3))).rejects.toThrow('do not fit into memory together');
});

test('a drawing that every worker dies of is given up with a word, and drawn again once it changes', async () => {
  const setup = setUp();
  setup.deadly = true;
  const engine = engineWith(setup);
  const failures: string[] = [];
  const frames: Frame[] = [];
  const view = engine.view({
    onFrame: (frame) => frames.push(frame),
    onFailure: (words) => failures.push(words),
  });
  view.show(drawing(0.2));
  await until(() => failures.length > 0);
  expect([setup.renders.length, failures]).toEqual([
    3,
    [expect.stringContaining('is started anew')],
  ]);
  setup.deadly = false;
  view.show(drawing(0.3));
  await until(() => frames.length > 0);
  view.close();
});

test('of what is kept, that goes which was not asked for longest, and what is too heavy is not kept', () => {
  const gone: string[] = [];
  const kept = boundedCache<{ weight: number }>(
    10,
    ({ weight }) => weight,
    (key) => gone.push(key),
  );
  kept.set('a', { weight: 4 });
  kept.set('b', { weight: 4 });
  expect(kept.get('a')).toEqual({ weight: 4 });
  kept.set('c', { weight: 4 });
  expect(gone).toEqual(['b']);
  kept.set('d', { weight: 40 });
  expect(['a', 'b', 'c', 'd'].map((key) => kept.has(key))).toEqual([true, false, true, false]);
});

test('a piece is decoded once, and after a crash the pieces that are asked for are handed over again', async () => {
  const setup = setUp();
  const { set } = engineWith(setup);
  await Promise.all([set.look('a'), set.look('a'), set.look('b')]);
  expect(setup.looked).toEqual(['a', 'b']);
  const asked = set.previews(null, ['a', 'b']);
  setup.sets[0].crash('out of memory');
  expect((await asked).map((p) => p.assetId)).toEqual(['a', 'b']);
  expect(setup.looked).toEqual(['a', 'b', 'a', 'b']);
});

test('a set is written file by file: one that breaks off is said and the others go on, and what is not wanted is not begun', async () => {
  const { set } = engineWith(setUp());
  const recipe = { id: 'r', name: '', steps: [], spare: false, hues: null };
  const done: string[] = [];
  const failed: string[] = [];
  const job = (assetId: string) => ({
    path: `${assetId}.png`,
    assetId,
    format: 'png',
    wantsEnds: false,
  });
  const listener = {
    wanted: () => true,
    onDone: (j: { path: string }) => {
      done.push(j.path);
    },
    onFailure: (j: { path: string }, message: string) => {
      failed.push(`${j.path} ${message}`);
    },
  };
  await set.recolour(recipe, [job('a'), job('broken'), job('b'), job('c')], listener);
  expect([done.sort(), failed]).toEqual([
    ['a.png', 'b.png', 'c.png'],
    ['broken.png the file breaks off'],
  ]);
  let asked = 0;
  await set.recolour(recipe, [job('d'), job('e'), job('f'), job('g')], {
    ...listener,
    wanted: () => ++asked <= 2,
  });
  expect(done).toHaveLength(3);
});

test('reading a folder can be given up', async () => {
  const { set } = engineWith(setUp());
  const stop = new AbortController();
  const slow = set.open([{ path: 'slow.zip', bytes: new Uint8Array(1) }], stop.signal);
  stop.abort();
  await expect(slow).rejects.toThrow('was stopped');
  expect((await set.open([{ path: 'a.zip', bytes: new Uint8Array(1) }])).name).toBe('slate');
});

test('lists, colours and fonts are read by the worker, and refused with its words', async () => {
  const engine = engineWith(setUp());
  const text = (words: string) => new TextEncoder().encode(words);
  expect(await engine.readColours('a.css', text(':root { --clay: #a4553a }'))).toEqual([
    { name: 'clay', hex: '#a4553a' },
  ]);
  expect(await engine.readVisitors('a.csv', text('1280,3\n1920,1'))).toHaveLength(2);
  for (const refused of [
    engine.readColours('none.json', text('{"a": 1}')),
    engine.readVisitors('none.csv', text('a,b')),
    engine.readFont('none.woff', text('wOFF')),
  ]) {
    await expect(refused).rejects.toThrow(Refusal);
  }
});
