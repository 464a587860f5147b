'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useEffect, useState } from 'react';
import type { HandOver } from '@/core/handover/produce';
import type { Site } from '@/core/site/model/site';
import { asFiled, drawingKey, pictureOf } from '@/core/site/picture';
import type { HostState } from '@/standins/host/host';
import { forgetRehearsal, putRehearsal, rehearsalOf } from '@/store/rehearsals';
import { theDatabase } from './tab/database';
import { theEngine } from './tab/engine';

export type { HostState } from '@/standins/host/host';

/** Every part of a site that a visitor may see, with what it depends on. */
function partsOf(site: Site): Record<string, string> {
  const { pages, theme, slots, handOver, defaultBackground, set } = site;
  return Object.fromEntries([
    ...slots.map((slot) => {
      const p = pictureOf(site, slot);
      return [
        slot.name,
        JSON.stringify([
          drawingKey(asFiled(p), slot),
          p.layers.filter((l) => l.kind === 'text' && l.live),
          p.press,
          p.fallback,
          p.alt,
          p.decorative,
          slot,
        ]),
      ];
    }),
    ...pages.map((page) => [
      `the page ${page.name}`,
      JSON.stringify([page, theme.headingFont, defaultBackground]),
    ]),
    ['what is handed over', JSON.stringify(handOver)],
    ...(set
      ? [
          [
            `the recoloured theme ${set.name}`,
            JSON.stringify([set.recipe.steps, set.recipe.spare, set.lines, set.pieces, set.sheets]),
          ],
        ]
      : []),
  ]);
}

export const rehearsalAddress = (siteId: string, path: string): string =>
  `/rehearsal/${siteId}/${path}`;

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
  const [host, setHost] = useState<HostState>();
  const [busy, setBusy] = useState(false);
  const row = useLiveQuery(() => rehearsalOf(theDatabase(), site.id), [site.id]);
  const address = `/api/host/${site.id}`;
  const parts = partsOf(site);
  useEffect(() => {
    let current = true;
    fetch(address).then(
      async (r) => {
        if (current && r.ok) {
          setHost(((await r.json()) as HostState | null) ?? undefined);
        }
      },
      () => {
        /* It is asked again when something is uploaded. */
      },
    );
    return () => {
      current = false;
    };
  }, [address]);
  const rehearse = useCallback(
    async (made: HandOver): Promise<string | undefined> => {
      setBusy(true);
      try {
        const response = await fetch(address, {
          method: 'POST',
          body: await theEngine().bulk.zip(made.files),
          headers: { 'content-type': 'application/zip' },
        });
        const answer = (await response.json()) as HostState & { message?: string };
        if (!response.ok) {
          return answer.message ?? `The host refused it with status ${response.status}.`;
        }
        setHost(answer);
        await putRehearsal(theDatabase(), { siteId: site.id, at: answer.at, parts: partsOf(site) });
        return undefined;
      } catch (error) {
        return `The host did not answer: ${error instanceof Error ? error.message : String(error)}.`;
      } finally {
        setBusy(false);
      }
    },
    [address, site],
  );
  const empty = useCallback(async () => {
    await fetch(address, { method: 'DELETE' });
    setHost(undefined);
    await forgetRehearsal(theDatabase(), site.id);
  }, [address, site.id]);
  const changed = row
    ? [...new Set([...Object.keys(parts), ...Object.keys(row.parts)])].filter(
        (name) => parts[name] !== row.parts[name],
      )
    : [];
  return { host, at: row?.at, changed, busy, rehearse, empty };
}
