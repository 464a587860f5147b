'use client';

import { useMemo } from 'react';
import type { Harmony } from '@/core/harmony/harmony';
import type { RecolouredSheets } from '@/core/set/recolourSheets';
import type { HarmonyLaid, PageColours } from '@/core/set/harmonyOnSheets';
import type { Hex } from '@/core/site/model/hex';
import type { SheetText } from '@/core/theme/readTheme';
import { theEngine } from './tab/engine';
import { useLatestTask } from './useLatestTask';

/** What a harmony makes of a theme, with an id for its recipe. */
export interface SetHarmony {
  readonly laid: HarmonyLaid;
  readonly id: string;
}

/** What the chosen harmony makes of a theme; undefined while it is worked out. */
export function useSetHarmony(
  harmony: Harmony | undefined,
  colours: PageColours | null | undefined,
  sheets: readonly SheetText[] | undefined,
  from: Hex,
  followed: RecolouredSheets | undefined,
): SetHarmony | undefined {
  // The colour under a strip is the one its file ends with.
  const bound = (followed?.continued ?? []).map((l) => l.key).join('\n');
  const key = useMemo(
    () => harmony && colours && sheets && { harmony, colours, sheets, from, bound },
    [harmony, colours, sheets, from, bound],
  );
  const { value, current } = useLatestTask<SetHarmony | undefined>(
    key ?? undefined,
    undefined,
    async ({ update }) => {
      const laid = await theEngine().sheets.harmony({ ...key!, bound: new Set(bound.split('\n')) });
      update(() => ({ laid, id: crypto.randomUUID() }));
    },
    { oneAtATime: true },
  );
  return key && current ? value : undefined;
}
