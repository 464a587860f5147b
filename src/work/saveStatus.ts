import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Kept } from './kept';
import type { Session } from './session';

/** Whether all that was done in this tab is on the disk; where not, of which site not. */
export interface SaveState {
  readonly kept: Kept;
  readonly session: Session | undefined;
}

export const allKept: SaveState = { kept: { state: 'kept' }, session: undefined };

/** What holds the sites that are open. */
interface Holder {
  flush(): void;
  readonly unwritten: boolean;
  forget(siteId: string): void;
}

/**
 * What every screen must know of the sites that are open, without being able to open any: those
 * that open sites are held here once they are there.
 */
export class SaveStatus implements Holder {
  /** The worst of all sites that are open. */
  readonly state: StoreApi<SaveState> = createStore(() => allKept);
  private holder: Holder | undefined;

  hold(holder: Holder): void {
    this.holder = holder;
  }

  /** Bursts that are still open are kept at once: a tab that is hidden may not come back. */
  flush(): void {
    this.holder?.flush();
  }

  /** Something that was done in this tab is not on the disk. */
  get unwritten(): boolean {
    return this.holder?.unwritten ?? false;
  }

  /** Lets go of a site that was removed here. */
  forget(siteId: string): void {
    this.holder?.forget(siteId);
  }
}
