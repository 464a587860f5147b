import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Drawing } from '@/core/compose/compose';
import { drawingOf } from '@/core/compose/drawing';
import { scaledDrawing } from '@/core/compose/scaledDrawing';
import { overlapOf, slotInFile } from '@/core/frame/overlap';
import { fileSizeAt } from '@/core/handover/filePlan';
import { cares, measureVersion, type Goal } from '@/core/lightest/care';
import { bestOf, SearchStopped, type SearchListener } from '@/core/lightest/best';
import type { Judgement, TrialSubject } from '@/core/lightest/trial';
import type { Raster, Rect } from '@/core/raster/raster';
import { wordsOf } from '@/core/refusal';
import { backdropOf } from '@/core/seam/adjacentColours';
import { siteColours } from '@/core/site/colours';
import type { Aim, Care, Picture, ImageFormat } from '@/core/site/model/picture';
import { schemaVersion, type Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { asFiled, drawingKey } from '@/core/site/picture';

/** A file that was tried, in full size. */
export interface Candidate {
  readonly judgement: Judgement;
  readonly data: Uint8Array<ArrayBuffer>;
}

/** Everything that was found out about one state of a picture. */
export interface SearchState {
  readonly tried: readonly Candidate[];
  /** Aims whose search came to its end, with the formats that were allowed. */
  readonly finished: readonly string[];
  readonly running:
    { readonly aim: string; readonly done: number; readonly format: ImageFormat } | undefined;
  readonly failure: string | undefined;
  /** A part as it was drawn, and under each level of care. */
  readonly patches: ({ readonly drawn: Raster } & Readonly<Record<Care, Raster>>) | undefined;
}

/** What a finished search leaves for later tabs. */
export interface KeptSearch {
  readonly siteId: string;
  readonly at: number;
  readonly tried: readonly Candidate[];
  readonly finished: readonly string[];
}

/** Somebody waits for it, or nobody does. */
export type SearchUrgency = 'now' | 'later';

export interface SearchPorts {
  pixels(drawing: Drawing, urgency: SearchUrgency): Promise<Raster>;
  /** All of a raster in another size, px. */
  resize(raster: Raster, width: number, height: number): Promise<Raster>;
  search(
    subject: TrialSubject,
    goal: Goal,
    formats: readonly ImageFormat[],
    listener: SearchListener,
    urgency: SearchUrgency,
  ): Promise<void>;
  patches(
    subject: TrialSubject,
    aims: readonly Aim[],
    format: ImageFormat,
    wanted: () => boolean,
  ): Promise<readonly Raster[]>;
  recall(key: string): Promise<Pick<KeptSearch, 'tried' | 'finished'> | undefined>;
  keep(key: string, found: KeptSearch): Promise<void>;
  now(): number;
}

export const unsearched: SearchState = {
  tried: [],
  finished: [],
  running: undefined,
  failure: undefined,
  patches: undefined,
};

/** Files of older states are forgotten beyond so many bytes. */
const mostBytes = 24e6;

const sizeOf = (f: SearchState): number => f.tried.reduce((sum, t) => sum + t.data.length, 0);

/** Equal for searches that try the same; one that nobody waits for tries more. */
export const aimKey = (
  goal: Goal,
  formats: readonly ImageFormat[],
  urgency: SearchUrgency = 'now',
): string => JSON.stringify([goal, formats, ...(urgency === 'later' ? [urgency] : [])]);

/** The best of what was tried in some formats. */
export function bestCandidate(
  { tried }: Pick<SearchState, 'tried'>,
  goal: Goal,
  formats: readonly ImageFormat[],
): Candidate | undefined {
  const allowed = tried.filter((t) => formats.includes(t.judgement.settings.format));
  const best = bestOf(
    goal,
    allowed.map((t) => t.judgement),
  );
  return allowed.find((t) => t.judgement === best);
}

/** One state of a picture in its slot. */
export interface Subject {
  readonly site: Site;
  readonly slot: Slot;
  readonly picture: Picture;
  /** Px of the file on one of the slot; 1 where it is not said. */
  readonly scale?: number;
}

/** What a search is to hold, among which formats, and who waits for it. */
export interface Asked {
  readonly goal: Goal;
  readonly formats: readonly ImageFormat[];
  readonly urgency: SearchUrgency;
}

/** What somebody at the bench asks: the picture's aim, in all formats that the host takes. */
const askedAtOnce = ({ slot, picture }: Subject): Asked => ({
  goal: picture.aim,
  formats: slot.accepts,
  urgency: 'now',
});

/**
 * Equal for states in which the same files would be tried and judged alike. Settings that were kept
 * by an earlier version of the site's form may lack a field, and do not come back.
 */
export const subjectKey = ({ site, slot, picture, scale = 1 }: Subject): string =>
  JSON.stringify([
    measureVersion,
    schemaVersion,
    site.id,
    slot.id,
    drawingKey(asFiled(picture), slot),
    slot.beside,
    slot.repeat,
    slot.attachment,
    slot.size,
    site.pages,
    siteColours(site),
    ...(scale === 1 ? [] : [scale]),
  ]);

/**
 * Searches for the lightest file: what was tried of each state is kept, so that another aim begins
 * with what is known, and what a finished search found outlives the tab.
 */
export class Searches {
  /** What was found, by the key of the state; newest last. */
  readonly state: StoreApi<{ readonly byState: ReadonlyMap<string, SearchState> }> = createStore(
    () => ({
      byState: new Map(),
    }),
  );
  /** One token for each search that is going on; taken away, it ends at its next step. */
  private readonly going = new Map<string, object>();
  private readonly recalling = new Set<string>();
  private readonly asked = new Set<string>();

  constructor(private readonly ports: SearchPorts) {}

  of(key: string): SearchState {
    return this.state.getState().byState.get(key) ?? unsearched;
  }

  /** Brings back what a search in an earlier tab found. */
  async recall(key: string): Promise<void> {
    if (this.recalling.has(key) || this.of(key).tried.length > 0) {
      return;
    }
    this.recalling.add(key);
    try {
      const row = await this.ports.recall(key);
      if (row) {
        this.update(key, (f) =>
          f.tried.length > 0 || f.running ? f : { ...f, tried: row.tried, finished: row.finished },
        );
      }
    } catch {
      /* It can be searched again. */
    } finally {
      this.recalling.delete(key);
    }
  }

  /**
   * Searches the state as it is now; what is found appears as it comes. A search of the same state
   * that goes on is given up.
   * @param stillWanted asked before each step, beside whether it was stopped here
   * @returns the best of it, or undefined when it was stopped or nothing could be written
   */
  async search(
    subject: Subject,
    { goal, formats, urgency }: Asked = askedAtOnce(subject),
    stillWanted: () => boolean = () => true,
  ): Promise<Candidate | undefined> {
    const key = subjectKey(subject);
    const aim = aimKey(goal, formats);
    const token = {};
    this.going.set(key, token);
    const isOwn = () => this.going.get(key) === token;
    const wanted = () => isOwn() && stillWanted();
    const running = { aim, done: 0, format: formats[0] };
    this.update(key, (f) => ({ ...f, failure: undefined, running }));
    try {
      const listener: SearchListener = {
        onTried: ({ judgement, file }) => {
          if (wanted() && file) {
            this.add(key, { judgement, data: file });
          }
        },
        onProgress: (done, format) => {
          if (wanted()) {
            this.update(key, (f) => ({ ...f, running: { aim, done, format } }));
          }
        },
        wanted,
      };
      const trial = await this.trialOf(subject, urgency);
      await this.ports.search(trial, goal, formats, listener, urgency);
      if (!wanted()) {
        return undefined;
      }
      const ended = [aim, aimKey(goal, formats, urgency)];
      this.update(key, (f) => ({ ...f, finished: [...new Set([...f.finished, ...ended])] }));
      const { tried, finished } = this.of(key);
      const kept = { siteId: subject.site.id, at: this.ports.now(), tried, finished };
      this.ports.keep(key, kept).catch(() => {
        /* It can be searched again. */
      });
      return bestCandidate({ tried }, goal, formats);
    } catch (error) {
      if (!(error instanceof SearchStopped) && wanted()) {
        const failure = wordsOf(error);
        this.update(key, (f) => ({ ...f, failure }));
      }
      return undefined;
    } finally {
      if (isOwn()) {
        this.going.delete(key);
        this.update(key, (f) => ({ ...f, running: undefined }));
      }
    }
  }

  /**
   * The best that is known of a state, searched for only where it was not yet. A search of somebody
   * who waits goes first, and what it finds counts.
   * @returns undefined when it was stopped or nothing could be written
   */
  async known(
    subject: Subject,
    asked: Asked,
    wanted: () => boolean,
  ): Promise<Candidate | undefined> {
    const key = subjectKey(subject);
    const aim = aimKey(asked.goal, asked.formats, asked.urgency);
    await this.recall(key);
    while (wanted()) {
      await this.ended(key);
      const { tried, finished } = this.of(key);
      if (finished.includes(aim)) {
        return bestCandidate({ tried }, asked.goal, asked.formats);
      }
      const found = await this.search(subject, asked, wanted);
      // Unless another search of this state was begun meanwhile, that is all there is.
      if (found || !this.going.has(key)) {
        return found;
      }
    }
    return undefined;
  }

  /** Once no search of a state goes on. */
  private ended(key: string): Promise<void> {
    return new Promise((resolve) => {
      const look = () => {
        if (!this.of(key).running) {
          leave();
          resolve();
        }
      };
      const leave = this.state.subscribe(look);
      look();
    });
  }

  /** A picture's file with its own settings, if a search wrote it. */
  async written(subject: Subject): Promise<Uint8Array<ArrayBuffer> | undefined> {
    const key = subjectKey(subject);
    await this.recall(key);
    const settings = JSON.stringify(subject.picture.press);
    return this.of(key).tried.find((t) => JSON.stringify(t.judgement.settings) === settings)?.data;
  }

  /** Gives up a search; the files it has written stay. */
  stop(subject: Subject): void {
    const key = subjectKey(subject);
    this.going.delete(key);
    this.update(key, (f) => ({ ...f, running: undefined }));
  }

  /**
   * Works out what the levels of care mean for a picture, once for each state.
   * @param words where its words lie, px of the slot: there loss matters most
   */
  async findPatches(
    subject: Subject,
    words: readonly Rect[],
    wanted: () => boolean,
  ): Promise<void> {
    const key = subjectKey(subject);
    if (this.of(key).patches || this.asked.has(key)) {
      return;
    }
    this.asked.add(key);
    try {
      // What a lossy file of a format does to it; palettes show it too where there is no other.
      const lossy = ['jpeg', 'webp', 'avif'] as const;
      const format = lossy.find((f) => subject.slot.accepts.includes(f)) ?? 'png';
      const [drawn, close, careful, light] = await this.ports.patches(
        { ...(await this.trialOf(subject, 'now')), words: inFile(subject.slot, words) },
        cares.map((care) => ({ by: 'care', care })),
        format,
        wanted,
      );
      this.update(key, (f) => ({ ...f, patches: { drawn, close, careful, light } }));
    } catch {
      /* The levels are said in words, too. */
    } finally {
      this.asked.delete(key);
    }
  }

  /** As the hand-over has it: what is smaller is reduced, what is larger drawn anew. */
  private async drawn(
    { slot, picture, scale = 1 }: Subject,
    urgency: SearchUrgency,
  ): Promise<Raster> {
    const drawing = drawingOf(slot, asFiled(picture));
    if (scale > 1) {
      return this.ports.pixels(scaledDrawing(drawing, scale), urgency);
    }
    const raster = await this.ports.pixels(drawing, urgency);
    if (scale === 1) {
      return raster;
    }
    const { width, height } = fileSizeAt(slot, scale);
    return this.ports.resize(raster, width, height);
  }

  private async trialOf(subject: Subject, urgency: SearchUrgency): Promise<TrialSubject> {
    const { site, slot, scale } = subject;
    return {
      raster: await this.drawn(subject, urgency),
      ...(scale !== undefined && { scale }),
      site,
      slotId: slot.id,
      under: backdropOf(site, slot),
      pinned: siteColours(site),
    };
  }

  /** A file in place of an earlier one of the same settings. */
  private add(key: string, candidate: Candidate): void {
    const settings = JSON.stringify(candidate.judgement.settings);
    this.update(key, (f) => ({
      ...f,
      tried: [
        ...f.tried.filter((t) => JSON.stringify(t.judgement.settings) !== settings),
        candidate,
      ],
    }));
  }

  private update(key: string, change: (f: SearchState) => SearchState): void {
    const next = new Map(this.state.getState().byState);
    const changed = change(next.get(key) ?? unsearched);
    next.delete(key);
    next.set(key, changed);
    let total = [...next.values()].reduce((sum, f) => sum + sizeOf(f), 0);
    for (const [oldest, f] of next) {
      if (total <= mostBytes || oldest === key) {
        break;
      }
      if (!f.running) {
        next.delete(oldest);
        total -= sizeOf(f);
      }
    }
    this.state.setState({ byState: next });
  }
}

/** Where a part of a slot lies in its file. */
function inFile(slot: Slot, parts: readonly Rect[]): Rect[] {
  const { x, y } = slotInFile(slot, overlapOf(slot));
  return parts.map((part) => ({ ...part, x: part.x + x, y: part.y + y }));
}
