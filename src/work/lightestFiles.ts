import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Drawing } from '@/core/compose/compose';
import { drawingOf } from '@/core/compose/drawing';
import { firstFormats, type PlannedFile } from '@/core/handover/filePlan';
import { writtenKey } from '@/core/handover/plannedFiles';
import {
  firstStep,
  goalBeside,
  isSameDrawing,
  searchedFiles,
  searchedPictures,
  settingsStep,
  type SearchedPicture,
} from '@/core/handover/searchedFiles';
import { keepsSeam, meetsGoal } from '@/core/lightest/best';
import type { Goal } from '@/core/lightest/care';
import { applyEdit, type Edit } from '@/core/site/edit';
import type { Picture, ImageFormat, EncodeSettings } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { asFiled, pictureOf, slotOf } from '@/core/site/picture';
import { withVersion } from '@/core/site/versions';
import type { Candidate, Searches, Subject } from './searches';
import type { Session } from './session';

/** How far the search for all files of a site has come. */
export interface LightestState {
  /** Undefined while none goes on. */
  readonly running: LightestProgress | undefined;
  /** What came of it when it last ended. */
  readonly ended: LightestEnd | undefined;
}

export interface LightestEnd {
  /** Pictures that were searched. */
  readonly pictures: number;
  /** Those of which nothing could be written. */
  readonly failed: readonly string[];
  /** Files of which none was found that is as asked; the nearest is taken. */
  readonly missed: readonly MissedFile[];
}

/** A file that falls short of what was asked of it. */
export interface MissedFile {
  readonly name: string;
  readonly file: Pick<PlannedFile, 'scale' | 'fallback'>;
  /** It is less alike than asked, or heavier; or else it loses its border. */
  readonly what: 'aim' | 'border';
}

export interface LightestProgress {
  /** Files that are found, of how many. */
  readonly done: number;
  readonly of: number;
  /** Of which picture. */
  readonly name: string;
  readonly file: Pick<PlannedFile, 'scale' | 'fallback'>;
}

export interface LightestPorts {
  readonly searches: Pick<Searches, 'known'>;
  /** Whether a drawing has no see-through px. */
  isOpaque(drawing: Drawing): Promise<boolean>;
  /** Keeps a file where the hand-over looks for it. */
  keep(key: string, data: Uint8Array<ArrayBuffer>): void;
}

/** A file that is searched, by what it is there for. */
type Kind = Pick<PlannedFile, 'scale' | 'fallback'>;

/** Searches one file of a picture; undefined where it was stopped or could not be written. */
type Find = (
  subject: Subject,
  file: Kind,
  goal: Goal,
  formats: readonly ImageFormat[],
) => Promise<Candidate | undefined>;

/** What was found of a picture, and of which state of it. */
interface Found {
  readonly slot: Slot;
  readonly picture: Picture;
  readonly edit: Edit;
}

export const notSearched: LightestState = { running: undefined, ended: undefined };

/**
 * Searches for the lightest of all files that are handed over for a site: of each picture and its
 * versions the first, those of other sizes and those for older browsers. Each picture is one step.
 */
export class LightestFiles {
  /** By the site's id. */
  readonly state: StoreApi<ReadonlyMap<string, LightestState>> = createStore(() => new Map());
  /** How to give up what goes on, by the site's id. */
  private readonly stops = new Map<string, () => void>();

  constructor(private readonly ports: LightestPorts) {}

  of(siteId: string): LightestState {
    return this.state.getState().get(siteId) ?? notSearched;
  }

  /** Gives up; what was found of whole pictures stays. */
  stop(siteId: string): void {
    this.stops.get(siteId)?.();
    this.stops.delete(siteId);
    this.put(siteId, { running: undefined });
  }

  /**
   * Searches all pictures of the site as they are now; each is taken as soon as all its files are
   * there, if it was not drawn on meanwhile.
   */
  async start(session: Pick<Session, 'siteId' | 'state' | 'commit'>): Promise<void> {
    const { siteId } = session;
    this.stop(siteId);
    let wanted = true;
    this.stops.set(siteId, () => {
      wanted = false;
    });
    const site = () => session.state.getState().site;
    const pictures = searchedPictures(site());
    const counts = pictures.map((p) => searchedFiles(site(), p, true).length);
    const sum = (list: readonly number[]) => list.reduce((all, n) => all + n, 0);
    const failed: string[] = [];
    const missed: MissedFile[] = [];
    for (const [i, one] of pictures.entries()) {
      let within = 0;
      const find: Find = async (subject, file, goal, formats) => {
        if (!wanted) {
          return undefined;
        }
        const done = sum(counts.slice(0, i)) + within++;
        // Which files there are is known once the first one's format is.
        counts[i] = Math.max(counts[i], within);
        this.put(siteId, { running: { done, of: sum(counts), name: one.name, file } });
        const asked = { goal, formats, urgency: 'later' } as const;
        const sized = { ...subject, scale: file.scale };
        const found = await this.ports.searches.known(sized, asked, () => wanted);
        if (found) {
          const { slot, picture } = subject;
          const { settings } = found.judgement;
          const meets = meetsGoal(goal, found.judgement);
          if (!meets || !keepsSeam(found.judgement)) {
            missed.push({ name: one.name, file, what: meets ? 'border' : 'aim' });
          }
          this.ports.keep(
            writtenKey(subject.site, slot, picture, file.scale, settings),
            found.data,
          );
        }
        return found;
      };
      const found = await this.lightest(site(), one, find).catch(() => 'none' as const);
      if (!wanted) {
        return;
      }
      counts[i] = within;
      if (found === 'none') {
        failed.push(one.name);
      } else if (found && isSameDrawing(site(), found.slot, found.picture)) {
        session.commit(`Lightest files of ${one.name}`, found.edit);
      }
    }
    this.stops.delete(siteId);
    const ended = { pictures: pictures.length, failed, missed };
    this.put(siteId, { running: undefined, ended });
  }

  /**
   * The step that makes all files of a picture the lightest.
   * @returns 'none' where nothing could be written, undefined where there is nothing to search
   */
  private async lightest(
    site: Site,
    one: SearchedPicture,
    find: Find,
  ): Promise<Found | 'none' | undefined> {
    const { slotId, pictureId } = one;
    const there = slotOf(site, slotId);
    if (!there || !site.pictures[pictureId]) {
      return undefined;
    }
    const { site: chosen, slot } = withVersion(site, there, pictureId);
    const picture = pictureOf(chosen, slot);
    const opaque = await this.ports.isOpaque(drawingOf(slot, asFiled(picture)));
    if (searchedFiles(chosen, one, opaque).length === 0) {
      return undefined;
    }
    const subject = { site: chosen, slot, picture };
    const formats = firstFormats(chosen, slot);
    const first = await find(subject, { scale: 1, fallback: false }, picture.aim, formats);
    if (!first) {
      return 'none';
    }
    const press = first.judgement.settings;
    const goal = goalBeside(picture, first.judgement.loss);
    const found = new Map<PlannedFile, EncodeSettings>();
    for (const file of searchedFiles(applyEdit(chosen, firstStep(pictureId, press)), one, opaque)) {
      if (file.scale === 1 && !file.fallback) {
        continue;
      }
      const other = await find(subject, file, goal, [file.settings.format]);
      found.set(file, other?.judgement.settings ?? file.settings);
    }
    return { slot, picture, edit: settingsStep(pictureId, press, found) };
  }

  private put(siteId: string, part: Partial<LightestState>): void {
    const next = new Map(this.state.getState());
    next.set(siteId, { ...this.of(siteId), ...part });
    this.state.setState(next, true);
  }
}
