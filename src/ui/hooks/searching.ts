'use client';

import { useEffect } from 'react';
import { drawingOf } from '@/core/compose/drawing';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { cares } from '@/core/lightest/care';
import { bestOf, SearchStopped } from '@/core/lightest/search';
import type { Judgement, TrialSubject } from '@/core/lightest/trial';
import type { Raster } from '@/core/raster/raster';
import { backdropOf } from '@/core/seam/beside';
import type { Aim, Care, Picture, PressFormat } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { siteColours } from '@/core/site/colours';
import { asFiled, drawingKey } from '@/core/site/picture';
import { keepSearch, searchOf } from '@/store/searches';
import { theDatabase, theEngine } from './services';

/** A file that was tried, in full size. */
export interface Candidate {
  readonly judgement: Judgement;
  readonly data: Uint8Array<ArrayBuffer>;
}

/** Everything that was found out about one state of a picture. */
export interface Found {
  readonly tried: readonly Candidate[];
  /** Aims whose search came to its end, with the formats that were allowed. */
  readonly finished: readonly string[];
  readonly running:
    { readonly aim: string; readonly done: number; readonly format: PressFormat } | undefined;
  readonly failure: string | undefined;
  /** A part as it was drawn, and under each level of care. */
  readonly patches: ({ readonly drawn: Raster } & Readonly<Record<Care, Raster>>) | undefined;
}

const nothing: Found = {
  tried: [],
  finished: [],
  running: undefined,
  failure: undefined,
  patches: undefined,
};

/** Newest last. */
const found = createStore<{ readonly byState: ReadonlyMap<string, Found> }>(() => ({
  byState: new Map(),
}));

/** Files of older states are forgotten beyond so many bytes. */
const mostBytes = 80e6;

function update(key: string, change: (f: Found) => Found): void {
  found.setState(({ byState }) => {
    const next = new Map(byState);
    const state = change(next.get(key) ?? nothing);
    next.delete(key);
    next.set(key, state);
    const size = (f: Found) => f.tried.reduce((sum, t) => sum + t.data.length, 0);
    let total = [...next.values()].reduce((sum, f) => sum + size(f), 0);
    for (const [oldest, f] of next) {
      if (total <= mostBytes || oldest === key || f.running) {
        break;
      }
      next.delete(oldest);
      total -= size(f);
    }
    return { byState: next };
  });
}

/** Equal for states in which the same files would be tried and judged alike. */
const stateKey = (site: Site, slot: Slot, picture: Picture): string =>
  JSON.stringify([
    site.id,
    slot.id,
    drawingKey(asFiled(picture), slot),
    slot.beside,
    slot.repeat,
    slot.attachment,
    slot.size,
    site.pages,
    siteColours(site),
  ]);

export const aimKey = (aim: Aim, slot: Pick<Slot, 'accepts'>): string =>
  JSON.stringify([aim, slot.accepts]);

const recalling = new Set<string>();

/** Brings back what a search in an earlier tab found. */
async function recall(key: string): Promise<void> {
  if (recalling.has(key) || (found.getState().byState.get(key)?.tried.length ?? 0) > 0) {
    return;
  }
  recalling.add(key);
  try {
    const row = await searchOf(theDatabase(), key);
    if (row) {
      update(key, (f) =>
        f.tried.length > 0 || f.running ? f : { ...f, tried: row.tried, finished: row.finished },
      );
    }
  } catch {
    /* It can be searched again. */
  } finally {
    recalling.delete(key);
  }
}

export const useFound = (site: Site, slot: Slot, picture: Picture): Found => {
  const key = stateKey(site, slot, picture);
  useEffect(() => {
    void recall(key);
  }, [key]);
  return useStore(found, (s) => s.byState.get(key) ?? nothing);
};

async function subjectOf(site: Site, slot: Slot, picture: Picture): Promise<TrialSubject> {
  return {
    raster: await theEngine().pixels(drawingOf(slot, asFiled(picture))),
    site,
    slotId: slot.id,
    under: backdropOf(site, slot),
    pinned: siteColours(site),
  };
}

const message = (error: unknown): string =>
  error instanceof Error ? error.message : String(error);

/** One token for each search that is going on; taken away, it ends at its next step. */
const going = new Map<string, object>();

/**
 * Searches the state as it is now; what is found appears in `useFound` as it comes.
 * @returns the best of it, or undefined when it was stopped or nothing could be written
 */
export async function searchNow(
  site: Site,
  slot: Slot,
  picture: Picture,
): Promise<Candidate | undefined> {
  const key = stateKey(site, slot, picture);
  const aim = picture.aim;
  const name = aimKey(aim, slot);
  const token = {};
  going.set(key, token);
  const wanted = () => going.get(key) === token;
  update(key, (f) => ({
    ...f,
    failure: undefined,
    running: { aim: name, done: 0, format: slot.accepts[0] },
  }));
  try {
    await theEngine().search(await subjectOf(site, slot, picture), aim, slot.accepts, {
      onTried: ({ judgement, file }) => {
        if (wanted() && file) {
          update(key, (f) => ({
            ...f,
            tried: [
              ...f.tried.filter(
                (t) => JSON.stringify(t.judgement.settings) !== JSON.stringify(judgement.settings),
              ),
              { judgement, data: file },
            ],
          }));
        }
      },
      onProgress: (done, format) => {
        if (wanted()) {
          update(key, (f) => ({ ...f, running: { aim: name, done, format } }));
        }
      },
      wanted,
    });
    if (!wanted()) {
      return undefined;
    }
    update(key, (f) => ({ ...f, finished: [...new Set([...f.finished, name])] }));
    const { tried, finished } = found.getState().byState.get(key) ?? nothing;
    keepSearch(theDatabase(), key, { siteId: site.id, at: Date.now(), tried, finished }).catch(
      () => {
        /* It can be searched again. */
      },
    );
    return bestCandidate({ tried }, aim, slot);
  } catch (error) {
    if (!(error instanceof SearchStopped) && wanted()) {
      update(key, (f) => ({ ...f, failure: message(error) }));
    }
    return undefined;
  } finally {
    if (wanted()) {
      going.delete(key);
      update(key, (f) => ({ ...f, running: undefined }));
    }
  }
}

/** Gives up a search; the files it has written stay. */
export function stopSearch(site: Site, slot: Slot, picture: Picture): void {
  const key = stateKey(site, slot, picture);
  going.delete(key);
  update(key, (f) => ({ ...f, running: undefined }));
}

/** The best of what was tried in formats that the host takes. */
export function bestCandidate(
  { tried }: Pick<Found, 'tried'>,
  aim: Aim,
  slot: Pick<Slot, 'accepts'>,
  formats: readonly PressFormat[] = slot.accepts,
): Candidate | undefined {
  const allowed = tried.filter((t) => formats.includes(t.judgement.settings.format));
  const best = bestOf(
    aim,
    allowed.map((t) => t.judgement),
  );
  return allowed.find((t) => t.judgement === best);
}

const asked = new Set<string>();

/** Works out what the levels of care mean for a picture, once for each state. */
export async function findPatches(
  site: Site,
  slot: Slot,
  picture: Picture,
  wanted: () => boolean,
): Promise<void> {
  const key = stateKey(site, slot, picture);
  if (found.getState().byState.get(key)?.patches || asked.has(key)) {
    return;
  }
  asked.add(key);
  try {
    // What a lossy file of a format does to it; palettes show it too where there is no other.
    const format =
      (['jpeg', 'webp', 'avif'] as const).find((f) => slot.accepts.includes(f)) ?? 'png';
    const [drawn, close, careful, light] = await theEngine().patches(
      await subjectOf(site, slot, picture),
      cares.map((care) => ({ by: 'care', care })),
      format,
      wanted,
    );
    update(key, (f) => ({ ...f, patches: { drawn, close, careful, light } }));
  } catch {
    /* The levels are said in words, too. */
  } finally {
    asked.delete(key);
  }
}
