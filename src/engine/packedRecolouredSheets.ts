import type { RecolouredSheets } from '@/core/set/recolourSheets';

/**
 * What style sheets follow with, as it goes from worker to worker: a large theme has tens of
 * thousands of lines, which take longer to be copied than to be found, and are seldom looked at.
 */
export interface PackedRecolouredSheets extends Omit<
  RecolouredSheets,
  'lines' | 'inks' | 'patches'
> {
  /** Lines as JSON in UTF-8. */
  readonly packed: Uint8Array<ArrayBuffer>;
  /** Inks and patches as JSON: one text is copied sooner than thousands of objects. */
  readonly inked: string;
  readonly patched: string;
}

const known = new WeakMap<RecolouredSheets, PackedRecolouredSheets>();

export function packRecolouredSheets(followed: RecolouredSheets): PackedRecolouredSheets {
  const before = known.get(followed);
  if (before) {
    return before;
  }
  const { lines, inks, patches, ...rest } = followed;
  return {
    ...rest,
    packed: new TextEncoder().encode(JSON.stringify(lines)),
    inked: JSON.stringify(inks),
    patched: JSON.stringify([...patches]),
  };
}

/** Lines, inks and patches are read once they are asked for. */
export function unpackRecolouredSheets(from: PackedRecolouredSheets): RecolouredSheets {
  const { packed, inked, patched, ...rest } = from;
  type Patches = RecolouredSheets['patches'];
  let lines: RecolouredSheets['lines'] | undefined;
  let inks: RecolouredSheets['inks'] | undefined;
  let patches: Patches | undefined;
  const followed: RecolouredSheets = {
    ...rest,
    get patches() {
      return (patches ??= new Map(JSON.parse(patched) as [string, never][]));
    },
    get lines() {
      return (lines ??= JSON.parse(new TextDecoder().decode(packed)) as RecolouredSheets['lines']);
    },
    get inks() {
      return (inks ??= JSON.parse(inked) as RecolouredSheets['inks']);
    },
  };
  known.set(followed, from);
  return followed;
}
