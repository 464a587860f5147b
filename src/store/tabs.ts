/** Tells other tabs of this browser which sites were written, and hears it from them. */
export interface Tabs {
  /** A site was written or removed here. */
  announce(siteId: string): void;
  /** Calls back when another tab wrote or removed the site. @returns how to stop that */
  listen(siteId: string, changed: () => void): () => void;
}

/** One tab among those that have the database of that name open. */
export function tabsOf(databaseName: string): Tabs {
  const listeners = new Map<string, Set<() => void>>();
  const channel = new BroadcastChannel(`${databaseName} sites`);
  channel.onmessage = ({ data }: MessageEvent<unknown>) => {
    for (const changed of [...(listeners.get(String(data)) ?? [])]) {
      changed();
    }
  };
  // In Node a channel would keep the process from ending.
  (channel as { unref?: () => void }).unref?.();
  return {
    announce: (siteId) => channel.postMessage(siteId),
    listen(siteId, changed) {
      const all = listeners.get(siteId) ?? new Set();
      listeners.set(siteId, all.add(changed));
      return () => {
        all.delete(changed);
      };
    },
  };
}
