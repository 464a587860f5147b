'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useState } from 'react';
import type { HandOver } from '@/core/handover/produce';
import { uploadedFiles } from '@/core/handover/uploaded';
import { changedParts, rehearsedParts } from '@/core/handover/rehearsedParts';
import { wordsOf } from '@/core/refusal';
import type { Site } from '@/core/site/model/site';
import { emptyHost, hostState, uploadTo } from '@/standins/host/client';
import type { HostState } from '@/standins/host/host';
import { forgetRehearsal, putRehearsal, rehearsalOf } from '@/store/rehearsals';
import { theDatabase } from './tab/database';
import { theEngine } from './tab/engine';
import { useLatestTask } from './useLatestTask';

export type { HostState } from '@/standins/host/host';
export { rehearsalAddress } from '@/standins/host/client';

export interface Rehearsal {
  /** What the host has; undefined while it has nothing or did not answer. */
  readonly host: HostState | undefined;
  /** When it was last rehearsed, ms since 1970, and what has changed since. */
  readonly at: number | undefined;
  readonly changed: readonly string[];
  readonly busy: boolean;
  /** Uploads a hand-over. @returns a message where the host refused it */
  rehearse(made: HandOver): Promise<string | undefined>;
  empty(): Promise<void>;
}

export function useRehearsal(site: Site): Rehearsal {
  const [busy, setBusy] = useState(false);
  const row = useLiveQuery(() => rehearsalOf(theDatabase(), site.id), [site.id]);
  const { value: host, start: look } = useLatestTask<HostState | undefined>(
    site.id,
    undefined,
    async ({ update }) => {
      const found = await hostState(site.id);
      update(() => found);
    },
  );
  const rehearse = useCallback(
    async (made: HandOver): Promise<string | undefined> => {
      setBusy(true);
      try {
        const archive = await theEngine().bulk.zip(uploadedFiles(site, made.files));
        const { at } = await uploadTo(site.id, archive);
        await putRehearsal(theDatabase(), { siteId: site.id, at, parts: rehearsedParts(site) });
        look();
        return undefined;
      } catch (error) {
        return wordsOf(error);
      } finally {
        setBusy(false);
      }
    },
    [site, look],
  );
  const empty = useCallback(async () => {
    await emptyHost(site.id);
    await forgetRehearsal(theDatabase(), site.id);
    look();
  }, [site.id, look]);
  const changed = row ? changedParts(rehearsedParts(site), row.parts) : [];
  return { host, at: row?.at, changed, busy, rehearse, empty };
}
