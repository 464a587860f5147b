import { createStore, type StoreApi } from 'zustand/vanilla';
import { wordsOf } from '@/core/refusal';
import { applyEdit, chain, type Edit } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import { SiteError } from '@/core/site/schema';
import { historyChange, RefusedEdit, stepAt, walkedTo, type Timeline } from '@/core/site/timeline';
import { nameOf, redo, walkBetween, type Done } from './done';
import { notKept, type Kept } from './kept';
import { isCurrent, timelineOf } from './readStored';
import { StoreError, type SiteFound, type SiteStore, type SiteWrite } from '@/core/site/siteStore';

export interface NamedStep {
  readonly seq: number;
  readonly label: string;
}

export interface SessionState {
  /** What is to be seen: all that was committed, or what a gesture in progress makes of it. */
  readonly site: Site;
  /** Without the gesture that is in progress. */
  readonly committed: Site;
  /** A gesture is in progress: the site is not the committed one. */
  readonly previewing: boolean;
  /** What goes on is no gesture: it is a step that something is still to come to. */
  readonly begun: boolean;
  /** Name of the step that undo or redo would take, if there is one. */
  readonly undoLabel: string | undefined;
  readonly redoLabel: string | undefined;
  /** Every step there is, oldest first, those that were undone too. */
  readonly steps: readonly NamedStep[];
  /** Number of the last step that is applied; below the first one's where all are undone. */
  readonly cursor: number;
  readonly kept: Kept;
}

/** What a session needs of the world. */
export interface SessionPorts {
  readonly store: SiteStore;
  /** Ms since 1970. */
  now(): number;
  /** A text that was never given before. */
  newId(): string;
  /** Calls once after so many ms. @returns how to call it off */
  later(ms: number, call: () => void): () => void;
  /** Says to the owner what could not be kept and will not be. */
  tell(words: string): void;
}

/** Something that is not on the disk yet, with the site it was done to and the one it made. */
type Pending = Done & { readonly before: Timeline; readonly after: Timeline };

/** What is on the disk as far as this session knows. */
interface Base extends Timeline {
  readonly stamp: string;
}

const firstRetry = 500;
const longestRetry = 15_000;
/** Small steps that follow each other become one once they pause for so long, ms. */
const burstPause = 400;

const allKept: Kept = { state: 'kept' };
const writing: Kept = { state: 'writing' };

const stateOf = (timeline: Timeline) => ({
  undoLabel: stepAt(timeline, timeline.cursor)?.label,
  redoLabel: stepAt(timeline, timeline.cursor + 1)?.label,
  steps: timeline.steps.map(({ seq, label }) => ({ seq, label })),
  cursor: timeline.cursor,
});

/** A step that is not kept yet. */
interface OpenStep {
  readonly label: string;
  readonly edits: Edit[];
  /** Something is still to come to it. */
  readonly begun: boolean;
  readonly joined?: string;
  cancel(): void;
}

/**
 * One site being worked on. What the owner does is queued and shown at once; it is written in
 * order, each on what the store holds at that moment, so that sessions in several tabs add up. What
 * could not be written stays and is tried again.
 */
export class Session {
  readonly state: StoreApi<SessionState>;
  private pending: Pending[] = [];
  private gesture: Edit | undefined;
  private open: OpenStep | undefined;
  /** Reading and writing, one after the other. */
  private line: Promise<void> = Promise.resolve();
  private writeQueued = false;
  /** The next write writes the site and all its steps, whatever is stored. */
  private whole = false;
  private despiteRemoval = false;
  private problem: Kept | undefined;
  private retryAfter = firstRetry;
  private cancelRetry: (() => void) | undefined;
  private readonly stopWatching: () => void;

  /** @param base what was read, which is of the present version unless `whole` is said */
  constructor(
    private base: Base,
    private readonly ports: SessionPorts,
    whole = false,
  ) {
    this.state = createStore<SessionState>(() => ({
      site: base.site,
      committed: base.site,
      previewing: false,
      begun: false,
      ...stateOf(base),
      kept: allKept,
    }));
    this.stopWatching = ports.store.watch(this.siteId, () => void this.refresh());
    if (whole) {
      this.writeAll();
    }
  }

  get siteId(): string {
    return this.base.site.id;
  }

  /** Shows an edit of the committed site without keeping it; the next one starts there again. */
  preview(edit: Edit): void {
    this.flush();
    this.gesture = edit;
    this.show();
  }

  /** Back to the committed site. */
  dropPreview(): void {
    this.gesture = undefined;
    this.show();
  }

  /** Keeps an edit as one step. */
  commit(label: string, edit: Edit): void {
    this.flush();
    this.keep({ kind: 'edit', id: this.ports.newId(), label, edit });
  }

  /**
   * Small steps that follow each other, such as key presses, become one step of history once they
   * pause.
   */
  burst(label: string, edit: Edit): void {
    if (this.open?.begun && this.open.joined === label) {
      this.open.edits.push(edit);
    } else {
      if (this.open?.label !== label) {
        this.flush();
      }
      this.open?.cancel();
      this.open = {
        label,
        edits: [...(this.open?.edits ?? []), edit],
        begun: false,
        cancel: this.ports.later(burstPause, () => this.flush()),
      };
    }
    this.gesture = undefined;
    this.show();
  }

  /**
   * Keeps an edit as one step that something is still to come to: it is shown at once, and is kept
   * when the rest is there, something else is done, or the rest takes too long.
   *
   * @param patience how long the rest may take, ms
   * @param joined label of bursts that are part of it, such as words typed into what is added
   * @returns adds the rest and keeps the step; where it has been kept without, nothing happens
   */
  begin(label: string, edit: Edit, patience: number, joined?: string): (rest: Edit) => void {
    this.flush();
    const begun: OpenStep = {
      label,
      joined,
      edits: [edit],
      begun: true,
      cancel: this.ports.later(patience, () => this.flush()),
    };
    this.open = begun;
    this.gesture = undefined;
    this.show();
    return (rest) => {
      if (this.open === begun) {
        begun.edits.push(rest);
        this.flush();
      }
    };
  }

  /** Keeps a step that is still open. */
  flush(): void {
    const burst = this.open;
    if (!burst) {
      return;
    }
    burst.cancel();
    this.open = undefined;
    const edit = chain(...burst.edits);
    this.keep({ kind: 'edit', id: this.ports.newId(), label: burst.label, edit });
  }

  undo(): void {
    this.flush();
    this.goTo(this.head.cursor - 1);
  }

  redo(): void {
    this.flush();
    this.goTo(this.head.cursor + 1);
  }

  /** Undoes or redoes until the step of that number is the last applied; below the first, all. */
  goTo(seq: number): void {
    this.flush();
    this.keep(walkBetween(this.head, walkedTo(this.head, seq)));
  }

  /** How much was done that is not on the disk, a burst that is open included. */
  get unwritten(): number {
    return this.pending.length + (this.open ? 1 : 0);
  }

  /** Resolves when all that was committed is on the disk, or could not be written for now. */
  async settled(): Promise<void> {
    for (let line; line !== this.line;) {
      line = this.line;
      await line;
    }
  }

  /** Tries at once to write what is not written yet. */
  retry(): Promise<void> {
    this.queueWrite();
    return this.settled();
  }

  /** Writes a site that another tab removed, with all its steps, as it is here. */
  putBack(): Promise<void> {
    this.despiteRemoval = true;
    this.writeAll();
    return this.settled();
  }

  /** Looks whether another tab has written. */
  refresh(): Promise<void> {
    return this.enqueue(async () => {
      try {
        this.takeOver(await this.ports.store.find(this.siteId));
        this.retryAfter = firstRetry;
      } catch (error) {
        if (this.unwritten > 0 || error instanceof SiteError) {
          this.fail(error);
        } else {
          // Nothing is at stake that could be said; what was cleared away must still be noticed.
          this.tryLater(() => void this.refresh());
        }
      }
    });
  }

  /** Lets go of the store; what is not written is lost. */
  close(): void {
    this.open?.cancel();
    this.cancelRetry?.();
    this.stopWatching();
  }

  private get head(): Timeline {
    return this.pending.at(-1)?.after ?? this.base;
  }

  private keep(done: Done): void {
    const head = this.head;
    this.gesture = undefined;
    try {
      const after = redo(head, done);
      if (after !== head) {
        this.pending.push({ ...done, before: head, after });
      }
    } catch (error) {
      if (!(error instanceof RefusedEdit)) {
        throw error;
      }
      this.ports.tell(`${nameOf(done)} was not done. ${error.message}.`);
    } finally {
      this.show();
    }
    if (this.head !== head) {
      this.queueWrite();
    }
  }

  private keptNow(): Kept {
    return this.problem ?? (this.unwritten > 0 ? writing : allKept);
  }

  /** Shows the committed site, with a burst or a gesture in progress on top of it. */
  private show(): void {
    const head = this.head;
    const onTop = this.open ? chain(...this.open.edits) : this.gesture;
    this.state.setState({
      site: onTop ? applyEdit(head.site, onTop) : head.site,
      committed: head.site,
      previewing: onTop !== undefined,
      begun: this.open?.begun === true,
      ...stateOf(head),
      kept: this.keptNow(),
    });
  }

  private enqueue(task: () => Promise<void>): Promise<void> {
    this.line = this.line.then(task);
    return this.line;
  }

  private queueWrite(): void {
    this.cancelRetry?.();
    this.cancelRetry = undefined;
    if (!this.writeQueued) {
      this.writeQueued = true;
      void this.enqueue(() => this.write());
    }
  }

  private writeAll(): void {
    this.whole = true;
    this.queueWrite();
  }

  private async write(): Promise<void> {
    this.writeQueued = false;
    if (this.pending.length === 0 && !this.whole) {
      return;
    }
    let next: { base: Base; count: number; lost: readonly Done[] } | undefined;
    try {
      await this.ports.store.write(this.siteId, this.base.stamp, (found) => {
        next = found.presence === 'removed' && !this.despiteRemoval ? undefined : this.next(found);
        return next && this.writeOf(found, next.base);
      });
    } catch (error) {
      this.fail(error);
      return;
    }
    if (!next) {
      this.problem = notKept('removed', this.unwritten);
      this.show();
      return;
    }
    this.whole = false;
    this.despiteRemoval = false;
    this.problem = undefined;
    this.retryAfter = firstRetry;
    this.adopt(next.base, this.pending.slice(next.count), next.lost);
  }

  /** All that is pending, on what is stored: as it was foreseen where nobody else wrote. */
  private next(found: SiteFound): { base: Base; count: number; lost: readonly Done[] } {
    const stamp = this.ports.newId();
    const count = this.pending.length;
    if (!found.row || found.row.stamp === this.base.stamp) {
      return { base: { ...this.head, stamp }, count, lost: [] };
    }
    const { timeline, lost } = onTopOf(timelineOf(found), this.pending);
    return { base: { ...timeline, stamp }, count, lost };
  }

  private writeOf(found: SiteFound, { site, cursor, steps, stamp }: Base): SiteWrite {
    const stale = found.row?.stamp !== this.base.stamp;
    const there = stale ? (found.steps ?? []) : this.base.steps;
    const whole = this.whole || !found.row || (stale && !isCurrent(found.row.site));
    const change = historyChange(whole ? [] : there, steps);
    return { site, cursor, stamp, changedAt: this.ports.now(), ...change };
  }

  /** What is stored, which another tab may have written, with what is pending here on top. */
  private takeOver(found: SiteFound): void {
    if (!found.row && found.presence === 'removed') {
      this.problem = notKept('removed', this.unwritten);
      this.show();
    } else if (!found.row) {
      // Cleared away underneath: all that is known here is written again.
      this.writeAll();
    } else if (found.row.stamp !== this.base.stamp) {
      this.problem = undefined;
      this.adopt({ ...timelineOf(found), stamp: found.row.stamp }, this.pending, []);
    }
  }

  /** A new base, and what is to be done on it: as it was foreseen, or done anew. */
  private adopt(base: Base, pending: readonly Pending[], lost: readonly Done[]): void {
    const foreseen = (pending[0]?.before ?? this.head).site === base.site;
    this.base = base;
    if (foreseen) {
      this.pending = [...pending];
      this.state.setState({ kept: this.keptNow() });
    } else {
      const again = onTopOf(base, pending);
      this.pending = again.pending;
      for (const done of [...lost, ...again.lost]) {
        this.ports.tell(
          `${nameOf(done)} could not be kept: another tab changed or removed what it is about.`,
        );
      }
      this.show();
    }
    if (this.pending.length > 0) {
      this.queueWrite();
    }
  }

  private fail(error: unknown): void {
    const message = wordsOf(error);
    if (error instanceof SiteError) {
      this.problem = notKept('unreadable', this.unwritten, message);
    } else {
      const why = error instanceof StoreError ? error.why : 'other';
      this.problem = notKept(why, this.unwritten, why === 'other' ? message : '');
    }
    this.state.setState({ kept: this.problem });
    this.tryLater(() => this.queueWrite());
  }

  private tryLater(what: () => void): void {
    this.cancelRetry?.();
    this.cancelRetry = this.ports.later(this.retryAfter, what);
    this.retryAfter = Math.min(longestRetry, this.retryAfter * 2);
  }
}

/** Does again, in order, what was done; what cannot be done any more is lost. */
function onTopOf(base: Timeline, pending: readonly Pending[]) {
  const list: Pending[] = [];
  const lost: Done[] = [];
  let timeline = base;
  for (const done of pending) {
    try {
      const after = redo(timeline, done);
      if (after !== timeline) {
        list.push({ ...done, before: timeline, after });
      }
      timeline = after;
    } catch {
      lost.push(done);
    }
  }
  return { timeline, pending: list, lost };
}
