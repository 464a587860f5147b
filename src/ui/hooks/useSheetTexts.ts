'use client';

import { useMemo } from 'react';
import type { Spans } from '@/core/files/spans';
import { isActive } from '@/core/recolour/activeSteps';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { SheetText } from '@/core/theme/readTheme';
import type { PageFrame } from '@/engine/page/frame';
import type { SheetTexts } from '@/engine/page/restyle';
import { theEngine } from './tab/engine';
import { theSetFiles } from './tab/setFiles';
import { useLatestTask } from './useLatestTask';
import { areLarge, type SheetRecolouring, type SetScan, type SetWriting } from './usePieceSet';

type Idle = ReadonlyMap<string, Spans>;

/** Rules of large sheets that select nothing on a page; undefined until they are found. */
function useIdleRules(
  sheets: readonly SheetText[] | undefined,
  page: PageFrame | undefined,
): Idle | undefined {
  const key = useMemo(
    () => (sheets && page && areLarge(sheets) ? { sheets, page } : undefined),
    [sheets, page],
  );
  const { value, current } = useLatestTask<Idle | undefined>(key, undefined, async ({ update }) => {
    const own = sheets!;
    const rules = await theEngine().loneRules(own.map(({ text }) => text));
    const idle = new Map<string, Spans>();
    for (const [i, { path }] of own.entries()) {
      idle.set(path, await page!.idleRules(rules[i]));
    }
    update(() => idle);
  });
  return key && current ? value : undefined;
}

/**
 * Style sheets as a set's page is shown with them: of large ones at first what of them the page has
 * something for, which takes a fraction of the time and looks the same.
 * @param page of the set, as it came
 * @returns no texts where nothing is laid on them
 */
export function useSheetTexts(
  set: PieceSet,
  { sheets, samples }: SetScan,
  { files }: SetWriting,
  { followed, key: of, settled }: SheetRecolouring,
  page: PageFrame | undefined,
): { readonly came: SheetTexts['came']; readonly texts: SheetTexts | undefined } {
  const idle = useIdleRules(sheets, page);
  const came = useMemo(
    () => new Map((sheets ?? []).map(({ path, text }) => [path, text])),
    [sheets],
  );
  const active = isActive(set.recipe);
  const key = useMemo(
    () => ({ of, idle, followed: settled ? followed : undefined, active }),
    [of, idle, followed, settled, active],
  );
  const { value } = useLatestTask<SheetTexts | undefined>(
    key,
    undefined,
    async ({ update }) => {
      if (!active) {
        update(() => undefined);
      } else if (key.followed) {
        const { patches, sheets: whole } = key.followed;
        update(() => ({ came, patches, sheets: whole, idle }));
      } else if (idle && of !== undefined) {
        const patches = await theSetFiles().followBeside(set, sheets!, samples, files, idle);
        update(() => ({ came, patches, idle }));
      }
    },
    { keepPrevious: true, oneAtATime: true, atOnce: true },
  );
  // Rules that another page had nothing for are none of this one.
  const fits = value?.idle === undefined || value.idle === idle;
  return { came, texts: active && fits ? value : undefined };
}
