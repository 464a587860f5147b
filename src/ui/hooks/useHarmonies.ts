'use client';

import { useMemo, useState } from 'react';
import { harmoniesOf, type Harmony, type HarmonyKind } from '@/core/harmony/harmony';
import type { Hex } from '@/core/site/model/hex';
import type { LookedAt } from '@/engine/protocol';
import { usePhotoSeed } from './usePhotoSeed';

/** What colours are to go with: one colour, or a photograph. */
export type Seed = { readonly colour: Hex } | LookedAt;

export interface Harmonies {
  readonly seed: Seed;
  /** The colour they go with: of a photograph the one it speaks of, once it is known. */
  readonly lead: Hex | undefined;
  readonly list: readonly Harmony[];
  readonly chosen: Harmony | undefined;
  /** Why a photograph gives none. */
  readonly problem: string | undefined;
  setSeed(seed: Seed): void;
  choose(kind: HarmonyKind | undefined): void;
}

/**
 * Sets of colours around a colour or a photograph, one of which may be chosen.
 * @param on what their content is to be; left out, either
 */
export function useHarmonies(first: () => Hex, on?: 'light' | 'dark'): Harmonies {
  const [seed, setSeed] = useState<Seed>(() => ({ colour: first() }));
  const [kind, choose] = useState<HarmonyKind>();
  const photo = usePhotoSeed('assetId' in seed ? seed : undefined);
  const { lead, second } =
    'colour' in seed ? { lead: seed.colour, second: undefined } : (photo.seed ?? {});
  const list = useMemo(
    () => (lead === undefined ? [] : harmoniesOf({ lead, ...(second && { second }) }, on)),
    [lead, second, on],
  );
  return {
    seed,
    lead,
    list,
    chosen: list.find((h) => h.kind === kind),
    problem: photo.problem,
    setSeed,
    choose,
  };
}
