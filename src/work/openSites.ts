import type { Kept } from './kept';
import { isCurrent, timelineOf } from './readStored';
import { Session, type SessionPorts } from './session';
import { allKept, type SaveStatus } from './saveStatus';

/**
 * The sites that are open in this tab. A session lives as long as the tab, so that its undo and
 * what is not written yet outlive a change of screen.
 */
export class OpenSites {
  private readonly opening = new Map<string, Promise<Session | undefined>>();
  private readonly sessions = new Map<string, Session>();
  private readonly leaves = new Map<string, () => void>();

  /** @param standing is told how the worst of all sites that are open stands */
  constructor(
    private readonly ports: SessionPorts,
    private readonly standing: SaveStatus,
  ) {
    standing.hold(this);
  }

  /**
   * The session of a site, opened by the first who asks.
   * @returns undefined when there is no such site
   * @throws SiteError when what is stored cannot be read, StoreError when the store cannot
   */
  open(siteId: string): Promise<Session | undefined> {
    const there = this.opening.get(siteId);
    if (there) {
      return there;
    }
    const opening = this.read(siteId);
    this.opening.set(siteId, opening);
    opening.then(
      (session) => {
        if (session) {
          this.follow(session);
        } else {
          this.opening.delete(siteId);
        }
      },
      () => this.opening.delete(siteId),
    );
    return opening;
  }

  /** Lets go of a site that was removed here. */
  forget(siteId: string): void {
    this.leaves.get(siteId)?.();
    this.sessions.get(siteId)?.close();
    this.sessions.delete(siteId);
    this.opening.delete(siteId);
    this.look();
  }

  /** Those that are open, in the order of their opening. */
  get list(): readonly Session[] {
    return [...this.sessions.values()];
  }

  /** Bursts that are still open are kept at once: a tab that is hidden may not come back. */
  flush(): void {
    for (const session of this.sessions.values()) {
      session.flush();
    }
  }

  /** Something that was done in this tab is not on the disk. */
  get unwritten(): boolean {
    return this.list.some((session) => session.unwritten > 0);
  }

  private follow(session: Session): void {
    this.sessions.set(session.siteId, session);
    this.leaves.set(
      session.siteId,
      session.state.subscribe((now, before) => {
        if (now.kept !== before.kept) {
          this.look();
        }
      }),
    );
    this.look();
  }

  private look(): void {
    const inState = (state: Kept['state']) =>
      this.list.find((session) => session.state.getState().kept.state === state);
    const session = inState('not') ?? inState('writing');
    const kept = session?.state.getState().kept ?? allKept.kept;
    const before = this.standing.state.getState();
    if (before.kept !== kept || before.session !== session) {
      this.standing.state.setState({ kept, session });
    }
  }

  private async read(siteId: string): Promise<Session | undefined> {
    const found = await this.ports.store.find(siteId);
    if (!found.row) {
      return undefined;
    }
    const base = { ...timelineOf(found), stamp: found.row.stamp };
    return new Session(base, this.ports, !isCurrent(found.row.site));
  }
}
