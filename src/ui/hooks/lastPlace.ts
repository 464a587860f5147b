/** The screen of a site that was open last, as its address: noted so that one can go on there. */
const key = 'soyez.place';

export function notePlace(path: string): void {
  try {
    localStorage.setItem(key, path);
  } catch {
    /* Then one finds the way by the site's card. */
  }
}

export interface Place {
  readonly path: string;
  readonly siteId: string;
  /** The picture that was worked on, at a bench. */
  readonly slotId: string | undefined;
}

/** Where one was, if one was in a site. */
export function lastPlace(): Place | undefined {
  try {
    const path = localStorage.getItem(key) ?? '';
    const [, siteId, slotId] =
      /^\/sites\/([\w-]+)(?:\/slots\/([\w-]+)|\/[\w-]+)?$/.exec(path) ?? [];
    return siteId ? { path, siteId, slotId } : undefined;
  } catch {
    return undefined;
  }
}
