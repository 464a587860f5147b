/** Which sites began as the sample: noted beside the sites, since they are sites like any other. */
const key = 'soyez.samples';

function noted(): string[] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
    return Array.isArray(list) ? list.filter((id) => typeof id === 'string') : [];
  } catch {
    return [];
  }
}

/** Ids, the newest first. */
export const samplesNoted = (): readonly string[] => noted();

export function rememberSample(id: string): void {
  try {
    localStorage.setItem(key, JSON.stringify([id, ...noted()].slice(0, 20)));
  } catch {
    /* Then the sample is a site that is not called one. */
  }
}
